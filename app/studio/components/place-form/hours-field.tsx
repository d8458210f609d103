import { clock } from '../../../shared/words/times'
/** The course of a day: temperature and humidity of each hour, as a small table of inputs. */

interface Hour {
	temperatureC: number
	humidity: number
}

interface HoursFieldProps {
	id?: string
	value?: Hour[]
	onChange?: (value: Hour[]) => void
}

export function HoursField({ id, value = [], onChange }: HoursFieldProps) {
	const change = (hour: number, values: Partial<Hour>) => {
		onChange?.(value.map((air, h) => (h === hour ? { ...air, ...values } : air)))
	}
	return (
		<div className="hours-field" id={id} tabIndex={-1}>
			{value.map(({ temperatureC, humidity }, hour) => {
				const label = clock(60 * hour)
				return (
					<div key={hour} className="hours-row">
						<span>{label}</span>
						<input
							type="number"
							step="0.5"
							aria-label={`°C at ${label}`}
							value={Number.isNaN(temperatureC) ? '' : temperatureC}
							onChange={({ target }) => change(hour, { temperatureC: target.valueAsNumber })}
						/>
						<span>°C</span>
						<input
							type="number"
							step="0.5"
							aria-label={`% at ${label}`}
							value={Number.isNaN(humidity) ? '' : humidity}
							onChange={({ target }) => change(hour, { humidity: target.valueAsNumber })}
						/>
						<span>%</span>
					</div>
				)
			})}
		</div>
	)
}

/** The course of a day: temperature and humidity of each hour, as a small table of fields. */
import {} from 'antd'
import { clock } from '../../../shared/words/times'
import { DecimalInput } from '../../../shared/components/fields/decimal-input'

interface Hour {
	temperatureC: number
	humidity: number
}

interface HoursFieldProps {
	id?: string
	value?: Hour[]
	onChange?: (value: Hour[]) => void
}

/** The air of each hour of a day, two fields an hour. */
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
						<HourNumber
							name={`°C at ${label}`}
							unit="°C"
							value={temperatureC}
							onChange={(value) => change(hour, { temperatureC: value })}
						/>
						<HourNumber
							name={`% at ${label}`}
							unit="%"
							value={humidity}
							onChange={(value) => change(hour, { humidity: value })}
						/>
					</div>
				)
			})}
		</div>
	)
}

function HourNumber({
	name,
	unit,
	value,
	onChange,
}: {
	name: string
	unit: string
	/** Not a number: it is being typed. */
	value: number
	onChange: (value: number) => void
}) {
	return (
		<DecimalInput
			size="small"
			step={0.5}
			suffix={unit}
			aria-label={name}
			value={Number.isNaN(value) ? null : value}
			onChange={(typed) => onChange(typed === null ? NaN : Number(typed))}
		/>
	)
}

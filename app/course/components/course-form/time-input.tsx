import { Input } from 'antd'
import { clock } from '../../../shared/words/times'

interface TimeInputProps {
	id?: string
	/** Minutes after midnight. */
	value?: number
	onChange?: (value: number | undefined) => void
	'aria-label'?: string
}

/** A time of day, kept as minutes after midnight. */
export function TimeInput({ id, value, onChange, ...rest }: TimeInputProps) {
	return (
		<Input
			id={id}
			type="time"
			value={value === undefined || Number.isNaN(value) ? '' : clock(value)}
			onChange={({ target }) => {
				const [hours, minutes] = target.value.split(':').map(Number)
				onChange?.(
					target.value === '' || hours === undefined || minutes === undefined ? undefined : hours * 60 + minutes,
				)
			}}
			{...rest}
		/>
	)
}

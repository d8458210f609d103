import { TimePicker } from 'antd'
import { clock } from '../../../../core/time/wall-clock'
import { CLOCK_FORMAT, readClock, toClockValue } from './clock-value'
import { useTypedText } from './use-typed-text'

interface TimeInputProps {
	id?: string
	/** Minutes after midnight. */
	value?: number
	onChange?: (value: number | undefined) => void
	'aria-label'?: string
}

/** A time of day, kept as minutes after midnight. */
export function TimeInput({ value, onChange, ...rest }: TimeInputProps) {
	const held = value === undefined || !Number.isFinite(value) ? '' : clock(value)
	const typed = useTypedText({
		held,
		toValue: toClockValue,
		format: CLOCK_FORMAT,
		read: readClock,
		give: (time) => onChange?.(minuteOf(time)),
	})
	return (
		<TimePicker
			format={CLOCK_FORMAT}
			minuteStep={5}
			needConfirm={false}
			placeholder="18:30"
			value={typed.value}
			onChange={typed.tell}
			{...rest}
			{...typed.inputProps}
		/>
	)
}

function minuteOf(time: string): number | undefined {
	const value = toClockValue(time)
	return value ? value.hour() * 60 + value.minute() : undefined
}

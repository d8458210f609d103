import { TimePicker } from 'antd'
import dayjs from 'dayjs'
import { CLOCK_FORMAT } from './clock-value'

interface TimeInputProps {
	id?: string
	/** Minutes after midnight. */
	value?: number
	onChange?: (value: number | undefined) => void
	'aria-label'?: string
}

/** A time of day, kept as minutes after midnight. */
export function TimeInput({ value, onChange, ...rest }: TimeInputProps) {
	const isTime = value !== undefined && Number.isFinite(value)
	return (
		<TimePicker
			format={CLOCK_FORMAT}
			minuteStep={5}
			needConfirm={false}
			placeholder="18:30"
			value={isTime ? dayjs().startOf('day').minute(value) : null}
			onChange={(chosen) => onChange?.(chosen ? chosen.hour() * 60 + chosen.minute() : undefined)}
			{...rest}
		/>
	)
}

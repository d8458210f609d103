import { TimePicker } from 'antd'
import { useId } from 'react'
import { CLOCK_FORMAT, readClock, toClockValue } from './clock-value'
import { FieldFrame, problemProps } from './field-frame'
import { useTypedText } from './use-typed-text'

/** A time of day, as 18:30. */
export function TimeField({
	label,
	name,
	value,
	onChange,
	problem,
}: {
	label: string
	/** In a form that is sent without scripts. */
	name?: string
	value: string
	onChange: (value: string) => void
	problem?: string | undefined
}) {
	const id = useId()
	const typed = useTypedText({
		held: value,
		toValue: toClockValue,
		format: CLOCK_FORMAT,
		read: readClock,
		give: (time) => time !== '' && onChange(time),
	})
	return (
		<FieldFrame id={id} label={label} problem={problem}>
			<TimePicker
				id={id}
				format={CLOCK_FORMAT}
				value={typed.value}
				minuteStep={5}
				needConfirm={false}
				allowClear={false}
				onChange={typed.tell}
				{...typed.inputProps}
				{...(name !== undefined && { name })}
				{...problemProps(id, problem)}
			/>
		</FieldFrame>
	)
}

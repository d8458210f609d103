import { TimePicker } from 'antd'
import { useId } from 'react'
import { CLOCK_FORMAT, toClockValue } from './clock-value'
import { FieldFrame, problemProps } from './field-frame'

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
	return (
		<FieldFrame id={id} label={label} problem={problem}>
			<TimePicker
				id={id}
				format={CLOCK_FORMAT}
				value={toClockValue(value)}
				minuteStep={5}
				needConfirm={false}
				allowClear={false}
				onChange={(chosen) => {
					if (chosen) onChange(chosen.format(CLOCK_FORMAT))
				}}
				{...(name !== undefined && { name })}
				{...problemProps(id, problem)}
			/>
		</FieldFrame>
	)
}

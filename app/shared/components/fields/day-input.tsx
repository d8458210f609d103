import { DatePicker } from 'antd'
import { DAY_FORMAT, readDay, SHOWN_DAY_FORMAT, toDayValue } from './clock-value'
import { useTypedText } from './use-typed-text'

interface DayInputProps {
	id?: string
	/** As 2026-03-12. */
	value?: string
	onChange?: (value: string) => void
	/** Among words: small, and without a frame. */
	isQuiet?: boolean
}

/** A day, kept as its date; weeks begin on Monday. */
export function DayInput({ value = '', onChange, isQuiet = false, ...rest }: DayInputProps) {
	const typed = useTypedText({
		held: value,
		toValue: toDayValue,
		format: DAY_FORMAT,
		read: readDay,
		give: (day) => onChange?.(day),
	})
	return (
		<DatePicker
			format={SHOWN_FORMATS}
			allowClear={false}
			placeholder="12 Mar 2026"
			value={typed.value}
			onChange={typed.tell}
			{...(isQuiet && { size: 'small' as const, variant: 'borderless' as const })}
			{...rest}
			{...typed.inputProps}
		/>
	)
}

/** The first is shown; the panel follows the others while they are typed. */
const SHOWN_FORMATS = [SHOWN_DAY_FORMAT, 'D MMM YYYY', 'D.M.YYYY', 'D/M/YYYY', DAY_FORMAT]

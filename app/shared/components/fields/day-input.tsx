import { DatePicker } from 'antd'
import { DAY_FORMAT, toDayValue } from './clock-value'

interface DayInputProps {
	id?: string
	/** As 2026-03-12. */
	value?: string
	onChange?: (value: string) => void
	/** Among words: small, and without a frame. */
	isQuiet?: boolean
}

/** A day, kept as its date; weeks begin on Monday. */
export function DayInput({ value, onChange, isQuiet = false, ...rest }: DayInputProps) {
	return (
		<DatePicker
			format={SHOWN_FORMATS}
			allowClear={false}
			placeholder="12 Mar 2026"
			value={value ? toDayValue(value) : null}
			onChange={(chosen) => onChange?.(chosen?.format(DAY_FORMAT) ?? '')}
			{...(isQuiet && { size: 'small' as const, variant: 'borderless' as const })}
			{...rest}
		/>
	)
}

/** The first is shown, all are read. */
const SHOWN_FORMATS = ['ddd D MMM YYYY', 'D MMM YYYY', 'D.M.YYYY', 'D/M/YYYY', DAY_FORMAT]

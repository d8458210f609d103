import { Checkbox } from 'antd'
import './fields.css'

/** Yes or no. */
export function CheckField({
	label,
	value,
	onChange,
}: {
	label: string
	value: boolean
	onChange: (value: boolean) => void
}) {
	return (
		<Checkbox className="check-field" checked={value} onChange={({ target }) => onChange(target.checked)}>
			{label}
		</Checkbox>
	)
}

/** Several of a few words. */
export function ChecksField<T extends string>({
	label,
	value,
	onChange,
	options,
}: {
	label: string
	value: readonly T[]
	onChange: (value: readonly T[]) => void
	options: readonly T[]
}) {
	return (
		<fieldset className="checks-field">
			<legend>{label}</legend>
			{options.map((option) => (
				<CheckField
					key={option}
					label={option}
					value={value.includes(option)}
					onChange={(isChosen) => onChange(options.filter((one) => (one === option ? isChosen : value.includes(one))))}
				/>
			))}
		</fieldset>
	)
}

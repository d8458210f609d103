/** Fields of forms that the browser sends by itself: they hold what is typed, with or without scripts. */
import { Input } from 'antd'
import { useId, useState } from 'react'
import { SelectField, type Option } from './choice-fields'
import { FieldFrame, problemProps } from './field-frame'
import { DecimalInput } from './decimal-input'

interface PlainFieldProps {
	name: string
	label: string
	problem?: string | undefined
	isRequired?: boolean
}

/** A text of a form that is sent as it is. */
export function PlainText({
	label,
	problem,
	isRequired = false,
	...rest
}: PlainFieldProps & {
	type?: 'text' | 'email' | 'password'
	autoComplete?: string
	autoFocus?: boolean
	defaultValue?: string
	maxLength?: number
	placeholder?: string | undefined
}) {
	const id = useId()
	return (
		<FieldFrame id={id} label={label} problem={problem}>
			<Input id={id} required={isRequired} {...rest} {...problemProps(id, problem)} />
		</FieldFrame>
	)
}

/** A number of a form that is sent as it is. */
export function PlainNumber({
	name,
	label,
	unit,
	defaultValue,
	step = 1,
	problem,
	isRequired = false,
}: PlainFieldProps & { unit?: string; defaultValue?: number; step?: number }) {
	const id = useId()
	return (
		<FieldFrame id={id} label={label} problem={problem} className="is-number">
			<DecimalInput
				id={id}
				name={name}
				step={step}
				required={isRequired}
				{...(defaultValue !== undefined && { defaultValue })}
				{...(unit !== undefined && { suffix: unit, 'aria-label': `${label}, ${unit}` })}
				{...problemProps(id, problem)}
			/>
		</FieldFrame>
	)
}

/** One of many in a form that is sent as it is; begins with the first. */
export function PlainSelect({
	name,
	label,
	options,
	problem,
}: PlainFieldProps & { options: readonly Option<string>[] }) {
	const [value, setValue] = useState(options[0]?.value ?? '')
	return (
		<div>
			<SelectField name={name} label={label} value={value} options={options} onChange={setValue} />
			{problem !== undefined && (
				<p className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}

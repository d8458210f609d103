import { Radio, Select } from 'antd'
import { memo, useId } from 'react'
import { FieldFrame } from './field-frame'
import { useLatest } from '../use-latest'

export interface Option<T extends string> {
	value: T
	label: string
}

interface ChoiceFieldProps<T extends string> {
	label: string
	/** In a form that is sent without scripts. */
	name?: string
	value: T
	onChange: (value: T) => void
	options: readonly Option<T>[]
}

/** One of many: typing finds it. */
export function SelectField<T extends string>({ label, name, value, onChange, options }: ChoiceFieldProps<T>) {
	const id = useId()
	const take = useLatest(onChange)
	return (
		<FieldFrame id={id} label={label}>
			<SelectControl id={id} value={value} options={options} onTake={take as (value: string) => void} />
			{/* The library's own field is none that a form sends. */}
			{name !== undefined && <input type="hidden" name={name} value={value} />}
		</FieldFrame>
	)
}

/** One of two or three that are always in view: one press instead of two. */
export function FewField<T extends string>({ label, name, value, onChange, options }: ChoiceFieldProps<T>) {
	const id = useId()
	return (
		<div className="field" role="group" aria-labelledby={id}>
			<span id={id} className="field-label">
				{label}
			</span>
			<Radio.Group
				optionType="button"
				options={[...options]}
				value={value}
				onChange={({ target }) => onChange(target.value as T)}
				{...(name !== undefined && { name })}
			/>
		</div>
	)
}

/** The same word shown and meant. */
export function wordOptions<T extends string>(words: readonly T[]): Option<T>[] {
	return words.map((word) => ({ value: word, label: word }))
}

interface SelectControlProps {
	id: string
	value: string
	options: readonly Option<string>[]
	onTake: (value: string) => void
}

/** Above it, a list is worth searching. */
const MOST_UNSEARCHED = 8

const SelectControl = memo(function SelectControl({ id, value, options, onTake }: SelectControlProps) {
	return (
		<Select
			id={id}
			value={value}
			options={[...options]}
			onChange={onTake}
			popupMatchSelectWidth={false}
			{...(options.length > MOST_UNSEARCHED && { showSearch: { optionFilterProp: 'label' } })}
		/>
	)
}, isAlike)

function isAlike(before: SelectControlProps, after: SelectControlProps): boolean {
	return (
		before.id === after.id &&
		before.value === after.value &&
		before.onTake === after.onTake &&
		before.options.length === after.options.length &&
		before.options.every(
			({ value, label }, o) => value === after.options[o]?.value && label === after.options[o]?.label,
		)
	)
}

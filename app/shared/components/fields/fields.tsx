/** Small fields for editing in place: plain inputs, quick to render by the dozen. */
import { useId, useState } from 'react'
import './fields.css'

interface FieldProps<T> {
	label: string
	/** In a form that is sent without scripts. */
	name?: string | undefined
	value: T
	onChange: (value: T) => void
}

export function TextField({
	label,
	value,
	onChange,
	isLong = false,
	maxLength,
}: FieldProps<string> & { isLong?: boolean; maxLength: number }) {
	const id = useId()
	const common = {
		id,
		value,
		maxLength,
		onChange: (event: { target: { value: string } }) => onChange(event.target.value),
	}
	return (
		<div className="field">
			<label htmlFor={id}>{label}</label>
			{isLong ? <textarea rows={2} {...common} /> : <input type="text" {...common} />}
		</div>
	)
}

interface NumberFieldProps extends FieldProps<number> {
	min: number
	max: number
	step?: number
	isWhole?: boolean
	/** To drag, beside the number to type. */
	hasSlider?: boolean
	/** Said beside the field, beyond its range. */
	problem?: string | undefined
}

/** What is typed stays as it is typed; only a number in range is taken, and otherwise the range is said. */
export function NumberField({
	label,
	name,
	value,
	onChange,
	min,
	max,
	step = 1,
	isWhole = false,
	hasSlider = false,
	problem,
}: NumberFieldProps) {
	const id = useId()
	const [typed, setTyped] = useState<string>()
	const isValid = (text: string) => {
		const number = Number(text)
		return text.trim() !== '' && number >= min && number <= max && (!isWhole || Number.isInteger(number))
	}
	const isWrong = typed !== undefined && !isValid(typed)
	return (
		<div className={hasSlider ? 'field is-number has-slider' : 'field is-number'}>
			<label htmlFor={id}>{label}</label>
			{hasSlider && (
				<input
					type="range"
					aria-label={`${label}, slider`}
					min={min}
					max={max}
					step={step}
					value={value}
					onChange={({ target }) => {
						setTyped(undefined)
						onChange(Number(target.value))
					}}
				/>
			)}
			<input
				id={id}
				name={name}
				type="number"
				inputMode="decimal"
				min={min}
				max={max}
				step={step}
				value={typed ?? value}
				aria-invalid={isWrong || problem !== undefined}
				aria-describedby={isWrong || problem !== undefined ? `${id}-problem` : undefined}
				onChange={({ target }) => {
					setTyped(target.value)
					if (isValid(target.value)) onChange(Number(target.value))
				}}
				onBlur={() => {
					if (!isWrong) setTyped(undefined)
				}}
			/>
			{(isWrong || problem !== undefined) && (
				<p id={`${id}-problem`} className="field-problem" role="alert">
					{isWrong ? `${isWhole ? 'A whole number' : 'A number'} from ${min} to ${max}` : problem}
				</p>
			)}
		</div>
	)
}

export function SelectField<T extends string>({
	label,
	name,
	value,
	onChange,
	options,
}: FieldProps<T> & { options: readonly { value: T; label: string }[] }) {
	const id = useId()
	return (
		<div className="field">
			<label htmlFor={id}>{label}</label>
			<select
				id={id}
				name={name}
				value={value}
				onChange={({ target }) => {
					const chosen = options.find((option) => option.value === target.value)
					if (chosen) onChange(chosen.value)
				}}
			>
				{options.map((option) => (
					<option key={option.value} value={option.value}>
						{option.label}
					</option>
				))}
			</select>
		</div>
	)
}

/** A time of day, as 18:30. */
export function TimeField({
	label,
	name,
	value,
	onChange,
	problem,
}: FieldProps<string> & { problem?: string | undefined }) {
	const id = useId()
	return (
		<div className="field">
			<label htmlFor={id}>{label}</label>
			<input
				id={id}
				name={name}
				type="time"
				value={value}
				aria-invalid={problem !== undefined}
				aria-describedby={problem === undefined ? undefined : `${id}-problem`}
				onChange={({ target }) => onChange(target.value)}
			/>
			{problem !== undefined && (
				<p id={`${id}-problem`} className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}

export function CheckField({ label, value, onChange }: FieldProps<boolean>) {
	return (
		<label className="check-field">
			<input type="checkbox" checked={value} onChange={({ target }) => onChange(target.checked)} /> {label}
		</label>
	)
}

/** Several of a few words. */
export function ChecksField<T extends string>({
	label,
	value,
	onChange,
	options,
}: FieldProps<readonly T[]> & { options: readonly T[] }) {
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

/** The same word shown and meant. */
export function wordOptions<T extends string>(words: readonly T[]): { value: T; label: string }[] {
	return words.map((word) => ({ value: word, label: word }))
}

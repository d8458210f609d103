import { Slider } from 'antd'
import { memo, useId, useState } from 'react'
import { FieldFrame, problemProps } from './field-frame'
import { limitWords, readNumber, type NumberLimits } from './number-words'
import { useLatest } from '../use-latest'
import { DecimalInput } from './decimal-input'

interface NumberFieldProps extends NumberLimits {
	label: string
	/** Shown behind the number, and part of the field's name for who cannot see it. */
	unit?: string
	/** In a form that is sent without scripts. */
	name?: string
	value: number
	onChange: (value: number) => void
	/** Of the arrow keys. */
	step?: number
	/** To drag, beside the number to type. */
	hasSlider?: boolean
	/** Said beside the field, beyond its range. */
	problem?: string | undefined
}

/** What is typed stays as it is typed; only a number in range is taken, and otherwise the range is said. */
export function NumberField({ label, unit, value, onChange, hasSlider = false, problem, ...rest }: NumberFieldProps) {
	const id = useId()
	const [typed, setTyped] = useState<string>()
	const { min, max, step = 1, isWhole = false } = rest
	const limits = { min, max, isWhole }
	const isWrong = typed !== undefined && readNumber(typed, limits) === undefined
	const shownProblem = isWrong ? limitWords(limits) : problem
	const takeText = useLatest((text: string) => {
		setTyped(text)
		const number = readNumber(text, limits)
		if (number !== undefined) onChange(number)
	})
	const leave = useLatest(() => {
		if (!isWrong) setTyped(undefined)
	})
	const drag = useLatest((dragged: number) => {
		setTyped(undefined)
		onChange(dragged)
	})
	const fullName = unit === undefined ? label : `${label}, ${unit}`
	return (
		<FieldFrame
			id={id}
			label={label}
			problem={shownProblem}
			className={hasSlider ? 'is-number has-slider' : 'is-number'}
		>
			{hasSlider && <SliderControl label={fullName} value={value} min={min} max={max} step={step} onDrag={drag} />}
			<NumberControl
				id={id}
				name={rest.name}
				label={fullName}
				unit={unit}
				value={typed ?? value}
				step={step}
				problem={shownProblem}
				onText={takeText}
				onLeave={leave}
			/>
		</FieldFrame>
	)
}

const NumberControl = memo(function NumberControl({
	id,
	name,
	label,
	unit,
	value,
	step,
	problem,
	onText,
	onLeave,
}: {
	id: string
	name: string | undefined
	label: string
	unit: string | undefined
	value: string | number
	step: number
	problem: string | undefined
	onText: (text: string) => void
	onLeave: () => void
}) {
	return (
		<DecimalInput
			id={id}
			value={value}
			step={step}
			onInput={onText}
			onStep={(stepped) => onText(String(stepped))}
			onBlur={onLeave}
			{...(name !== undefined && { name })}
			{...(unit !== undefined && { suffix: unit, 'aria-label': label })}
			{...problemProps(id, problem)}
		/>
	)
})

const SliderControl = memo(function SliderControl({
	label,
	onDrag,
	...range
}: {
	label: string
	value: number
	min: number
	max: number
	step: number
	onDrag: (value: number) => void
}) {
	return <Slider ariaLabelForHandle={`${label}, slider`} tooltip={{ open: false }} onChange={onDrag} {...range} />
})

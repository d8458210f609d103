import { Input } from 'antd'
import { useId } from 'react'
import { problemProps } from '../../../shared/components/fields/field-frame'

interface ToldLineProps {
	label: string
	unit?: string
	/** What was planned or reckoned. */
	besides?: string
	/** As it is typed; empty: nothing is told. */
	value: string
	onChange: (text: string) => void
	problem: string | undefined
}

/** A number that may stay empty, with what was planned beside it. */
export function ToldLine({ label, unit, besides, value, onChange, problem }: ToldLineProps) {
	const id = useId()
	return (
		<div className="told-line">
			<label htmlFor={id}>{label}</label>
			<Input
				id={id}
				inputMode="decimal"
				value={value}
				suffix={unit}
				onChange={({ target }) => onChange(target.value)}
				{...(unit !== undefined && { 'aria-label': `${label}, ${unit}` })}
				{...problemProps(id, problem)}
			/>
			<span className="soft small">{besides}</span>
			{problem !== undefined && (
				<p id={`${id}-problem`} className="field-problem" role="alert">
					{problem}
				</p>
			)}
		</div>
	)
}

import { Input } from 'antd'
import { memo, useId } from 'react'
import { FieldFrame } from './field-frame'
import { useLatest } from '../use-latest'

interface TextFieldProps {
	label: string
	value: string
	onChange: (value: string) => void
	maxLength: number
	isLong?: boolean
}

/** A text that is changed in place. */
export function TextField({ label, value, onChange, maxLength, isLong = false }: TextFieldProps) {
	const id = useId()
	const take = useLatest(onChange)
	return (
		<FieldFrame id={id} label={label}>
			<TextControl id={id} value={value} maxLength={maxLength} isLong={isLong} onText={take} />
		</FieldFrame>
	)
}

const TextControl = memo(function TextControl({
	isLong,
	onText,
	...rest
}: {
	id: string
	value: string
	maxLength: number
	isLong: boolean
	onText: (value: string) => void
}) {
	const onChange = ({ target }: { target: { value: string } }) => onText(target.value)
	return isLong ? <Input.TextArea rows={2} onChange={onChange} {...rest} /> : <Input onChange={onChange} {...rest} />
})

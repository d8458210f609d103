import { Input } from 'antd'
import { useId } from 'react'
import { FieldFrame, problemProps } from '../../shared/components/fields/field-frame'

/** A word in a sheet's form that works without scripts. */
export function SheetText({
	label,
	problem,
	...rest
}: {
	name: string
	label: string
	type?: 'text' | 'email' | 'password'
	autoComplete: string
	defaultValue?: string
	problem?: string | undefined
}) {
	const id = useId()
	return (
		<FieldFrame id={id} label={label} problem={problem}>
			<Input id={id} {...problemProps(id, problem)} {...rest} />
		</FieldFrame>
	)
}

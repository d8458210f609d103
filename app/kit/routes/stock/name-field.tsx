import { AutoComplete, Input } from 'antd'
import { useId } from 'react'
import { FieldFrame } from '../../../shared/components/fields/field-frame'

/** A name that is on the shelf already, or a new one. */
export function NameField({ names, placeholder }: { names: readonly string[]; placeholder: string | undefined }) {
	const id = useId()
	return (
		<FieldFrame id={id} label="Name">
			<AutoComplete
				id={id}
				options={names.map((value) => ({ value }))}
				showSearch={{
					filterOption: (typed, option) => (option?.value ?? '').toLowerCase().includes(typed.toLowerCase()),
				}}
			>
				<Input name="name" maxLength={80} required {...(placeholder !== undefined && { placeholder })} />
			</AutoComplete>
		</FieldFrame>
	)
}

import { PlusOutlined } from '@ant-design/icons'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { addUsualPart } from '../../../../../core/design/skeletons/usual-parts'
import { useEditing } from '../editing'

/** A name and Enter: a part more, with what such parts usually are; the next name can follow at once. */
export function AddPart() {
	const { change, select } = useEditing()
	const [name, setName] = useState('')
	const add = () => {
		const wished = name.trim()
		if (wished === '') return
		change((before) => {
			const { design, partId } = addUsualPart(before, wished)
			select({ type: 'part', id: partId })
			return design
		})
		setName('')
	}
	return (
		<form
			className="add-part"
			onSubmit={(event) => {
				event.preventDefault()
				add()
			}}
		>
			<Input
				value={name}
				maxLength={80}
				placeholder="outer petals, sepals, leaves…"
				aria-label="Name of one more part"
				onChange={({ target }) => setName(target.value)}
			/>
			<Button htmlType="submit" icon={<PlusOutlined aria-hidden />}>
				Add a part
			</Button>
		</form>
	)
}

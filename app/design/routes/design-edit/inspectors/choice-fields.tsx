import { CloseOutlined, PlusOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import type { Choice, Design } from '../../../../../core/design/design'
import {
	addChoice,
	addOption,
	removeOption,
	renameChoice,
	renameOption,
} from '../../../../../core/design/edits/edit-choices'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'

/** What a student or a course decides on. */
export function ChoiceFields({ design }: { design: Design }) {
	const { change } = useEditing()
	return (
		<>
			{design.choices.map((choice) => (
				<OneChoice key={choice.id} choice={choice} />
			))}
			<Button
				type="dashed"
				icon={<PlusOutlined aria-hidden />}
				onClick={() => change((before) => addChoice(before, 'Way', ['Usual', 'Another']))}
			>
				choice
			</Button>
		</>
	)
}

function OneChoice({ choice: { id, name, options } }: { choice: Choice }) {
	const { change } = useEditing()
	return (
		<div className="listed-item">
			<TextField
				label="Choice"
				value={name}
				maxLength={60}
				onChange={(text) => change((before) => renameChoice(before, id, text || 'Choice'), `choice ${id}`)}
			/>
			{options.map((option, o) => (
				<div className="listed-line" key={option.id}>
					<TextField
						label={o === 0 ? 'Usual option' : 'Option'}
						value={option.name}
						maxLength={60}
						onChange={(text) =>
							change((before) => renameOption(before, id, option.id, text || 'Option'), `option ${id} ${option.id}`)
						}
					/>
					<Button
						type="text"
						icon={<CloseOutlined aria-hidden />}
						aria-label={`Take off the option ${option.name}`}
						onClick={() => change((before) => removeOption(before, id, option.id))}
					/>
				</div>
			))}
			<Button
				type="dashed"
				icon={<PlusOutlined aria-hidden />}
				onClick={() => change((before) => addOption(before, id, 'Another way'))}
			>
				option
			</Button>
		</div>
	)
}

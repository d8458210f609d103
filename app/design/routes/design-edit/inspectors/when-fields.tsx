import type { Condition, Design } from '../../../../../core/design/design'
import { CheckField } from '../../../../shared/components/fields/check-fields'

interface WhenFieldsProps {
	when: Condition | undefined
	design: Design
	onChange: (when: Condition | undefined) => void
}

/** Under which options something exists: all of them, unless some are taken away. */
export function WhenFields({ when, design, onChange }: WhenFieldsProps) {
	if (design.choices.length === 0) return null
	const toggle = (choiceId: string, all: readonly string[], optionId: string, isChosen: boolean) => {
		const chosen = all.filter((id) => (id === optionId ? isChosen : (when?.[choiceId] ?? all).includes(id)))
		// Nothing chosen would be nothing ever: the last one stays.
		if (chosen.length === 0) return
		const { [choiceId]: _, ...others } = when ?? {}
		const next = chosen.length === all.length ? others : { ...others, [choiceId]: chosen }
		onChange(Object.keys(next).length > 0 ? next : undefined)
	}
	return (
		<fieldset className="when-fields">
			<legend>Exists under</legend>
			{design.choices.map(({ id, name, options }) => {
				const all = options.map((option) => option.id)
				return (
					<div key={id} role="group" aria-label={name}>
						<span className="soft small">{name}</span>
						{options.map((option) => (
							<CheckField
								key={option.id}
								label={option.name}
								value={(when?.[id] ?? all).includes(option.id)}
								onChange={(isChosen) => toggle(id, all, option.id, isChosen)}
							/>
						))}
					</div>
				)
			})}
		</fieldset>
	)
}

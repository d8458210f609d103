import { memo } from 'react'
import type { Choice } from '../../../../core/design/design'
import type { Picks } from '../../../../core/design/resolve-design'
import { FewField, SelectField } from '../../../shared/components/fields/choice-fields'

/** The one option that changes hold for. */
export type Only = { choice: string; option: string } | undefined

interface ShownOptionsProps {
	choices: readonly Choice[]
	picks: Picks
	only: Only
	onPick: (picks: Picks) => void
	onOnly: (only: Only) => void
}

/** More of them stand in a list. */
const MOST_BESIDE = 3

/** Which options are shown, and whether a change holds for those alone. */
export const ShownOptions = memo(function ShownOptions({ choices, picks, only, onPick, onOnly }: ShownOptionsProps) {
	if (choices.length === 0) return null
	const scopes = choices.flatMap(({ id, name, options }) => {
		const option = options.find((one) => one.id === picks[id])
		return option ? [{ value: `${id} ${option.id}`, label: `only for ${name.toLowerCase()}: ${option.name}` }] : []
	})
	return (
		<div className="editor-options">
			{choices.map(({ id, name, options }) => {
				const Field = options.length > MOST_BESIDE ? SelectField : FewField
				return (
					<Field
						key={id}
						label={`Shown: ${name}`}
						value={picks[id] ?? ''}
						options={options.map((option) => ({ value: option.id, label: option.name }))}
						onChange={(option: string) => {
							onPick({ ...picks, [id]: option })
							if (only?.choice === id) onOnly({ choice: id, option })
						}}
					/>
				)
			})}
			<SelectField
				label="Changes hold"
				value={only ? `${only.choice} ${only.option}` : ''}
				options={[{ value: '', label: 'wherever the value shown holds' }, ...scopes]}
				onChange={(scope) => {
					const [choice, option] = scope.split(' ')
					onOnly(choice && option ? { choice, option } : undefined)
				}}
			/>
		</div>
	)
})

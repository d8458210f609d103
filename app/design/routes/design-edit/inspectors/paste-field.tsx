import type { OwnPaste, Part } from '../../../../../core/design/design'
import { PASTES, type Paste } from '../../../../../core/vocabulary/paste'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { useEditing } from '../editing'

/** A usual paste, one of the studio's own, or one that the design brought along. */
export function PasteField({
	part: { paste, ownPaste },
	onChange,
}: {
	part: Pick<Part, 'paste' | 'ownPaste'>
	onChange: (values: { paste: Paste | undefined; ownPaste: OwnPaste | undefined }) => void
}) {
	const { ownPastes } = useEditing()
	const isBrought = ownPaste && !ownPastes.some(({ name }) => name === ownPaste.name)
	const own = isBrought && paste ? [...ownPastes, { ...ownPaste, like: paste }] : ownPastes
	return (
		<SelectField<string>
			label="Paste"
			value={ownPaste ? `own:${ownPaste.name}` : (paste ?? '')}
			options={[
				{ value: '', label: 'none' },
				...wordOptions<string>(PASTES),
				...own.map(({ name }) => ({ value: `own:${name}`, label: name })),
			]}
			onChange={(value) => {
				const chosen = own.find(({ name }) => value === `own:${name}`)
				if (chosen) {
					const { like, name, paceFactor } = chosen
					onChange({ paste: like, ownPaste: { name, paceFactor } })
				} else onChange({ paste: PASTES.find((one) => one === value), ownPaste: undefined })
			}}
		/>
	)
}

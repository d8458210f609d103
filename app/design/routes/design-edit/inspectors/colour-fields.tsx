import { TINTS, type AlternatingColour, type MarbledColour, type Part } from '../../../../../core/design/design'
import type { PartChange } from '../../../../../core/design/edits/edit-parts'
import { FewField, SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { ListFields } from './list-fields'

interface ColourFieldsProps {
	part: Pick<Part, 'tint'>
	shown: Pick<Part, 'colour' | 'alternating' | 'marbled'>
	onChange: (values: PartChange) => void
}

const WAYS = [
	{ value: 'one', label: 'all of one' },
	{ value: 'alternating', label: 'alternating' },
	{ value: 'marbled', label: 'marbled' },
] as const

/** Colours within a part: alternating round the flower, or kneaded of several. */
export function ColourFields({ part, shown, onChange }: ColourFieldsProps) {
	const { colour, alternating, marbled } = shown
	const way = alternating ? 'alternating' : marbled ? 'marbled' : 'one'
	const takeWay = (chosen: (typeof WAYS)[number]['value']) =>
		onChange({
			alternating:
				chosen === 'alternating'
					? [
							{ colour, pieces: 1 },
							{ colour: otherThan(colour), pieces: 1, tint: 'straw' },
						]
					: undefined,
			marbled:
				chosen === 'marbled'
					? [
							{ colour, share: 0.5 },
							{ colour: otherThan(colour), share: 0.5 },
						]
					: undefined,
		})
	return (
		<>
			<FewField label="Its pieces are" value={way} options={WAYS} onChange={takeWay} />
			{alternating && (
				<ListFields
					items={alternating}
					keyOf={(_, index) => index}
					nameOf={({ colour: name }) => name}
					addLabel="colour"
					makeNew={(): AlternatingColour => ({ colour: 'another', pieces: 1 })}
					onChange={(changed) => onChange({ alternating: changed.length > 1 ? changed : undefined })}
				>
					{(one, set) => (
						<>
							<NumberField
								label="Pieces"
								value={one.pieces}
								min={1}
								max={100}
								isWhole
								onChange={(pieces) => set({ pieces })}
							/>
							<TextField
								label="Of"
								value={one.colour}
								maxLength={60}
								onChange={(name) => set({ colour: name || 'white' })}
							/>
							<SelectField
								label="Drawn in"
								value={one.tint ?? part.tint}
								options={wordOptions(TINTS)}
								onChange={(tint) => set({ tint })}
							/>
						</>
					)}
				</ListFields>
			)}
			{marbled && (
				<ListFields
					items={marbled}
					keyOf={(_, index) => index}
					nameOf={({ colour: name }) => name}
					addLabel="colour"
					makeNew={(): MarbledColour => ({ colour: 'another', share: 0.1 })}
					onChange={(changed) => onChange({ marbled: changed.length > 1 ? changed : undefined })}
				>
					{(one, set) => (
						<>
							<NumberField
								label="Share"
								unit="%"
								value={Math.round(one.share * 1000) / 10}
								min={0.5}
								max={100}
								onChange={(percent) => set({ share: percent / 100 })}
							/>
							<TextField
								label="Of"
								value={one.colour}
								maxLength={60}
								onChange={(name) => set({ colour: name || 'white' })}
							/>
						</>
					)}
				</ListFields>
			)}
		</>
	)
}

function otherThan(colour: string): string {
	return colour === 'white' ? 'ivory' : 'white'
}

/** 'Alternating: 1 red, 1 ivory'. */
export function colourWords({ alternating, marbled }: ColourFieldsProps['shown']): string {
	if (alternating) return `Alternating: ${alternating.map(({ colour, pieces }) => `${pieces} ${colour}`).join(', ')}`
	if (marbled)
		return `Marbled: ${marbled.map(({ colour, share }) => `${Math.round(share * 100)} % ${colour}`).join(', ')}`
	return 'All of one colour'
}

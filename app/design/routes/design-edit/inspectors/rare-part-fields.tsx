import type { Design, Part } from '../../../../../core/design/design'
import { changeSizes, type PartChange } from '../../../../../core/design/edits/edit-parts'
import { ALLERGENS } from '../../../../../core/vocabulary/allergen'
import type { BackFace } from '../../../../../core/vocabulary/drying-stage'
import { BACK_WORDS } from '../../../../drying/words/drying'
import { CheckField, ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { ColourFields, colourWords } from './colour-fields'
import { More } from './more'
import { SizeFields, sizeWords } from './size-fields'
import { SpareFields, spareWords } from './spare-fields'
import { WhenFields } from './when-fields'
import { WireFields } from './wire-fields'

const BACKS = Object.entries(BACK_WORDS).map(([value, label]) => ({ value: value as BackFace, label }))

interface RarePartFieldsProps {
	part: Part
	/** As the shown options make it. */
	shown: Pick<
		Part,
		| 'drying'
		| 'breakage'
		| 'bundles'
		| 'sizes'
		| 'alternating'
		| 'marbled'
		| 'spares'
		| 'colour'
		| 'form'
		| 'piecesPerFlower'
	>
	design: Design
	onChange: (values: PartChange) => void
}

/** Drying and loss, bundles, allergens, and the options under which the part exists. */
export function RarePartFields({ part, shown, design, onChange }: RarePartFieldsProps) {
	const { change, scope } = useEditing()
	const allergens = part.allergens ?? []
	return (
		<>
			<More label={sizeWords(shown)}>
				<SizeFields
					part={part}
					shown={shown}
					design={design}
					onChange={(sizes) => change((before) => changeSizes(before, part.id, sizes, scope), `part ${part.id} sizes`)}
				/>
			</More>
			<More label={colourWords(shown)}>
				<ColourFields part={part} shown={shown} onChange={onChange} />
			</More>
			<More label={spareWords(shown)}>
				<SpareFields shown={shown} onChange={onChange} />
			</More>
			<More label={`Dries on ${shown.drying?.former ?? 'nothing'}`}>
				<DryingFields shown={shown} onChange={onChange} />
			</More>
			<More label={shown.bundles ? `In bundles of ${shown.bundles.pieces}` : 'Not bundled'}>
				<BundleFields shown={shown} design={design} onChange={onChange} />
			</More>
			<More label={part.on ? `Put on ${nameOf(design, part.on)}` : 'Put on nothing by itself'}>
				<SelectField
					label="Put, piece by piece, on"
					value={part.on ?? ''}
					options={[
						{ value: '', label: 'nothing' },
						...design.parts.filter(({ id }) => id !== part.id).map(({ id, name }) => ({ value: id, label: name })),
					]}
					onChange={(on) => onChange({ on: on || undefined })}
				/>
			</More>
			<More label={`Allergens: ${allergens.join(', ') || 'none'}`}>
				<ChecksField
					label="Allergens that its label names"
					value={allergens}
					options={ALLERGENS}
					onChange={(chosen) => onChange({ allergens: chosen.length > 0 ? [...chosen] : undefined })}
				/>
			</More>
			{design.choices.length > 0 && (
				<More label={part.when ? 'Exists under some options' : 'Exists under every option'}>
					<WhenFields when={part.when} design={design} onChange={(when) => onChange({ when })} />
				</More>
			)}
		</>
	)
}

function DryingFields({ shown, onChange }: Pick<RarePartFieldsProps, 'shown' | 'onChange'>) {
	const { drying } = shown
	return (
		<div className="field-row">
			<TextField
				label="Dries on"
				value={drying?.former ?? ''}
				maxLength={80}
				onChange={(former) =>
					onChange({ drying: former === '' ? undefined : { backFace: drying?.backFace ?? 'ventilated', former } })
				}
			/>
			{drying && (
				<SelectField
					label="Back face"
					value={drying.backFace}
					options={BACKS}
					onChange={(backFace) => onChange({ drying: { ...drying, backFace } })}
				/>
			)}
		</div>
	)
}

function BundleFields({
	shown: { bundles },
	design,
	onChange,
}: Pick<RarePartFieldsProps, 'shown' | 'design' | 'onChange'>) {
	const { gaugeStandard } = useEditing()
	return (
		<>
			<CheckField
				label="Taped into bundles first"
				value={bundles !== undefined}
				onChange={(isBundled) => onChange({ bundles: isBundled ? { pieces: 5 } : undefined })}
			/>
			{bundles && (
				<>
					<NumberField
						label="Pieces a bundle"
						value={bundles.pieces}
						min={2}
						max={200}
						isWhole
						onChange={(pieces) => onChange({ bundles: { ...bundles, pieces } })}
					/>
					<WireFields
						wire={bundles.wire}
						standard={gaugeStandard}
						label="Each bundle on a wire"
						design={design}
						onChange={(wire) => onChange({ bundles: { pieces: bundles.pieces, ...(wire && { wire }) } })}
					/>
				</>
			)}
		</>
	)
}

function nameOf({ parts }: Design, id: string): string {
	return parts.find((part) => part.id === id)?.name ?? id
}

import type { Design, Part } from '../../../../../core/design/design'
import type { PartChange } from '../../../../../core/design/edits/edit-parts'
import { ALLERGENS } from '../../../../../core/vocabulary/allergen'
import type { BackFace } from '../../../../../core/vocabulary/drying-stage'
import { BACK_WORDS } from '../../../../drying/words/drying'
import { CheckField, ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { More } from './more'
import { WhenFields } from './when-fields'
import { WireFields } from './wire-fields'

const BACKS = Object.entries(BACK_WORDS).map(([value, label]) => ({ value: value as BackFace, label }))

interface RarePartFieldsProps {
	part: Part
	/** As the shown options make it. */
	shown: Pick<Part, 'drying' | 'breakage' | 'bundles'>
	design: Design
	onChange: (values: PartChange) => void
}

/** Drying and loss, bundles, allergens, and the options under which the part exists. */
export function RarePartFields({ part, shown, design, onChange }: RarePartFieldsProps) {
	const allergens = part.allergens ?? []
	return (
		<>
			<More label={`Dries on ${shown.drying?.former ?? 'nothing'}; ${percent(shown.breakage)} in 100 lost`}>
				<DryingFields shown={shown} onChange={onChange} />
			</More>
			<More label={shown.bundles ? `In bundles of ${shown.bundles.pieces}` : 'Not bundled'}>
				<BundleFields shown={shown} onChange={onChange} />
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
	const { drying, breakage } = shown
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
			<NumberField
				label="Lost in 100"
				value={percent(breakage)}
				min={0}
				max={50}
				step={0.5}
				onChange={(lost) => onChange({ breakage: lost / 100 })}
			/>
		</div>
	)
}

function BundleFields({ shown: { bundles }, onChange }: Pick<RarePartFieldsProps, 'shown' | 'onChange'>) {
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
						onChange={(wire) => onChange({ bundles: { pieces: bundles.pieces, ...(wire && { wire }) } })}
					/>
				</>
			)}
		</>
	)
}

function percent(share: number): number {
	return Math.round(share * 1000) / 10
}

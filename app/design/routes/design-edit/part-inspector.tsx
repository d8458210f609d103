import { TINTS, type Design, type OwnPaste, type Part, type PartRole } from '../../../../core/design/design'
import { ALLERGENS } from '../../../../core/vocabulary/allergen'
import type { BackFace } from '../../../../core/vocabulary/drying-stage'
import type { Paste } from '../../../../core/vocabulary/paste'
import {
	changePart,
	duplicatePart,
	movePart,
	removePart,
	type PartChange,
} from '../../../../core/design/edits/edit-parts'
import { placeOf } from '../../../../core/design/edits/place-of'
import {
	CheckField,
	ChecksField,
	NumberField,
	SelectField,
	TextField,
	wordOptions,
} from '../../../shared/components/fields/fields'
import { useEditing } from './editing'
import { FormFields } from './form-fields'
import { InspectorHead } from './inspector-head'
import { settle } from '../../../../core/design/variants'
import { WhenFields } from './when-fields'
import { WireFields } from './wire-fields'

const ROLES: readonly PartRole[] = ['centre', 'petal', 'sepal', 'leaf', 'bud', 'filler', 'base', 'decoration']
const PASTES: readonly Paste[] = ['gum paste', 'modelling paste', 'stiffened sugarpaste', 'sugarpaste']
const BACK_FACES: readonly BackFace[] = ['free', 'ventilated', 'tissue', 'foam', 'board']

/** Everything about one part, as the shown options make it. */
export function PartInspector({ part, design }: { part: Part; design: Design }) {
	const { change, select, scope, gaugeStandard } = useEditing()
	const shown = settle(part, scope.picks)
	const set = (values: PartChange) =>
		change((before) => changePart(before, part.id, values, scope), `part ${part.id} ${Object.keys(values).join()}`)
	const place = placeOf(design.parts, part.id) ?? 0
	return (
		<section className="sheet stack inspector" aria-label="Part">
			<InspectorHead
				title="Part"
				actions={[
					{
						label: 'Up',
						isDisabled: place === 0,
						onAct: () => change((before) => movePart(before, part.id, place - 1)),
					},
					{
						label: 'Down',
						isDisabled: place === design.parts.length - 1,
						onAct: () => change((before) => movePart(before, part.id, place + 1)),
					},
					{ label: 'Duplicate', onAct: () => change((before) => duplicatePart(before, part.id)) },
					{
						label: 'Remove',
						isDisabled: design.parts.length === 1,
						onAct: () => {
							change((before) => removePart(before, part.id))
							select({ type: 'design' })
						},
					},
				]}
			/>
			<TextField label="Name of the part" value={shown.name} maxLength={80} onChange={(name) => set({ name })} />
			<div className="field-row">
				<SelectField label="Is a" value={part.role} options={wordOptions(ROLES)} onChange={(role) => set({ role })} />
				<NumberField
					label="Pieces a flower"
					value={shown.piecesPerFlower}
					min={1}
					max={2000}
					isWhole
					onChange={(piecesPerFlower) => set({ piecesPerFlower })}
				/>
			</div>
			<FormFields form={shown.form} design={design} partId={part.id} onChange={(form) => set({ form })} />
			<div className="field-row">
				<PasteField part={shown} onChange={set} />
				<TextField label="Colour" value={shown.colour} maxLength={60} onChange={(colour) => set({ colour })} />
				<SelectField
					label="Drawn in"
					value={part.tint}
					options={wordOptions(TINTS)}
					onChange={(tint) => set({ tint })}
				/>
			</div>
			<WireFields wire={shown.wire} standard={gaugeStandard} label="On a wire" onChange={(wire) => set({ wire })} />
			<CheckField
				label="Taped into bundles first"
				value={shown.bundles !== undefined}
				onChange={(isBundled) => set({ bundles: isBundled ? { pieces: 5 } : undefined })}
			/>
			{shown.bundles && (
				<>
					<NumberField
						label="Pieces a bundle"
						value={shown.bundles.pieces}
						min={2}
						max={200}
						isWhole
						onChange={(pieces) => set({ bundles: { ...shown.bundles, pieces } })}
					/>
					<WireFields
						wire={shown.bundles.wire}
						standard={gaugeStandard}
						label="Each bundle on a wire"
						onChange={(wire) => set({ bundles: { pieces: shown.bundles?.pieces ?? 5, ...(wire && { wire }) } })}
					/>
				</>
			)}
			<div className="field-row">
				<TextField
					label="Dries on"
					value={shown.drying?.former ?? ''}
					maxLength={80}
					onChange={(former) =>
						set({ drying: former === '' ? undefined : { backFace: shown.drying?.backFace ?? 'ventilated', former } })
					}
				/>
				{shown.drying && (
					<SelectField
						label="Back face"
						value={shown.drying.backFace}
						options={wordOptions(BACK_FACES)}
						onChange={(backFace) => set({ drying: { former: shown.drying?.former ?? '', backFace } })}
					/>
				)}
				<NumberField
					label="Lost in 100"
					value={Math.round(shown.breakage * 1000) / 10}
					min={0}
					max={50}
					step={0.5}
					onChange={(percent) => set({ breakage: percent / 100 })}
				/>
			</div>
			<ChecksField
				label="Allergens that its label names"
				value={part.allergens ?? []}
				options={ALLERGENS}
				onChange={(allergens) => set({ allergens: allergens.length > 0 ? [...allergens] : undefined })}
			/>
			<WhenFields when={part.when} design={design} onChange={(when) => set({ when })} />
		</section>
	)
}

/** A usual paste, one of the studio's own, or one that the design brought along. */
function PasteField({
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

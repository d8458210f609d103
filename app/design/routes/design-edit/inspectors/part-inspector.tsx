import { TINTS, type Design, type Part, type PartRole } from '../../../../../core/design/design'
import {
	changePart,
	duplicatePart,
	movePart,
	removePart,
	type PartChange,
} from '../../../../../core/design/edits/edit-parts'
import { placeOf } from '../../../../../core/design/edits/place-of'
import { settle } from '../../../../../core/design/variants'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { FormFields } from './form-fields'
import { InspectorHead } from './inspector-head'
import { PasteField } from './paste-field'
import { RarePartFields } from './rare-part-fields'
import { WireFields } from './wire-fields'

const ROLES: readonly PartRole[] = ['centre', 'petal', 'sepal', 'leaf', 'bud', 'filler', 'base', 'decoration']

/** Everything about one part, as the shown options make it; the rare is closed. */
export function PartInspector({ part, design }: { part: Part; design: Design }) {
	const { change, scope, gaugeStandard } = useEditing()
	const shown = settle(part, scope.picks)
	const set = (values: PartChange) =>
		change((before) => changePart(before, part.id, values, scope), `part ${part.id} ${Object.keys(values).join()}`)
	return (
		<section className="stack inspector" aria-label="Part">
			<PartHead part={part} design={design} />
			<div className="field-row">
				<TextField label="Name of the part" value={shown.name} maxLength={80} onChange={(name) => set({ name })} />
				{/* Of several sizes the number is their sum. */}
				{!shown.sizes && (
					<NumberField
						label="Pieces a flower"
						value={shown.piecesPerFlower}
						min={1}
						max={2000}
						isWhole
						onChange={(piecesPerFlower) => set({ piecesPerFlower })}
					/>
				)}
			</div>
			<div className="field-row">
				<SelectField label="Is a" value={part.role} options={wordOptions(ROLES)} onChange={(role) => set({ role })} />
				<FormFields form={shown.form} design={design} partId={part.id} onChange={(form) => set({ form })} />
			</div>
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
			<WireFields
				wire={shown.wire}
				standard={gaugeStandard}
				label="On a wire"
				design={design}
				partId={part.id}
				onChange={(wire) => set({ wire })}
			/>
			<RarePartFields part={part} shown={shown} design={design} onChange={set} />
		</section>
	)
}

function PartHead({ part: { id }, design: { parts } }: { part: Part; design: Design }) {
	const { change, select } = useEditing()
	const place = placeOf(parts, id) ?? 0
	const moveTo = (to: number) => change((before) => movePart(before, id, to))
	return (
		<InspectorHead
			title="Part"
			actions={[
				{ label: 'Up', isDisabled: place === 0, onAct: () => moveTo(place - 1) },
				{ label: 'Down', isDisabled: place === parts.length - 1, onAct: () => moveTo(place + 1) },
				{ label: 'Duplicate', onAct: () => change((before) => duplicatePart(before, id)) },
				{
					label: 'Remove',
					isDisabled: parts.length === 1,
					onAct: () => {
						change((before) => removePart(before, id))
						select({ type: 'design' })
					},
				},
			]}
		/>
	)
}

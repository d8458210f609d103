import { TINTS, type Design, type Layer } from '../../../../../core/design/design'
import { changeLayer, moveLayer, removeLayer, setLaidBy } from '../../../../../core/design/edits/edit-parts'
import { USUAL_OPENNESS_DEG } from '../../../../../core/design/flower-geometry'
import { ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { ARRANGEMENT_WORDS } from '../../../words/layers'
import { useEditing } from '../editing'
import { InspectorHead } from './inspector-head'
import { More } from './more'
import { WhenFields } from './when-fields'

type LayerChange = { [K in keyof Layer]?: Layer[K] | undefined }

interface LayerFieldsProps {
	layer: Layer
	onChange: (values: LayerChange) => void
}

const ARRANGEMENTS = Object.entries(ARRANGEMENT_WORDS).map(([value, label]) => ({
	value: value as Layer['arrangement'],
	label,
}))
const JOININGS = [
	{ value: '', label: 'nothing' },
	{ value: 'taped', label: 'tape' },
	{ value: 'glued', label: 'glue' },
] as const
const TAPES = wordOptions(['full', 'half', 'third'] as const)

/** One layer of the assembly. */
export function LayerInspector({ layer, index, design }: { layer: Layer; index: number; design: Design }) {
	const { change } = useEditing()
	const set = (values: LayerChange) =>
		change((before) => changeLayer(before, index, values), `layer ${index} ${Object.keys(values).join()}`)
	const tints = layer.tints ?? []
	return (
		<section className="stack inspector" aria-label="Layer">
			<LayerHead index={index} layerCount={design.layers.length} />
			<div className="field-row">
				<SelectField
					label="Part"
					value={layer.part}
					options={design.parts.map(({ id, name }) => ({ value: id, label: name }))}
					onChange={(part) => set({ part })}
				/>
				<NumberField
					label="Pieces"
					value={layer.pieceCount}
					min={1}
					max={500}
					isWhole
					onChange={(pieceCount) => set({ pieceCount })}
				/>
				<SelectField
					label="Stands"
					value={layer.arrangement}
					options={ARRANGEMENTS}
					onChange={(arrangement) => set({ arrangement })}
				/>
			</div>
			<HeldFields layer={layer} design={design} onChange={set} />
			<PlaceFields layer={layer} onChange={set} />
			<JoiningFields layer={layer} onChange={set} />
			<LaidByField layer={layer} index={index} design={design} />
			<More label={tints.length > 0 ? `Colours alternate: ${tints.join(', ')}` : 'Colours as the part'}>
				<ChecksField
					label="Colours alternating round the ring"
					value={tints}
					options={TINTS}
					onChange={(chosen) =>
						set({ tints: chosen.length > 1 ? [...chosen] : chosen.length === 1 ? [...chosen, ...chosen] : undefined })
					}
				/>
			</More>
			{design.choices.length > 0 && (
				<More label={layer.when ? 'Exists under some options' : 'Exists under every option'}>
					<WhenFields when={layer.when} design={design} onChange={(when) => set({ when })} />
				</More>
			)}
		</section>
	)
}

/** Which sizes of the part it holds, or which bundles; nothing where there is but one kind. */
function HeldFields({ layer, design, onChange }: LayerFieldsProps & { design: Design }) {
	const sizes = (design.parts.find(({ id }) => id === layer.part)?.sizes ?? []).map(({ name }) => name)
	const bundles = (design.bundles ?? []).filter(({ of }) => of.some(({ part }) => part === layer.part))
	return (
		<>
			{bundles.length > 0 && (
				<SelectField
					label="Holds"
					value={layer.bundle ?? ''}
					options={[
						{ value: '', label: 'the pieces' },
						...bundles.map(({ id, name }) => ({ value: id, label: `bundles: ${name}` })),
					]}
					onChange={(bundle) => onChange({ bundle: bundle || undefined })}
				/>
			)}
			{sizes.length > 0 && (
				<ChecksField
					label="Of the sizes"
					value={layer.sizes ?? sizes}
					options={sizes}
					onChange={(chosen) =>
						onChange({ sizes: chosen.length > 0 && chosen.length < sizes.length ? [...chosen] : undefined })
					}
				/>
			)}
		</>
	)
}

/** The step that puts it on: left out, it takes the layer with its tape and glue along. */
function LaidByField({ layer, index, design }: { layer: Layer; index: number; design: Design }) {
	const { change } = useEditing()
	const names = new Map(design.parts.map(({ id, name }) => [id, name]))
	const laying = design.steps.find(({ lays = [] }) => layer.id !== undefined && lays.includes(layer.id))
	return (
		<SelectField
			label="Put on by the step"
			value={laying?.id ?? ''}
			options={[
				{ value: '', label: 'none by itself' },
				...design.steps.map(({ id, part, label }) => ({
					value: id,
					label: `${part === undefined ? 'Putting together' : (names.get(part) ?? part)}: ${label}`,
				})),
			]}
			onChange={(id) => change((before) => setLaidBy(before, index, id || undefined), `layer ${index} laid`)}
		/>
	)
}

function LayerHead({ index, layerCount }: { index: number; layerCount: number }) {
	const { change, select } = useEditing()
	const move = (to: number) => {
		change((before) => moveLayer(before, index, to))
		select({ type: 'layer', index: to })
	}
	return (
		<InspectorHead
			title={`Layer ${index + 1}`}
			actions={[
				{ label: 'Inwards', isDisabled: index === 0, onAct: () => move(index - 1) },
				{ label: 'Outwards', isDisabled: index === layerCount - 1, onAct: () => move(index + 1) },
				{
					label: 'Remove',
					onAct: () => {
						change((before) => removeLayer(before, index))
						select({ type: 'design' })
					},
				},
			]}
		/>
	)
}

function PlaceFields({ layer, onChange }: LayerFieldsProps) {
	return (
		<div className="field-row">
			<NumberField
				label="From the middle"
				unit="mm"
				value={layer.radiusMm}
				min={0}
				max={500}
				onChange={(radiusMm) => onChange({ radiusMm })}
			/>
			<NumberField
				label="Height"
				unit="mm"
				value={layer.heightMm ?? 0}
				min={-500}
				max={500}
				onChange={(heightMm) => onChange({ heightMm })}
			/>
			<NumberField
				label="Open (90 flat)"
				unit="°"
				value={layer.opennessDeg ?? USUAL_OPENNESS_DEG}
				min={0}
				max={150}
				step={5}
				onChange={(opennessDeg) => onChange({ opennessDeg })}
			/>
			{layer.arrangement === 'spiral' && (
				<NumberField
					label="Lower, each"
					unit="mm"
					value={layer.dropMm ?? 0}
					min={0}
					max={200}
					onChange={(dropMm) => onChange({ dropMm })}
				/>
			)}
		</div>
	)
}

function JoiningFields({ layer, onChange }: LayerFieldsProps) {
	return (
		<div className="field-row">
			<SelectField
				label="Joined by"
				value={layer.joining ?? ''}
				options={JOININGS}
				onChange={(joining) => onChange({ joining: joining === '' ? undefined : joining })}
			/>
			{layer.joining === 'taped' && (
				<>
					<NumberField
						label="Turns a piece"
						value={layer.tapeTurns ?? 2}
						min={0.5}
						max={20}
						step={0.5}
						onChange={(tapeTurns) => onChange({ tapeTurns })}
					/>
					<NumberField
						label="Turns to lock it"
						value={layer.lockTurns ?? 0}
						min={0}
						max={20}
						onChange={(lockTurns) => onChange({ lockTurns: lockTurns || undefined })}
					/>
					<SelectField
						label="Tape"
						value={layer.tapeWidth ?? 'full'}
						options={TAPES}
						onChange={(tapeWidth) => onChange({ tapeWidth })}
					/>
				</>
			)}
		</div>
	)
}

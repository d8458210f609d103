import type { Design, Material, MaterialKind, Step, Teaching } from '../../../../core/design/design'
import {
	changeStep,
	duplicateStep,
	moveStep,
	removeSteps,
	type StepChange,
} from '../../../../core/design/edits/edit-steps'
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
import { InspectorHead } from './inspector-head'
import { ListFields } from './list-fields'
import { NeedFields } from './need-fields'
import { settle } from '../../../../core/design/variants'
import { onlyOf, ToolShareFields } from './tool-share-fields'
import { WhenFields } from './when-fields'

const TEACHING: { value: Teaching; label: string }[] = [
	{ value: 'must', label: 'must be in class' },
	{ value: 'worth', label: 'worth teaching' },
	{ value: 'routine', label: 'routine' },
]
const MATERIAL_KINDS: readonly MaterialKind[] = [
	'dust',
	'gel colour',
	'strong alcohol',
	'glaze',
	'spray',
	'hot glue',
	'edible glue',
	'royal icing',
	'steam',
	'starch',
	'fat',
	'other',
]

const FURTHER_HAZARDS = [
	'sharp',
	'microwave',
	'small parts',
	'strain',
	'not food',
	'wire',
	'dust',
	'alcohol',
	'spray',
	'steam',
	'hot glue',
] as const

/** Everything about one step, as the shown options make it. */
export function StepInspector({ step, design }: { step: Step; design: Design }) {
	const { change, select, scope } = useEditing()
	const shown = settle(step, scope.picks)
	const set = (values: StepChange) =>
		change((before) => changeStep(before, step.id, values, scope), `step ${step.id} ${Object.keys(values).join()}`)
	const chain = design.steps.filter(({ part }) => part === step.part)
	const place = placeOf(chain, step.id) ?? 0
	const moveTo = (to: number) => change((before) => moveStep(before, step.id, to))
	// A step does not go before something that it needs by way of another part.
	const canMoveTo = (to: number) => to >= 0 && to < chain.length && moveStep(design, step.id, to) !== design
	return (
		<section className="sheet stack inspector" aria-label="Step">
			<InspectorHead
				title="Step"
				actions={[
					{ label: 'Earlier', isDisabled: !canMoveTo(place - 1), onAct: () => moveTo(place - 1) },
					{ label: 'Later', isDisabled: !canMoveTo(place + 1), onAct: () => moveTo(place + 1) },
					{ label: 'Duplicate', onAct: () => change((before) => duplicateStep(before, step.id)) },
					{
						label: 'Remove',
						isDisabled: design.steps.length === 1,
						onAct: () => {
							change((before) => removeSteps(before, new Set([step.id])))
							select(step.part === undefined ? { type: 'design' } : { type: 'part', id: step.part })
						},
					},
				]}
			/>
			<TextField label="Short name" value={step.label} maxLength={40} onChange={(label) => set({ label })} />
			<TextField
				label="What is done"
				value={shown.sentence}
				maxLength={400}
				isLong
				onChange={(sentence) => set({ sentence })}
			/>
			<div className="field-row">
				<NumberField
					label={step.part === undefined ? 'Minutes a flower' : 'Minutes each'}
					value={shown.minutesPerPiece}
					min={0}
					max={600}
					step={0.5}
					onChange={(minutesPerPiece) => set({ minutesPerPiece })}
				/>
				<NumberField
					label="Minutes once"
					value={shown.fixedMinutes}
					min={0}
					max={600}
					step={1}
					onChange={(fixedMinutes) => set({ fixedMinutes })}
				/>
				<SelectField
					label="In class"
					value={shown.teaching}
					options={TEACHING}
					onChange={(teaching) => set({ teaching })}
				/>
			</div>
			<ChecksField
				label="May be done"
				value={shown.places}
				options={['class', 'ahead', 'home'] as const}
				onChange={(places) => set({ places: places.includes('class') ? [...places] : ['class', ...places] })}
			/>
			<div className="field-row">
				<SelectField
					label="Technique, shown once"
					value={step.technique ?? ''}
					options={[
						{ value: '', label: 'none' },
						...design.techniques.map(({ id, name }) => ({ value: id, label: name })),
					]}
					onChange={(technique) => set({ technique: technique || undefined })}
				/>
				{(design.extras ?? []).length > 0 && (
					<SelectField
						label="Belongs to the extra"
						value={step.extra ?? ''}
						options={[
							{ value: '', label: 'none' },
							...(design.extras ?? []).map(({ id, name }) => ({ value: id, label: name })),
						]}
						onChange={(extra) => set({ extra: extra || undefined })}
					/>
				)}
			</div>
			<TextField
				label="Tools, by commas"
				value={shown.tools.join(', ')}
				maxLength={400}
				onChange={(text) => {
					const tools =
						text === '' ? [] : text.split(',').map((tool, t) => (t === 0 ? tool.trimStart() : tool.replace(/^ /, '')))
					const kept = onlyOf(shown.toolShares, tools)
					// Shares of tools that are gone would name nothing.
					set(shown.toolShares ? { tools, toolShares: kept } : { tools })
				}}
			/>
			<ToolShareFields tools={shown.tools} shares={shown.toolShares} onChange={(toolShares) => set({ toolShares })} />
			<CheckField
				label="May be interrupted"
				value={step.leastPieces !== undefined}
				onChange={(may) => set({ leastPieces: may ? 1 : undefined })}
			/>
			{step.leastPieces !== undefined && (
				<NumberField
					label="But for so many pieces at least"
					value={step.leastPieces}
					min={1}
					max={500}
					isWhole
					onChange={(leastPieces) => set({ leastPieces })}
				/>
			)}
			<NeedFields step={step} design={design} onChange={(needs) => set({ needs })} />
			<MaterialFields
				materials={step.materials ?? []}
				onChange={(materials) => set({ materials: materials.length > 0 ? materials : undefined })}
			/>
			<ChecksField
				label="Hazards beyond what materials, tools and wires tell"
				value={step.hazards}
				options={FURTHER_HAZARDS}
				onChange={(hazards) => set({ hazards: [...hazards] })}
			/>
			{(design.mixtures ?? []).length > 0 && (
				<div className="field-row">
					{(design.mixtures ?? []).map(({ id, name, unit }) => (
						<NumberField
							key={id}
							label={`${name}, ${unit} each`}
							value={step.uses?.find(({ mixture }) => mixture === id)?.amountPerPiece ?? 0}
							min={0}
							max={1000}
							step={0.1}
							onChange={(amountPerPiece) => {
								const others = (step.uses ?? []).filter(({ mixture }) => mixture !== id)
								const uses = amountPerPiece > 0 ? [...others, { mixture: id, amountPerPiece }] : others
								set({ uses: uses.length > 0 ? uses : undefined })
							}}
						/>
					))}
				</div>
			)}
			<WhenFields when={step.when} design={design} onChange={(when) => set({ when })} />
		</section>
	)
}

function MaterialFields({
	materials,
	onChange,
}: {
	materials: readonly Material[]
	onChange: (materials: Material[]) => void
}) {
	return (
		<ListFields
			legend="Materials, from which the cautions follow"
			items={materials}
			keyOf={(_, index) => index}
			addLabel="+ material"
			makeNew={(): Material => ({ name: 'petal dust', kind: 'dust' })}
			onChange={onChange}
		>
			{({ name, kind }, set) => (
				<>
					<TextField
						label="Material"
						value={name}
						maxLength={80}
						onChange={(text) => set({ name: text || 'material' })}
					/>
					<SelectField
						label="Kind"
						value={kind}
						options={wordOptions(MATERIAL_KINDS)}
						onChange={(chosen) => set({ kind: chosen })}
					/>
				</>
			)}
		</ListFields>
	)
}

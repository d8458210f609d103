import type { Design, Hazard, Material, MaterialKind, Step } from '../../../../../core/design/design'
import { withValues } from '../../../../../core/design/edits/conditions'
import type { StepChange } from '../../../../../core/design/edits/edit-steps'
import { CheckField, ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField, wordOptions } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { ListFields } from './list-fields'
import { More } from './more'
import { reachWords, StepReachFields } from './step-reach-fields'
import { onlyOf, ToolShareFields } from './tool-share-fields'
import { WhenFields } from './when-fields'

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

const FURTHER_HAZARDS: readonly Hazard[] = [
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
]

interface RareStepFieldsProps {
	step: Step
	/** As the shown options make it. */
	shown: Pick<Step, 'tools' | 'toolShares' | 'minutesBySize' | 'minutesPerPiece'>
	design: Design
	onChange: (values: StepChange) => void
}

/** Tools, materials, interruption, hazards, and the options under which the step exists. */
export function RareStepFields({ step, shown, design, onChange }: RareStepFieldsProps) {
	const { materials = [], hazards, leastPieces } = step
	return (
		<>
			<More label={reachWords(step)}>
				<StepReachFields step={step} shown={shown} design={design} onChange={onChange} />
			</More>
			<More label={`Tools: ${shown.tools.join(', ') || 'none'}`}>
				<ToolFields shown={shown} onChange={onChange} />
			</More>
			<More label={`Materials: ${materials.map(({ name }) => name).join(', ') || 'none'}`}>
				<MaterialFields
					materials={materials}
					onChange={(changed) => onChange({ materials: changed.length > 0 ? changed : undefined })}
				/>
				<MixtureUseFields step={step} design={design} onChange={onChange} />
			</More>
			<More label={leastPieces === undefined ? 'Is done in one go' : 'May be interrupted'}>
				<InterruptionFields step={step} design={design} onChange={onChange} />
			</More>
			<More label={`Hazards: ${hazards.join(', ') || 'those that materials, tools and wires tell'}`}>
				<ChecksField
					label="Hazards beyond what materials, tools and wires tell"
					value={hazards}
					options={FURTHER_HAZARDS}
					onChange={(chosen) => onChange({ hazards: [...chosen] })}
				/>
			</More>
			{design.choices.length > 0 && (
				<More label={step.when ? 'Exists under some options' : 'Exists under every option'}>
					<WhenFields when={step.when} design={design} onChange={(when) => onChange({ when })} />
				</More>
			)}
		</>
	)
}

function ToolFields({ shown, onChange }: Pick<RareStepFieldsProps, 'shown' | 'onChange'>) {
	const takeTools = (text: string) => {
		const tools =
			text === '' ? [] : text.split(',').map((tool, t) => (t === 0 ? tool.trimStart() : tool.replace(/^ /, '')))
		// Shares of tools that are gone would name nothing.
		onChange(shown.toolShares ? { tools, toolShares: onlyOf(shown.toolShares, tools) } : { tools })
	}
	return (
		<>
			<TextField label="Tools, by commas" value={shown.tools.join(', ')} maxLength={400} onChange={takeTools} />
			<ToolShareFields
				tools={shown.tools}
				shares={shown.toolShares}
				onChange={(toolShares) => onChange({ toolShares })}
			/>
		</>
	)
}

/** From which the cautions follow. */
function MaterialFields({
	materials,
	onChange,
}: {
	materials: readonly Material[]
	onChange: (materials: Material[]) => void
}) {
	return (
		<ListFields
			items={materials}
			keyOf={(_, index) => index}
			nameOf={({ name }) => name}
			addLabel="material"
			makeNew={(): Material => ({ name: 'petal dust', kind: 'dust' })}
			onChange={onChange}
		>
			{({ name, kind, per, gPerPiece }, set) => (
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
					<NumberField
						label="Each (0: as usual)"
						unit="g"
						value={gPerPiece ?? 0}
						min={0}
						max={1000}
						step={0.01}
						onChange={(grams) => set({ gPerPiece: grams || undefined })}
					/>
					<CheckField
						label="Once a student"
						value={per === 'student'}
						onChange={(is) => set({ per: is ? 'student' : undefined })}
					/>
				</>
			)}
		</ListFields>
	)
}

/** How much of the design's mixtures a piece takes. */
function MixtureUseFields({ step, design: { mixtures = [] }, onChange }: Omit<RareStepFieldsProps, 'shown'>) {
	const { uses = [] } = step
	const takenOf = (id: string) => uses.find(({ mixture }) => mixture === id)
	const setUse = (id: string, change: Partial<NonNullable<Step['uses']>[number]> | { per: undefined }) => {
		const others = uses.filter(({ mixture }) => mixture !== id)
		const use = withValues({ mixture: id, amountPerPiece: 0, ...takenOf(id) }, change)
		const changed = use.amountPerPiece > 0 ? [...others, use] : others
		onChange({ uses: changed.length > 0 ? changed : undefined })
	}
	return (
		<>
			{mixtures.map(({ id, name, unit }) => (
				<div className="field-row" key={id}>
					<NumberField
						label={`${name}, each`}
						unit={unit}
						value={takenOf(id)?.amountPerPiece ?? 0}
						min={0}
						max={1000}
						step={0.1}
						onChange={(amountPerPiece) => setUse(id, { amountPerPiece })}
					/>
					{takenOf(id) && (
						<CheckField
							label={`${name} once a student`}
							value={takenOf(id)?.per === 'student'}
							onChange={(is) => setUse(id, { per: is ? 'student' : undefined })}
						/>
					)}
				</div>
			))}
		</>
	)
}

function InterruptionFields({ step, design: { extras = [] }, onChange }: Omit<RareStepFieldsProps, 'shown'>) {
	return (
		<>
			<CheckField
				label="May be interrupted"
				value={step.leastPieces !== undefined}
				onChange={(may) => onChange({ leastPieces: may ? 1 : undefined })}
			/>
			{step.leastPieces !== undefined && (
				<NumberField
					label="But for so many pieces at least"
					value={step.leastPieces}
					min={1}
					max={500}
					isWhole
					onChange={(leastPieces) => onChange({ leastPieces })}
				/>
			)}
			{extras.length > 0 && (
				<SelectField
					label="Belongs to the extra"
					value={step.extra ?? ''}
					options={[{ value: '', label: 'none' }, ...extras.map(({ id, name }) => ({ value: id, label: name }))]}
					onChange={(extra) => onChange({ extra: extra || undefined })}
				/>
			)}
		</>
	)
}

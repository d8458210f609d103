import type { Design, Step, Teaching } from '../../../../../core/design/design'
import {
	changeStep,
	duplicateStep,
	moveStep,
	removeSteps,
	type StepChange,
} from '../../../../../core/design/edits/edit-steps'
import { placeOf } from '../../../../../core/design/edits/place-of'
import { settle } from '../../../../../core/design/variants'
import { ChecksField } from '../../../../shared/components/fields/check-fields'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { InspectorHead } from './inspector-head'
import { NeedFields } from './need-fields'
import { RareStepFields } from './rare-step-fields'

const TEACHING: { value: Teaching; label: string }[] = [
	{ value: 'must', label: 'must be in class' },
	{ value: 'worth', label: 'worth teaching' },
	{ value: 'routine', label: 'routine' },
]
const NO_TECHNIQUE = { value: '', label: 'none' }

/** Everything about one step, as the shown options make it; the rare is closed. */
export function StepInspector({ step, design }: { step: Step; design: Design }) {
	const { change, scope } = useEditing()
	const shown = settle(step, scope.picks)
	const set = (values: StepChange) =>
		change((before) => changeStep(before, step.id, values, scope), `step ${step.id} ${Object.keys(values).join()}`)
	return (
		<section className="stack inspector" aria-label="Step">
			<StepHead step={step} design={design} />
			<div className="field-row">
				<TextField label="Short name" value={step.label} maxLength={40} onChange={(label) => set({ label })} />
				<SelectField
					label="Technique, shown once"
					value={step.technique ?? ''}
					options={[NO_TECHNIQUE, ...design.techniques.map(({ id, name }) => ({ value: id, label: name }))]}
					onChange={(technique) => set({ technique: technique || undefined })}
				/>
			</div>
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
			<NeedFields step={step} design={design} onChange={(needs) => set({ needs })} />
			<RareStepFields step={step} shown={shown} design={design} onChange={set} />
		</section>
	)
}

function StepHead({ step, design }: { step: Step; design: Design }) {
	const { change, select } = useEditing()
	const chain = design.steps.filter(({ part }) => part === step.part)
	const place = placeOf(chain, step.id) ?? 0
	const moveTo = (to: number) => change((before) => moveStep(before, step.id, to))
	// A step does not go before something that it needs by way of another part.
	const canMoveTo = (to: number) => to >= 0 && to < chain.length && moveStep(design, step.id, to) !== design
	return (
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
	)
}

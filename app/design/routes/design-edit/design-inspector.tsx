import { useState } from 'react'
import type { Audience, Design, DesignKind } from '../../../../core/design/design'
import {
	addChoice,
	addOption,
	removeOption,
	renameChoice,
	renameOption,
} from '../../../../core/design/edits/edit-choices'
import { freshId } from '../../../../core/design/edits/fresh-id'
import { withValues } from '../../../../core/design/edits/conditions'
import { scaleDesign } from '../../../../core/design/scale-design'
import { NumberField, SelectField, TextField, wordOptions } from '../../../shared/components/fields/fields'
import { describeLevel, KIND_WORDS } from '../../../shared/words/terms'
import { useEditing } from './editing'
import { ListFields } from './list-fields'
import { MixtureFields } from './mixture-fields'

/** What belongs to the design as a whole. */
export function DesignInspector({ design }: { design: Design }) {
	const { change } = useEditing()
	const set = (values: { [K in keyof Design]?: Design[K] | undefined }) =>
		change((before) => withValues(before, values), `design ${Object.keys(values).join()}`)
	return (
		<section className="sheet stack inspector" aria-label="Design">
			<h2>The design</h2>
			<TextField label="Name of the design" value={design.name} maxLength={80} onChange={(name) => set({ name })} />
			<TextField
				label="In one sentence"
				value={design.summary}
				maxLength={400}
				isLong
				onChange={(summary) => set({ summary })}
			/>
			<div className="field-row">
				<SelectField
					label="Kind"
					value={design.kind}
					options={Object.entries(KIND_WORDS).map(([value, label]) => ({ value: value as DesignKind, label }))}
					onChange={(kind) => set({ kind })}
				/>
				<SelectField
					label="For"
					value={design.audience ?? 'adults'}
					options={wordOptions<Audience>(['adults', 'children'])}
					onChange={(audience) => set({ audience })}
				/>
			</div>
			<div className="field-row">
				<SelectField
					label="Level"
					value={String(design.level)}
					options={[1, 2, 3, 4, 5].map((level) => ({
						value: String(level),
						label: `${level}, ${describeLevel(level)}`,
					}))}
					onChange={(level) => set({ level: Number(level) })}
				/>
				<SelectField
					label="Pictured from"
					value={design.bestView ?? 'above'}
					options={[
						{ value: 'above', label: 'above' },
						{ value: 'side', label: 'the side' },
					]}
					onChange={(bestView) => set({ bestView })}
				/>
			</div>
			<ScaleFields design={design} onSize={(finishedSizeMm) => set({ finishedSizeMm })} />
			<TextField
				label="Notes"
				value={design.notes ?? ''}
				maxLength={4000}
				isLong
				onChange={(notes) => set({ notes: notes || undefined })}
			/>
			<ChoiceFields design={design} />
			<TechniqueFields design={design} onChange={(techniques) => set({ techniques })} />
			<ExtraFields design={design} onChange={(extras) => set({ extras: extras.length > 0 ? extras : undefined })} />
			<MixtureFields
				mixtures={design.mixtures ?? []}
				onChange={(mixtures) => set({ mixtures: mixtures.length > 0 ? mixtures : undefined })}
			/>
		</section>
	)
}

/** The size by itself, or the whole design made to another size with all that follows. */
function ScaleFields({ design, onSize }: { design: Design; onSize: (mm: number) => void }) {
	const { change, gaugeStandard } = useEditing()
	const [percent, setPercent] = useState(100)
	return (
		<div className="field-row">
			<NumberField label="Across, finished, mm" value={design.finishedSizeMm} min={1} max={2000} onChange={onSize} />
			<NumberField label="Make all of it, %" value={percent} min={20} max={500} step={5} onChange={setPercent} />
			<button
				type="button"
				className="button-link"
				disabled={percent === 100}
				onClick={() => {
					change((before) => scaleDesign(before, percent / 100, gaugeStandard))
					setPercent(100)
				}}
			>
				Scale
			</button>
		</div>
	)
}

function ChoiceFields({ design }: { design: Design }) {
	const { change } = useEditing()
	return (
		<fieldset className="list-fields">
			<legend>Choices</legend>
			{design.choices.map(({ id, name, options }) => (
				<div key={id} className="need-fields">
					<TextField
						label="Choice"
						value={name}
						maxLength={60}
						onChange={(text) => change((before) => renameChoice(before, id, text || 'Choice'), `choice ${id}`)}
					/>
					{options.map((option, o) => (
						<div className="row" key={option.id}>
							<TextField
								label={o === 0 ? 'Usual option' : 'Option'}
								value={option.name}
								maxLength={60}
								onChange={(text) =>
									change((before) => renameOption(before, id, option.id, text || 'Option'), `option ${id} ${option.id}`)
								}
							/>
							<button
								type="button"
								className="text-button"
								onClick={() => change((before) => removeOption(before, id, option.id))}
							>
								Take off
							</button>
						</div>
					))}
					<button
						type="button"
						className="text-button"
						onClick={() => change((before) => addOption(before, id, 'Another way'))}
					>
						+ option
					</button>
				</div>
			))}
			<button
				type="button"
				className="text-button"
				onClick={() => change((before) => addChoice(before, 'Way', ['Usual', 'Another']))}
			>
				+ choice
			</button>
		</fieldset>
	)
}

function TechniqueFields({
	design: { techniques, steps },
	onChange,
}: {
	design: Design
	onChange: (techniques: Design['techniques']) => void
}) {
	return (
		<ListFields
			legend="Techniques, shown once a course"
			items={techniques}
			keyOf={({ id }) => id}
			addLabel="+ technique"
			makeNew={() => ({ id: freshId('technique', techniques), name: 'New technique', demoMinutes: 4 })}
			onChange={onChange}
			holdsOf={({ id }) => (steps.some(({ technique }) => technique === id) ? 'A step uses it' : undefined)}
		>
			{({ name, demoMinutes }, set) => (
				<>
					<TextField
						label="Technique"
						value={name}
						maxLength={80}
						onChange={(text) => set({ name: text || 'Technique' })}
					/>
					<NumberField
						label="Shown in, min"
						value={demoMinutes}
						min={1}
						max={120}
						onChange={(minutes) => set({ demoMinutes: minutes })}
					/>
				</>
			)}
		</ListFields>
	)
}

/** Work that may be left out as a whole, with what the finished flower loses by it. */
function ExtraFields({
	design: { extras = [], steps },
	onChange,
}: {
	design: Design
	onChange: (extras: NonNullable<Design['extras']>) => void
}) {
	return (
		<ListFields
			legend="Extras that may be left out"
			items={extras}
			keyOf={({ id }) => id}
			addLabel="+ extra"
			makeNew={() => ({ id: freshId('extra', extras), name: 'New extra', value: 3 })}
			onChange={onChange}
			holdsOf={({ id }) => (steps.some(({ extra }) => extra === id) ? 'A step belongs to it' : undefined)}
		>
			{({ name, value }, set) => (
				<>
					<TextField label="Extra" value={name} maxLength={80} onChange={(text) => set({ name: text || 'Extra' })} />
					<NumberField
						label="Worth, points"
						value={value}
						min={0}
						max={1000}
						isWhole
						onChange={(points) => set({ value: points })}
					/>
				</>
			)}
		</ListFields>
	)
}

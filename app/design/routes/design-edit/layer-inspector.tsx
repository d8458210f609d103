import { TINTS, type Design, type Layer } from '../../../../core/design/design'
import { changeLayer, moveLayer, removeLayer } from '../../../../core/design/edits/edit-parts'
import { USUAL_OPENNESS_DEG } from '../../../../core/design/flower-geometry'
import { ChecksField, NumberField, SelectField, wordOptions } from '../../../shared/components/fields/fields'
import { useEditing } from './editing'
import { InspectorHead } from './inspector-head'
import { WhenFields } from './when-fields'

/** One layer of the assembly. */
export function LayerInspector({ layer, index, design }: { layer: Layer; index: number; design: Design }) {
	const { change, select } = useEditing()
	const set = (values: { [K in keyof Layer]?: Layer[K] | undefined }) =>
		change((before) => changeLayer(before, index, values), `layer ${index} ${Object.keys(values).join()}`)
	const move = (to: number) => {
		change((before) => moveLayer(before, index, to))
		select({ type: 'layer', index: to })
	}
	return (
		<section className="sheet stack inspector" aria-label="Layer">
			<InspectorHead
				title={`Layer ${index + 1}`}
				actions={[
					{ label: 'Inwards', isDisabled: index === 0, onAct: () => move(index - 1) },
					{ label: 'Outwards', isDisabled: index === design.layers.length - 1, onAct: () => move(index + 1) },
					{
						label: 'Remove',
						onAct: () => {
							change((before) => removeLayer(before, index))
							select({ type: 'design' })
						},
					},
				]}
			/>
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
					options={wordOptions(['over gaps', 'aligned', 'spiral', 'around', 'free'] as const)}
					onChange={(arrangement) => set({ arrangement })}
				/>
			</div>
			<div className="field-row">
				<NumberField
					label="From the middle, mm"
					value={layer.radiusMm}
					min={0}
					max={500}
					onChange={(radiusMm) => set({ radiusMm })}
				/>
				<NumberField
					label="Height, mm"
					value={layer.heightMm ?? 0}
					min={-500}
					max={500}
					onChange={(heightMm) => set({ heightMm })}
				/>
				<NumberField
					label="Open, ° (90 flat)"
					value={layer.opennessDeg ?? USUAL_OPENNESS_DEG}
					min={0}
					max={150}
					step={5}
					onChange={(opennessDeg) => set({ opennessDeg })}
				/>
			</div>
			{layer.arrangement === 'spiral' && (
				<NumberField
					label="Lower from piece to piece, mm"
					value={layer.dropMm ?? 0}
					min={0}
					max={200}
					onChange={(dropMm) => set({ dropMm })}
				/>
			)}
			<div className="field-row">
				<SelectField
					label="Joined by"
					value={layer.joining ?? ''}
					options={[
						{ value: '', label: 'nothing' },
						{ value: 'taped', label: 'tape' },
						{ value: 'glued', label: 'glue' },
					]}
					onChange={(joining) => set({ joining: joining === '' ? undefined : joining })}
				/>
				{layer.joining === 'taped' && (
					<>
						<NumberField
							label="Turns a piece"
							value={layer.tapeTurns ?? 2}
							min={0.5}
							max={20}
							step={0.5}
							onChange={(tapeTurns) => set({ tapeTurns })}
						/>
						<SelectField
							label="Tape"
							value={layer.tapeWidth ?? 'full'}
							options={wordOptions(['full', 'half', 'third'] as const)}
							onChange={(tapeWidth) => set({ tapeWidth })}
						/>
					</>
				)}
			</div>
			<ChecksField
				label="Colours alternating round the ring"
				value={layer.tints ?? []}
				options={TINTS}
				onChange={(tints) =>
					set({ tints: tints.length > 1 ? [...tints] : tints.length === 1 ? [...tints, ...tints] : undefined })
				}
			/>
			<WhenFields when={layer.when} design={design} onChange={(when) => set({ when })} />
		</section>
	)
}

import type { Design } from '../../../../../core/design/design'
import { USUAL_STEM_MM } from '../../../../../core/design/design-figures'
import { withValues } from '../../../../../core/design/edits/conditions'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { CheckField } from '../../../../shared/components/fields/check-fields'
import { BundleListFields } from './bundle-list-fields'
import { ChoiceFields } from './choice-fields'
import { ExtraFields, TechniqueFields } from './technique-fields'
import { KindFields } from './kind-fields'
import { MixtureFields } from './mixture-fields'
import { More } from './more'
import { ScaleFields } from './scale-fields'

/** What belongs to the design as a whole; what it does not have yet is closed. */
export function DesignInspector({ design }: { design: Design }) {
	const { change } = useEditing()
	const set = (values: { [K in keyof Design]?: Design[K] | undefined }) =>
		change((before) => withValues(before, values), `design ${Object.keys(values).join()}`)
	const { choices, techniques, extras = [], mixtures = [], bundles = [] } = design
	return (
		<section className="stack inspector" aria-label="Design">
			<TextField label="Name of the design" value={design.name} maxLength={80} onChange={(name) => set({ name })} />
			<TextField
				label="In one sentence"
				value={design.summary}
				maxLength={400}
				isLong
				onChange={(summary) => set({ summary })}
			/>
			<KindFields design={design} onChange={set} />
			<More label={`Size: ${design.finishedSizeMm} mm across`}>
				<ScaleFields design={design} onSize={(finishedSizeMm) => set({ finishedSizeMm })} />
			</More>
			<More label={named('Choices', choices)}>
				<ChoiceFields design={design} />
			</More>
			<More label={named('Techniques, shown once a course', techniques)}>
				<TechniqueFields design={design} onChange={(changed) => set({ techniques: changed })} />
			</More>
			<More label={named('Extras that may be left out', extras)}>
				<ExtraFields
					design={design}
					onChange={(changed) => set({ extras: changed.length > 0 ? changed : undefined })}
				/>
			</More>
			<More label={named('Mixtures', mixtures)}>
				<MixtureFields
					mixtures={mixtures}
					isUsed={({ id }) => isMixtureUsed(design, id)}
					onChange={(changed) => set({ mixtures: changed.length > 0 ? changed : undefined })}
				/>
			</More>
			<More label={named('Bundles of several parts', bundles)}>
				<BundleListFields
					design={design}
					onChange={(changed) => set({ bundles: changed.length > 0 ? changed : undefined })}
				/>
			</More>
			<More
				label={
					design.keepOrder === false ? 'Steps in any order that suits' : 'Steps in the order of the design, if it suits'
				}
			>
				<CheckField
					label="Keep the order of the design where nothing is lost by it"
					value={design.keepOrder !== false}
					onChange={(is) => set({ keepOrder: is ? undefined : false })}
				/>
			</More>
			<More label={design.tapedStemMm === undefined ? 'Stem taped as usual' : `Stem taped: ${design.tapedStemMm} mm`}>
				<NumberField
					label="Of the stem taped, once a flower"
					unit="mm"
					value={design.tapedStemMm ?? USUAL_STEM_MM}
					min={0}
					max={1000}
					step={5}
					onChange={(tapedStemMm) => set({ tapedStemMm })}
				/>
			</More>
			<More label={design.notes ? 'Notes' : 'Notes: none'}>
				<TextField
					label="Notes"
					value={design.notes ?? ''}
					maxLength={4000}
					isLong
					onChange={(notes) => set({ notes: notes || undefined })}
				/>
			</More>
		</section>
	)
}

function isMixtureUsed({ steps, mixtures = [] }: Design, id: string): boolean {
	const isNamed = ({ mixture }: { mixture?: string }) => mixture === id
	return (
		steps.some(({ uses = [] }) => uses.some(isNamed)) || mixtures.some(({ ingredients }) => ingredients.some(isNamed))
	)
}

/** 'Choices: How far, Leaves'. */
function named(what: string, items: readonly { name: string }[]): string {
	return `${what}: ${items.map(({ name }) => name).join(', ') || 'none'}`
}

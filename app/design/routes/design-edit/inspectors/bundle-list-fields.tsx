import type { Bundle, Design } from '../../../../../core/design/design'
import { freshId } from '../../../../../core/design/edits/fresh-id'
import { SelectField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { ListFields } from './list-fields'
import { WireFields } from './wire-fields'

interface BundleListProps {
	design: Design
	onChange: (bundles: Bundle[]) => void
}

/** Bundles of several parts: open and closed buds in one bunch, stamens in tens. */
export function BundleListFields({ design, onChange }: BundleListProps) {
	const { bundles = [], parts, steps, layers } = design
	const { gaugeStandard } = useEditing()
	const isUsed = ({ id }: Bundle) =>
		steps.some(({ bundle }) => bundle === id) || layers.some(({ bundle }) => bundle === id)
	const partOptions = parts.map(({ id, name }) => ({ value: id, label: name }))
	return (
		<ListFields
			items={bundles}
			keyOf={({ id }) => id}
			nameOf={({ name }) => name}
			addLabel="bundle"
			makeNew={(): Bundle => ({
				id: freshId('bundle', bundles),
				name: 'Bunches',
				of: [{ part: parts[0]?.id ?? '', pieces: 5 }],
				count: 1,
			})}
			onChange={onChange}
			holdsOf={(one) => (isUsed(one) ? 'A step ties it, or a layer holds it' : undefined)}
		>
			{(bundle, set) => (
				<>
					<TextField
						label="Bundle"
						value={bundle.name}
						maxLength={80}
						onChange={(name) => set({ name: name || 'Bundle' })}
					/>
					<NumberField
						label="A flower"
						value={bundle.count}
						min={1}
						max={200}
						isWhole
						onChange={(count) => set({ count })}
					/>
					<NumberField
						label="Turns of tape"
						value={bundle.turns ?? 0}
						min={0}
						max={40}
						onChange={(turns) => set({ turns: turns || undefined })}
					/>
					<ListFields
						items={bundle.of}
						keyOf={(_, index) => index}
						nameOf={({ part }) => part}
						addLabel="part of it"
						makeNew={() => ({ part: parts.at(-1)?.id ?? '', pieces: 1 })}
						onChange={(of) => set({ of })}
						holdsOf={() => (bundle.of.length === 1 ? 'A bundle holds something' : undefined)}
					>
						{({ part, pieces }, setPart) => (
							<>
								<NumberField
									label="Of each"
									value={pieces}
									min={1}
									max={200}
									isWhole
									onChange={(n) => setPart({ pieces: n })}
								/>
								<SelectField label="Part" value={part} options={partOptions} onChange={(id) => setPart({ part: id })} />
							</>
						)}
					</ListFields>
					<WireFields
						wire={bundle.wire}
						standard={gaugeStandard}
						label="Each on a wire"
						design={design}
						onChange={(wire) => set({ wire })}
					/>
				</>
			)}
		</ListFields>
	)
}

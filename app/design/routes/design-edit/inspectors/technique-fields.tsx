import type { Design } from '../../../../../core/design/design'
import { freshId } from '../../../../../core/design/edits/fresh-id'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { ListFields } from './list-fields'

/** What is shown to the class, and how long that takes. */
export function TechniqueFields({
	design: { techniques, steps },
	onChange,
}: {
	design: Design
	onChange: (techniques: Design['techniques']) => void
}) {
	return (
		<ListFields
			items={techniques}
			keyOf={({ id }) => id}
			nameOf={({ name }) => name}
			addLabel="technique"
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
						label="Shown in"
						unit="min"
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
export function ExtraFields({
	design: { extras = [], steps },
	onChange,
}: {
	design: Design
	onChange: (extras: NonNullable<Design['extras']>) => void
}) {
	return (
		<ListFields
			items={extras}
			keyOf={({ id }) => id}
			nameOf={({ name }) => name}
			addLabel="extra"
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

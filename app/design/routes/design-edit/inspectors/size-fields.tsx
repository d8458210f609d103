import type { Part, PartSize } from '../../../../../core/design/design'
import type { PartForm } from '../../../../../core/vocabulary/piece-form'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { ListFields } from './list-fields'

interface SizeFieldsProps {
	shown: Pick<Part, 'sizes' | 'form' | 'piecesPerFlower'>
	onChange: (sizes: PartSize[]) => void
}

type Measure = 'widthMm' | 'lengthMm' | 'diameterMm' | 'massG'

/** What tells sizes apart, by how the pieces come about. */
const MEASURES: Record<PartForm['type'], readonly { key: Measure; label: string; unit: string }[]> = {
	cut: [
		{ key: 'widthMm', label: 'Wide', unit: 'mm' },
		{ key: 'lengthMm', label: 'Long', unit: 'mm' },
	],
	formed: [
		{ key: 'diameterMm', label: 'Across', unit: 'mm' },
		{ key: 'lengthMm', label: 'Long', unit: 'mm' },
	],
	moulded: [{ key: 'massG', label: 'Each', unit: 'g' }],
	bought: [{ key: 'lengthMm', label: 'Long', unit: 'mm' }],
	derived: [],
}

/** Sizes of one part: eight small, seven middle, five large, under one chain of steps. */
export function SizeFields({ shown, onChange }: SizeFieldsProps) {
	const { sizes = [], form, piecesPerFlower } = shown
	const usual = form as Partial<Record<Measure, number>>
	return (
		<ListFields
			items={sizes}
			keyOf={(_, index) => index}
			nameOf={({ name }) => name}
			addLabel="size"
			makeNew={(): PartSize => ({ name: freshName(sizes), pieces: sizes.length === 0 ? piecesPerFlower : 1 })}
			onChange={onChange}
		>
			{(size, set) => (
				<>
					<TextField label="Size" value={size.name} maxLength={40} onChange={(name) => set({ name: name || 'size' })} />
					<NumberField
						label="Pieces"
						value={size.pieces}
						min={1}
						max={2000}
						isWhole
						onChange={(pieces) => set({ pieces })}
					/>
					{MEASURES[form.type].map(({ key, label, unit }) => (
						<NumberField
							key={key}
							label={label}
							unit={unit}
							value={size[key] ?? usual[key] ?? usual.diameterMm ?? 10}
							min={0.5}
							max={500}
							step={0.5}
							onChange={(value) => set({ [key]: value })}
						/>
					))}
				</>
			)}
		</ListFields>
	)
}

/** 'small', 'middle', 'large', then numbers. */
function freshName(sizes: readonly PartSize[]): string {
	const taken = new Set(sizes.map(({ name }) => name))
	return ['small', 'middle', 'large'].find((name) => !taken.has(name)) ?? `size ${sizes.length + 1}`
}

/** 'Sizes: 8 small, 7 middle'. */
export function sizeWords({ sizes }: Pick<Part, 'sizes'>): string {
	if (!sizes) return 'All of one size'
	return `Sizes: ${sizes.map(({ name, pieces }) => `${pieces} ${name}`).join(', ')}`
}

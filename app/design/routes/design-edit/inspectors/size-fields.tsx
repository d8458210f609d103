import type { Design, Part, PartSize } from '../../../../../core/design/design'
import type { PartForm } from '../../../../../core/vocabulary/piece-form'
import { NumberField } from '../../../../shared/components/fields/number-field'
import { TextField } from '../../../../shared/components/fields/text-field'
import { useEditing } from '../editing'
import { ListFields } from './list-fields'
import { More } from './more'
import { WhenFields } from './when-fields'
import { WireFields } from './wire-fields'

interface SizeFieldsProps {
	part: Part
	shown: Pick<Part, 'sizes' | 'form' | 'piecesPerFlower' | 'wire' | 'drying' | 'breakage'>
	design: Design
	onChange: (sizes: PartSize[]) => void
}

type Measure = 'widthMm' | 'lengthMm' | 'diameterMm' | 'thicknessMm' | 'massG'

/** What tells sizes apart, by how the pieces come about. */
const MEASURES: Record<PartForm['type'], readonly { key: Measure; label: string; unit: string }[]> = {
	cut: [
		{ key: 'widthMm', label: 'Wide', unit: 'mm' },
		{ key: 'lengthMm', label: 'Long', unit: 'mm' },
		{ key: 'thicknessMm', label: 'Thick', unit: 'mm' },
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
export function SizeFields({ part, shown, design, onChange }: SizeFieldsProps) {
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
							min={key === 'thicknessMm' ? 0.1 : 0.5}
							max={500}
							step={key === 'thicknessMm' ? 0.1 : 0.5}
							onChange={(value) => set({ [key]: value })}
						/>
					))}
					<div className="field-wide">
						<More label={ownWords(size)}>
							<OwnTerms size={size} part={part} shown={shown} design={design} onChange={set} />
						</More>
					</div>
				</>
			)}
		</ListFields>
	)
}

interface OwnTermsProps extends Omit<SizeFieldsProps, 'onChange'> {
	size: PartSize
	onChange: (change: { [K in keyof PartSize]?: PartSize[K] | undefined }) => void
}

/** Where a size is not as its part: its wire, what it dries on, what is lost, and when it is there. */
function OwnTerms({ size, part, shown, design, onChange }: OwnTermsProps) {
	const { gaugeStandard } = useEditing()
	const breakage = size.breakage ?? shown.breakage
	return (
		<>
			<WireFields
				wire={size.wire}
				standard={gaugeStandard}
				label="On a wire of its own"
				design={design}
				partId={part.id}
				onChange={(wire) => onChange({ wire })}
			/>
			<div className="field-row">
				<TextField
					label={`Dries on (else ${shown.drying?.former ?? 'nothing'})`}
					value={size.drying?.former ?? ''}
					maxLength={80}
					onChange={(former) =>
						onChange({
							drying:
								former === ''
									? undefined
									: { backFace: shown.drying?.backFace ?? 'ventilated', ...size.drying, former },
						})
					}
				/>
				<NumberField
					label="Lost of 100"
					value={Math.round(breakage * 100)}
					min={0}
					max={50}
					onChange={(percent) => onChange({ breakage: percent / 100 === shown.breakage ? undefined : percent / 100 })}
				/>
			</div>
			<WhenFields when={size.when} design={design} onChange={(when) => onChange({ when })} />
		</>
	)
}

/** 'Of its own: wire, former'. */
function ownWords({ wire, drying, breakage, when }: PartSize): string {
	const own = [wire && 'wire', drying && 'former', breakage !== undefined && 'loss', when && 'only under some options']
	const told = own.filter(Boolean)
	return told.length > 0 ? `Of its own: ${told.join(', ')}` : 'Wire, former and loss as the part'
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

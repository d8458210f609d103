import type { Part, SpareRule } from '../../../../../core/design/design'
import type { PartChange } from '../../../../../core/design/edits/edit-parts'
import { FewField } from '../../../../shared/components/fields/choice-fields'
import { NumberField } from '../../../../shared/components/fields/number-field'

interface SpareFieldsProps {
	shown: Pick<Part, 'spares' | 'breakage' | 'piecesPerFlower'>
	onChange: (values: PartChange) => void
}

const RULES = [
	{ value: 'breakage', label: 'by what is lost' },
	{ value: 'more', label: 'so many more' },
	{ value: 'in all', label: 'so many in all' },
] as const

/** Spares by what breaks, or by her own rule: two more of each, twenty-four in all. */
export function SpareFields({ shown: { spares, breakage, piecesPerFlower }, onChange }: SpareFieldsProps) {
	const takeRule = (chosen: (typeof RULES)[number]['value']) => {
		const rules: Record<typeof chosen, SpareRule | undefined> = {
			breakage: undefined,
			more: { type: 'more', pieces: 2 },
			'in all': { type: 'in all', pieces: piecesPerFlower + 2 },
		}
		onChange({ spares: rules[chosen] })
	}
	return (
		<div className="field-row">
			<FewField label="Spares" value={spares?.type ?? 'breakage'} options={RULES} onChange={takeRule} />
			{spares ? (
				<NumberField
					label={spares.type === 'more' ? 'More a flower' : 'Cut a flower'}
					value={spares.pieces}
					min={spares.type === 'more' ? 0 : piecesPerFlower}
					max={2000}
					isWhole
					onChange={(pieces) => onChange({ spares: { ...spares, pieces } })}
				/>
			) : (
				<NumberField
					label="Lost in 100"
					value={Math.round(breakage * 1000) / 10}
					min={0}
					max={50}
					step={0.5}
					onChange={(lost) => onChange({ breakage: lost / 100 })}
				/>
			)}
		</div>
	)
}

/** 'Spares: 2 more of each'. */
export function spareWords({ spares, breakage }: SpareFieldsProps['shown']): string {
	if (!spares) return `Spares: ${Math.round(breakage * 1000) / 10} in 100 lost`
	return spares.type === 'more' ? `Spares: ${spares.pieces} more of each` : `Spares: ${spares.pieces} cut in all`
}

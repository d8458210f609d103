/** What is packed into the bags: each line once, with how much of it goes into every kit. Seat 0 is the instructor's own. */
import type { AmountUnit } from './bill'
import type { ClassKit } from './class-kit'

export interface PackingLine {
	/** Equal for the same thing in every kit. */
	key: string
	/** Heading under which it is packed. */
	group: 'paste' | 'wire' | 'piece' | 'supply' | 'tool'
	name: string
	/** What tells it from others of that name. */
	detail: string
	unit: AmountUnit
	/** By seat, the instructor's own first: to show and to bring dried. 0: not in that kit. */
	amounts: number[]
}

/** In the order in which tables are laid: paste, wires, finished and bought pieces, supplies, tools. */
export function listPackingLines(kit: ClassKit): PackingLine[] {
	const own = ({ demo, swapOuts }: { demo: number; swapOuts: number }) => demo + swapOuts
	return [
		...kit.paste.map(({ item, handOut: shares }): PackingLine => ({
			key: item.key,
			group: 'paste',
			name: item.colour,
			detail: item.paste,
			unit: 'mg',
			amounts: [own(shares), ...shares.kits],
		})),
		...kit.wires.flatMap(({ key, gauge, colour, lines }) =>
			lines.map(({ designName, partName, lengthMm, shares }): PackingLine => ({
				key: `${key}:${designName}:${partName}`,
				group: 'wire',
				name: `${gauge} gauge ${colour}, ${lengthMm / 10} cm`,
				detail: partName,
				unit: 'piece',
				amounts: [own(shares), ...shares.kits],
			})),
		),
		...kit.lines
			.filter(({ isMadeAhead }) => isMadeAhead)
			.map(({ designId, part, shares }): PackingLine => ({
				key: `piece:${designId}:${part.id}`,
				group: 'piece',
				name: part.name,
				detail: 'finished',
				unit: 'piece',
				amounts: [own(shares), ...shares.kits],
			})),
		...kit.supplies.map(({ item, shares }): PackingLine => ({
			key: item.key,
			group: 'supply',
			name: item.name,
			detail: '',
			unit: item.unit,
			amounts: [own(shares), ...shares.kits],
		})),
		...kit.tools
			.filter(({ ownedCount, studentCount }) => ownedCount === undefined || ownedCount >= studentCount)
			.map(({ tool }): PackingLine => ({
				key: `tool:${tool}`,
				group: 'tool',
				name: tool,
				detail: '',
				unit: 'piece',
				amounts: Array<number>(kit.studentCount + 1).fill(1),
			})),
	]
}

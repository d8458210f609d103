/** Wires of the pieces and of their bundles, by gauge and colour, with how they are cut: pooled, and kit by kit. */
import { bundleCount } from '../design/design-figures'
import type { PartWire } from '../design/design'
import type { Demand } from '../materials/cutting-bounds'
import { cutWithOffcuts, type OffcutPlan } from '../materials/cut-with-offcuts'
import { cutWires, type CuttingPlan } from '../materials/cutting-plan'
import { amountOfSeat, sumOfKits, sumShares, type Shares } from './bill'
import type { PieceLine } from './class-pieces'

export interface WireLine {
	designName: string
	partName: string
	/** Of one piece. */
	lengthMm: number
	/** Who cuts it. */
	maker: PieceLine['maker']
	/** Of wires, whole. Wires break with their pieces: the spares are in it, no reserve. */
	shares: Shares
}

/** All wires of one gauge and colour. */
export interface WireGroup {
	key: string
	/** Of all its lines. */
	gauge: number
	colour: string
	/** The longest first. */
	lines: WireLine[]
	/** Of one usual kit. */
	kitPlan: CuttingPlan
	/** Of the whole class cut together, off-cuts first. */
	pooledPlan: OffcutPlan
	/** Stock wires if each kit, the demo set and the dried pieces are cut by themselves. */
	wireCountByKit: number
	/** Pieces left over by the pooled plan that are worth keeping, longest first. */
	keptOffcuts: Demand[]
}

/** Off-cuts of one gauge and colour that are on the shelf. */
export interface OffcutStock extends Demand {
	gauge: number
	colour: string
}

export interface WireTerms {
	/** As they are bought. */
	stockLengthsMm: readonly number[]
	offcuts: readonly OffcutStock[]
	/** Shorter ones are not worth keeping. */
	minOffcutMm: number
}

/** The wires of every seat by gauge and colour, and how they are cut from stock lengths and off-cuts. */
export function billWires(lines: readonly PieceLine[], terms: WireTerms): WireGroup[] {
	const groups = new Map<string, Pick<WireGroup, 'key' | 'gauge' | 'colour' | 'lines'>>()
	for (const line of lines) {
		for (const { wire, partName, shares } of wiresOf(line)) {
			const { gauge, colour, lengthMm } = wire
			const key = `wire:${gauge}:${colour}`
			const group = groups.get(key) ?? { key, gauge, colour, lines: [] }
			group.lines.push({ designName: line.designName, partName, lengthMm, maker: line.maker, shares })
			groups.set(key, group)
		}
	}
	return [...groups.values()]
		.toSorted((a, b) => a.gauge - b.gauge || a.colour.localeCompare(b.colour))
		.map((group) => ({ ...group, ...cutGroup(group, terms) }))
}

/** Wires of one line: of its pieces, and of the bundles that they are taped into. */
function wiresOf(line: PieceLine): { wire: PartWire; partName: string; shares: Shares }[] {
	const { part } = line
	const { wire, bundles } = part
	const own = wire ? [{ wire, partName: part.name, shares: mapShares(line, (n) => n * (wire.perPiece ?? 1)) }] : []
	const bundleWire = bundles?.wire
	if (!bundles || !bundleWire) return own
	const shares = mapShares(line, (n) => bundleCount(n, bundles) * (bundleWire.perPiece ?? 1))
	return [...own, { wire: bundleWire, partName: `${part.name}, bundles`, shares }]
}

/** Dried pieces are bundled student by student, as the kits are. */
function mapShares({ shares, swapSets }: PieceLine, countOf: (pieces: number) => number): Shares {
	const kits = shares.kits.map(countOf)
	return sumShares({
		usual: countOf(shares.usual),
		kits,
		ahead: 0,
		demo: countOf(shares.demo),
		swapOuts: swapSets * sumOfKits({ kits }),
	})
}

/** Each seat's cutting plan, the instructor's, and one for all together, of wires and offcuts on the shelf. */
function cutGroup(
	{ gauge, colour, lines }: Pick<WireGroup, 'gauge' | 'colour' | 'lines'>,
	{ stockLengthsMm, offcuts, minOffcutMm }: WireTerms,
) {
	const demandsOf = (countOf: (shares: Shares) => number) =>
		lines.map(({ lengthMm, shares }): Demand => ({ lengthMm, count: countOf(shares) }))
	const own = offcuts.filter((offcut) => offcut.gauge === gauge && offcut.colour === colour)
	const kitPlan = cutWires(
		demandsOf(({ usual }) => usual),
		stockLengthsMm,
	)
	const pooledPlan = cutWithOffcuts(
		demandsOf(({ total }) => total),
		stockLengthsMm,
		own,
	)
	const seatCount = lines[0]?.shares.kits.length ?? 0
	const counted = new Map<string, number>()
	const wiresOfKit = (s: number) => {
		const demands = demandsOf((shares) => amountOfSeat(shares, s))
		const key = demands.map(({ count }) => count).join()
		const known = counted.get(key) ?? cutWires(demands, stockLengthsMm).wires.length
		counted.set(key, known)
		return known
	}
	const ofInstructor = [demandsOf(({ demo }) => demo), demandsOf(({ swapOuts }) => swapOuts)]
	return {
		kitPlan,
		pooledPlan,
		wireCountByKit:
			Array.from({ length: seatCount }, (_, s) => wiresOfKit(s)).reduce((sum, wires) => sum + wires, 0) +
			ofInstructor.reduce((sum, demands) => sum + cutWires(demands, stockLengthsMm).wires.length, 0),
		keptOffcuts: leftOver([...pooledPlan.wires, ...pooledPlan.offcuts], minOffcutMm),
	}
}

/** What is long enough to be kept after cutting, by length. */
function leftOver(wires: OffcutPlan['wires'], minOffcutMm: number): Demand[] {
	const counts = new Map<number, number>()
	for (const { stockLengthMm, piecesMm } of wires) {
		const rest = stockLengthMm - piecesMm.reduce((sum, length) => sum + length, 0)
		if (rest >= minOffcutMm) counts.set(rest, (counts.get(rest) ?? 0) + 1)
	}
	return [...counts].map(([lengthMm, count]) => ({ lengthMm, count })).toSorted((a, b) => b.lengthMm - a.lengthMm)
}

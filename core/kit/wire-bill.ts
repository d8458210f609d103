/** Wires of the pieces and of their bundles, by gauge and colour, with how they are cut: pooled, and kit by kit. */
import type { PartWire } from '../design/design'
import type { Demand } from '../materials/cutting-bounds'
import { cutWithOffcuts, type OffcutPlan } from '../materials/cut-with-offcuts'
import { cutWires, type CuttingPlan } from '../materials/cutting-plan'
import { amountOfSeat, sumOfKits, sumShares, type Shares } from './bill'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { stepsOfKind } from '../design/step-work'
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

/** Of one gauge and colour, cut and in the kits. */
export interface WiresHanded {
	/** '26 gauge green'. */
	wire: string
	/** Whole, >= 1. */
	handed: number
}

/** @returns nothing of what no kit has any of */
export function totalWires(groups: readonly Pick<WireGroup, 'gauge' | 'colour' | 'lines'>[]): WiresHanded[] {
	return groups.flatMap(({ gauge, colour, lines }) => {
		const handed = lines.reduce((sum, { shares }) => sum + sumOfKits(shares), 0)
		return handed > 0 ? [{ wire: `${gauge} gauge ${colour}`, handed }] : []
	})
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
export function billWires(
	lines: readonly PieceLine[],
	{ designs, demoFlowers, startOf }: WireContext,
	terms: WireTerms,
): WireGroup[] {
	const groups = new Map<string, Pick<WireGroup, 'key' | 'gauge' | 'colour' | 'lines'>>()
	const wanted = [
		...lines.flatMap((line) => wiresOfPieces(line, lines, { designs, startOf })),
		...designs.flatMap((one) => wiresOfBundles(one, lines, demoFlowers)),
	]
	for (const { wire, ...line } of wanted) {
		const { gauge, colour, lengthMm } = wire
		const key = `wire:${gauge}:${colour}`
		const group = groups.get(key) ?? { key, gauge, colour, lines: [] }
		group.lines.push({ ...line, lengthMm })
		groups.set(key, group)
	}
	return [...groups.values()]
		.toSorted((a, b) => a.gauge - b.gauge || a.colour.localeCompare(b.colour))
		.map((group) => ({ ...group, ...cutGroup(group, terms) }))
}

interface WireContext {
	designs: readonly DesignInCourse[]
	demoFlowers: number
	/** Minute of the plan at which a step begins; undefined: it is not done, or ahead. */
	startOf: (designId: string, stepId: string) => number | undefined
}

/** Wires of one line's pieces, each breaking with its piece, but for those that come from off-cuts. */
function wiresOfPieces(
	line: PieceLine,
	lines: readonly PieceLine[],
	context: Pick<WireContext, 'designs' | 'startOf'>,
): Wanted[] {
	const { wire, name } = line.part
	if (!wire) return []
	const all = mapShares(line, (n) => n * (wire.perPiece ?? 1))
	const shares = wire.fromOffcutsOf === undefined ? all : lessOffcuts(all, line, lines, context)
	return [{ wire, designName: line.designName, partName: name, maker: line.maker, shares }]
}

/** What is left to cut from stock after each has used the off-cuts of her own trimmed wires, if those are there in time. */
function lessOffcuts(
	wanted: Shares,
	line: PieceLine,
	lines: readonly PieceLine[],
	{ designs, startOf }: Pick<WireContext, 'designs' | 'startOf'>,
): Shares {
	const design = designs.find((one) => one.design.id === line.designId)?.design
	const { wire } = line.part
	const sources = lines.filter(({ designId, part }) => {
		return designId === line.designId && part.of === wire?.fromOffcutsOf && part.wire?.trimmedToMm !== undefined
	})
	const [source] = sources
	if (!design || !wire || !source) return wanted
	const trims = source.part.wire?.trimmedIn ?? stepsOfKind(design, source.part)[0]?.id ?? ''
	const needs = stepsOfKind(design, line.part)[0]?.id ?? ''
	const [trimmed, needed] = [startOf(line.designId, trims), startOf(line.designId, needs)]
	// Who is handed a wire before the off-cut exists is handed one from stock.
	if (trimmed !== undefined && needed !== undefined && needed < trimmed) return wanted
	const there = (countOf: (shares: Shares) => number) =>
		sources.reduce((sum, { part, shares }) => {
			const own = part.wire
			if (!own?.trimmedToMm) return sum
			const each = Math.floor((own.lengthMm - own.trimmedToMm) / wire.lengthMm)
			return sum + countOf(shares) * (own.perPiece ?? 1) * Math.max(0, each)
		}, 0)
	const rest = (countOf: (shares: Shares) => number) => Math.max(0, countOf(wanted) - there(countOf))
	return sumShares({
		usual: rest(({ usual }) => usual),
		kits: wanted.kits.map((_, s) => rest((shares) => amountOfSeat(shares, s))),
		ahead: 0,
		demo: rest(({ demo }) => demo),
		swapOuts: wanted.swapOuts,
	})
}

/** Wires of the bundles: as many as the flowers have, whatever spares lie loose beside them. */
function wiresOfBundles(
	{ design, flowersPerStudent }: DesignInCourse,
	lines: readonly PieceLine[],
	demoFlowers: number,
): Wanted[] {
	return design.bundles.flatMap(({ wire, of, name, count }): Wanted[] => {
		const line = lines.find((one) => one.designId === design.id && of.some(({ part }) => part === one.part.of))
		if (!wire || !line) return []
		const perFlower = count * (wire.perPiece ?? 1)
		const kits = line.shares.kits.map(() => perFlower * flowersPerStudent)
		const shares = sumShares({
			usual: perFlower * flowersPerStudent,
			kits,
			ahead: 0,
			demo: perFlower * demoFlowers,
			swapOuts: line.swapSets * sumOfKits({ kits }),
		})
		return [{ wire, designName: design.name, partName: name, maker: line.maker, shares }]
	})
}

interface Wanted extends Pick<WireLine, 'designName' | 'partName' | 'maker' | 'shares'> {
	wire: PartWire
}

/** Dried pieces are wired student by student, as the kits are. */
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
	const longest = Math.max(...stockLengthsMm)
	// What no stock wire is long enough for is bought in its own length, and told on the shopping list.
	const stock = [...new Set([...stockLengthsMm, ...lines.map(({ lengthMm }) => lengthMm).filter((mm) => mm > longest)])]
	const demandsOf = (countOf: (shares: Shares) => number) =>
		lines.map(({ lengthMm, shares }): Demand => ({ lengthMm, count: countOf(shares) }))
	const own = offcuts.filter((offcut) => offcut.gauge === gauge && offcut.colour === colour)
	const kitPlan = cutWires(
		demandsOf(({ usual }) => usual),
		stock,
	)
	const pooledPlan = cutWithOffcuts(
		demandsOf(({ total }) => total),
		stock,
		own,
	)
	const seatCount = lines[0]?.shares.kits.length ?? 0
	const counted = new Map<string, number>()
	const wiresOfKit = (s: number) => {
		const demands = demandsOf((shares) => amountOfSeat(shares, s))
		const key = demands.map(({ count }) => count).join()
		const known = counted.get(key) ?? cutWires(demands, stock).wires.length
		counted.set(key, known)
		return known
	}
	const ofInstructor = [demandsOf(({ demo }) => demo), demandsOf(({ swapOuts }) => swapOuts)]
	return {
		kitPlan,
		pooledPlan,
		wireCountByKit:
			Array.from({ length: seatCount }, (_, s) => wiresOfKit(s)).reduce((sum, wires) => sum + wires, 0) +
			ofInstructor.reduce((sum, demands) => sum + cutWires(demands, stock).wires.length, 0),
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

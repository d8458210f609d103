/**
 * Cutting plan in which usable off-cuts are filled first, each as full as it goes, and the rest is cut from stock.
 * Exact where the number of new wires meets its bound; else the best of a few orders of filling, and says so.
 */
import { present } from '../present'
import { leastWireCount, type Demand } from './cutting-bounds'
import { cutWires, type CutWire, type CuttingPlan } from './cutting-plan'

export interface OffcutPlan extends CuttingPlan {
	/** Off-cuts that are used, with what is cut from each; not among `wires`. */
	offcuts: readonly CutWire[]
}

/**
 * @param offcuts - whole mm and whole counts
 * @throws {RangeError} as `cutWires`
 */
export function cutWithOffcuts(
	demands: readonly Demand[],
	stockLengthsMm: readonly number[],
	offcuts: readonly Demand[],
): OffcutPlan {
	const bare = cutWires(demands, stockLengthsMm)
	const pieces = offcuts.flatMap(({ lengthMm, count }) => Array<number>(count).fill(lengthMm))
	if (pieces.length === 0) return { ...bare, offcuts: [] }
	const orders = [pieces.toSorted((a, b) => a - b), pieces.toSorted((a, b) => b - a)]
	const plans = orders.map((order) => fillThenCut(demands, stockLengthsMm, order))
	const [best = { ...bare, offcuts: [] }] = plans.toSorted(
		(a, b) => a.wires.length - b.wires.length || a.wasteMm - b.wasteMm,
	)
	const longest = Math.max(...stockLengthsMm)
	const bound = Math.max(
		0,
		// An off-cut does at most the work of a wire, and no more than its fullest filling.
		leastWireCount(
			demands.filter(({ count }) => count > 0),
			longest,
		) - pieces.length,
		Math.ceil((totalOf(demands) - pieces.reduce((sum, length) => sum + mostCut(demands, length), 0)) / longest),
	)
	const isProven = best.wires.length === bound && best.isProven
	return { ...best, minWireCount: isProven ? best.wires.length : bound, isProven }
}

/** Offcuts are filled in the given order, as full as they go; stock wire is cut for what is left. */
function fillThenCut(demands: readonly Demand[], stock: readonly number[], order: readonly number[]): OffcutPlan {
	let left = demands.map(({ lengthMm, count }) => ({ lengthMm, count }))
	const used: CutWire[] = []
	for (const lengthMm of order) {
		const piecesMm = fullest(left, lengthMm)
		if (piecesMm.length === 0) continue
		used.push({ stockLengthMm: lengthMm, piecesMm })
		left = left.map((demand) => ({
			...demand,
			count: demand.count - piecesMm.filter((piece) => piece === demand.lengthMm).length,
		}))
	}
	return { ...cutWires(left, stock), offcuts: used }
}

/** The pieces that fill a length best, the longest first among equal fillings. A bounded knapsack over whole mm. */
function fullest(left: readonly Demand[], lengthMm: number): number[] {
	const items = left.flatMap((demand) => {
		const most = Math.min(demand.count, Math.floor(lengthMm / demand.lengthMm))
		return Array<number>(most).fill(demand.lengthMm)
	})
	items.sort((a, b) => b - a)
	/** By length filled: the item that reached it last, and the length before; -1 is the empty wire. */
	const reached = new Map<number, { item: number; before: number }>([[0, { item: -1, before: 0 }]])
	items.forEach((piece, item) => {
		for (const length of [...reached.keys()].toSorted((a, b) => b - a)) {
			const next = length + piece
			if (next <= lengthMm && !reached.has(next)) reached.set(next, { item, before: length })
		}
	})
	const chosen: number[] = []
	for (let length = Math.max(...reached.keys()); length > 0;) {
		const step = reached.get(length)
		if (!step) break
		chosen.push(present(items[step.item], 'a piece of a filling'))
		length = step.before
	}
	return chosen.toSorted((a, b) => b - a)
}

/** So much of an off-cut can be used at most. */
function mostCut(demands: readonly Demand[], lengthMm: number): number {
	return fullest(demands, lengthMm).reduce((sum, piece) => sum + piece, 0)
}

/** Length of all pieces together, mm. */
function totalOf(demands: readonly Demand[]): number {
	return demands.reduce((sum, { lengthMm, count }) => sum + lengthMm * count, 0)
}

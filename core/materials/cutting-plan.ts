/**
 * Cutting plan of wires (one-dimensional cutting stock): the least number of stock wires, then the least stock length
 * and so the least waste. Exact by depth-first completion of wires with bounds; where the search would take too long
 * the plan is rounded from its linear relaxation, and the better of both is returned and says whether it is proven.
 * Assumes that a cut loses nothing and that stock is unlimited.
 * Source of the problem: P. Gilmore, R. Gomory, A linear programming approach to the cutting-stock problem, 1961; of
 * the search: R. Korf, A new algorithm for optimal bin packing, 2002 (both from memory).
 */
import { boundByLength, leastWireCount, type Demand } from './cutting-bounds'
import { relaxCutting, type PatternShare } from './cutting-columns'

/** One stock wire and what is cut from it. */
export interface CutWire {
	/** Of the uncut wire. */
	stockLengthMm: number
	/** Longest first. */
	piecesMm: readonly number[]
}

export interface CuttingPlan {
	wires: readonly CutWire[]
	/** Stock length less pieces, in mm. */
	wasteMm: number
	/** No plan needs fewer wires than this. */
	minWireCount: number
	/** Whether neither the number of wires nor the waste can be less. */
	isProven: boolean
}

/** Search nodes before the best plan so far is taken; a tenth of a second or two. */
const MAX_NODES = 40_000

/**
 * @param stockLengthsMm - whole, > 0, at least one
 * @throws {RangeError} no or bad stock lengths, a bad demand, or a piece longer than the longest stock
 */
export function cutWires(demands: readonly Demand[], stockLengthsMm: readonly number[]): CuttingPlan {
	const stock = [...new Set(stockLengthsMm)].sort((a, b) => b - a)
	const merged = mergeDemands(demands, stock)
	const total = merged.reduce((sum, { lengthMm, count }) => sum + lengthMm * count, 0)
	if (total === 0) return { wires: [], wasteMm: 0, minWireCount: 0, isProven: true }
	const relaxation = relaxCutting(merged, stock[0] ?? 0)
	const minWireCount = Math.max(leastWireCount(merged, stock[0] ?? 0), relaxation?.bound ?? 0)
	const searched = new CuttingSearch(merged, stock, minWireCount).run()
	const { wires, isProven } = searched.isProven
		? searched
		: betterOf(searched, roundDown(merged, stock, { patterns: relaxation?.patterns ?? [], minWireCount }))
	const stockLength = wires.reduce((sum, { stockLengthMm }) => sum + stockLengthMm, 0)
	return {
		wires: sortWires(wires),
		wasteMm: stockLength - total,
		minWireCount: isProven ? wires.length : minWireCount,
		isProven,
	}
}

interface FoundWires {
	wires: CutWire[]
	/** Nothing better exists. */
	isProven: boolean
}

/** Fewer wires first, then fewer mm of them. */
function betterOf(a: FoundWires, b: FoundWires): FoundWires {
	const lengthOf = ({ wires }: FoundWires) => wires.reduce((sum, { stockLengthMm }) => sum + stockLengthMm, 0)
	return b.wires.length < a.wires.length || (b.wires.length === a.wires.length && lengthOf(b) < lengthOf(a)) ? b : a
}

/** The whole wires of the fractional plan, and what is then left cut by search; each from the shortest stock that holds it. */
function roundDown(
	demands: readonly Demand[],
	stock: readonly number[],
	{ patterns, minWireCount }: { patterns: readonly PatternShare[]; minWireCount: number },
): FoundWires {
	const left = demands.map(({ count }) => count)
	const wires: CutWire[] = []
	const longest = stock[0] ?? 0
	for (const { counts, share } of patterns) {
		for (let times = Math.floor(share + 1e-9); times > 0; times--) {
			if (counts.some((count, d) => count > (left[d] ?? 0))) break
			counts.forEach((count, d) => (left[d] = (left[d] ?? 0) - count))
			const piecesMm = counts.flatMap((count, d) => Array<number>(count).fill(demands[d]?.lengthMm ?? 0))
			const used = piecesMm.reduce((sum, length) => sum + length, 0)
			wires.push({ stockLengthMm: stock.findLast((length) => length >= used) ?? longest, piecesMm })
		}
	}
	const rest = demands.map(({ lengthMm }, d) => ({ lengthMm, count: left[d] ?? 0 })).filter(({ count }) => count > 0)
	if (rest.length > 0) {
		const bound = Math.max(leastWireCount(rest, longest), minWireCount - wires.length)
		wires.push(...new CuttingSearch(rest, stock, bound).run().wires)
	}
	const length = wires.reduce((sum, { stockLengthMm }) => sum + stockLengthMm, 0)
	const total = demands.reduce((sum, { lengthMm, count }) => sum + lengthMm * count, 0)
	// With one stock length, as few wires as possible are also the least waste; with several it is not known.
	const isProven = wires.length === minWireCount && (stock.length === 1 || length === total)
	return { wires, isProven }
}

/**
 * Pieces of one length together, the longest first.
 *
 * @throws {RangeError} lengths that are not whole and positive, or longer than every stock wire
 */
function mergeDemands(demands: readonly Demand[], stock: readonly number[]): Demand[] {
	const longest = stock[0]
	const isLength = (length: number) => Number.isInteger(length) && length > 0
	if (longest === undefined || !stock.every(isLength))
		throw new RangeError(`stock lengths must be whole mm > 0, got ${stock.join(', ')}`)
	const counts = new Map<number, number>()
	for (const { lengthMm, count } of demands) {
		if (!isLength(lengthMm)) throw new RangeError(`a piece must be whole mm > 0, got ${lengthMm}`)
		if (!Number.isInteger(count) || count < 0) throw new RangeError(`a count must be whole and >= 0, got ${count}`)
		if (lengthMm > longest)
			throw new RangeError(`a piece of ${lengthMm} mm is longer than the longest wire of ${longest} mm`)
		if (count > 0) counts.set(lengthMm, (counts.get(lengthMm) ?? 0) + count)
	}
	return [...counts].map(([lengthMm, count]) => ({ lengthMm, count })).sort((a, b) => b.lengthMm - a.lengthMm)
}

/** So that two plans that say the same look the same. */
function sortWires(wires: readonly CutWire[]): CutWire[] {
	return wires.toSorted(
		(a, b) => b.stockLengthMm - a.stockLengthMm || a.piecesMm.join().localeCompare(b.piecesMm.join()),
	)
}

/** Pieces by count of each length, cut from one stock length. */
interface Pattern {
	stockLengthMm: number
	/** Of each demand that is cut from it. */
	counts: readonly number[]
	/** Left of the wire. */
	wasteMm: number
}

/** Depth-first: each wire takes the longest piece left and is then filled up; the fullest filling first. */
class CuttingSearch {
	readonly #demands: readonly Demand[]
	readonly #stock: readonly number[]
	readonly #minWireCount: number
	/** By number of wires: the totals that so many stock wires can have, rising. */
	readonly #stockTotals: number[][] = []
	#best: Pattern[] = []
	#bestLength = Infinity
	#nodes = 0
	#nodeLimit = 0
	/** Whether nothing was left out in this pass but what cannot be better. */
	#isComplete = false
	/** Least (wires, length) with which each remainder was reached: coming back with no fewer of both is in vain. */
	readonly #reached = new Map<string, { wires: number; length: number }[]>()

	constructor(demands: readonly Demand[], stock: readonly number[], minWireCount: number) {
		this.#demands = demands
		this.#stock = stock
		this.#minWireCount = minWireCount
	}

	/** Limited discrepancy search (Harvey and Ginsberg 1995): first near the greedy plan, then further from it. */
	run(): { wires: CutWire[]; isProven: boolean } {
		// Few departures from the fullest filling first: good plans differ from the greedy one in few places.
		for (const departures of [0, 1, 2, 4, Infinity]) {
			this.#reached.clear()
			this.#isComplete = true
			this.#nodeLimit = departures === Infinity ? MAX_NODES : this.#nodes + MAX_NODES / 10
			this.#descend(
				this.#demands.map(({ count }) => count),
				[],
				0,
				departures,
			)
			if (this.#isComplete || this.#isAtBound()) break
		}
		const wires = this.#best.map(({ stockLengthMm, counts }) => {
			return {
				stockLengthMm,
				piecesMm: counts.flatMap((count, d) => Array<number>(count).fill(this.#demands[d]?.lengthMm ?? 0)),
			}
		})
		return { wires, isProven: this.#isComplete || this.#isAtBound() }
	}

	/** No plan is shorter than the bound: the search may end. */
	#isAtBound(): boolean {
		return (
			this.#best.length === this.#minWireCount &&
			this.#bestLength ===
				this.#leastStockLength(this.#totalLength(this.#demands.map(({ count }) => count)), this.#minWireCount)
		)
	}

	/**
	 * Fills one more wire, with the longest piece that is left in it.
	 *
	 * @param left - pieces still to be cut, by demand
	 * @param length - of the wires taken, mm
	 * @param departures - how often the filling may yet be another than the fullest
	 */
	#descend(left: number[], taken: Pattern[], length: number, departures: number): void {
		const longest = left.findIndex((count) => count > 0)
		if (longest < 0) {
			if (this.#isBetter(taken.length, length)) {
				this.#best = [...taken]
				this.#bestLength = length
			}
			return
		}
		// The first descent always ends: without it there would be no plan at all.
		if (this.#best.length > 0) {
			if (this.#isAtBound() || !this.#mayImprove(left, taken.length, length)) return
			if (this.#nodes >= this.#nodeLimit) {
				this.#isComplete = false
				return
			}
		}
		this.#nodes++
		if (this.#wasReached(left, taken.length, length)) return
		for (const [rank, pattern] of this.#patterns(left, longest).entries()) {
			const departed = departures - (rank > 0 ? 1 : 0)
			if (departed < 0) {
				this.#isComplete = false
				return
			}
			taken.push(pattern)
			this.#descend(
				left.map((count, d) => count - (pattern.counts[d] ?? 0)),
				taken,
				length + pattern.stockLengthMm,
				departed,
			)
			taken.pop()
		}
	}

	/** Fewer wires, or as many of less length. */
	#isBetter(wires: number, length: number): boolean {
		return (
			this.#best.length === 0 || wires < this.#best.length || (wires === this.#best.length && length < this.#bestLength)
		)
	}

	/** Whether wires that hold the rest could still beat the best; if not, this branch is cut off. */
	#mayImprove(left: readonly number[], wires: number, length: number): boolean {
		const rest = this.#demands.map(({ lengthMm }, d) => ({ lengthMm, count: left[d] ?? 0 }))
		const least = wires + boundByLength(rest, this.#stock[0] ?? 1)
		if (least !== this.#best.length) return least < this.#best.length
		return length + this.#leastStockLength(this.#totalLength(left), least - wires) < this.#bestLength
	}

	/** Of the pieces left, mm. */
	#totalLength(left: readonly number[]): number {
		return left.reduce((total, count, d) => total + count * (this.#demands[d]?.lengthMm ?? 0), 0)
	}

	/** The least total of so many stock wires that is not below the length wanted. */
	#leastStockLength(lengthMm: number, wireCount: number): number {
		for (let w = this.#stockTotals.length; w <= wireCount; w++) {
			const before = this.#stockTotals[w - 1] ?? [0]
			const totals = w === 0 ? [0] : before.flatMap((sum) => this.#stock.map((stock) => sum + stock))
			this.#stockTotals.push([...new Set(totals)].sort((a, b) => a - b))
		}
		return this.#stockTotals[wireCount]?.find((sum) => sum >= lengthMm) ?? Infinity
	}

	/** The same pieces were left before, after no more wire: nothing better can come of it now. */
	#wasReached(left: readonly number[], wires: number, length: number): boolean {
		const key = left.join()
		const before = this.#reached.get(key) ?? []
		if (before.some((other) => other.wires <= wires && other.length <= length)) return true
		this.#reached.set(key, [
			...before.filter((other) => !(other.wires >= wires && other.length >= length)),
			{ wires, length },
		])
		return false
	}

	/** Every maximal filling of each stock length with the longest piece left in it, the fullest first. */
	#patterns(left: readonly number[], longest: number): Pattern[] {
		const patterns: Pattern[] = []
		for (const stockLengthMm of this.#stock) {
			const start = this.#demands[longest]?.lengthMm ?? Infinity
			if (start > stockLengthMm) continue
			const counts = left.map((_, d) => (d === longest ? 1 : 0))
			this.#fill(patterns, left, counts, longest, stockLengthMm, stockLengthMm - start)
		}
		return patterns.sort((a, b) => b.stockLengthMm - b.wasteMm - (a.stockLengthMm - a.wasteMm) || a.wasteMm - b.wasteMm)
	}

	#fill(
		patterns: Pattern[],
		left: readonly number[],
		counts: number[],
		from: number,
		stockLengthMm: number,
		room: number,
	): void {
		if (patterns.length >= MAX_PATTERNS) {
			this.#isComplete = false
			return
		}
		if (from === this.#demands.length) {
			const isMaximal = left.every((count, d) => count === counts[d] || (this.#demands[d]?.lengthMm ?? 0) > room)
			if (isMaximal) patterns.push({ stockLengthMm, counts: [...counts], wasteMm: room })
			return
		}
		const lengthMm = this.#demands[from]?.lengthMm ?? Infinity
		const most = Math.min((left[from] ?? 0) - (counts[from] ?? 0), Math.floor(room / lengthMm))
		const had = counts[from] ?? 0
		for (let more = most; more >= 0; more--) {
			counts[from] = had + more
			this.#fill(patterns, left, counts, from + 1, stockLengthMm, room - more * lengthMm)
		}
		counts[from] = had
	}
}

/** Fillings of one wire that are looked at; kits have a handful of lengths and stay far below it. */
const MAX_PATTERNS = 5_000

/**
 * The cutting-stock problem with fractions of patterns allowed, solved by column generation: its value, rounded up, is
 * a bound that the number of wires rarely misses by more than none, and its patterns, rounded down, are most of a plan.
 * Source: P. Gilmore, R. Gomory, A linear programming approach to the cutting-stock problem, 1961 (from memory).
 */
import type { Demand } from './cutting-bounds'

/** A pattern with how often it is cut, a fraction. */
export interface PatternShare {
	/** Pieces by demand. */
	counts: readonly number[]
	/** Of a wire that is cut so; not whole. */
	share: number
}

export interface CuttingRelaxation {
	/** No cutting plan takes fewer wires. */
	bound: number
	patterns: PatternShare[]
}

/** A pattern that gains less than this would not change the value in the digits that count. */
const GAIN = 1e-9
/** Rounding noise of the value is below this for demands of any class. */
const SLACK = 1e-6
/** Each demand brings a few patterns; beyond this the basis goes round in circles, and the best so far is no bound. */
const MAX_ROUNDS = 2_000

/**
 * @param demands - lengths that differ, all at most the stock length
 * @returns undefined where it does not converge
 * @complexity O(rounds · (lengths² + lengths · stock))
 */
export function relaxCutting(demands: readonly Demand[], stockLengthMm: number): CuttingRelaxation | undefined {
	const size = demands.length
	// 1. To begin with, each length fills wires of its own.
	const basis = demands.map(({ lengthMm, count }, d) =>
		demands.map((_, other) => (other === d ? Math.min(count, Math.floor(stockLengthMm / lengthMm)) : 0)),
	)
	const inverse = basis.map((pattern, d) => pattern.map((_, other) => (other === d ? 1 / (pattern[d] ?? 1) : 0)))
	const shares = demands.map(({ count }, d) => count * (inverse[d]?.[d] ?? 0))
	for (let round = 0; round < MAX_ROUNDS; round++) {
		// 2. What a piece of each length is worth by the patterns in use.
		const worths = demands.map((_, d) => sumOver(size, (row) => inverse[row]?.[d] ?? 0))
		// 3. A pattern whose pieces are worth more than a wire comes in; none: the fractions are at their best.
		const pattern = mostWorthPattern(demands, worths, stockLengthMm)
		if (sumOver(size, (d) => (worths[d] ?? 0) * (pattern[d] ?? 0)) <= 1 + GAIN)
			return {
				bound: Math.ceil(sumOver(size, (d) => shares[d] ?? 0) - SLACK),
				patterns: basis.map((counts, d) => ({ counts, share: shares[d] ?? 0 })),
			}
		const column = inverse.map((row) => sumOver(size, (d) => (row[d] ?? 0) * (pattern[d] ?? 0)))
		const leaving = leavingRow(shares, column)
		if (leaving < 0) return undefined
		basis[leaving] = pattern
		pivotInto(inverse, shares, { column, leaving })
	}
	return undefined
}

/** Over the positions of an array. */
function sumOver(size: number, valueAt: (index: number) => number): number {
	let sum = 0
	for (let index = 0; index < size; index++) sum += valueAt(index)
	return sum
}

/** Bounded knapsack over whole mm: at most as many of a length as are wanted at all. */
function mostWorthPattern(demands: readonly Demand[], worths: readonly number[], stockLengthMm: number): number[] {
	let best = new Float64Array(stockLengthMm + 1)
	const taken = demands.map(({ lengthMm, count }, d) => {
		const next = best.slice()
		const counts = new Uint16Array(stockLengthMm + 1)
		for (let room = lengthMm; room <= stockLengthMm; room++) {
			const most = Math.min(count, Math.floor(room / lengthMm))
			for (let n = 1; n <= most; n++) {
				const worth = (best[room - n * lengthMm] ?? 0) + n * (worths[d] ?? 0)
				if (worth > (next[room] ?? 0) + GAIN) {
					next[room] = worth
					counts[room] = n
				}
			}
		}
		best = next
		return counts
	})
	const pattern = demands.map(() => 0)
	let room = stockLengthMm
	for (let d = demands.length - 1; d >= 0; d--) {
		pattern[d] = taken[d]?.[room] ?? 0
		room -= (pattern[d] ?? 0) * (demands[d]?.lengthMm ?? 0)
	}
	return pattern
}

/** The pattern that is used up first; -1 for none. */
function leavingRow(shares: readonly number[], column: readonly number[]): number {
	let [leaving, least] = [-1, Infinity]
	column.forEach((value, row) => {
		const ratio = (shares[row] ?? 0) / value
		if (value > GAIN && ratio < least) [leaving, least] = [row, ratio]
	})
	return leaving
}

/** Gauss-Jordan step: the entering column becomes the unit column of the leaving row. */
function pivotInto(
	inverse: number[][],
	shares: number[],
	{ column, leaving }: { column: readonly number[]; leaving: number },
): void {
	const pivot = column[leaving] ?? 1
	const row = (inverse[leaving] ?? []).map((value) => value / pivot)
	const share = (shares[leaving] ?? 0) / pivot
	inverse.forEach((other, r) => {
		const factor = r === leaving ? 0 : (column[r] ?? 0)
		inverse[r] = r === leaving ? row : other.map((value, d) => value - factor * (row[d] ?? 0))
		shares[r] = r === leaving ? share : (shares[r] ?? 0) - factor * share
	})
}

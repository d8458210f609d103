/**
 * Lower bounds on the number of stock wires for a demand of pieces.
 * Source: S. Martello, P. Toth, Lower bounds and reduction procedures for the bin packing problem, 1990 (L2);
 * S. Fekete, J. Schepers, New classes of fast lower bounds for bin packing problems, 2001 (dual feasible functions);
 * both from memory.
 */

/** So many pieces of one length. */
export interface Demand {
	/** Whole mm, > 0. */
	lengthMm: number
	/** Whole, >= 0. */
	count: number
}

/** Rounded ratios u^(k) are tried up to this k: beyond it they rarely improve the bound. */
const MAX_K = 60

/**
 * The best of the three bounds; no cutting plan can use fewer wires.
 *
 * @param stockLengthMm - the longest stock length; every piece fits it
 * @complexity O(lengths² + lengths · MAX_K)
 */
export function leastWireCount(demands: readonly Demand[], stockLengthMm: number): number {
	const bounds = [boundByLength(demands, stockLengthMm)]
	for (const { lengthMm } of demands) {
		if (2 * lengthMm <= stockLengthMm) bounds.push(boundByThreshold(demands, stockLengthMm, lengthMm))
	}
	for (let k = 1; k <= MAX_K; k++) bounds.push(boundByRounding(demands, stockLengthMm, k))
	return Math.max(...bounds)
}

/** L1: the total length over the stock length. */
export function boundByLength(demands: readonly Demand[], stockLengthMm: number): number {
	return Math.ceil(demands.reduce((total, { lengthMm, count }) => total + lengthMm * count, 0) / stockLengthMm)
}

/** L2: pieces longer than the stock less the threshold fill a wire of their own; pieces below it are left out. */
function boundByThreshold(demands: readonly Demand[], stockLengthMm: number, thresholdMm: number): number {
	const counted = demands.map(({ lengthMm, count }) => {
		if (lengthMm > stockLengthMm - thresholdMm) return stockLengthMm * count
		return lengthMm >= thresholdMm ? lengthMm * count : 0
	})
	return Math.ceil(counted.reduce((total, length) => total + length, 0) / stockLengthMm)
}

/** u^(k), scaled by k so that all arithmetic is in integers. */
function boundByRounding(demands: readonly Demand[], stockLengthMm: number, k: number): number {
	const scaled = demands.map(({ lengthMm, count }) => {
		const parts = (k + 1) * lengthMm
		return count * (parts % stockLengthMm === 0 ? lengthMm * k : Math.floor(parts / stockLengthMm) * stockLengthMm)
	})
	return Math.ceil(scaled.reduce((total, length) => total + length, 0) / (k * stockLengthMm))
}

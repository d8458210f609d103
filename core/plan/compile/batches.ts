/**
 * Grouping of pieces into batches, so that a task is a few units of whole minutes: exact in sum to within a minute.
 * Tasks whose pieces follow one another piece by piece are grouped alike.
 */

/** Units of a task are at most so many: more would slow the planning and help nobody. */
export const MAX_BATCHES = 12

export interface Batches {
	/** That the work is planned in: between two of them a class may pause. */
	units: number
	/** Whole, >= 1. */
	unitMinutes: number
}

/**
 * The finest common grouping of tasks of the same pieces.
 *
 * @param totalMinutes - of each task, > 0
 * @param pieceCount - whole, >= 1
 * @returns one grouping a task, all with equally many units; |units · unitMinutes − round(total)| <= 1 minute, or one
 * unit of a minute for a task below that
 * @complexity O(MAX_BATCHES · tasks)
 */
export function groupIntoBatches(totalMinutes: readonly number[], pieceCount: number): Batches[] {
	const whole = totalMinutes.map((minutes) => Math.max(1, Math.round(minutes)))
	for (let units = Math.min(MAX_BATCHES, pieceCount); units > 1; units--) {
		const grouped = whole.map((minutes) => ({ units, unitMinutes: Math.max(1, Math.round(minutes / units)) }))
		const isClose = grouped.every(({ unitMinutes }, t) => Math.abs(units * unitMinutes - (whole[t] ?? 0)) <= 1)
		if (isClose) return grouped
	}
	return whole.map((minutes) => ({ units: 1, unitMinutes: minutes }))
}

/** Pieces in each batch: sizes differ by one at most, the larger first. */
export function batchSizes(pieceCount: number, units: number): number[] {
	const least = Math.floor(pieceCount / units)
	const larger = pieceCount - least * units
	return Array.from({ length: units }, (_, b) => least + (b < larger ? 1 : 0))
}

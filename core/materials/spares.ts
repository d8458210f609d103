/**
 * Spares by the binomial tail: each piece survives by itself with the same probability.
 * Not for: accidents that take a whole tray.
 */

/**
 * The least number of pieces to make so that at least `neededCount` survive with the given confidence.
 *
 * @param neededCount - whole, >= 0
 * @param breakage - probability that one piece is lost, in [0, 1)
 * @param confidence - in (0, 1)
 * @throws {RangeError} a value out of its range
 * @complexity O(result)
 */
export function piecesToMake(neededCount: number, breakage: number, confidence: number): number {
	if (!Number.isInteger(neededCount) || !(neededCount >= 0))
		throw new RangeError(`neededCount must be whole and >= 0, got ${neededCount}`)
	if (!(breakage >= 0 && breakage < 1)) throw new RangeError(`breakage must be in [0, 1), got ${breakage}`)
	if (!(confidence > 0 && confidence < 1)) throw new RangeError(`confidence must be in (0, 1), got ${confidence}`)
	if (neededCount === 0) return 0
	// Negative binomial: the term is the chance that the piece made last is the neededCount-th to survive. In
	// logarithms, since survival ** neededCount underflows for thousands of fragile pieces.
	let made = neededCount
	let logTerm = neededCount * Math.log1p(-breakage)
	let reached = Math.exp(logTerm)
	while (reached < confidence && made < MAX_PIECES) {
		logTerm += Math.log(breakage) + Math.log(made / (made - neededCount + 1))
		made++
		reached += Math.exp(logTerm)
	}
	return made
}

/** A stop for confidences within rounding of 1, which the summed tail may never reach. */
const MAX_PIECES = 1_000_000

/**
 * What is believed of how often pieces of a kind break: a rate a piece, Gamma-distributed, its first guess worth twenty
 * pieces; broken ones of a class are Poisson at that rate, times what its level makes of it.
 */
import { groupBreakage } from '../course/pace'
import type { Pace } from '../course/course'

/** In how many pieces the design's own word is worth. */
const PRIOR_PIECES = 20

export interface BreakageObservation {
	level: Pace
	/** >= 0: all that were made, the broken ones among them; a part of them, where only some steps were done to each. */
	made: number
	/** Whole, in [0, made]. */
	broken: number
}

/** Gamma(shape, rate): of the pieces of a practised adult. */
export interface BreakageBelief {
	shape: number
	rate: number
}

/**
 * @param stated - the design's probability, in (0, 1)
 * @throws {RangeError} more broke than were made
 */
export function learnBreakage(stated: number, observations: readonly BreakageObservation[]): BreakageBelief {
	const belief = { shape: PRIOR_PIECES * stated, rate: PRIOR_PIECES }
	for (const { level, made, broken } of observations) {
		if (!(broken >= 0 && broken <= made)) throw new RangeError(`${broken} of ${made} pieces cannot be broken`)
		belief.shape += broken
		belief.rate += made * levelRisk(stated, level)
	}
	return belief
}

/** That a piece breaks, in (0, 1), of a practised adult. */
export function meanBreakage({ shape, rate }: BreakageBelief): number {
	return shape / rate
}

/**
 * That at most so many of some pieces break: the Poisson's mixture over the belief, a negative binomial.
 *
 * @param pieces - >= 0
 * @param most - whole, >= 0
 */
export function chanceOfAtMost(belief: BreakageBelief, { pieces, level, stated }: Pieces, most: number): number {
	const exposure = pieces * levelRisk(stated, level)
	const share = exposure / (belief.rate + exposure)
	let term = (belief.rate / (belief.rate + exposure)) ** belief.shape
	let sum = term
	for (let k = 1; k <= most; k++) {
		term *= ((belief.shape + k - 1) / k) * share
		sum += term
	}
	return Math.min(1, sum)
}

export interface Pieces {
	/** That are to be there in the end. */
	pieces: number
	level: Pace
	/** The design's probability that one breaks, in (0, 1). */
	stated: number
}

/**
 * Fewest spares that suffice with that confidence.
 *
 * @param confidence - in (0, 1)
 */
export function sparesFor(belief: BreakageBelief, wanted: Pieces, confidence: number): number {
	let spares = 0
	const most = MOST_SPARES * (wanted.pieces + 1)
	// Spares break too.
	while (spares < most && chanceOfAtMost(belief, { ...wanted, pieces: wanted.pieces + spares }, spares) < confidence)
		spares++
	return spares
}

/** For each piece: where more are lost than are left, no number is enough. */
const MOST_SPARES = 10

/** How much more a level breaks than a practised adult. */
function levelRisk(stated: number, level: Pace): number {
	return groupBreakage(stated, level) / stated
}

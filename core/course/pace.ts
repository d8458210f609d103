/**
 * How much longer a group takes than a practised adult. All factors are common practice, no source, and settings: they
 * are to be learnt from the log of real classes.
 */
import { STUDENT_SD } from '../vocabulary/spreads'
import type { Pace, PlanFor } from './course'

/** Of the student in the middle. A mixed group counts as its slower half, beginners. */
const PACE_FACTORS: Record<Pace, number> = { practised: 1, improvers: 1.2, beginners: 1.4, children: 1.8, mixed: 1.4 }

/** Standard normal quantiles at 50, 80 and 90 %. Source: any table of the normal distribution. */
const QUANTILES: Record<PlanFor, number> = { middle: 0, slower: 0.8416, slowest: 1.2816 }

/** The instructor alone, without questions, against a practised student. */
export const INSTRUCTOR_FACTOR = 0.5

/** Share of pieces that a group breaks against a practised student's. */
const BREAKAGE_FACTORS: Record<Pace, number> = {
	practised: 1,
	improvers: 1.1,
	beginners: 1.4,
	children: 1.8,
	mixed: 1.4,
}

/** Of the student in the middle of a group, against a practised adult. */
export function levelFactor(pace: Pace): number {
	return PACE_FACTORS[pace]
}

/** Times of a practised adult are multiplied by this: a log-normal quantile of the group. */
export function paceFactor(pace: Pace, planFor: PlanFor): number {
	return PACE_FACTORS[pace] * Math.exp(QUANTILES[planFor] * STUDENT_SD)
}

/** Probability that a student of the group loses a piece, in [0, 0.8]. */
export function groupBreakage(breakage: number, pace: Pace): number {
	return Math.min(0.8, breakage * BREAKAGE_FACTORS[pace])
}

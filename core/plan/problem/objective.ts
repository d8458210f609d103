/**
 * The value of a plan: six levels, compared lexicographically, each the smaller the better.
 * A plan that needs its last window extended has the first level only.
 */

/** From the one that counts most to the one that counts least. */
export const OBJECTIVE_LEVELS = ['shortfall', 'valueLost', 'prepMinutes', 'finish', 'waiting', 'splits'] as const

export type ObjectiveLevel = (typeof OBJECTIVE_LEVELS)[number]

/** Levels in minutes, but for `valueLost` (points of teaching value) and `splits` (a count). */
export type Objective = { shortfall: number } & Partial<Record<Exclude<ObjectiveLevel, 'shortfall'>, number>>

/**
 * Sign of a lexicographic comparison; levels that either side lacks are not compared.
 *
 * @returns < 0 if `a` is the better, 0 if they are equally good, > 0 if `b` is
 */
export function compareObjectives(a: Objective, b: Objective): number {
	for (const level of OBJECTIVE_LEVELS) {
		const left = a[level]
		const right = b[level]
		if (left === undefined || right === undefined) return 0
		if (left !== right) return left - right
	}
	return 0
}

/**
 * The value of a plan: levels compared lexicographically, each the smaller the better.
 * A plan that needs its last window extended has the first level only.
 */

/** From the one that counts most to the one that counts least. */
export const OBJECTIVE_LEVELS = [
	'shortfall',
	'valueLost',
	'prepMinutes',
	'lastSession',
	'strain',
	'late',
	'order',
	'soon',
] as const

/** As plans were judged at first: by when the course ends, to the minute. Kept for instances that ask for it. */
export const FIRST_LEVELS = ['shortfall', 'valueLost', 'prepMinutes', 'finish', 'waiting', 'splits'] as const

/** `apart` counts so much more where another session lies between: what was shown or begun has to be called to mind again. */
export const ANOTHER_SESSION_MINUTES = 60

/** Those that people feel; the finer ones decide between plans that hardly anybody would tell apart. */
export const FELT_LEVELS = ['shortfall', 'valueLost', 'prepMinutes', 'lastSession', 'strain'] as const

/** Of a way out: what it costs in teaching, and what it asks of the instructor. */
export const COST_LEVELS = ['shortfall', 'valueLost', 'prepMinutes'] as const

/** What plans may be judged by, in the order in which it counts. */
export type Levels = typeof OBJECTIVE_LEVELS | typeof FIRST_LEVELS | typeof FELT_LEVELS | typeof COST_LEVELS

export type ObjectiveLevel = Levels[number]

/** What a plan is told by besides its levels: parts of the strain. */
export type ObjectiveFigure = ObjectiveLevel | 'crowding' | 'apart'

/**
 * Figures in minutes, but for `valueLost` (points of teaching value), `lastSession` (its position from 1; 0: none, or no
 * matter), `splits` and `order` (counts). `strain` weighs `waiting`, `splits`, `crowding` and `apart`.
 */
export type Objective = { shortfall: number } & Partial<Record<Exclude<ObjectiveFigure, 'shortfall'>, number>>

/** What people are told of a plan, in the order in which it counts: the strain by its parts. */
export const TOLD_FIGURES = [
	'shortfall',
	'valueLost',
	'prepMinutes',
	'finish',
	'waiting',
	'splits',
	'crowding',
	'apart',
] as const satisfies ObjectiveFigure[]

export type ToldFigure = (typeof TOLD_FIGURES)[number]

/**
 * Sign of a lexicographic comparison; levels that either side lacks are not compared.
 *
 * @returns < 0 if `a` is the better, 0 if they are equally good, > 0 if `b` is
 */
export function compareObjectives(a: Objective, b: Objective, levels: Levels = OBJECTIVE_LEVELS): number {
	for (const level of levels) {
		const left = a[level]
		const right = b[level]
		if (left === undefined || right === undefined) return 0
		if (left !== right) return left - right
	}
	return 0
}

/** What is proven of a plan, in words. */
import type { ExactPlan } from '../../../core/plan/exact/plan-exactly'
import type { Objective, ObjectiveLevel } from '../../../core/plan/problem/objective'
import { isNever } from '../../../core/plan/problem/never'
import { count, duration } from '../../shared/words/times'

type Proof = Pick<ExactPlan, 'status' | 'objective' | 'proven' | 'bounds'>

const LEVELS = ['valueLost', 'prepMinutes', 'finish', 'waiting', 'splits'] as const

/** One sentence: proven best, or how far from the best it can at most be. */
export function proofWords({ status, objective, proven, bounds }: Proof): string {
	if (status === 'optimal') {
		return 'Proven best: none teaches more in class; of those, none takes less of your time, ends earlier, waits less or takes fewer steps up again.'
	}
	if (status === 'impossible')
		return 'Proven: no order of the steps keeps every “within”, however long the last session is.'
	if (!objective) return 'No plan was found in time, and none is ruled out.'
	if (objective.shortfall > 0) return lateWords(objective, proven, bounds)
	const level = LEVELS.find((one) => proven[one] === undefined)
	if (!level) return ''
	const before = LEVELS.slice(0, LEVELS.indexOf(level)).map((one) => PROVEN_WORDS[one])
	return [
		before.length > 0 ? `Proven: ${before.join(', ')}.` : '',
		gapWords(level, objective[level] ?? 0, bounds[level]),
	]
		.filter(Boolean)
		.join(' ')
}

const PROVEN_WORDS: Record<(typeof LEVELS)[number], string> = {
	valueLost: 'no plan teaches more in class',
	prepMinutes: 'none takes less of your time',
	finish: 'none ends earlier',
	waiting: 'none has less waiting',
	splits: 'none takes up fewer steps again',
}

function lateWords({ shortfall }: Objective, proven: Partial<Objective>, bounds: Partial<Objective>): string {
	if (proven.shortfall !== undefined && !isNever(shortfall))
		return `Proven: nothing shorter than ${duration(shortfall)} more will do.`
	const least = bounds.shortfall ?? 0
	if (isNever(shortfall)) return 'Something in it never gets dry enough where it lies.'
	return least > 0
		? `At least ${duration(least)} more are proven to be needed.`
		: 'It is not proven that it cannot fit.'
}

/** By how much a level might still come down. */
function gapWords(level: Exclude<ObjectiveLevel, 'shortfall'>, value: number, bound: number | undefined): string {
	const gap = value - (bound ?? 0)
	const hasBound = bound !== undefined
	switch (level) {
		case 'valueLost':
			return 'More taught in class is not ruled out.'
		case 'prepMinutes':
			return `At most ${duration(gap)} of your time could still be saved.`
		case 'finish':
			return hasBound ? `No plan ends more than ${duration(gap)} earlier.` : 'An earlier end is not ruled out.'
		case 'waiting':
			return `At most ${duration(gap)} of waiting could still be saved.`
		case 'splits':
			return `At most ${count(gap, 'step')} fewer could be taken up again.`
	}
}

/** What is proven of a plan, in words. */
import type { ExactPlan } from '../../../core/plan/exact/plan-exactly'
import type { Objective } from '../../../core/plan/problem/objective'
import { duration } from '../../shared/words/times'

type Proof = Pick<ExactPlan, 'status' | 'objective' | 'proven' | 'bounds'>

/** What is told of a plan that fits; the finer levels decide between plans that hardly anybody would tell apart. */
const LEVELS = ['valueLost', 'prepMinutes', 'lastSession', 'strain'] as const
type Level = (typeof LEVELS)[number]

/** Nothing better exists in all that is told. */
export function isProvenBest({ objective, proven }: Pick<Proof, 'objective' | 'proven'>): boolean {
	return objective?.shortfall === 0 && LEVELS.every((level) => proven[level] === objective[level])
}

/** One sentence: proven best, or how far from the best it can at most be. */
export function proofWords(proof: Proof): string {
	const { status, objective, proven, bounds } = proof
	if (isProvenBest(proof)) {
		return 'Proven best: none teaches more in class; of those, none takes less of your time, or strains the class less.'
	}
	if (status === 'impossible')
		return 'Proven: no order of the steps keeps every “within”, however long the last session is.'
	if (!objective) return 'No plan was found in time, and none is ruled out.'
	if (objective.shortfall > 0) return lateWords(objective, proven, bounds)
	const level = LEVELS.find((one) => proven[one] === undefined)
	if (!level) return ''
	// Where evenings that are there are used, the last session is no matter, and nothing is said of it.
	const before = LEVELS.slice(0, LEVELS.indexOf(level))
		.filter((one) => one !== 'lastSession' || objective.lastSession)
		.map((one) => PROVEN_WORDS[one])
	return [
		before.length > 0 ? `Proven: ${before.join(', ')}.` : '',
		gapWords(level, objective[level] ?? 0, bounds[level]),
	]
		.filter(Boolean)
		.join(' ')
}

const PROVEN_WORDS: Record<Level, string> = {
	valueLost: 'no plan teaches more in class',
	prepMinutes: 'none takes less of your time',
	lastSession: 'none needs fewer sessions',
	strain: 'none strains the class less',
}

function lateWords({ shortfall }: Objective, proven: Partial<Objective>, bounds: Partial<Objective>): string {
	if (proven.shortfall !== undefined) return `Proven: nothing shorter than ${duration(shortfall)} more will do.`
	const least = bounds.shortfall ?? 0
	return least > 0
		? `At least ${duration(least)} more are proven to be needed.`
		: 'It is not proven that it cannot fit.'
}

/** By how much a level might still come down. */
function gapWords(level: Level, value: number, bound: number | undefined): string {
	const gap = value - (bound ?? 0)
	switch (level) {
		case 'valueLost':
			return 'More taught in class is not ruled out.'
		case 'prepMinutes':
			return `At most ${duration(gap)} of your time could still be saved.`
		case 'lastSession':
			return 'A session less is not ruled out.'
		case 'strain':
			return `Its strain of ${value} could at most be ${gap} less.`
	}
}

/**
 * The fewest things that make a course fit, found by the solver itself: each answer is a plan, and is then ruled out with
 * all that contain it, until there are no others.
 */
import { planExactly, type ExactTerms } from '../exact/plan-exactly'
import { COST_LEVELS, type Objective } from '../problem/objective'
import { reliefsOf } from '../problem/relief'
import type { Relaxed } from './relax-instance'

export interface ReliefSet {
	/** Positions in the reliefs of the relaxed instance; empty: it fits without any. */
	used: readonly number[]
	objective: Objective
}

export interface ReliefSearch {
	/** None contained in another. */
	sets: ReliefSet[]
	/** There are no others. */
	isComplete: boolean
}

/**
 * @param most - reliefs at once, >= 0
 * @param limit - sets that are enough
 * @param effortOf - for each of the searches
 */
export function findReliefSets(
	{ instance, reliefs }: Relaxed,
	{ most, limit, effortOf }: { most: number; limit: number; effortOf: () => ExactTerms },
): ReliefSearch {
	const allowed = reliefs.map(({ relief }) => relief)
	const found: ReliefSet[] = []
	while (found.length < limit) {
		const refused = found.map(({ used }) => used)
		const { plan, objective, status } = planExactly(instance, {
			...effortOf(),
			levels: COST_LEVELS,
			limits: {},
			reliefs: { reliefs: allowed, most, refused },
		})
		if (!plan || objective.shortfall > 0) return { sets: withoutSupersets(found), isComplete: status === 'impossible' }
		const used = reliefsOf(instance, plan, allowed)
		found.push({ used, objective })
		if (used.length === 0) return { sets: [{ used, objective }], isComplete: true }
	}
	return { sets: withoutSupersets(found), isComplete: false }
}

/** A search that was stopped early may have found more than was needed. */
function withoutSupersets(found: readonly ReliefSet[]): ReliefSet[] {
	return found.filter((own) => {
		return !found.some((other) => other !== own && other.used.every((r) => own.used.includes(r)))
	})
}

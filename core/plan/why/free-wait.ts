/** What would change if a wait were gone: the same course planned anew without it. */
import { planExactly, type ExactTerms } from '../exact/plan-exactly'
import type { Arc, Instance } from '../problem/instance'
import type { Objective } from '../problem/objective'
import type { Plan } from '../problem/plan'

/** The plan that there would be without a wait. */
export interface Freed {
	objective: Objective
	/** Nothing is better without the wait. */
	isProven: boolean
}

/** The best plan without the wait of one arc, its order kept; undefined if none was found in time. */
export function planWithoutWait(
	instance: Instance,
	arc: number,
	plan: Plan,
	terms: ExactTerms = {},
): Freed | undefined {
	const arcs = instance.arcs.map((other, a): Arc => {
		const { swapPrep: _, swap: __, ...bare } = other
		return a === arc ? { ...bare, lag: 0 } : other
	})
	const swaps = plan.swaps.filter((a) => a !== arc)
	const { objective, status } = planExactly({ ...instance, arcs }, { ...terms, start: { ...plan, swaps } })
	return objective && { objective, isProven: status === 'optimal' }
}

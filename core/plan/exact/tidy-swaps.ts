/** A plan states no swap that waives nothing: once a set of dried pieces is paid, further swaps would cost nothing. */
import { checkPlan } from '../checker/check-plan'
import type { Instance } from '../problem/instance'
import type { Plan } from '../problem/plan'

/**
 * @param kept - arcs whose swaps stay
 * @returns the plan without the other swaps whose waits it keeps anyway, the last of them taken first
 */
export function tidySwaps(instance: Instance, plan: Plan, kept: ReadonlySet<number>): Plan {
	return plan.swaps.toReversed().reduce((tidied, swap) => {
		if (kept.has(swap)) return tidied
		const without = { ...tidied, swaps: tidied.swaps.filter((other) => other !== swap) }
		return checkPlan(instance, without).ok ? without : tidied
	}, plan)
}

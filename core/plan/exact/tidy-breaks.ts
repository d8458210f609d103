/** Breaks where they are wanted, as far as nothing is lost by it: of equal plans people take the one with tea at its time. */
import { checkPlan } from '../checker/check-plan'
import type { Instance } from '../problem/instance'
import { compareObjectives, type Levels } from '../problem/objective'
import type { Plan } from '../problem/plan'

/**
 * @param levels - that plans are judged by
 * @returns a plan as good, each break as near as it goes to the middle of its span
 * @complexity O(minutes of all spans · cost of the checker)
 */
export function tidyBreaks(instance: Instance, plan: Plan, levels: Levels): Plan {
	const { breaks = [] } = instance
	const before = checkPlan(instance, plan).objective
	if (!before) return plan
	return breaks.reduce((tidied, { earliest, latest }, b) => {
		const middle = (earliest + latest) / 2
		const own = tidied.breaks?.[b] ?? earliest
		const nearer = Array.from({ length: latest - earliest + 1 }, (_, k) => earliest + k)
			.filter((start) => Math.abs(start - middle) < Math.abs(own - middle))
			.toSorted((one, other) => Math.abs(one - middle) - Math.abs(other - middle))
		for (const start of nearer) {
			const moved = { ...tidied, breaks: (tidied.breaks ?? []).map((old, o) => (o === b ? start : old)) }
			const { objective } = checkPlan(instance, moved)
			if (objective && compareObjectives(objective, before, levels) <= 0) return moved
		}
		return tidied
	}, plan)
}

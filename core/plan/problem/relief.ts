/** What could be allowed to make a course fit: counted, so that the fewest are asked for. */
import type { Instance } from './instance'
import type { Plan } from './plan'

/** One thing that is allowed besides, in an instance that allows it. */
export interface Relief {
	/** Ids of prepared sets that may be brought. */
	sets: readonly string[]
	/** Ids of tasks that may be done ahead. */
	ahead: readonly string[]
}

export interface ReliefTerms {
	reliefs: readonly Relief[]
	/** No more of them at once. */
	most: number
	/** By position: a plan does not use all of any of these lists. */
	refused: readonly (readonly number[])[]
}

/** Positions of the reliefs that a plan makes use of. */
export function reliefsOf({ arcs }: Pick<Instance, 'arcs'>, plan: Plan, reliefs: readonly Relief[]): number[] {
	const brought = new Set(plan.swaps.map((arc) => arcs[arc]?.swap))
	return reliefs.flatMap(({ sets, ahead }, r) => {
		const isUsed = sets.some((id) => brought.has(id)) || ahead.some((id) => plan.placements[id]?.place === 'ahead')
		return isUsed ? [r] : []
	})
}

/** Whether a plan uses no more than it may. */
export function keepsReliefs(
	instance: Pick<Instance, 'arcs'>,
	plan: Plan,
	{ reliefs, most, refused }: ReliefTerms,
): boolean {
	const used = reliefsOf(instance, plan, reliefs)
	return used.length <= most && refused.every((list) => list.some((r) => !used.includes(r)))
}

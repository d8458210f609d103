/** A plan as it is kept and handed on: exchanges by the ids of their arcs, never by a position. */
import { present } from '../present'
import type { Arc, Instance } from './problem/instance'
import type { Plan } from './problem/plan'

export interface NamedPlan extends Omit<Plan, 'swaps'> {
	/** Ids of arcs, as `arcIds` gives them. */
	swaps: string[]
}

/**
 * Ids of an instance's arcs, in their order: the tasks that they join, so that compiling anew renumbers none.
 * Of several between the same tasks the later ones have a number.
 */
export function arcIds(arcs: readonly Arc[]): string[] {
	const counts = new Map<string, number>()
	return arcs.map(({ from, to }) => {
		const id = `${from}>${to}`
		const count = (counts.get(id) ?? 0) + 1
		counts.set(id, count)
		return count === 1 ? id : `${id}#${count}`
	})
}

/** @param plan - of the instance */
export function namePlan({ swaps, ...plan }: Plan, { arcs }: Instance): NamedPlan {
	const ids = arcIds(arcs)
	return { ...plan, swaps: swaps.map((arc) => present(ids[arc], `arc ${arc}`)) }
}

/** @returns undefined: it names an arc that the instance does not have */
export function placeSwaps({ swaps, ...plan }: NamedPlan, { arcs }: Instance): Plan | undefined {
	const positions = new Map(arcIds(arcs).map((id, arc) => [id, arc]))
	const placed = swaps.flatMap((id) => positions.get(id) ?? [])
	return placed.length === swaps.length ? { ...plan, swaps: placed } : undefined
}

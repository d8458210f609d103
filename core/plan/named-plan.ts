/** A plan as it is kept and handed on: exchanges by the ids of their arcs, never by a position. */
import { arcIds } from './stored-plan'
import type { Instance } from './problem/instance'
import type { Plan } from './problem/plan'

export interface NamedPlan extends Omit<Plan, 'swaps'> {
	/** Ids of arcs, as `arcIds` gives them. */
	swaps: string[]
}

export function namePlan({ swaps, ...plan }: Plan, { arcs }: Instance): NamedPlan {
	const ids = arcIds(arcs)
	return { ...plan, swaps: swaps.flatMap((arc) => ids[arc] ?? []) }
}

/** @returns undefined: it names an arc that the instance does not have */
export function placeSwaps({ swaps, ...plan }: NamedPlan, { arcs }: Instance): Plan | undefined {
	const positions = new Map(arcIds(arcs).map((id, arc) => [id, arc]))
	const placed = swaps.flatMap((id) => positions.get(id) ?? [])
	return placed.length === swaps.length ? { ...plan, swaps: placed } : undefined
}

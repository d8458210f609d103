/** Waits of a plan that the air of its places makes impossible, or uncertain. */
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { CompiledCourse, CourseWait, TaskSource } from '../compile/compiled-course'
import type { Plan } from '../problem/plan'

/** A wait that cannot be over in the places of the course, and what air it would take. */
export interface HopelessWait extends WaitOnRoom {
	fromTaskId: string
	/** Relative, in [0, 1]: in damper air it never ends. */
	needsHumidityBelow: number
	/** Dried pieces are brought in exchange. */
	isSwapped: boolean
}

/** A wait that is over in time only if the air does not get damper than it was read. */
export interface WaitOnRoom {
	source: TaskSource
	stage: DryingStage | undefined
	wait: CourseWait
}

/** Waits that never end where the pieces lie, whether or not dried ones are brought for them. */
export function listHopeless(compiled: CompiledCourse, plan: Pick<Plan, 'swaps'>): HopelessWait[] {
	return listComputed(compiled, plan).flatMap((told) => {
		const { needsHumidityBelow } = told.wait
		return needsHumidityBelow === undefined ? [] : [{ ...told, needsHumidityBelow }]
	})
}

/** Not those for which dried pieces are brought. */
export function listOnRoom(compiled: CompiledCourse, plan: Pick<Plan, 'swaps'>): WaitOnRoom[] {
	return listComputed(compiled, plan).filter(({ wait, isSwapped }) => wait.claim === 'if the room holds' && !isSwapped)
}

/** All but those that somebody has set. */
function listComputed({ instance, arcs, tasks }: CompiledCourse, plan: Pick<Plan, 'swaps'>) {
	return instance.arcs.flatMap(({ from }, a) => {
		const { stage, wait } = arcs[a] ?? {}
		const source = tasks[from]
		if (!wait || !source || wait.basis === 'by hand') return []
		return [{ fromTaskId: from, source, stage, wait, isSwapped: plan.swaps.includes(a) }]
	})
}

/** Waits that are never over and have no way round: with one of them a course cannot be made, and nothing need be searched. */
import type { Arc, Instance, Task } from '../problem/instance'

/** Positions of the arcs that hold in no plan: neither dried pieces, nor work ahead, nor leaving a step out is open. */
export function listEndless({ tasks, arcs }: Instance): number[] {
	const byId = new Map(tasks.map((task) => [task.id, task]))
	return arcs.flatMap((arc, a) => (arc.lag === 'never' && !hasWayRound(arc, byId) ? [a] : []))
}

function hasWayRound({ from, to, swap, swapPrep }: Arc, byId: ReadonlyMap<string, Task>): boolean {
	if ((swap ?? swapPrep) !== undefined) return true
	const [first, second] = [byId.get(from), byId.get(to)]
	const mayBeLeftOut = [first, second].some((task) => task?.dropValue !== undefined)
	return mayBeLeftOut || (first?.places?.includes('ahead') ?? false)
}

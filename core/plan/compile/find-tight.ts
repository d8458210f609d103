/** Limits shorter than the work between takes: with one of them a course cannot be made, and nothing need be searched. */
import type { Arc, Instance, Task } from '../problem/instance'

/** A limit that no plan keeps. */
export interface TightLimit {
	/** Of the arc in the instance. */
	arc: number
	/** That it allows. */
	limitMinutes: number
	/** That it takes at least from the first piece of the one to the last of the other. */
	leastMinutes: number
}

/** Of arcs that wait for whole tasks; none where an end may be left out or done elsewhere, or dried pieces are brought. */
export function listTooTight({ tasks, arcs }: Instance): TightLimit[] {
	const byId = new Map(tasks.map((task) => [task.id, task]))
	return arcs.flatMap((arc, a): TightLimit[] => {
		const [from, to] = [byId.get(arc.from), byId.get(arc.to)]
		if (arc.maxLag === undefined || arc.piecewise || !from || !to || hasWayRound(arc, from, to)) return []
		const leastMinutes = leastLimit(arc, from, to)
		return arc.maxLag < leastMinutes ? [{ arc: a, limitMinutes: arc.maxLag, leastMinutes }] : []
	})
}

/**
 * The least limit that can be kept: unit k of the later task uses the units of the earlier one from ⌊k·n/m⌋ on, and none
 * begins before all of those are done.
 *
 * @complexity O(units of the later task)
 */
function leastLimit({ lag, limit }: Arc, from: Task, to: Task): number {
	if (lag === 'never') return Infinity
	const [before, after] = [unitsOf(from), unitsOf(to)]
	if (before.count === 0 || after.count === 0) return 0
	if (limit !== 'each') return lag + (after.count - 1) * after.minutes
	return Math.max(
		...Array.from({ length: after.count }, (_, k) => {
			const used = Math.floor((k * before.count) / after.count)
			return lag + k * after.minutes + (before.count - 1 - used) * before.minutes
		}),
	)
}

function unitsOf(task: Task): { count: number; minutes: number } {
	return 'minutes' in task ? { count: 1, minutes: task.minutes } : { count: task.units, minutes: task.unitMinutes }
}

function hasWayRound({ swap, swapPrep }: Arc, from: Task, to: Task): boolean {
	if ((swap ?? swapPrep) !== undefined) return true
	return [from, to].some(({ dropValue, places = ['class'] }) => {
		return dropValue !== undefined || places.some((place) => place !== 'class')
	})
}

/**
 * What a course needs whatever its plan: hands, and time to dry. Where that is more than there is, no plan fits, and
 * none has to be sought.
 */
import type { Instance, Task } from '../problem/instance'
import { minutesOfTask, unitMinutesOf } from '../problem/plan-times'

export interface LeastNeed {
	/** Minutes of class work that nothing can take away. */
	workMinutes: number
	/** Hands-on minutes of all sessions, without breaks. */
	availableMinutes: number
	/** By so many minutes the last step would come too late, if hands were free at any time; Infinity: it never comes. */
	lateMinutes: number
}

/**
 * Only tasks that must be in class count, and only waits between them that no dried pieces waive.
 *
 * @complexity O(tasks · windows + arcs)
 */
export function leastNeed({ windows, breaks = [], tasks, arcs }: Instance): LeastNeed {
	const fixed = new Map(tasks.filter(isFixed).map((task) => [task.id, task]))
	const waits = arcs.filter(
		({ from, to, swap, swapPrep }) => fixed.has(from) && fixed.has(to) && swap === undefined && swapPrep === undefined,
	)
	const firstOpen = windows[0]?.open ?? 0
	const lastClose = windows.at(-1)?.close ?? 0
	const starts = new Map([...fixed.keys()].map((id) => [id, firstOpen]))
	const endOf = (task: Task) => goForward(windows, starts.get(task.id) ?? firstOpen, minutesOfTask(task))
	// As often as there are tasks is enough; a chain is mostly settled in a few rounds.
	for (let round = 0, isChanged = true; isChanged && round <= fixed.size; round++) {
		isChanged = false
		for (const { from, to, lag, piecewise } of waits) {
			const task = fixed.get(from)
			if (!task) continue
			const made = piecewise ? goForward(windows, starts.get(from) ?? firstOpen, unitMinutesOf(task)) : endOf(task)
			const start = goForward(windows, made + (lag === 'never' ? Infinity : lag), 0)
			if (start > (starts.get(to) ?? firstOpen)) {
				starts.set(to, start)
				isChanged = true
			}
		}
	}
	const last = Math.max(firstOpen, ...[...fixed.values()].map(endOf))
	return {
		workMinutes: [...fixed.values()].reduce((sum, task) => sum + minutesOfTask(task), 0),
		availableMinutes:
			windows.reduce((sum, { open, close }) => sum + close - open, 0) -
			breaks.reduce((sum, { minutes }) => sum + minutes, 0),
		lateMinutes: Math.max(0, last - lastClose),
	}
}

/** It can be done nowhere but in class, and is not left out. */
function isFixed({ places = ['class'], dropValue }: Task): boolean {
	return dropValue === undefined && places.every((place) => place === 'class')
}

/** When so many minutes of open windows have passed since a moment; after the last window time goes on as if it were open. */
function goForward(windows: Instance['windows'], from: number, minutes: number): number {
	let left = minutes
	let now = from
	for (const { open, close } of windows) {
		if (close <= now) continue
		now = Math.max(now, open)
		if (now + left <= close) return now + left
		left -= close - now
		now = close
	}
	return now + left
}

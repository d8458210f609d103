/** How good a laid schedule is: the levels of the objective that depend on times. */
import { sessionAt } from '../problem/session-at'
import type { NormalInstance } from '../problem/normal-form'
import type { Network, Place } from './decisions'
import { endOf, type LaidRuns } from './generate-schedule'

export interface ScheduleScore {
	/** Minutes by which the last class task ends after the close of the last window. */
	shortfall: number
	/** Class minutes that lie after that close: falls even where the shortfall itself does not yet. */
	lateMinutes: number
	/** Minute at which the last work in class ends. */
	finish: number
	/** Minutes of idle hands between the first work and the last. */
	waiting: number
	/** Runs beyond the first of each task. */
	splits: number
	/** Minutes between introductions and the first task that needs each: not in the objective, but what people want. */
	apart: number
}

/** Scores the class runs of a schedule whose last window is open-ended. */
export function scoreSchedule(
	instance: NormalInstance,
	network: Network,
	places: readonly Place[],
	laid: LaidRuns,
): ScheduleScore {
	const { windows, tasks } = instance
	const lastClose = windows.at(-1)?.close ?? 0
	const sessions = new Map<number, { end: number; minutes: number }>()
	let finish = windows[0]?.open ?? 0
	let lateMinutes = 0
	let splits = 0
	laid.forEach((runs, i) => {
		if (places[i] !== 'class' || runs.length === 0) return
		splits += runs.length - 1
		for (const { start, units } of runs) {
			const minutes = units * (tasks[i]?.unitMinutes ?? 0)
			const end = start + minutes
			finish = Math.max(finish, end)
			lateMinutes += Math.max(0, end - Math.max(start, lastClose))
			// A run in class begins within a window.
			const session = sessionAt(windows, start)!
			const used = sessions.get(session) ?? { end: -Infinity, minutes: 0 }
			sessions.set(session, { end: Math.max(used.end, end), minutes: used.minutes + minutes })
		}
	})
	let waiting = 0
	for (const { open, close, session } of windows) {
		const used = sessions.get(session)
		if (used) waiting += Math.max(0, Math.min(close, used.end) - open)
	}
	for (const { minutes } of sessions.values()) waiting -= minutes
	return {
		shortfall: Math.max(0, finish - lastClose),
		lateMinutes,
		finish,
		waiting,
		splits,
		apart: measureApart(instance, network, laid),
	}
}

/** Minutes between each demonstration and the first step that it is for. */
function measureApart({ tasks }: NormalInstance, network: Network, laid: LaidRuns): number {
	return network.introductions.reduce((total, i) => {
		const needed = (network.outOf[i] ?? []).map(({ to }) => laid[to]?.[0]?.start ?? Infinity)
		return total + Math.min(...needed) - endOf(laid[i] ?? [], tasks[i]?.unitMinutes ?? 0)
	}, 0)
}

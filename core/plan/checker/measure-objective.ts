/** The objective vector of a plan that keeps every rule. */
import type { Instance, Window } from '../problem/instance'
import type { Objective } from '../problem/objective'
import type { Plan } from '../problem/plan'
import type { Schedule, ScheduledRun } from './read-schedule'

/** @returns `shortfall` alone if the plan extends the last window, else all six levels */
export function measureObjective(instance: Instance, plan: Plan, { tasks }: Schedule): Objective {
	if (plan.extension > 0) return { shortfall: plan.extension }
	const done = [...tasks.values()].filter(({ place }) => place !== 'vanished')
	const inClass = done.filter(({ place }) => place === 'class')
	const classRuns = inClass.flatMap(({ runs }) => runs)
	const lost = done.map(({ task, place }) => {
		const taught = place === 'class' ? 0 : (task.teachValue ?? 0)
		return taught + (place === 'dropped' ? (task.dropValue ?? 0) : 0)
	})
	const ahead = done.map(({ task, place }) => (place === 'ahead' ? (task.prepMinutes ?? 0) : 0))
	const swapped = plan.swaps.map((index) => instance.arcs[index]?.swapPrep ?? 0)
	return {
		shortfall: 0,
		valueLost: sum(lost),
		prepMinutes: sum(ahead) + sum(swapped),
		finish: classRuns.reduce((latest, { end }) => Math.max(latest, end), instance.windows[0]?.open ?? 0),
		waiting: measureWaiting(instance.windows, classRuns),
		splits: sum(inClass.map(({ runs }) => runs.length - 1)),
	}
}

/**
 * Hands-on minutes without work, each session counted from its first opening to the end of its last class task:
 * the idle tail of a session is free, standing about between two tasks is not.
 */
function measureWaiting(windows: readonly Window[], runs: readonly ScheduledRun[]): number {
	const sessions = [...new Set(windows.map(({ session }) => session))]
	return sum(
		sessions.map((session) => {
			const ofSession = windows.filter((window) => window.session === session)
			const inside = runs.filter((run) => ofSession.some(({ open, close }) => open <= run.start && run.end <= close))
			const lastEnd = inside.reduce((latest, { end }) => Math.max(latest, end), -Infinity)
			const handsOn = ofSession.map(({ open, close }) => Math.max(0, Math.min(close, lastEnd) - open))
			return sum(handsOn) - sum(inside.map(({ start, end }) => end - start))
		}),
	)
}

/** Of an empty list 0. */
function sum(values: readonly number[]): number {
	return values.reduce((total, value) => total + value, 0)
}

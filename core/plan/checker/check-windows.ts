/** Every run lies inside one window of its place, and no stretch at home holds more homework than it may. */
import type { HomeWindow, Instance, Window } from '../problem/instance'
import type { Schedule, ScheduledRun } from './read-schedule'

/** The windows of the instance, the last one open for longer. */
export function openWindows({ windows }: Instance, extension: number): Window[] {
	return windows.map((window, w) => {
		return w === windows.length - 1 ? { ...window, close: window.close + extension } : window
	})
}

/** @param windows - the hands-on windows as extended by the plan */
export function checkWindows(instance: Instance, windows: readonly Window[], { tasks }: Schedule): string[] {
	const homeWindows = instance.homeWindows ?? gapsBetweenSessions(instance.windows)
	const homework = homeWindows.map(() => 0)
	const errors: string[] = []
	for (const { task, place, runs } of tasks.values()) {
		for (const run of runs) {
			const stretches = place === 'home' ? homeWindows : windows
			const index = stretches.findIndex((stretch) => holds(stretch, run))
			if (index < 0)
				errors.push(
					`${task.id}: the run ${run.start} to ${run.end} lies in no ${place === 'home' ? 'home ' : ''}window`,
				)
			else if (place === 'home') homework[index] = (homework[index] ?? 0) + run.end - run.start
		}
	}
	homeWindows.forEach(({ maxMinutes = Infinity }, h) => {
		const minutes = homework[h] ?? 0
		if (minutes > maxMinutes)
			errors.push(`home window ${h + 1}: at most ${maxMinutes} minutes of homework, got ${minutes}`)
	})
	return errors
}

/** Whether a run lies within a stretch. */
function holds({ open, close }: { open: number; close: number }, run: ScheduledRun): boolean {
	return open <= run.start && run.end <= close
}

/** Where an instance names no time at home it is all the time between two sessions. */
function gapsBetweenSessions(windows: readonly Window[]): HomeWindow[] {
	return windows.flatMap((window, w) => {
		const next = windows[w + 1]
		return next && next.session !== window.session ? [{ open: window.close, close: next.open }] : []
	})
}

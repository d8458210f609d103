/** Every break lies where it may, and nobody works in class meanwhile. */
import type { Instance, Window } from '../problem/instance'
import type { Plan } from '../problem/plan'
import type { Schedule } from './read-schedule'

/** @param windows - the hands-on windows as extended by the plan */
export function checkBreaks(
	{ breaks = [] }: Instance,
	windows: readonly Window[],
	plan: Plan,
	{ tasks }: Schedule,
): string[] {
	const starts = plan.breaks ?? []
	if (starts.length !== breaks.length) return [`the plan has ${starts.length} breaks, the instance ${breaks.length}`]
	const laid = breaks.map((terms, b) => {
		const start = starts[b] ?? NaN
		return { ...terms, start, end: start + terms.minutes, name: `break ${b + 1}` }
	})
	const errors = laid.flatMap(({ name, session, earliest, latest, start, end }) => {
		if (!Number.isInteger(start)) return [`${name}: must begin at a whole minute, got ${start}`]
		if (start < earliest || start > latest)
			return [`${name}: must begin between ${earliest} and ${latest}, begins at ${start}`]
		const isInside = windows.some((window) => window.session === session && window.open <= start && end <= window.close)
		return isInside ? [] : [`${name}: ${start} to ${end} lies in no window of session ${session}`]
	})
	laid.forEach((one, b) => {
		for (const other of laid.slice(b + 1)) {
			if (one.start < other.end && other.start < one.end) errors.push(`${one.name} and ${other.name} overlap`)
		}
	})
	for (const { task, place, runs } of tasks.values()) {
		if (place !== 'class') continue
		for (const { name, start, end } of laid) {
			if (runs.some((run) => run.start < end && start < run.end)) errors.push(`${task.id}: is at work during ${name}`)
		}
	}
	return errors
}

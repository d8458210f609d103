/** The rules of one arc between two tasks that are really done: closure of what is ahead, and minimum and maximum lags. */
import type { EffectiveArc } from './effective-arcs'
import type { Schedule, ScheduledTask } from './read-schedule'

/**
 * What is done ahead needs its predecessors ahead; and what must follow a task within a maximum lag must be ahead
 * with it, since the lag is over before the first session.
 */
export function checkClosure({ from, to, maxLag }: EffectiveArc, { tasks }: Schedule): string[] {
	const isAhead = (id: string) => tasks.get(id)?.place === 'ahead'
	if (isAhead(to) && !isAhead(from)) return [`${to} is ahead, but ${from} before it is not`]
	if (isAhead(from) && !isAhead(to) && maxLag < Infinity) {
		return [`${from} is ahead, so ${to}, which follows within ${maxLag} minutes, must be too`]
	}
	return []
}

/** The lags, for the whole tasks or unit by unit; a maximum lag binds the start of the last unit. */
export function checkArc(arc: EffectiveArc, { tasks }: Schedule): string[] {
	const from = tasks.get(arc.from)
	const to = tasks.get(arc.to)
	// A task that is ahead has no times: its lag is over. One that could not be read is an error already.
	if (!from || !to || from.unitStarts.length === 0 || to.unitStarts.length === 0) return []
	const isPiecewise = arc.piecewise && from.unitStarts.length === to.unitStarts.length
	return isPiecewise ? checkPiecewise(arc, from, to) : checkWhole(arc, from, to)
}

/** All of the one before any of the other, and all of the other before the limit. */
function checkWhole(arc: EffectiveArc, from: ScheduledTask, to: ScheduledTask): string[] {
	const end = (from.unitStarts.at(-1) ?? 0) + from.unitMinutes
	const first = to.unitStarts[0] ?? 0
	const last = to.unitStarts.at(-1) ?? 0
	const name = `${arc.from} to ${arc.to}`
	const errors: string[] = []
	if (first < end + arc.lag) errors.push(`${name}: must wait until ${end + arc.lag}, starts at ${first}`)
	if (last > end + arc.maxLag)
		errors.push(`${name}: the last unit must start by ${end + arc.maxLag}, starts at ${last}`)
	return errors
}

/** Each unit after its own: a piece may go on as soon as it is dry, whatever the others do. */
function checkPiecewise(arc: EffectiveArc, from: ScheduledTask, to: ScheduledTask): string[] {
	return from.unitStarts.flatMap((fromStart, k) => {
		const end = fromStart + from.unitMinutes
		const start = to.unitStarts[k] ?? 0
		const name = `${arc.from} to ${arc.to}, unit ${k + 1}`
		if (start < end + arc.lag) return [`${name}: must wait until ${end + arc.lag}, starts at ${start}`]
		if (start > end + arc.maxLag) return [`${name}: must start by ${end + arc.maxLag}, starts at ${start}`]
		return []
	})
}

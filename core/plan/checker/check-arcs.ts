/** The rules of one arc between two tasks that are really done: closure of what is ahead, and minimum and maximum lags. */
import type { EffectiveArc } from './effective-arcs'
import type { Schedule, ScheduledTask } from './read-schedule'

/**
 * What is done ahead needs its predecessors ahead, but for a demonstration, which nobody gives to herself; and what must
 * follow a task within a maximum lag must be ahead with it, since the lag is over before the first session.
 */
export function checkClosure({ from, to, maxLag }: EffectiveArc, { tasks }: Schedule): string[] {
	const isAhead = (id: string) => tasks.get(id)?.place === 'ahead'
	if (isAhead(to) && !isAhead(from) && !tasks.get(from)?.task.demo)
		return [`${to} is ahead, but ${from} before it is not`]
	if (isAhead(from) && !isAhead(to) && maxLag < Infinity) {
		return [`${from} is ahead, so ${to}, which follows within ${maxLag} minutes, must be too`]
	}
	return []
}

/** The lags, for the whole tasks or unit by unit. */
export function checkArc(arc: EffectiveArc, { tasks }: Schedule): string[] {
	const from = tasks.get(arc.from)
	const to = tasks.get(arc.to)
	// A task that is ahead has no times: its lag is over. One that could not be read is an error already.
	if (!from || !to || from.unitStarts.length === 0 || to.unitStarts.length === 0) return []
	if (arc.lag === 'never') return [`${arc.from} to ${arc.to}: the wait is never over`]
	return [...(arc.piecewise ? checkPieceWaits : checkWholeWait)(arc, arc.lag, from, to), ...checkLimits(arc, from, to)]
}

/** All of the one before any of the other. */
function checkWholeWait(arc: EffectiveArc, lag: number, from: ScheduledTask, to: ScheduledTask): string[] {
	const least = endOfUnit(from, from.unitStarts.length - 1) + lag
	const first = to.unitStarts[0] ?? 0
	return first < least ? [`${arc.from} to ${arc.to}: must wait until ${least}, starts at ${first}`] : []
}

/** Each unit after those it is made from: a piece may go on as soon as it is dry, whatever the others do. */
function checkPieceWaits(arc: EffectiveArc, lag: number, from: ScheduledTask, to: ScheduledTask): string[] {
	const share = from.unitStarts.length / to.unitStarts.length
	return to.unitStarts.flatMap((start, k) => {
		const least = endOfUnit(from, Math.ceil((k + 1) * share) - 1) + lag
		return start < least
			? [`${arc.from} to ${arc.to}, unit ${k + 1}: must wait until ${least}, starts at ${start}`]
			: []
	})
}

/** No unit is begun too late: after the last of the one, or after the first of those that it is made from. */
function checkLimits(arc: EffectiveArc, from: ScheduledTask, to: ScheduledTask): string[] {
	if (arc.maxLag === Infinity) return []
	const share = from.unitStarts.length / to.unitStarts.length
	const isByUnit = arc.piecewise || arc.isLimitEach
	return to.unitStarts.flatMap((start, k) => {
		const most = endOfUnit(from, isByUnit ? Math.floor(k * share) : from.unitStarts.length - 1) + arc.maxLag
		return start > most ? [`${arc.from} to ${arc.to}, unit ${k + 1}: must start by ${most}, starts at ${start}`] : []
	})
}

/** Clock minute. */
function endOfUnit({ unitStarts, unitMinutes }: ScheduledTask, k: number): number {
	return (unitStarts[k] ?? 0) + unitMinutes
}

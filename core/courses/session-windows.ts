/**
 * Sessions on the wall clock turned into the hands-on windows of a planning instance, and back.
 * Dates are naive local ones: a change to or from summer time between two sessions makes a wait an hour shorter or
 * longer than shown.
 */
import { InputError, type FieldProblem } from '../errors'
import type { Window } from '../planning/instance'
import type { Session } from './course'

const MINUTES_PER_DAY = 1440
const MS_PER_DAY = 86_400_000

/** A moment on the wall clock. */
export interface WallTime {
	/** YYYY-MM-DD. */
	date: string
	/** Minutes after midnight. */
	minuteOfDay: number
}

export interface SessionWindows {
	/** Clock minute 0 of the windows: the opening of the first. */
	origin: WallTime
	windows: Window[]
}

/**
 * The hands-on windows: session hours less setting up, clearing away and breaks.
 *
 * @returns windows numbered by session from 1, clock minutes from the first opening
 * @throws {InputError} by field: sessions out of order, or nothing left of one
 */
export function toWindows(sessions: readonly Session[]): SessionWindows {
	const problems = [...sessions.flatMap(sessionProblems), ...orderProblems(sessions)]
	if (sessions.length === 0) problems.push({ path: 'sessions', message: 'Add at least one session' })
	if (problems.length > 0) throw new InputError(problems)
	const opened = sessions.flatMap((session, s) => {
		const midnight = dayNumber(session.date) * MINUTES_PER_DAY
		return handsOnStretches(session).map(({ open, close }) => ({
			open: midnight + open,
			close: midnight + close,
			session: s + 1,
		}))
	})
	const start = opened[0]?.open ?? 0
	return {
		origin: fromDayNumber(start),
		windows: opened.map(({ open, close, session }) => ({ open: open - start, close: close - start, session })),
	}
}

/** Whole sessions, set-up to clearing away, in clock minutes from the first opening of the hands-on windows. */
export function toSessionSpans(sessions: readonly Session[]): { start: number; end: number }[] {
	const first = sessions[0]
	if (!first) return []
	const opening = dayNumber(first.date) * MINUTES_PER_DAY + (handsOnStretches(first)[0]?.open ?? first.startMin)
	return sessions.map(({ date, startMin, endMin }) => {
		const midnight = dayNumber(date) * MINUTES_PER_DAY - opening
		return { start: midnight + startMin, end: midnight + endMin }
	})
}

/** The wall-clock moment of a clock minute. */
export function toWallTime(origin: WallTime, clockMinute: number): WallTime {
	return fromDayNumber(dayNumber(origin.date) * MINUTES_PER_DAY + origin.minuteOfDay + clockMinute)
}

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string): number {
	return dayNumber(to) - dayNumber(from)
}

/** The date so many days later. */
export function addDays(date: string, days: number): string {
	return fromDayNumber((dayNumber(date) + days) * MINUTES_PER_DAY).date
}

/**
 * The first date with that day of the week, the given one included.
 *
 * @param weekday - 0 (Sunday) to 6
 */
export function weekdayFrom(date: string, weekday: number): string {
	const day = new Date(dayNumber(date) * MS_PER_DAY).getUTCDay()
	return addDays(date, (weekday - day + 7) % 7)
}

/** Minutes of the session in which the students' hands are free. */
export function handsOnMinutes(session: Session): number {
	return handsOnStretches(session).reduce((total, { open, close }) => total + close - open, 0)
}

function handsOnStretches({
	startMin,
	endMin,
	setUpMinutes,
	clearAwayMinutes,
	breaks,
}: Session): { open: number; close: number }[] {
	const stretches: { open: number; close: number }[] = []
	let open = startMin + setUpMinutes
	const real = breaks.filter(({ minutes }) => minutes > 0).toSorted((a, b) => a.startMin - b.startMin)
	for (const { startMin: breakStart, minutes } of real) {
		if (breakStart > open) stretches.push({ open, close: breakStart })
		open = Math.max(open, breakStart + minutes)
	}
	const close = endMin - clearAwayMinutes
	return close > open ? [...stretches, { open, close }] : stretches
}

function sessionProblems(session: Session, s: number): FieldProblem[] {
	const path = `sessions[${s}]`
	const problems: FieldProblem[] = []
	if (!(session.endMin > session.startMin))
		problems.push({ path: `${path}.endMin`, message: 'The end must be after the start' })
	else if (handsOnMinutes(session) === 0)
		problems.push({ path: `${path}.endMin`, message: 'Nothing is left for the work itself' })
	const [first, last] = [session.startMin + session.setUpMinutes, session.endMin - session.clearAwayMinutes]
	session.breaks.forEach(({ startMin, minutes }, b) => {
		if (minutes > 0 && (startMin < first || startMin + minutes > last)) {
			problems.push({
				path: `${path}.breaks[${b}].startMin`,
				message: 'The break must lie between setting up and clearing away',
			})
		}
	})
	return problems
}

function orderProblems(sessions: readonly Session[]): FieldProblem[] {
	return sessions.flatMap((session, s) => {
		const next = sessions[s + 1]
		if (!next) return []
		const end = dayNumber(session.date) * MINUTES_PER_DAY + session.endMin
		const start = dayNumber(next.date) * MINUTES_PER_DAY + next.startMin
		return start > end
			? []
			: [{ path: `sessions[${s + 1}].date`, message: 'Must begin after the session before it has ended' }]
	})
}

function dayNumber(date: string): number {
	const [year = NaN, month = NaN, day = NaN] = date.split('-').map(Number)
	return Date.UTC(year, month - 1, day) / MS_PER_DAY
}

function fromDayNumber(minutes: number): WallTime {
	const day = Math.floor(minutes / MINUTES_PER_DAY)
	return { date: new Date(day * MS_PER_DAY).toISOString().slice(0, 10), minuteOfDay: minutes - day * MINUTES_PER_DAY }
}

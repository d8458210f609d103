/** The hours of a session: what is left of it for the students' hands, and what is wrong with it. */
import type { FieldProblem } from '../errors'
import { addDays, isCalendarDate } from '../time/calendar'
import { toMoment } from '../time/wall-clock'
import { USUAL_MOVE_MINUTES, type Break, type Session } from './course'

/** From one minute of the day to another. */
export interface Stretch {
	/** Minutes after midnight. */
	open: number
	/** Minutes after midnight, after it opens. */
	close: number
}

/** Minutes of the session in which the students' hands are free. */
export function handsOnMinutes(session: Session): number {
	return handsOnStretches(session).reduce((total, { open, close }) => total + close - open, 0)
}

/** Session hours less setting up and clearing away, in minutes after midnight; breaks lie inside. */
export function handsOnSpan({ startMin, endMin, setUpMinutes, clearAwayMinutes }: Session): Stretch {
	return { open: startMin + setUpMinutes, close: endMin - clearAwayMinutes }
}

/** Minutes after midnight between which a break begins, if it may be moved. */
export function breakSpan(session: Session, { startMin, minutes, mayMoveMinutes = USUAL_MOVE_MINUTES }: Break) {
	const { open, close } = handsOnSpan(session)
	return {
		earliest: Math.max(open, startMin - mayMoveMinutes),
		latest: Math.min(close - minutes, startMin + mayMoveMinutes),
	}
}

/** Session hours less setting up, clearing away and breaks, in minutes after midnight; none: nothing is left. */
function handsOnStretches({ startMin, endMin, setUpMinutes, clearAwayMinutes, breaks }: Session): Stretch[] {
	const stretches: Stretch[] = []
	let open = startMin + setUpMinutes
	const real = breaks.filter(({ minutes }) => minutes > 0).toSorted((a, b) => a.startMin - b.startMin)
	for (const { startMin: breakStart, minutes } of real) {
		if (breakStart > open) stretches.push({ open, close: breakStart })
		open = Math.max(open, breakStart + minutes)
	}
	const close = endMin - clearAwayMinutes
	return close > open ? [...stretches, { open, close }] : stretches
}

/** What is wrong with the hours of the sessions, by field: each by itself, and their order. */
export function sessionProblems(sessions: readonly Session[]): FieldProblem[] {
	return [...sessions.flatMap(hourProblems), ...orderProblems(sessions)]
}

/** One session by itself: its end, what setting up and clearing away leave, and breaks within what is left. */
function hourProblems(session: Session, s: number): FieldProblem[] {
	const path = `sessions[${s}]`
	const problems: FieldProblem[] = []
	if (!(session.endMin > session.startMin))
		problems.push({ path: `${path}.endMin`, message: 'The end must be after the start' })
	else if (handsOnMinutes(session) === 0)
		problems.push({ path: `${path}.endMin`, message: 'Nothing is left for the work itself' })
	const [first, last] = [session.startMin + session.setUpMinutes, session.endMin - session.clearAwayMinutes]
	session.breaks.forEach(({ startMin, minutes }, b) => {
		const isTaken = session.breaks.slice(0, b).some((other) => {
			return startMin < other.startMin + other.minutes && other.startMin < startMin + minutes
		})
		if (isTaken) problems.push({ path: `${path}.breaks[${b}].startMin`, message: 'Another break lies there' })
		if (minutes > 0 && (startMin < first || startMin + minutes > last)) {
			problems.push({
				path: `${path}.breaks[${b}].startMin`,
				message: 'The break must lie between setting up and clearing away',
			})
		}
	})
	return problems
}

/** Sessions one after the other: the next begins when the one before has ended, also across midnight. */
function orderProblems(sessions: readonly Session[]): FieldProblem[] {
	return sessions.flatMap((session, s) => {
		const next = sessions[s + 1]
		if (!next || !isCalendarDate(session.date) || !isCalendarDate(next.date)) return []
		// A session may end at midnight, which is the beginning of the next day.
		const end =
			session.endMin >= 1440
				? toMoment({ date: addDays(session.date, 1), minuteOfDay: 0 })
				: toMoment({ date: session.date, minuteOfDay: session.endMin })
		return toMoment({ date: next.date, minuteOfDay: next.startMin }) >= end
			? []
			: [{ path: `sessions[${s + 1}].date`, message: 'Must begin after the session before it has ended' }]
	})
}

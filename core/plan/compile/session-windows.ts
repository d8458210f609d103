/**
 * Sessions on a studio's wall clock turned into the hands-on windows of a planning instance, and back. Windows count the
 * minutes that really pass, so a wait over a change of clocks is as long as the piece lies there.
 */
import { InputError } from '../../errors'
import type { Window } from '../problem/instance'
import { minutesSince, type ClockOrigin } from '../../time/zone'
import type { Session } from '../../course/course'
import { handsOnStretches, sessionProblems } from '../../course/session-hours'

export interface SessionWindows {
	/** Clock minute 0 of the windows: the opening of the first. */
	origin: ClockOrigin
	/** Hands-on time, in minutes from the origin. */
	windows: Window[]
}

/**
 * The hands-on windows: session hours less setting up, clearing away and breaks.
 *
 * @param zone - the studio's, in the IANA database
 * @returns windows numbered by session from 1, clock minutes from the first opening
 * @throws {InputError} by field: sessions out of order, or nothing left of one
 */
export function toWindows(sessions: readonly Session[], zone: string): SessionWindows {
	const [first] = sessions
	const problems = sessionProblems(sessions)
	if (!first) problems.push({ path: 'sessions', message: 'Add at least one session' })
	if (!first || problems.length > 0) throw new InputError(problems)
	const origin = originOf(first, zone)
	const windows = sessions.flatMap(({ date, ...session }, s) => {
		return handsOnStretches({ date, ...session }).map(({ open, close }) => ({
			open: minutesSince(origin, { date, minuteOfDay: open }),
			close: minutesSince(origin, { date, minuteOfDay: close }),
			session: s + 1,
		}))
	})
	return { origin, windows }
}

/** Whole sessions, set-up to clearing away, in clock minutes from the first opening of the hands-on windows. */
export function toSessionSpans(sessions: readonly Session[], zone: string): { start: number; end: number }[] {
	const [first] = sessions
	if (!first) return []
	const origin = originOf(first, zone)
	return sessions.map(({ date, startMin, endMin }) => ({
		start: minutesSince(origin, { date, minuteOfDay: startMin }),
		end: minutesSince(origin, { date, minuteOfDay: endMin }),
	}))
}

function originOf(first: Session, zone: string): ClockOrigin {
	const [stretch] = handsOnStretches(first)
	return { date: first.date, minuteOfDay: stretch?.open ?? first.startMin, zone }
}

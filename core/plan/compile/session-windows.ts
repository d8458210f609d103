/**
 * Sessions on a studio's wall clock turned into the hands-on windows of a planning instance, and back. Windows count the
 * minutes that really pass, so a wait over a change of clocks is as long as the piece lies there.
 */
import { InputError } from '../../errors'
import type { Break, Window } from '../problem/instance'
import { minutesSince, type ClockOrigin } from '../../time/zone'
import { USUAL_STRAIN_TERMS } from './strain-terms'
import type { Session } from '../../course/course'
import { breakSpan, handsOnMinutes, handsOnSpan, sessionProblems } from '../../course/session-hours'

export interface SessionWindows {
	/** Clock minute 0 of the windows: the opening of the first. */
	origin: ClockOrigin
	/** Hands-on time, in minutes from the origin. */
	windows: Window[]
	/** Breaks inside it, each with the minutes between which it begins. */
	breaks: Break[]
	/** What should be spare at the end of each session. */
	sessions: { session: number; bufferMinutes: number }[]
}

/**
 * The hands-on windows: session hours less setting up and clearing away, and the breaks inside.
 *
 * @param zone - the studio's, in the IANA database
 * @param bufferShare - of the hands-on minutes of each session that does not say it itself, to be spare at its end
 * @returns windows numbered by session from 1, clock minutes from the first opening
 * @throws {InputError} by field: sessions out of order, or nothing left of one
 */
export function toWindows(
	sessions: readonly Session[],
	zone: string,
	bufferShare = USUAL_STRAIN_TERMS.bufferShare,
): SessionWindows {
	const [first] = sessions
	const problems = sessionProblems(sessions)
	if (!first) problems.push({ path: 'sessions', message: 'Add at least one session' })
	if (!first || problems.length > 0) throw new InputError(problems)
	const origin = originOf(first, zone)
	const at = (date: string, minuteOfDay: number) => minutesSince(origin, { date, minuteOfDay })
	return {
		origin,
		windows: sessions.map((session, s) => {
			const { open, close } = handsOnSpan(session)
			return { open: at(session.date, open), close: at(session.date, close), session: s + 1 }
		}),
		breaks: sessions.flatMap((session, s) =>
			realBreaks(session).map((pause): Break => {
				const { earliest, latest } = breakSpan(session, pause)
				return {
					session: s + 1,
					minutes: pause.minutes,
					earliest: at(session.date, earliest),
					latest: at(session.date, latest),
				}
			}),
		),
		sessions: sessions.map((session, s) => {
			const { bufferMinutes = Math.ceil(bufferShare * handsOnMinutes(session)) } = session
			return { session: s + 1, bufferMinutes }
		}),
	}
}

/** Those that take time, in their order: a plan lists where each of them lies. */
export function realBreaks({ breaks }: Pick<Session, 'breaks'>): Session['breaks'] {
	return breaks.filter(({ minutes }) => minutes > 0).toSorted((a, b) => a.startMin - b.startMin)
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
	return { date: first.date, minuteOfDay: handsOnSpan(first).open, zone }
}

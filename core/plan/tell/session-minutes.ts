/** Clock minutes of an instance on the clock of the session that they lie in. */
import { present } from '../../present'
import type { Session } from '../../course/course'
import { handsOnSpan } from '../../course/session-hours'
import type { CompiledCourse } from '../compile/compiled-course'
import { sessionAt } from '../problem/session-at'

/** Index of the session in whose window a class run lies; the last one also takes what runs over. */
export function sessionOf({ instance }: Pick<CompiledCourse, 'instance'>, start: number): number {
	return present(sessionAt(instance.windows, start), 'the session of a step') - 1
}

/** Minutes after midnight of a session's day at a clock minute; what runs over its end counts on. */
export function minuteIn(
	{ instance }: Pick<CompiledCourse, 'instance'>,
	session: Session | undefined,
	s: number,
	clockMinute: number,
): number {
	const first = instance.windows.find(({ session: number }) => number === s + 1)
	const opening = session && handsOnSpan(session)
	if (!first || !opening) throw new RangeError(`session ${s} has no hands-on time`)
	return clockMinute - first.open + opening.open
}

/** The way out that is always there: one more session like the last. */
import type { Course } from './course'
import { addDays, daysBetween } from '../time/calendar'

/** Days to the next session of a course that has had only one so far. */
const USUAL_INTERVAL_DAYS = 7

/** The course with one more session like its last, after the same interval as before. */
export function withExtraSession(course: Course): Course {
	const last = course.sessions.at(-1)
	const before = course.sessions.at(-2)
	if (!last) return course
	const days = before ? Math.max(1, daysBetween(before.date, last.date)) : USUAL_INTERVAL_DAYS
	return { ...course, sessions: [...course.sessions, { ...last, date: addDays(last.date, days) }] }
}

/** A course for a new group: the same in everything but its name, its people and its days. */
import type { Course } from './course'
import { addDays, daysBetween } from '../time/calendar'

/**
 * @param terms.firstDate - YYYY-MM-DD, of its first session; the others keep their distance from it
 * @param terms.studentCount - places of the new group
 */
export function repeatCourse(
	course: Course,
	{ name, firstDate, studentCount }: { name: string; firstDate: string; studentCount: number },
): Course {
	const [first] = course.sessions
	const days = first ? daysBetween(first.date, firstDate) : 0
	const sessions = course.sessions.map((session) => ({ ...session, date: addDays(session.date, days) }))
	return { ...course, name, studentCount, sessions }
}

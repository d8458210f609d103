/** What the start page says: the next course with what to prepare for it, and the ones after. */
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { listPreparation } from '../../core/kit/preparation'
import { isOpenPlan } from '../../core/plan/exact/plan-exactly'
import { daysBetween } from '../../core/time/calendar'
import { findNextCourseId } from '../../db/repositories/courses.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { toldPlan } from '../plan/told-plan.server'
import { readKit } from '../kit/read-kit.server'

const OTHERS_SHOWN = 6

export async function loadToday(studio: Studio, date: string) {
	const [nextId, { courses }] = await Promise.all([findNextCourseId(studio.id, date), listCourses(studio.id)])
	const upcoming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
	return {
		date,
		hasCourses: courses.length > 0,
		next: nextId === undefined ? undefined : await loadNext(studio, nextId, date),
		others: upcoming.filter(({ id }) => id !== nextId).slice(0, OTHERS_SHOWN),
	}
}

async function loadNext(studio: Studio, courseId: number, date: string) {
	const current = await readKit(studio, await getCourse(studio.id, courseId))
	const { course, kit, state } = current
	const session = course.sessions.findIndex((candidate) => candidate.date >= date)
	const story = toldPlan(current)?.story
	const next = course.sessions[session]
	return {
		id: course.id,
		name: course.name,
		studentCount: course.studentCount,
		sessionNumber: session + 1,
		sessionCount: course.sessions.length,
		session: next,
		daysAway: next ? daysBetween(date, next.date) : 0,
		isOutdated: state.isOutdated,
		story,
		isOpen: current.coursePlan ? isOpenPlan(current.coursePlan) : false,
		preparation: story && kit ? listPreparation(story, kit) : undefined,
	}
}

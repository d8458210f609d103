/** What the start page says: the next course with what to prepare for it, and the ones after. */
import { packClassKit } from '../../../core/kits/class-kit'
import { tellPlan } from '../../../core/courses/plan-story'
import { listPreparation } from '../../../core/kits/preparation'
import { daysBetween } from '../../../core/time/calendar'
import { findNextCourseId, getCourse, listCourses } from '../../../db/repositories/courses.server'
import type { Studio } from '../../../db/repositories/accounts.server'
import { readPlan } from '../../plans/read-plan.server'

const OTHERS_SHOWN = 6

export async function loadToday(studio: Studio, date: string) {
	const [nextId, { courses }] = await Promise.all([findNextCourseId(studio.id, date), listCourses(studio.id)])
	const upcoming = courses.filter(({ lastDate }) => lastDate >= date).toReversed()
	return {
		date,
		hasCourses: courses.length > 0,
		next: nextId === undefined ? undefined : await loadNext(studio, nextId, date),
		others: upcoming.filter(({ id }) => id !== nextId).slice(0, OTHERS_SHOWN),
	}
}

async function loadNext(studio: Studio, courseId: number, date: string) {
	const course = await getCourse(studio.id, courseId)
	const { coursePlan, designs, isOutdated } = await readPlan(studio, course)
	const { compiled, plan } = coursePlan
	const session = course.sessions.findIndex((candidate) => candidate.date >= date)
	const story = plan && tellPlan(compiled, plan, coursePlan.course.sessions)
	const kit =
		plan && packClassKit(course, designs, { compiled, plan, studio: { stockLengthsMm: studio.wireLengthsMm } })
	const next = course.sessions[session]
	return {
		id: course.id,
		name: course.name,
		studentCount: course.studentCount,
		sessionNumber: session + 1,
		sessionCount: course.sessions.length,
		session: next,
		daysAway: next ? daysBetween(date, next.date) : 0,
		isOutdated,
		story,
		preparation: story && kit ? listPreparation(story, kit) : undefined,
	}
}

/** What the start page says: the next course with what to prepare for it, what dries, what is late, and the ones after. */
import { listCourses, type CourseSummary } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { listPreparation } from '../../core/kit/preparation'
import { isOpenPlan } from '../../core/plan/exact/plan-exactly'
import { listDryingNow, listWorkAhead, type DryingPiece, type WorkAhead } from '../../core/plan/tell/in-the-works'
import { daysBetween } from '../../core/time/calendar'
import { findNextCourseId } from '../../db/repositories/courses.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { readPlan } from '../plan/read-plan.server'
import { toldPlan } from '../plan/told-plan.server'
import { readKit } from '../kit/read-kit.server'

const OTHERS_SHOWN = 6
/** Courses that are looked into for what dries and what is late; more at once nobody teaches. */
const MOST_LOOKED_INTO = 8
/** A course that does not fit so shortly before it begins is late. */
const LATE_DAYS = 14

/** Of which course something is. */
interface OfCourse {
	courseId: number
	courseName: string
}

export type LateItem = OfCourse & (({ kind: 'work' } & WorkAhead) | { kind: 'no plan'; days: number })

/** @param now - YYYY-MM-DDTHH:MM on the studio's clock */
export async function loadToday(studio: Studio, now: string) {
	const date = now.slice(0, 10)
	const [nextId, { courses }] = await Promise.all([findNextCourseId(studio.id, date), listCourses(studio.id)])
	const upcoming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
	const looked = await Promise.all(upcoming.slice(0, MOST_LOOKED_INTO).map((course) => lookInto(studio, course, now)))
	return {
		date,
		hasCourses: courses.length > 0,
		next: nextId === undefined ? undefined : await loadNext(studio, nextId, date),
		drying: looked.flatMap(({ drying }) => drying).toSorted((a, b) => (a.readyAt < b.readyAt ? -1 : 1)),
		late: looked.flatMap(({ late }) => late),
		others: upcoming.filter(({ id }) => id !== nextId).slice(0, OTHERS_SHOWN),
	}
}

export type TodayData = Awaited<ReturnType<typeof loadToday>>

/** What of a course is drying, and what of it is late. */
async function lookInto(
	studio: Studio,
	{ id: courseId, name: courseName, firstDate, planStatus }: CourseSummary,
	now: string,
): Promise<{ drying: (OfCourse & DryingPiece)[]; late: LateItem[] }> {
	const date = now.slice(0, 10)
	const of = { courseId, courseName }
	const days = daysBetween(date, firstDate)
	const misfit: LateItem[] =
		planStatus === 'infeasible' || planStatus === 'impossible' ? [{ ...of, kind: 'no plan', days }] : []
	if (misfit.length > 0) return { drying: [], late: days <= LATE_DAYS ? misfit : [] }
	const story = toldPlan(await readPlan(studio, await getCourse(studio.id, courseId)))?.story
	if (!story) return { drying: [], late: [] }
	return {
		drying: listDryingNow(story, now).map((piece) => ({ ...of, ...piece })),
		late: listWorkAhead(story)
			.filter(({ beginBy, neededOn }) => beginBy < date && neededOn >= date)
			.map((work) => ({ ...of, kind: 'work', ...work })),
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

/** What the start page says: the next course with what to prepare for it, what dries, what is late, and the ones after. */
import { listCourses, type CourseSummary } from '../../db/repositories/course-list.server'
import { findNextCourseId, getCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { isOpenPlan } from '../../core/plan/exact/plan-exactly'
import { listDryingNow, type DryingPiece } from '../../core/plan/tell/in-the-works'
import type { LaidPreparation } from '../../core/prepare/lay-preparation'
import { daysBetween } from '../../core/time/calendar'
import type { WallTime } from '../../core/time/wall-clock'
import type { Studio } from '../../db/repositories/accounts.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import { readPlan, type CurrentPlan } from '../plan/read-plan.server'
import { toldPlan } from '../plan/told-plan.server'
import { loadPreparation, type Preparation } from '../prepare/load-preparation.server'
import { byWords, prepCaution, prepWords } from '../prepare/words/prep-work'

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

export type LateItem = OfCourse & (({ kind: 'work' } & WorkToDo) | { kind: 'no plan'; days: number })

/** A piece of work before class as it is laid. */
export interface WorkToDo extends OfCourse {
	taskId: string
	words: string
	caution: string | undefined
	minutes: number
	start: WallTime
	by: string
}

/** Of what is late. */
const LATE_SHOWN = 8
/** Of work that lies ahead so much is shown; the rest is on the page of the days before. */
const WORK_SHOWN = 4

/** @param now - YYYY-MM-DDTHH:MM on the studio's clock */
export async function loadToday(member: Pick<Member, 'userId' | 'studio'>, now: string) {
	const { studio } = member
	const date = now.slice(0, 10)
	const [nextId, { courses }, preparation] = await Promise.all([
		findNextCourseId(studio.id, date),
		listCourses(studio.id),
		loadPreparation(member, now),
	])
	const work = workOf(preparation)
	const upcoming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
	const looked = await Promise.all(upcoming.slice(0, MOST_LOOKED_INTO).map((course) => lookInto(studio, course, now)))
	const readBefore = looked.find(({ planned }) => planned?.course.id === nextId)?.planned
	const late = [...looked.flatMap((one) => one.late), ...work.late.map((one): LateItem => ({ kind: 'work', ...one }))]
	return {
		date,
		hasCourses: courses.length > 0,
		next: nextId === undefined ? undefined : tellNext(readBefore ?? (await readPlanned(studio, nextId)), date),
		drying: looked.flatMap(({ drying }) => drying).toSorted((a, b) => (a.readyAt < b.readyAt ? -1 : 1)),
		work: work.inTime.slice(0, WORK_SHOWN),
		workCount: work.inTime.length,
		late: late.slice(0, LATE_SHOWN),
		lateCount: late.length,
		others: upcoming.filter(({ id }) => id !== nextId).slice(0, OTHERS_SHOWN),
	}
}

export type TodayData = Awaited<ReturnType<typeof loadToday>>

/** What of a course is drying, and what of it is late. */
async function lookInto(
	studio: Studio,
	{ id: courseId, name: courseName, firstDate, planStatus }: CourseSummary,
	now: string,
): Promise<{ drying: (OfCourse & DryingPiece)[]; late: LateItem[]; planned?: PlannedCourse }> {
	const date = now.slice(0, 10)
	const of = { courseId, courseName }
	const days = daysBetween(date, firstDate)
	const misfit: LateItem[] =
		planStatus === 'infeasible' || planStatus === 'impossible' ? [{ ...of, kind: 'no plan', days }] : []
	if (misfit.length > 0) return { drying: [], late: days <= LATE_DAYS ? misfit : [] }
	const planned = await readPlanned(studio, courseId)
	const story = toldPlan(planned.current)?.story
	const drying = story ? listDryingNow(story, now).map((piece) => ({ ...of, ...piece })) : []
	return { drying, late: [], planned }
}

interface PlannedCourse {
	course: StoredCourse
	current: CurrentPlan
}

async function readPlanned(studio: Studio, courseId: number): Promise<PlannedCourse> {
	const course = await getCourse(studio.id, courseId)
	return { course, current: await readPlan(studio, course) }
}

/** What is still to be done, in the order in which it lies. */
function workOf({ laid, unplaced, marks, courses }: Preparation): { inTime: WorkToDo[]; late: WorkToDo[] } {
	const done = new Map(marks.done)
	const names = new Map(courses.map(({ id, name }) => [id, name]))
	const toWork = ({ task, start }: Pick<LaidPreparation['laid'][number], 'task' | 'start'>): WorkToDo => ({
		courseId: task.courseId,
		courseName: names.get(task.courseId) ?? '',
		taskId: task.id,
		words: prepWords(task.work),
		caution: prepCaution(task.work),
		minutes: task.minutes,
		start,
		by: byWords(task.latest),
	})
	const open = laid.filter(({ task }) => !done.has(task.id))
	return {
		inTime: open.filter(({ lateMinutes }) => lateMinutes === 0).map(toWork),
		late: [
			...open.filter(({ lateMinutes }) => lateMinutes > 0).map(toWork),
			...unplaced.filter(({ id }) => !done.has(id)).map((task) => toWork({ task, start: task.latest })),
		],
	}
}

function tellNext({ course, current }: PlannedCourse, date: string) {
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
		isOutdated: current.isOutdated,
		story,
		isOpen: current.coursePlan ? isOpenPlan(current.coursePlan) : false,
	}
}

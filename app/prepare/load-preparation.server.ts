/** The work before class of the studio's coming courses, laid into one pair of hands' free time. */
import { listNeeds, listShopping, ordersBySupplier } from '../../core/kit/shopping-list'
import { USUAL_FREE_TIME } from '../../core/prepare/free-time'
import { layPreparation, type LaidPreparation } from '../../core/prepare/lay-preparation'
import { listPrepTasks } from '../../core/prepare/prep-tasks'
import type { Studio } from '../../db/repositories/accounts.server'
import { listCourses, type CourseSummary } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { readKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import { remember } from '../shared/http/remember.server'

/** The next of a studio; what comes later is laid when its time has come. */
const MOST_COURSES = 8
/** Of the search: some tenths of a second. */
const STEPS = 120_000
const rememberLaid = remember<LaidPreparation>(50)

/** @param now - YYYY-MM-DDTHH:MM on the studio's clock */
export async function loadPreparation(studio: Studio, now: string) {
	const [date = '', time = ''] = now.split('T')
	const { courses } = await listCourses(studio.id)
	const coming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
		.slice(0, MOST_COURSES)
	const read = await Promise.all(coming.map((course) => readTasks(studio, course, date)))
	const tasks = read.flatMap((own) => own.tasks)
	const terms = {
		zone: studio.timeZone,
		// A quarter of an hour begins now, not some seconds ago.
		now: { date, minuteOfDay: 15 * Math.ceil((60 * Number(time.slice(0, 2)) + Number(time.slice(3, 5))) / 15) },
		freeTime: USUAL_FREE_TIME,
		busy: read.flatMap(({ sessions }) => sessions),
	}
	const laid = rememberLaid([studio.id, tasks, terms], () => layPreparation(tasks, terms, { steps: STEPS }))
	return {
		...laid,
		date,
		freeTime: USUAL_FREE_TIME,
		courses: Object.fromEntries(coming.map(({ id, name }) => [id, name])),
		/** Courses that have no plan to prepare from. */
		withoutPlan: read.flatMap(({ course, hasPlan }) => (hasPlan ? [] : [{ id: course.id, name: course.name }])),
	}
}

export type PreparationData = Awaited<ReturnType<typeof loadPreparation>>

async function readTasks(studio: Studio, { id, name }: CourseSummary, date: string) {
	const course = await getCourse(studio.id, id)
	const current = await readKit(studio, course)
	const story = toldPlan(current)?.story
	const { kit, stock } = current
	const { sessions } = course
	const common = { course: { id, name }, sessions }
	if (!story || story.shortfall || !kit) return { ...common, hasPlan: false, tasks: [] }
	const orders = ordersBySupplier(listShopping(listNeeds(kit), stock, date).lines)
	const tasks = listPrepTasks({ id, sessions, story, kit, orders })
	return { ...common, hasPlan: true, tasks: tasks.filter(({ forDate }) => forDate >= date) }
}

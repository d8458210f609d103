/** What coming courses would become if plans went by what is learnt by now: each planned for a look, and not kept. */
import { gainOfOneMore, isShared, type ToolLine } from '../../core/kit/tool-needs'
import { learnFrom } from '../../core/learn/learnt'
import type { CoursePlan } from '../../core/plan/plan-course'
import { classMinutes } from '../../core/plan/problem/plan-times'
import type { Studio } from '../../db/repositories/accounts.server'
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { learntFrom, listObservations } from '../../db/repositories/observations.server'
import { readKit } from '../kit/read-kit.server'
import { foreseePlan } from '../plan/read-plan.server'
import { today } from '../shared/http/studio-clock.server'

/** Before and after. */
type Change = readonly [now: number, then: number]

export interface ForeseenChange {
	courseId: number
	name: string
	/** Minutes that are missing; 0: it fits. */
	shortfall: Change
	/** Minutes of work in class, of one student; only where it fits before and after. */
	work?: Change
	/** Of the instructor, before class. */
	prepMinutes?: Change
}

/** What each student of a coming course waits for a tool that is shared. */
export interface DearTool {
	tool: string
	courseId: number
	courseName: string
	minutes: number
	/** That one more of it would give back. */
	oneMore: number
}

export interface Foreseen {
	/** The soonest course first. */
	changes: ForeseenChange[]
	/** The dearest tool of all coming courses; absent: nobody waits for any. */
	dearest?: DearTool
}

/** Less is nobody's worry. */
const LEAST_MINUTES = 2
/** More at once nobody plans. */
const MOST_COURSES = 8

export async function foreseeChanges(studio: Studio): Promise<Foreseen> {
	const date = today(studio.timeZone)
	const [rows, { courses }] = await Promise.all([listObservations(studio.id), listCourses(studio.id)])
	const learnt = learnFrom(learntFrom(rows), date)
	const coming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
		.slice(0, MOST_COURSES)
	const changes: ForeseenChange[] = []
	const tools: DearTool[] = []
	// One after the other: others plan meanwhile.
	for (const { id, name } of coming) {
		const course = await getCourse(studio.id, id)
		const { now, foreseen } = await foreseePlan(studio, course, learnt)
		if (!now) continue
		changes.push({ courseId: id, name, ...compare(now, foreseen) })
		const { kit } = await readKit(studio, course)
		tools.push(...(kit?.tools ?? []).filter(isShared).map((line) => toDearTool(line, { id, name })))
	}
	const dearest = tools.toSorted((a, b) => b.minutes - a.minutes)[0]
	return { changes, ...(dearest && dearest.minutes >= LEAST_MINUTES && { dearest }) }
}

function toDearTool(line: ToolLine, { id, name }: { id: number; name: string }): DearTool {
	const { tool, queueingMinutes: minutes } = line
	return { tool, courseId: id, courseName: name, minutes, oneMore: gainOfOneMore(line) }
}

function compare(now: CoursePlan, then: CoursePlan): Omit<ForeseenChange, 'courseId' | 'name'> {
	const shortfall: Change = [now.objective?.shortfall ?? 0, then.objective?.shortfall ?? 0]
	const [work, workThen] = [now, then].map(({ compiled, plan }) => plan && classMinutes(compiled.instance, plan))
	if (work === undefined || workThen === undefined || shortfall.some((minutes) => minutes > 0)) return { shortfall }
	return {
		shortfall,
		work: [work, workThen],
		prepMinutes: [now.objective?.prepMinutes ?? 0, then.objective?.prepMinutes ?? 0],
	}
}

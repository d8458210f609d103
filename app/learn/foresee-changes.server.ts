/** What coming courses would become if plans went by what is learnt by now: each planned for a look, and not kept. */
import { learnFrom } from '../../core/learn/learnt'
import type { CoursePlan } from '../../core/plan/plan-course'
import { minutesOfTask } from '../../core/plan/problem/plan-times'
import type { Studio } from '../../db/repositories/accounts.server'
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { learntFrom, listObservations } from '../../db/repositories/observations.server'
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

/** More at once nobody plans. */
const MOST_COURSES = 8

/** The soonest first. */
export async function foreseeChanges(studio: Studio): Promise<ForeseenChange[]> {
	const date = today(studio.timeZone)
	const [rows, { courses }] = await Promise.all([listObservations(studio.id), listCourses(studio.id)])
	const learnt = learnFrom(learntFrom(rows), date)
	const coming = courses
		.filter(({ lastDate }) => lastDate >= date)
		.toSorted((a, b) => a.firstDate.localeCompare(b.firstDate) || a.id - b.id)
		.slice(0, MOST_COURSES)
	const changes: ForeseenChange[] = []
	// One after the other: others plan meanwhile.
	for (const { id, name } of coming) {
		const { now, foreseen } = await foreseePlan(studio, await getCourse(studio.id, id), learnt)
		if (now) changes.push({ courseId: id, name, ...compare(now, foreseen) })
	}
	return changes
}

function compare(now: CoursePlan, then: CoursePlan): Omit<ForeseenChange, 'courseId' | 'name'> {
	const shortfall: Change = [now.objective?.shortfall ?? 0, then.objective?.shortfall ?? 0]
	const [work, workThen] = [workMinutes(now), workMinutes(then)]
	if (work === undefined || workThen === undefined || shortfall.some((minutes) => minutes > 0)) return { shortfall }
	return {
		shortfall,
		work: [work, workThen],
		prepMinutes: [now.objective?.prepMinutes ?? 0, then.objective?.prepMinutes ?? 0],
	}
}

/** @returns undefined: there is no plan */
function workMinutes({ compiled, plan }: CoursePlan): number | undefined {
	if (!plan) return undefined
	return compiled.instance.tasks.reduce((sum, task) => {
		return plan.placements[task.id]?.place === 'class' ? sum + minutesOfTask(task) : sum
	}, 0)
}

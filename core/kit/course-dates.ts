/** When the preparation of a course begins: before the class, and before what is made ahead for it. */
import { present } from '../present'
import type { CompiledCourse } from '../plan/compile/compiled-course'
import type { Course } from '../course/course'
import type { Shares } from './bill'
import { minutesAhead } from '../plan/tell/drying-ahead'
import { addDays } from '../time/calendar'
import type { Plan } from '../plan/problem/plan'

export interface CourseDates {
	/** Of the first session. */
	firstSession: string
	/** The day before: kits are packed. */
	beforeClass: string
	/** What is made ahead and brought dried is made on this day. */
	ahead: string
	/** The day before that. */
	beforeAhead: string
}

/** A part made ahead is made on a day, whatever the hour. */
const MINUTES_PER_DAY = 1440
/** Of drying allowed for a part made ahead, where no wait says more. */
const LEAST_AHEAD_DAYS = 1

/** @param course - with at least one session */
export function datesOf(course: Pick<Course, 'sessions'>, { arcs, instance }: CompiledCourse, plan: Plan): CourseDates {
	const firstSession = present(course.sessions[0], 'the first session').date
	const waits = arcs.flatMap(({ wait }, a) => {
		const { from } = present(instance.arcs[a], 'the arc of a wait')
		if (!wait || !(plan.swaps.includes(a) || plan.placements[from]?.place === 'ahead')) return []
		return [minutesAhead(wait)]
	})
	const days = Math.max(LEAST_AHEAD_DAYS, ...waits.map((minutes) => Math.ceil(minutes / MINUTES_PER_DAY)))
	return {
		firstSession,
		beforeClass: addDays(firstSession, -1),
		ahead: addDays(firstSession, -1 - days),
		beforeAhead: addDays(firstSession, -2 - days),
	}
}

/** The day on which something must be in the house, or be ready: before what is made ahead of it, if any is. */
export function neededBy(
	{ beforeAhead, beforeClass }: CourseDates,
	{ ahead, swapOuts }: Pick<Shares, 'ahead' | 'swapOuts'>,
): string {
	return ahead + swapOuts > 0 ? beforeAhead : beforeClass
}

/** What was settled in class for the rest of its course: planned with it anew, and without it where it was taken back. */
import { isSamePin, withoutPin, withPin, type CoursePin } from '../../core/course/course-pin'
import type { NamedPlan } from '../../core/plan/named-plan'
import { adoptPlan } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import { countingEvents, mergeEvents, type RunEvent } from '../../core/run/run-event'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { readRunEvents, type RunKey } from '../../db/repositories/runs.server'
import { getPlan } from '../../db/repositories/plans.server'
import { readNamedPlan } from '../../exchange/read-document'
import { judgePlan } from '../plan/judge-plan.server'
import { keepCourseWith } from '../plan/save-course.server'
import { makePlan, type PlanJob } from '../plan/solving/make-plan.server'
import { sessionName } from '../shared/words/times'

/** Whether something among the events asks for another plan of the course. */
export function settlesAnything(events: readonly RunEvent[]): boolean {
	return events.some(({ type }) => type === 'plan' || type === 'undo')
}

/**
 * The course as its run wants it, if anything of it is not so yet: a new version, with the plan that was seen when it was
 * taken, or the one that the session was opened with when it was taken back; with another where that is none any more.
 *
 * @throws {InputError} the course cannot be planned so
 * @throws {ConflictError} somebody has saved it at the same time
 */
export async function settlePins(studio: Studio, run: RunKey): Promise<void> {
	const [known, course] = await Promise.all([readRunEvents(studio.id, run, 0), getCourse(studio.id, run.courseId)])
	const events = mergeEvents(known.events)
	const before = course.pins ?? []
	const pins = pinsAfter(before, events)
	if (JSON.stringify(pins) === JSON.stringify(before)) return
	const seen = await planThatWasSeen(studio, run, countingEvents(events))
	const { pins: _, ...plain } = course
	const choose = async (job: PlanJob) => {
		if (seen && adoptPlan(job.course, job.designs, job.terms, seen)) return judgePlan(studio, job, seen)
		return (await makePlan(studio, job)).plan
	}
	const reason = settledWords(course, run, countingEvents(events))
	await keepCourseWith(studio, { ...plain, ...(pins.length > 0 && { pins }) }, choose, reason)
}

/** For the course's history. */
function settledWords({ sessions }: StoredCourse, { session }: RunKey, counting: readonly RunEvent[]): string {
	const name = sessionName(sessions[session - 1]?.startMin ?? 0, session)
	const taken = counting.findLast((event) => event.type === 'plan')
	return taken?.type === 'plan' ? `In class, ${name}: ${taken.reason}` : `In class, ${name}: taken back`
}

async function planThatWasSeen(
	studio: Studio,
	{ courseId }: RunKey,
	counting: readonly RunEvent[],
): Promise<Plan | NamedPlan | undefined> {
	const taken = counting.findLast((event) => event.type === 'plan')
	if (taken?.type === 'plan') return taken.coursePlan && readNamedPlan(taken.coursePlan)
	const opening = counting.find((event) => event.type === 'opened')
	if (opening?.type !== 'opened' || opening.planId === undefined) return undefined
	return (await getPlan(studio.id, courseId, opening.planId)).document.plan
}

/** Pins of all ways that were taken, those of the last that counts on top. */
export function pinsAfter(pins: readonly CoursePin[], events: readonly RunEvent[]): CoursePin[] {
	const counting = new Set(countingEvents(events).map(({ id }) => id))
	const taken = events.flatMap((event) => (event.type === 'plan' ? [event] : []))
	const lifted = taken
		.filter(({ id }) => !counting.has(id))
		.flatMap((event) => event.pins)
		.reduce((left: readonly CoursePin[], pin) => withoutPin(left, pin), pins)
	return taken
		.filter(({ id }) => counting.has(id))
		.flatMap((event) => event.pins)
		.reduce<CoursePin[]>((all, pin) => (all.some((own) => isSamePin(own, pin)) ? all : withPin(all, pin)), [...lifted])
}

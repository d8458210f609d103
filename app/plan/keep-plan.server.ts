/** A plan that the instructor chose instead of the one that stands: one found in her browser, or an earlier one. */
import type { Plan } from '../../core/plan/problem/plan'
import type { CoursePlan } from '../../core/plan/plan-course'
import { ConflictError, InputError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { createPlan, getPlan } from '../../db/repositories/plans.server'
import { readPlan as readPlanDocument } from '../../exchange/read-document'
import { keepCourseWith } from './save-course.server'
import { judgePlan } from './judge-plan.server'
import type { PlanJob } from './solving/make-plan.server'
import { OTHER_PLAN, readPlan } from './read-plan.server'

const CHANGED = 'What this plan was made from has changed since: plan anew, and choose again.'

/**
 * Keeps a plan; what is proven of it is found out here, not believed.
 *
 * @param text - the plan as JSON
 * @param shownId - the plan that stood when this one was chosen
 * @throws {InputError} it is no plan of this course
 * @throws {ConflictError} the course has changed since the plan was made
 */
export async function keepPlan(
	studio: Studio,
	course: StoredCourse,
	{ text, shownId }: { text: string; shownId: number },
): Promise<void> {
	const current = await readPlan(studio, course)
	if (current.isOutdated) throw new ConflictError(CHANGED)
	if (current.planId !== shownId) throw new ConflictError(OTHER_PLAN)
	const { coursePlan, documents, fingerprint } = current
	const { course: planned, terms } = coursePlan
	const document = await judgePlan(studio, { course: planned, designs: documents, terms }, parsePlan(text))
	await createPlan(studio.id, { courseId: course.id, fingerprint, document })
}

/**
 * Makes another plan that is kept the one that stands, with the course as it was for it: an earlier one, or one set aside.
 *
 * @throws {InputError} by field: the course as it was then can no longer be
 * @throws {NotFoundError} the course has no such plan
 * @throws {ConflictError} it no longer fits what is known of rooms and pastes now
 */
export async function bringBackPlan(studio: Studio, course: StoredCourse, planId: number): Promise<void> {
	const { document } = await getPlan(studio.id, course.id, planId)
	const { id, version, name } = course
	if (!document.plan) throw new ConflictError('There is no plan in it to bring back.')
	const before = { ...document.course, id, version, name }
	await keepCourseWith(studio, before, (job) => judgeAgain(studio, job, document.plan))
}

async function judgeAgain(studio: Studio, job: PlanJob, plan: Plan): Promise<CoursePlan> {
	try {
		return await judgePlan(studio, job, plan)
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		const message = 'What is known of rooms, pastes or designs has changed since: that plan no longer fits.'
		throw new ConflictError(message, { cause: error })
	}
}

/** @throws {InputError} it is none */
export function parsePlan(text: string): Plan {
	try {
		return readPlanDocument(JSON.parse(text))
	} catch (error) {
		if (error instanceof InputError) throw error
		throw new InputError([{ path: 'plan', message: 'This is not a plan.' }], { cause: error })
	}
}

/** A plan that the instructor chose instead of the one that stands: one found in her browser, or an earlier one. */
import { checkPlan } from '../../core/plan/checker/check-plan'
import { carryProof } from '../../core/plan/exact/carry-proof'
import type { Plan } from '../../core/plan/problem/plan'
import type { CoursePlan } from '../../core/plan/plan-course'
import { ConflictError, InputError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { createPlan, getPlan } from '../../db/repositories/plans.server'
import { readPlan as readPlanDocument } from '../../exchange/read-document'
import { makePlan } from './solving/make-plan.server'
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
	const plan = parsePlan(text)
	const { objective, errors } = checkPlan(coursePlan.compiled.instance, plan)
	if (!objective) throw new InputError([{ path: 'plan', message: `This is no plan of the course: ${errors[0] ?? ''}` }])
	const { plan: searched } = await makePlan(studio, {
		course: coursePlan.course,
		designs: documents,
		terms: coursePlan.terms,
		start: plan,
	})
	const { course: planned, compiled, terms, conflicts, nodes } = searched
	const inputs = { course: planned, compiled, terms }
	const document: CoursePlan = { ...inputs, conflicts, nodes, plan, objective, ...carryProof(searched, objective) }
	await createPlan(studio.id, { courseId: course.id, fingerprint, document })
}

/**
 * Makes an earlier plan the newest again.
 *
 * @throws {NotFoundError} the course has no such plan
 * @throws {ConflictError} the course has changed since it was made
 */
export async function bringBackPlan(studio: Studio, course: StoredCourse, planId: number): Promise<void> {
	const [{ document, fingerprint }, current] = await Promise.all([
		getPlan(studio.id, course.id, planId),
		readPlan(studio, course),
	])
	if (fingerprint !== current.fingerprint)
		throw new ConflictError('The course has changed since that plan was made: it no longer fits.')
	await createPlan(studio.id, { courseId: course.id, fingerprint, document })
}

function parsePlan(text: string): Plan {
	try {
		return readPlanDocument(JSON.parse(text))
	} catch (error) {
		if (error instanceof InputError) throw error
		throw new InputError([{ path: 'plan', message: 'This is not a plan.' }], { cause: error })
	}
}

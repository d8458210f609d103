/** A course's plan as it stands, whether what it was made from has changed since, and planning anew. */
import { resolveCourse, type CoursePlan } from '../../core/plan/plan-course'
import type { DesignInCourse } from '../../core/plan/compile/compile-course'
import type { Learnt } from '../../core/learn/learnt'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import type { Design } from '../../core/design/design'
import { ConflictError } from '../../core/errors'
import { fingerprintOf } from '../../db/fingerprint.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { createPlan, findNewestPlan } from '../../db/repositories/plans.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { improveLater, makePlan } from './solving/make-plan.server'
import { readPlanTerms } from './plan-terms.server'
import { pinDesigns } from './pin-designs.server'

export interface CurrentPlan {
	coursePlan: CoursePlan
	planId: number
	planMadeAt: Date
	designs: DesignInCourse[]
	documents: Design[]
	/** As they are now; a plan has those that it was made with. */
	terms: PlanTerms
	/** Of the inputs as they are now. */
	fingerprint: string
	/** The course has changed since the plan was made. */
	isOutdated: boolean
}

/** The newest plan; one is made and kept if there is none. */
export async function readPlan(studio: Studio, course: StoredCourse): Promise<CurrentPlan> {
	const [{ plain, documents, terms, fingerprint }, stored] = await Promise.all([
		readPlanInputs(studio, course),
		findNewestPlan(studio.id, course.id),
	])
	const designsFor = (planned: PlanTerms) => resolveCourse(plain, documents, planned)
	const common = { documents, terms, fingerprint }
	if (stored) {
		const isOutdated = stored.fingerprint !== fingerprint
		const { document: coursePlan, id: planId, createdAt: planMadeAt } = stored
		return { ...common, designs: designsFor(coursePlan.terms), coursePlan, planId, planMadeAt, isOutdated }
	}
	const { plan: coursePlan, id: planId } = await makeAndKeep(studio, course.id, {
		plain,
		documents,
		terms,
		fingerprint,
	})
	return { ...common, designs: designsFor(terms), coursePlan, planId, planMadeAt: new Date(), isOutdated: false }
}

/** Said to a window that chose before it saw the plan that stands now. */
export const OTHER_PLAN = 'Another plan was kept in another window meanwhile: look at it first.'

/**
 * Plans the course anew from what it is now.
 *
 * @param shownId - the plan that stood on the page
 * @throws {ConflictError} another stands there by now
 */
export async function planAnew(studio: Studio, course: StoredCourse, shownId: number): Promise<void> {
	const stored = await findNewestPlan(studio.id, course.id)
	if (stored && stored.id !== shownId) throw new ConflictError(OTHER_PLAN)
	await makeAndKeep(studio, course.id, await readPlanInputs(studio, course))
}

async function makeAndKeep(studio: Studio, courseId: number, { plain, documents, terms, fingerprint }: PlanInputs) {
	const job = { course: plain, designs: documents, terms }
	const { plan, isQuick } = await makePlan(studio, job)
	const id = await createPlan(studio.id, { courseId, fingerprint, document: plan })
	if (isQuick) improveLater(studio, job, { courseId, planId: id, fingerprint, plan })
	return { plan, id }
}

export interface PlanInputs {
	plain: Omit<StoredCourse, 'id' | 'version'>
	documents: Design[]
	terms: PlanTerms
	fingerprint: string
}

/** What a plan of the course would be made from now. */
export async function readPlanInputs(
	studio: Studio,
	{ id: _, version: __, ...plain }: StoredCourse,
): Promise<PlanInputs> {
	const { documents } = await pinDesigns(studio.id, plain)
	const terms = await readPlanTerms(studio, documents)
	return { plain, documents, terms, fingerprint: fingerprintOf(plain, documents, terms) }
}

export interface ForeseenPlan {
	/** As it stands; undefined: it has none. */
	now: CoursePlan | undefined
	/** Planned with what is learnt by then. */
	foreseen: CoursePlan
}

/** What a course's plan would be with something else learnt; nothing is kept of it. */
export async function foreseePlan(studio: Studio, course: StoredCourse, learnt: Learnt): Promise<ForeseenPlan> {
	const [{ plain, documents, terms }, stored] = await Promise.all([
		readPlanInputs(studio, course),
		findNewestPlan(studio.id, course.id),
	])
	const { plan: foreseen } = await makePlan(studio, { course: plain, designs: documents, terms: { ...terms, learnt } })
	return { now: stored?.document, foreseen }
}

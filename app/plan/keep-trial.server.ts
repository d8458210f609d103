/** What was tried by hand on the plan's picture: kept, or set aside to compare. */
import { InputError, ConflictError } from '../../core/errors'
import type { Course } from '../../core/course/course'
import { isCoursePin, type CoursePin } from '../../core/course/course-pin'
import { requireValidCourse } from '../../core/course/validate-course'
import { fingerprintOf } from '../../db/fingerprint.server'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { createPlan, findNewestPlan } from '../../db/repositories/plans.server'
import { readJson, readValue } from '../shared/http/read-input.server'
import { judgePlan } from './judge-plan.server'
import { parsePlan } from './keep-plan.server'
import { pinDesigns } from './pin-designs.server'
import { readPlanTerms } from './plan-terms.server'
import { wholeCourseSchema } from './schemas/whole-course'
import { OTHER_PLAN } from './read-plan.server'
import { keepCourseWith, withVersionsOf } from './save-course.server'

/** A course and the plan that was seen for it, each as JSON. */
interface TrialTexts {
	course: string
	plan: string
}

/**
 * Keeps the course as it was tried, with the very plan that was seen; what is proven of it is found out here.
 *
 * @param trial.planId - the plan that stood when the trial began
 * @throws {InputError} by field: it is no course, or no plan of it
 * @throws {ConflictError} another plan stands by now
 */
export async function keepTrial(
	studio: Studio,
	stored: StoredCourse,
	trial: TrialTexts & { planId: number },
): Promise<void> {
	const newest = await findNewestPlan(studio.id, stored.id)
	if (newest?.id !== trial.planId) throw new ConflictError(OTHER_PLAN)
	const plan = parsePlan(trial.plan)
	const { id, version } = stored
	const course = { ...(await readTried(stored, trial.course)), id, version }
	await keepCourseWith(studio, course, (job) => judgePlan(studio, job, plan))
}

/**
 * Sets what was tried aside under a name: the course and its plan stay as they are.
 *
 * @throws {InputError} by field: it is no course, or no plan of it
 */
export async function setAside(
	studio: Studio,
	stored: StoredCourse,
	{ name, ...trial }: TrialTexts & { name: string },
): Promise<void> {
	const tried = requireValidCourse(await readTried(stored, trial.course))
	const { course, documents } = await pinDesigns(studio.id, tried)
	const terms = await readPlanTerms(studio, documents)
	const document = await judgePlan(studio, { course, designs: documents, terms }, parsePlan(trial.plan))
	const fingerprint = fingerprintOf(course, documents, terms)
	await createPlan(studio.id, { courseId: stored.id, fingerprint, document, asideName: name })
}

/** @throws {InputError} it is none */
export function readPin(text: string): CoursePin {
	const pin = readJson(text)
	if (!isCoursePin(pin)) throw new InputError([{ path: 'pin', message: 'There is no such thing to lift.' }])
	return pin
}

/** The designs of the stored course, in the versions that it has. */
async function readTried(stored: StoredCourse, text: string): Promise<Course> {
	const course = (await readValue(readJson(text), wholeCourseSchema)) as Course
	return { ...course, designs: withVersionsOf(course, stored) }
}

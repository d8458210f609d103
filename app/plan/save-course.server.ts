/** A course saved with the plan that it gives: what creating and changing have in common. */
import type { Transaction } from 'sequelize'
import type { Course } from '../../core/course/course'
import { requireValidCourse } from '../../core/course/validate-course'
import { keepValidPicks } from '../../core/design/resolve-design'
import { inTransaction } from '../../db/connection.server'
import { fingerprintOf } from '../../db/fingerprint.server'
import { createCourse, getCourse, updateCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { createPlan } from '../../db/repositories/plans.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { improveLater, makePlan, type MadePlan, type PlanJob } from './solving/make-plan.server'
import { readPlanTerms } from './plan-terms.server'
import { pinDesigns } from './pin-designs.server'

/**
 * Plans first, so that a course which cannot be planned is not saved.
 *
 * @throws {InputError} by field of the course
 */
export async function createPlannedCourse(studio: Studio, input: Course): Promise<number> {
	const { course, documents } = await pinDesigns(studio.id, requireValidCourse(input))
	const terms = await readPlanTerms(studio, documents)
	const job = { course, designs: documents, terms }
	const made = await makePlan(studio, job)
	return keepTogether(studio, { job, ...made }, (transaction) => createCourse(studio.id, course, transaction))
}

/**
 * Designs that the course had before keep their version.
 *
 * @throws {InputError} by field of the course
 * @throws {ConflictError} someone else has saved it since it was read
 */
export async function updatePlannedCourse(studio: Studio, input: StoredCourse): Promise<void> {
	const before = await getCourse(studio.id, input.id)
	const versions = new Map(before.designs.map(({ designId, designVersion }) => [designId, designVersion]))
	const designs = input.designs.map((item) => {
		const designVersion = versions.get(item.designId)
		return { ...item, ...(designVersion !== undefined && { designVersion }) }
	})
	// The form does not show the waits set by hand: they stay.
	await savePlanned(studio, { ...input, designs, ...(before.waits && { waits: before.waits }) })
}

/**
 * Takes the newest version of every design; options that there are no longer go back to the usual ones.
 *
 * @throws {ConflictError} someone else has saved the course since it was read
 */
export async function takeNewDesigns(studio: Studio, course: StoredCourse): Promise<void> {
	const unpinned = course.designs.map(({ designVersion: _, ...item }) => item)
	const { documents } = await pinDesigns(studio.id, { ...course, designs: unpinned })
	const designs = unpinned.map((item, d) => {
		const document = documents[d]
		return document ? { ...item, picks: keepValidPicks(document, item.picks) } : item
	})
	await savePlanned(studio, { ...course, designs })
}

/**
 * Sets a wait by hand, or lets it be computed again.
 *
 * @param key - of `waitKey`
 * @param minutes - clock minutes, or undefined to free it
 * @throws {ConflictError} someone else has saved the course since it was read
 */
export async function setWait(
	studio: Studio,
	course: StoredCourse,
	key: string,
	minutes: number | undefined,
): Promise<void> {
	const others = Object.entries(course.waits ?? {}).filter(([other]) => other !== key)
	const waits = Object.fromEntries(minutes === undefined ? others : [...others, [key, minutes]])
	await savePlanned(studio, { ...course, waits })
}

async function savePlanned(studio: Studio, input: StoredCourse): Promise<void> {
	const { course, documents } = await pinDesigns(studio.id, requireValidCourse(input))
	const terms = await readPlanTerms(studio, documents)
	const { id, version: _, ...plain } = course
	const job = { course: plain, designs: documents, terms }
	const made = await makePlan(studio, job)
	await keepTogether(studio, { job, ...made }, async (transaction) => {
		await updateCourse(studio.id, course, transaction)
		return id
	})
}

/** The course and its plan are kept together or not at all; a quick plan is improved later. */
async function keepTogether(
	studio: Studio,
	{ job, plan, isQuick }: MadePlan & { job: PlanJob },
	saveCourse: (transaction: Transaction) => Promise<number>,
): Promise<number> {
	const fingerprint = fingerprintOf(job.course, job.designs, job.terms)
	const kept = await inTransaction(async (transaction) => {
		const courseId = await saveCourse(transaction)
		const planId = await createPlan(studio.id, { courseId, fingerprint, document: plan }, transaction)
		return { courseId, planId }
	})
	if (isQuick) improveLater(studio, job, { ...kept, fingerprint, plan })
	return kept.courseId
}

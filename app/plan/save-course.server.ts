/** A course saved with the plan that it gives: what creating and changing have in common. */
import type { Transaction } from 'sequelize'
import type { Course } from '../../core/course/course'
import type { Student } from '../../core/kit/student'
import { applyEdit } from '../../core/plan/edit/course-edit'
import type { NamedPlan } from '../../core/plan/named-plan'
import { adoptPlan, type CoursePlan } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import { requireValidCourse } from '../../core/course/validate-course'
import { keepValidPicks } from '../../core/design/resolve-design'
import { inTransaction } from '../../db/connection.server'
import { fingerprintOf } from '../../db/fingerprint.server'
import { createCourse, getCourse, updateCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { createPlan } from '../../db/repositories/plans.server'
import { replaceStudents } from '../../db/repositories/students.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { improveLater, makePlan, type MadePlan, type PlanJob } from './solving/make-plan.server'
import { judgePlan } from './judge-plan.server'
import { readPlanTerms } from './plan-terms.server'
import { pinDesigns } from './pin-designs.server'

/**
 * Plans first, so that a course which cannot be planned is not saved.
 *
 * @throws {InputError} by field of the course
 */
export function createPlannedCourse(studio: Studio, input: Course): Promise<number> {
	return createCourseWith(studio, input, (job) => makePlan(studio, job))
}

/**
 * A new course with a plan that was made for one like it, where it is a plan of this one too; else it is planned anew.
 *
 * @param people - who sits at its places, in order
 * @throws {InputError} by field of the course
 */
export function createCourseLike(
	studio: Studio,
	input: Course,
	{ plan, people = [] }: { plan?: Plan | NamedPlan | undefined; people?: readonly Student[] },
): Promise<number> {
	const make = async (job: PlanJob) => {
		if (!plan || !adoptPlan(job.course, job.designs, job.terms, plan)) return makePlan(studio, job)
		return { plan: await judgePlan(studio, job, plan), isQuick: false }
	}
	return createCourseWith(studio, input, make, people)
}

async function createCourseWith(
	studio: Studio,
	input: Course,
	make: (job: PlanJob) => Promise<MadePlan>,
	people: readonly Student[] = [],
): Promise<number> {
	const { course, documents } = await pinDesigns(studio.id, requireValidCourse(input))
	const terms = await readPlanTerms(studio, documents)
	const job = { course, designs: documents, terms }
	const made = await make(job)
	return keepTogether(studio, { job, ...made }, async (transaction) => {
		const id = await createCourse(studio.id, course, transaction)
		if (people.length > 0) await replaceStudents(studio.id, id, { students: people }, transaction)
		return id
	})
}

/**
 * Designs that the course had before keep their version.
 *
 * @throws {InputError} by field of the course
 * @throws {ConflictError} someone else has saved it since it was read
 */
export async function updatePlannedCourse(studio: Studio, input: StoredCourse): Promise<void> {
	const before = await getCourse(studio.id, input.id)
	// The form shows neither the waits set by hand nor what is settled about the plan: they stay.
	const pins = (input.pins ?? before.pins ?? []).filter((pin) => {
		return !('session' in pin) || pin.session <= input.sessions.length
	})
	const kept = { ...(before.waits && { waits: before.waits }), pins }
	await savePlanned(studio, { ...input, designs: withVersionsOf(input, before), ...kept })
}

/** Designs that the course had before keep their version. */
export function withVersionsOf({ designs }: Pick<Course, 'designs'>, before: Course): Course['designs'] {
	const versions = new Map(before.designs.map(({ designId, designVersion }) => [designId, designVersion]))
	return designs.map((item) => {
		const designVersion = versions.get(item.designId)
		return { ...item, ...(designVersion !== undefined && { designVersion }) }
	})
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
	const { id, version, ...plain } = course
	const changed = applyEdit(plain, { kind: 'wait', key, ...(minutes !== undefined && { minutes }) })
	await savePlanned(studio, { ...changed, id, version })
}

async function savePlanned(studio: Studio, input: StoredCourse): Promise<void> {
	await saveWith(studio, input, (job) => makePlan(studio, job))
}

/**
 * Saves a course with a plan that was chosen for it.
 *
 * @param choose - the plan, once it is known what the course is planned from
 * @param reason - for the course's history; absent: nobody said any
 * @throws {InputError} by field of the course
 * @throws {ConflictError} someone else has saved it since it was read
 */
export async function keepCourseWith(
	studio: Studio,
	input: StoredCourse,
	choose: (job: PlanJob) => Promise<CoursePlan>,
	reason?: string,
): Promise<void> {
	await saveWith(studio, input, async (job) => ({ plan: await choose(job), isQuick: false }), reason)
}

async function saveWith(
	studio: Studio,
	input: StoredCourse,
	make: (job: PlanJob) => Promise<MadePlan>,
	reason?: string,
): Promise<void> {
	const { course, documents } = await pinDesigns(studio.id, requireValidCourse(input))
	const terms = await readPlanTerms(studio, documents)
	const { id, version: _, ...plain } = course
	const job = { course: plain, designs: documents, terms }
	const made = await make(job)
	await keepTogether(studio, { job, reason, ...made }, async (transaction) => {
		await updateCourse(studio.id, course, transaction)
		return id
	})
}

/** The course and its plan are kept together or not at all; a quick plan is improved later. */
async function keepTogether(
	studio: Studio,
	{ job, plan, isQuick, reason = null }: MadePlan & { job: PlanJob; reason?: string | null | undefined },
	saveCourse: (transaction: Transaction) => Promise<number>,
): Promise<number> {
	const fingerprint = fingerprintOf(job.course, job.designs, job.terms)
	const kept = await inTransaction(async (transaction) => {
		const courseId = await saveCourse(transaction)
		const planId = await createPlan(studio.id, { courseId, fingerprint, document: plan, reason }, transaction)
		return { courseId, planId }
	})
	if (isQuick) improveLater(studio, job, { ...kept, fingerprint, plan })
	return kept.courseId
}

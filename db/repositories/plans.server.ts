/** Plans made for courses: kept as they were made, newest first, never overwritten. */
import { isOpenPlan } from '../../core/plan/exact/plan-exactly'
import type { CoursePlan } from '../../core/plan/plan-course'
import { readStoredPlan, writeStoredPlan } from '../../core/plan/stored-plan'
import { NotFoundError } from '../../core/errors'
import type { Transaction } from 'sequelize'
import { inTransaction } from '../connection.server'
import { PlanModel } from '../models/courses.server'
import { requireCourse } from '../require-course.server'
import { rememberRows } from '../row-memory.server'

export interface StoredPlan {
	id: number
	fingerprint: string
	createdAt: Date
	document: CoursePlan
}

/** Plans kept of one course; older ones go. */
const PLANS_KEPT = 20

/** The course's newest plan, or undefined if it has none. */
export async function findNewestPlan(studioId: number, courseId: number): Promise<StoredPlan | undefined> {
	const newest = { where: { studioId, courseId }, order: [['id', 'DESC']] as [string, string][], raw: true }
	const row = await PlanModel.findOne({ ...newest, attributes: ['id', 'fingerprint', 'createdAt'] })
	if (!row) return undefined
	const document = knownPlans.get(String(row.id))
	if (document) return { id: row.id, fingerprint: row.fingerprint, createdAt: row.createdAt, document }
	const whole = await PlanModel.findOne({ where: { studioId, courseId, id: row.id }, raw: true })
	// Gone between the two: there are newer ones.
	return whole ? toStoredPlan(whole) : findNewestPlan(studioId, courseId)
}

/** A plan is written once and never changed. */
const knownPlans = rememberRows<CoursePlan>(200)

/** The plans kept of a course, the newest first. */
export async function listPlans(studioId: number, courseId: number): Promise<StoredPlan[]> {
	const rows = await PlanModel.findAll({ where: { studioId, courseId }, order: [['id', 'DESC']], limit: PLANS_KEPT })
	return rows.map(toStoredPlan)
}

/** How many plans of a course are kept. */
export function countPlans(studioId: number, courseId: number): Promise<number> {
	return PlanModel.count({ where: { studioId, courseId } })
}

/** @throws {NotFoundError} the studio's course has no such plan */
export async function getPlan(studioId: number, courseId: number, id: number): Promise<StoredPlan> {
	const row = await PlanModel.findOne({ where: { studioId, courseId, id } })
	if (!row) throw new NotFoundError('There is no such plan any more.')
	return toStoredPlan(row)
}

function toStoredPlan({ id, fingerprint, createdAt, document }: PlanModel): StoredPlan {
	return { id, fingerprint, createdAt, document: knownPlans.keep(String(id), readStoredPlan(document)) }
}

/**
 * @returns the id of the plan
 * @throws {NotFoundError} the studio has no such course
 */
export function createPlan(
	studioId: number,
	{ courseId, fingerprint, document }: { courseId: number; fingerprint: string; document: CoursePlan },
	within?: Transaction,
): Promise<number> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const { objective } = document
		// Lists tell what is missing only where it is proven.
		const status = isOpenPlan(document) ? 'unknown' : document.status
		const shortfallMinutes = objective?.shortfall ?? 0
		const { id } = await PlanModel.create(
			{ studioId, courseId, fingerprint, status, shortfallMinutes, document: writeStoredPlan(document) },
			{ transaction },
		)
		const newest = { where: { studioId, courseId }, attributes: ['id'], order: [['id', 'DESC']] as [string, string][] }
		const surplus = await PlanModel.findAll({ ...newest, offset: PLANS_KEPT, limit: 100, transaction })
		const gone = surplus.map((row) => row.id)
		if (gone.length > 0) await PlanModel.destroy({ where: { studioId, courseId, id: gone }, transaction })
		return id
	}, within)
}

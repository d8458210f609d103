/** Plans made for courses: kept as they were made, newest first, never overwritten. */
import { isOpenPlan } from '../../core/plan/exact/plan-exactly'
import type { CoursePlan } from '../../core/plan/plan-course'
import { readStoredPlan, writeStoredPlan } from '../../core/plan/stored-plan'
import { NotFoundError } from '../../core/errors'
import { Op, type Transaction } from 'sequelize'
import { inTransaction, writing } from '../connection.server'
import { PlanModel } from '../models/courses.server'
import { requireCourse } from '../require-course.server'
import { rememberRows } from '../row-memory.server'

export interface StoredPlan {
	id: number
	fingerprint: string
	createdAt: Date
	document: CoursePlan
	/** Set aside under this name, to compare; null: it stands, or stood. */
	asideName: string | null
	/** Why it was made, where somebody said so. */
	reason: string | null
}

/** Plans kept of one course; older ones go. */
const PLANS_KEPT = 20
/** Plans set aside of one course; older ones go. */
export const ASIDE_KEPT = 12

/** The course's newest plan, or undefined if it has none. */
export async function findNewestPlan(studioId: number, courseId: number): Promise<StoredPlan | undefined> {
	const where = { studioId, courseId, asideName: null }
	const newest = { where, order: [['id', 'DESC']] as [string, string][], raw: true }
	const row = await PlanModel.findOne({ ...newest, attributes: ['id', 'fingerprint', 'createdAt', 'reason'] })
	if (!row) return undefined
	const document = knownPlans.get(String(row.id))
	const { id, fingerprint, createdAt, reason } = row
	if (document) return { id, fingerprint, createdAt, reason, document, asideName: null }
	const whole = await PlanModel.findOne({ where: { studioId, courseId, id: row.id }, raw: true })
	// Gone between the two: there are newer ones.
	return whole ? toStoredPlan(whole) : findNewestPlan(studioId, courseId)
}

/** A plan is written once and never changed. */
const knownPlans = rememberRows<CoursePlan>(200)

/** The plans kept of a course, the newest first; without those set aside. */
export async function listPlans(studioId: number, courseId: number): Promise<StoredPlan[]> {
	const where = { studioId, courseId, asideName: null }
	const rows = await PlanModel.findAll({ where, order: [['id', 'DESC']], limit: PLANS_KEPT })
	return rows.map(toStoredPlan)
}

/** The plans set aside to compare, the newest first. */
export async function listAside(studioId: number, courseId: number): Promise<StoredPlan[]> {
	const where = { studioId, courseId, asideName: { [Op.ne]: null } }
	const rows = await PlanModel.findAll({ where, order: [['id', 'DESC']], limit: ASIDE_KEPT })
	return rows.map(toStoredPlan)
}

/** How many plans of a course are kept, and how many are set aside. */
export async function countPlans(studioId: number, courseId: number): Promise<{ kept: number; aside: number }> {
	const [kept, aside] = await Promise.all([
		PlanModel.count({ where: { studioId, courseId, asideName: null } }),
		PlanModel.count({ where: { studioId, courseId, asideName: { [Op.ne]: null } } }),
	])
	return { kept, aside }
}

/** @throws {NotFoundError} the studio's course has no such plan set aside */
export async function deleteAside(studioId: number, courseId: number, id: number): Promise<void> {
	const where = { studioId, courseId, id, asideName: { [Op.ne]: null } }
	if ((await writing(() => PlanModel.destroy({ where }))) === 0)
		throw new NotFoundError('There is no such plan any more.')
}

/** @throws {NotFoundError} the studio's course has no such plan */
export async function getPlan(studioId: number, courseId: number, id: number): Promise<StoredPlan> {
	const row = await PlanModel.findOne({ where: { studioId, courseId, id } })
	if (!row) throw new NotFoundError('There is no such plan any more.')
	return toStoredPlan(row)
}

/**
 * Says of a plan that it was made from these inputs: one that came in a copy, where rows have other ids.
 *
 * @throws {NotFoundError} the studio has no such plan
 */
export async function confirmPlan(studioId: number, id: number, fingerprint: string): Promise<void> {
	if ((await writing(() => PlanModel.update({ fingerprint }, { where: { studioId, id } })))[0] === 0)
		throw new NotFoundError('There is no such plan.')
}

function toStoredPlan({ id, fingerprint, createdAt, document, asideName, reason }: PlanModel): StoredPlan {
	return {
		id,
		fingerprint,
		createdAt,
		asideName,
		reason,
		document: knownPlans.keep(String(id), readStoredPlan(document)),
	}
}

export interface NewPlan {
	courseId: number
	fingerprint: string
	document: CoursePlan
	/** Absent: it stands from now on. */
	asideName?: string | null
	reason?: string | null
}

/**
 * @returns the id of the plan
 * @throws {NotFoundError} the studio has no such course
 */
export function createPlan(
	studioId: number,
	{ courseId, fingerprint, document, asideName = null, reason = null }: NewPlan,
	within?: Transaction,
): Promise<number> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const { objective } = document
		// Lists tell what is missing only where it is proven.
		const status = isOpenPlan(document) ? 'unknown' : document.status
		const shortfallMinutes = objective?.shortfall ?? 0
		const { id } = await PlanModel.create(
			{
				studioId,
				courseId,
				fingerprint,
				status,
				shortfallMinutes,
				document: writeStoredPlan(document),
				asideName,
				reason,
			},
			{ transaction },
		)
		const [alike, offset] = asideName === null ? [null, PLANS_KEPT] : [{ [Op.ne]: null }, ASIDE_KEPT]
		const newest = { where: { studioId, courseId, asideName: alike }, order: [['id', 'DESC']] as [string, string][] }
		const surplus = await PlanModel.findAll({ ...newest, attributes: ['id'], offset, limit: 100, transaction })
		const gone = surplus.map((row) => row.id)
		if (gone.length > 0) await PlanModel.destroy({ where: { studioId, courseId, id: gone }, transaction })
		return id
	}, within)
}

/** Which work before class is done, and on which day it is wanted. */
import { inTransaction } from '../connection.server'
import { PrepMarkModel } from '../models/preparation.server'
import { requireCourse } from '../require-course.server'

export interface PrepMarks {
	/** When, by id of the task. */
	done: [taskId: string, doneAt: Date][]
	/** Day, YYYY-MM-DD, by id of the task. */
	settled: [taskId: string, day: string][]
}

/** Of courses of one studio. */
export async function listPrepMarks(courseIds: readonly number[]): Promise<PrepMarks> {
	const rows = await PrepMarkModel.findAll({ where: { courseId: [...courseIds] }, order: [['taskId', 'ASC']] })
	return {
		done: rows.flatMap(({ taskId, doneAt }) => (doneAt ? [[taskId, doneAt] as const] : [])) as PrepMarks['done'],
		settled: rows.flatMap(({ taskId, day }) => (day ? [[taskId, day] as const] : [])) as PrepMarks['settled'],
	}
}

export interface PrepMark {
	courseId: number
	taskId: string
}

/**
 * Done, or not yet after all.
 *
 * @param doneAt - when it was; absent: not yet
 * @throws {NotFoundError} the studio has no such course
 */
export function markDone(studioId: number, { courseId, taskId }: PrepMark, doneAt: Date | undefined): Promise<void> {
	return changeMark(studioId, { courseId, taskId }, { doneAt: doneAt ?? null })
}

/**
 * Wanted on a day, or whenever it is best.
 *
 * @param day - YYYY-MM-DD
 * @throws {NotFoundError} the studio has no such course
 */
export function settleDay(studioId: number, { courseId, taskId }: PrepMark, day: string | undefined): Promise<void> {
	return changeMark(studioId, { courseId, taskId }, { day: day ?? null })
}

function changeMark(
	studioId: number,
	{ courseId, taskId }: PrepMark,
	change: { doneAt: Date | null } | { day: string | null },
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const [row] = await PrepMarkModel.findOrCreate({
			where: { courseId, taskId },
			defaults: { courseId, taskId, doneAt: null, day: null },
			transaction,
		})
		await row.update(change, { transaction })
	})
}

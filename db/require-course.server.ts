/** Whether a course is the studio's own: asked by everything that hangs on a course. */
import type { Transaction } from 'sequelize'
import { NotFoundError } from '../core/errors'
import { CourseModel } from './models/courses.server'

/**
 * The course's own row, without its parts.
 *
 * @param lock - keep others from changing the row until the transaction ends
 * @throws {NotFoundError} the studio has no such course
 */
export async function requireCourse(
	studioId: number,
	id: number,
	{ transaction, lock = false }: { transaction?: Transaction | undefined; lock?: boolean } = {},
): Promise<CourseModel> {
	const row = await CourseModel.findOne({
		where: { studioId, id },
		...(transaction && { transaction, ...(lock && { lock: transaction.LOCK.UPDATE }) }),
	})
	if (!row) throw new NotFoundError('There is no such course.')
	return row
}

/** A piece of work before class settled on a day: kept where it can be done then, else refused with what stands against it. */
import { InputError, NotFoundError } from '../../core/errors'
import { findObstacle } from '../../core/prepare/find-obstacle'
import type { Member } from '../../db/repositories/sign-ins.server'
import { settleDay } from '../../db/repositories/prep-marks.server'
import { loadPreparation } from './load-preparation.server'
import { obstacleWords } from './words/obstacles'

/**
 * @param day - YYYY-MM-DD; absent: whenever it is best
 * @param now - YYYY-MM-DDTHH:MM on the studio's clock
 * @throws {InputError} why it cannot be then
 * @throws {NotFoundError} there is no such work any more
 */
export async function moveTask(
	member: Pick<Member, 'userId' | 'studio'>,
	{ courseId, taskId, day }: { courseId: number; taskId: string; day?: string | undefined },
	now: string,
): Promise<void> {
	const preparation = await loadPreparation(member, now)
	const task = preparation.tasks.find(({ id }) => id === taskId)
	if (!task || task.courseId !== courseId)
		throw new NotFoundError('There is no such work any more: load the page again.')
	const obstacle = day === undefined ? undefined : findObstacle(task, day, preparation)
	if (obstacle && day !== undefined)
		throw new InputError([{ path: '', message: obstacleWords(obstacle, day, task.minutes) }])
	await settleDay(member.studio.id, { courseId, taskId }, day)
}

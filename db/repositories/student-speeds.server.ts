/** How fast people are who come again: kept only where a studio asks for it, and forgotten by one press. */
import { NotFoundError } from '../../core/errors'
import { learnStudents, type BelievedStudent } from '../../core/learn/student-speed'
import type { SeenStudent } from '../../core/run/observe-students'
import { hashPerson, tellDeletion } from '../deletions.server'
import { inTransaction, writing } from '../connection.server'
import { StudioModel } from '../models/accounts.server'
import { StudentSpeedModel } from '../models/learning.server'
import { requireCourse } from '../require-course.server'
import type { RunKey } from './runs.server'

/** Of one whom this studio knows. */
export interface KnownStudent extends BelievedStudent {
	/** As she was called last. */
	name: string
}

/** By name. */
export async function listStudentSpeeds(studioId: number): Promise<KnownStudent[]> {
	const rows = await StudentSpeedModel.findAll({ where: { studioId }, order: ['id'], raw: true })
	const names = new Map(rows.map(({ person, name }) => [person, name]))
	const observations = rows.map(({ person, taughtOn: date, logRatio }) => ({ person, date, logRatio }))
	return learnStudents(observations).map((own) => ({ ...own, name: names.get(own.person) ?? own.person }))
}

/**
 * What a session says now takes the place of what it said before.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function keepStudentSpeeds(
	studioId: number,
	{ courseId, session }: RunKey,
	seen: readonly SeenStudent[],
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		await StudentSpeedModel.destroy({ where: { studioId, courseId, session }, transaction })
		await StudentSpeedModel.bulkCreate(
			seen.map(({ person, name, date, logRatio }) => {
				return { studioId, courseId, session, person, name, taughtOn: date, logRatio }
			}),
			{ transaction },
		)
	})
}

/**
 * Whether it is learnt how fast people are; where it is not, nothing of it is kept.
 *
 * @param learns - false: all that was learnt is forgotten too
 */
export async function setLearnsStudents(studioId: number, learns: boolean): Promise<void> {
	await inTransaction(async (transaction) => {
		await StudioModel.update({ learnsStudents: learns }, { where: { id: studioId }, transaction })
		if (!learns) await StudentSpeedModel.destroy({ where: { studioId }, transaction })
	})
	if (!learns) tellDeletion({ kind: 'speeds', studioId })
}

/** @throws {NotFoundError} nothing is known of her */
export async function forgetStudent(studioId: number, person: string): Promise<void> {
	if ((await writing(() => StudentSpeedModel.destroy({ where: { studioId, person } }))) === 0)
		throw new NotFoundError('Nothing is known of her.')
	tellDeletion({ kind: 'speed', studioId, personHash: hashPerson(person) })
}

/** Which lines of which kits are packed, and with how much. */
import { NotFoundError } from '../../core/errors'
import { getDatabase } from '../connection.server'
import { CourseModel } from '../models/courses.server'
import { PackingTickModel } from '../models/kits.server'

export interface PackingTick {
	/** 0: the instructor's own. */
	seat: number
	/** Key of the line. */
	line: string
	/** That was packed, in the line's unit: a plan made anew may ask for another. */
	amount: number
}

/** @throws {NotFoundError} the studio has no such course */
export async function listTicks(studioId: number, courseId: number): Promise<PackingTick[]> {
	await requireCourse(studioId, courseId)
	const rows = await PackingTickModel.findAll({ where: { courseId } })
	return rows.map(({ seat, line, amount }) => ({ seat, line, amount: Number(amount) }))
}

/** Notes that lines are packed; again is no failure. */
export async function addTicks(
	studioId: number,
	courseId: number,
	ticks: readonly PackingTick[],
	now: Date,
): Promise<void> {
	await requireCourse(studioId, courseId)
	await PackingTickModel.bulkCreate(
		ticks.map((tick) => ({ ...tick, courseId, tickedAt: now })),
		{ updateOnDuplicate: ['amount', 'tickedAt'] },
	)
}

/** Takes lines out again; one that was not packed is no failure. */
export async function removeTicks(
	studioId: number,
	courseId: number,
	ticks: readonly Pick<PackingTick, 'seat' | 'line'>[],
): Promise<void> {
	await requireCourse(studioId, courseId)
	for (const { seat, line } of ticks) await PackingTickModel.destroy({ where: { courseId, seat, line } })
}

/** Unpacks everything. */
export async function clearTicks(studioId: number, courseId: number): Promise<void> {
	await requireCourse(studioId, courseId)
	await PackingTickModel.destroy({ where: { courseId } })
}

async function requireCourse(studioId: number, id: number): Promise<void> {
	getDatabase()
	if ((await CourseModel.count({ where: { studioId, id } })) === 0) throw new NotFoundError('There is no such course.')
}

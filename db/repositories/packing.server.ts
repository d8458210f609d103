/**
 * Which lines of which kits are packed, and with how much. Several devices pack at once, some of them without a network:
 * every change carries the moment at which it was made, and the newest of a line counts, in whatever order they come.
 */
import { Op, type Transaction } from 'sequelize'
import { inTransaction } from '../connection.server'
import { PackingTickModel } from '../models/kits.server'
import { requireCourse } from '../require-course.server'

export interface PackingTick {
	/** 0: the instructor's own. */
	seat: number
	/** Key of the line. */
	line: string
	/** That was packed, in the line's unit: a plan made anew may ask for another. */
	amount: number
}

export interface TickChange extends PackingTick {
	/** false: taken out again. */
	isPacked: boolean
	at: Date
}

/** @throws {NotFoundError} the studio has no such course */
export async function listTicks(studioId: number, courseId: number): Promise<PackingTick[]> {
	await requireCourse(studioId, courseId)
	const rows = await PackingTickModel.findAll({ where: { courseId, isPacked: true } })
	return rows.map(({ seat, line, amount }) => ({ seat, line, amount: Number(amount) }))
}

/**
 * Takes changes in; those older than what is known of their line, or than the last unpacking of everything, change
 * nothing.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function changeTicks(studioId: number, courseId: number, changes: readonly TickChange[]): Promise<void> {
	return inTransaction(async (transaction) => {
		const { unpackedAt } = await requireCourse(studioId, courseId, { transaction, lock: true })
		const known = await timesOf(courseId, changes, transaction)
		const newer = changes.filter((change) => {
			return change.at >= (known.get(keyOf(change)) ?? unpackedAt ?? change.at)
		})
		await PackingTickModel.bulkCreate(
			newer.map(({ at, ...change }) => ({ ...change, courseId, tickedAt: at })).toSorted(bySeatAndLine),
			{ updateOnDuplicate: ['amount', 'isPacked', 'tickedAt'], transaction },
		)
	})
}

/**
 * Unpacks everything that was packed up to a moment; what another device has packed since stays.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function clearTicks(studioId: number, courseId: number, upTo: Date): Promise<void> {
	return inTransaction(async (transaction) => {
		const course = await requireCourse(studioId, courseId, { transaction, lock: true })
		if (course.unpackedAt && course.unpackedAt > upTo) return
		await course.update({ unpackedAt: upTo }, { transaction })
		await PackingTickModel.destroy({ where: { courseId, tickedAt: { [Op.lte]: upTo } }, transaction })
	})
}

/** When each of these lines was last changed. */
async function timesOf(
	courseId: number,
	changes: readonly PackingTick[],
	transaction: Transaction,
): Promise<Map<string, Date>> {
	const rows = await PackingTickModel.findAll({
		where: { courseId, line: [...new Set(changes.map(({ line }) => line))] },
		attributes: ['seat', 'line', 'tickedAt'],
		transaction,
	})
	return new Map(rows.map((row) => [keyOf(row), row.tickedAt]))
}

function keyOf({ seat, line }: Pick<PackingTick, 'seat' | 'line'>): string {
	return `${seat} ${line}`
}

/** In one order, writers of the same lines wait for each other instead of meeting in a deadlock. */
function bySeatAndLine(a: PackingTick, b: PackingTick): number {
	return a.seat - b.seat || (a.line < b.line ? -1 : 1)
}

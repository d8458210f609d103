/** What was seen of drying: the log that the forecast learns from. */
import type { Transaction } from 'sequelize'
import type { Paste } from '../../core/vocabulary/paste'
import type { DryingObservation } from '../../core/drying/pace-belief'
import { NotFoundError } from '../../core/errors'
import { inTransaction, writing } from '../connection.server'
import { DryingNoteModel } from '../models/places.server'
import { requireCourse } from '../require-course.server'
import type { RunKey } from './runs.server'

export interface DryingNote extends DryingObservation {
	paste: Paste
	/** The piece and the room, in words. */
	what: string
	/** Where it dried; absent: nobody has said. */
	placeId?: number
}

export interface StoredDryingNote extends DryingNote {
	id: number
	createdAt: Date
}

/** Entries that the forecast learns from: the newest; pastes and rooms change. */
const NEWEST = 200

/** Newest first. */
export async function listDryingNotes(studioId: number): Promise<StoredDryingNote[]> {
	const rows = await DryingNoteModel.findAll({ where: { studioId }, order: [['id', 'DESC']], limit: NEWEST, raw: true })
	return rows.map(({ id, paste, what, modelHours, notReadyHours, readyHours, batchSize, placeId, createdAt }) => ({
		...{ id, paste, what, modelHours, notReadyHours, batchSize, createdAt },
		...(readyHours !== null && { readyHours }),
		...(placeId !== null && { placeId }),
	}))
}

/**
 * What the trays of a session say now takes the place of what they said before.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function keepTrayNotes(
	studioId: number,
	{ courseId, session }: RunKey,
	notes: readonly DryingNote[],
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		await DryingNoteModel.destroy({ where: { studioId, courseId, session }, transaction })
		await DryingNoteModel.bulkCreate(
			notes.map(({ readyHours = null, batchSize = 1, ...rest }) => {
				return { ...rest, studioId, readyHours, batchSize, courseId, session }
			}),
			{ transaction },
		)
	})
}

/** Writes an entry down. */
export async function createDryingNote(studioId: number, note: DryingNote, transaction?: Transaction): Promise<void> {
	const { readyHours = null, batchSize = 1, ...rest } = note
	await writing(() => DryingNoteModel.create({ ...rest, studioId, readyHours, batchSize }, { transaction }))
}

/** @throws {NotFoundError} the studio has no such entry */
export async function deleteDryingNote(studioId: number, id: number): Promise<void> {
	if ((await writing(() => DryingNoteModel.destroy({ where: { studioId, id } }))) === 0)
		throw new NotFoundError('There is no such entry.')
}

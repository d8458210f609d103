/** What was seen of drying: the log that the forecast learns from. */
import type { Transaction } from 'sequelize'
import type { Paste } from '../../core/vocabulary/paste'
import type { DryingObservation } from '../../core/drying/pace-belief'
import { NotFoundError } from '../../core/errors'
import { writing } from '../connection.server'
import { DryingNoteModel } from '../models/places.server'

export interface DryingNote extends DryingObservation {
	paste: Paste
	/** The piece and the room, in words. */
	what: string
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
	return rows.map(({ id, paste, what, modelHours, notReadyHours, readyHours, batchSize, createdAt }) => {
		const ready = readyHours === null ? {} : { readyHours }
		return { id, paste, what, modelHours, notReadyHours, ...ready, batchSize, createdAt }
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

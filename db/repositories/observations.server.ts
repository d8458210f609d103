/** What past classes say of how long steps take: kept as it was observed; what is left out of learning says why. */
import { Op, type Transaction } from 'sequelize'
import { NotFoundError } from '../../core/errors'
import type { MinutesObservation } from '../../core/learn/minutes-belief'
import { inTransaction, writing } from '../connection.server'
import { ObservationModel } from '../models/learning.server'
import { requireCourse } from '../require-course.server'
import type { RunKey } from './runs.server'

/** A class that was taught here; or one that somebody made up, to try the log with. */
export type ObservationSource = 'run' | 'example'

export interface NewObservation {
	/** As the class is called. */
	className: string
	/** 'inner petals: cut, wire, cup'. */
	stepName: string
	/** As the design calls it. */
	techniqueName?: string
	observation: MinutesObservation
}

export interface StoredObservation extends NewObservation {
	id: number
	source: ObservationSource
	/** Of the run that it comes from. */
	run?: RunKey
	/** Why nothing is learnt from it; null: it is. */
	leftOut: string | null
}

/** The newest; older ones say little of the classes to come. */
const MOST = 20_000

/** In the order of their days. */
export async function listObservations(studioId: number): Promise<StoredObservation[]> {
	const rows = await ObservationModel.findAll({
		where: { studioId },
		order: [
			['taughtOn', 'DESC'],
			['id', 'DESC'],
		],
		limit: MOST,
		raw: true,
	})
	return rows.toReversed().map(({ id, courseId, session, className, source, document, leftOut }) => ({
		...{ id, className, leftOut, source: source as ObservationSource },
		...(courseId !== null && session !== null && { run: { courseId, session } }),
		...fromDocument(document as ObservationDocument),
	}))
}

/**
 * What a run says now takes the place of what it said before; what was left out of it stays so.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function keepRunObservations(
	studioId: number,
	{ courseId, session }: RunKey,
	observations: readonly NewObservation[],
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const keys = observations.map(({ observation }) => observation.id)
		await ObservationModel.destroy({
			where: { studioId, courseId, session, observationKey: { [Op.notIn]: keys } },
			transaction,
		})
		await ObservationModel.bulkCreate(
			observations.map((own) => ({ ...toRow(studioId, own), courseId, session, source: 'run' })),
			{ updateOnDuplicate: ['className', 'taughtOn', 'document'], transaction },
		)
	})
}

/** Of classes that somebody made up. */
export async function addExamples(
	studioId: number,
	observations: readonly NewObservation[],
	transaction?: Transaction,
): Promise<void> {
	const rows = observations.map((own) => {
		return { ...toRow(studioId, own), courseId: null, session: null, source: 'example' }
	})
	await writing(() => ObservationModel.bulkCreate(rows, { transaction }))
}

/**
 * @param reason - why nothing is learnt from it; null: it is again
 * @throws {NotFoundError} the studio has no such observation
 */
export async function leaveOut(studioId: number, id: number, reason: string | null): Promise<void> {
	await writing(() => ObservationModel.update({ leftOut: reason }, { where: { studioId, id } }))
	// What was so before counts as no change.
	const isThere = await ObservationModel.count({ where: { studioId, id } })
	if (isThere === 0) throw new NotFoundError('There is no such observation.')
}

/** JSON knows no Infinity. */
interface ObservationDocument extends Omit<NewObservation, 'className' | 'observation'> {
	observation: Omit<MinutesObservation, 'to'> & { to: number | null }
}

function toRow(studioId: number, { className, observation, ...words }: NewObservation) {
	const { to } = observation
	const document: ObservationDocument = { ...words, observation: { ...observation, to: to === Infinity ? null : to } }
	return { studioId, observationKey: observation.id, className, taughtOn: observation.date, document }
}

function fromDocument({ observation, ...words }: ObservationDocument): Omit<NewObservation, 'className'> {
	return { ...words, observation: { ...observation, to: observation.to ?? Infinity } }
}

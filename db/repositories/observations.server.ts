/**
 * What past classes say of minutes, breakage, paste, wires and queues: kept as it was observed; what is left out of learning says why, and
 * what was corrected keeps what it was.
 */
import { Op, type Transaction } from 'sequelize'
import { NotFoundError } from '../../core/errors'
import type { Advised } from '../../core/learn/advice'
import type { Seen, SeenInClass, SeenKind } from '../../core/learn/seen'
import { inTransaction, writing } from '../connection.server'
import { ObservationModel } from '../models/learning.server'
import { requireCourse } from '../require-course.server'
import type { RunKey } from './runs.server'

/** Taught on the tablet; told by hand after class; from a file; or made up, to try the log with. */
export type ObservationSource = 'run' | 'form' | 'file' | 'example'

export type StoredObservation = SeenInClass & {
	id: number
	source: ObservationSource
	/** Of the session that it comes from. */
	run?: RunKey
	/** Why nothing is learnt from it; null: it is. */
	leftOut: string | null
	/** What it was before it was corrected. */
	original?: Seen
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
	return rows.toReversed().map(toStored)
}

/** Those that are learnt from, by kind. */
export function learntFrom(rows: readonly StoredObservation[]): Advised {
	const used = rows.filter(({ leftOut }) => leftOut === null)
	return {
		minutes: used.flatMap((own) => (own.kind === 'minutes' ? [own.observation] : [])),
		breakage: used.flatMap((own) => (own.kind === 'breakage' ? [own.observation] : [])),
		paste: used.flatMap((own) => (own.kind === 'paste' ? [own.observation] : [])),
		wires: used.flatMap((own) => (own.kind === 'wires' ? [own.observation] : [])),
		queues: used.flatMap((own) => (own.kind === 'queue' ? [own.observation] : [])),
	}
}

/** What is said of these kinds of a session takes the place of what was said of them before. */
export interface SessionObservations {
	source: ObservationSource
	kinds: readonly SeenKind[]
	observations: readonly SeenInClass[]
}

/**
 * What was left out of it stays so, and what was corrected stays corrected.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export function keepSessionObservations(
	studioId: number,
	{ courseId, session }: RunKey,
	{ source, kinds, observations }: SessionObservations,
): Promise<void> {
	return inTransaction(async (transaction) => {
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const rows = observations.map((own) => ({ ...toRow(studioId, own), courseId, session, source }))
		const where = { studioId, courseId, session, kind: [...kinds] }
		const keys = rows.map(({ observationKey }) => observationKey)
		await ObservationModel.destroy({ where: { ...where, observationKey: { [Op.notIn]: keys } }, transaction })
		const corrected = await ObservationModel.findAll({
			where: { ...where, original: { [Op.ne]: null } },
			attributes: ['observationKey'],
			raw: true,
			transaction,
		})
		const isCorrected = new Set(corrected.map(({ observationKey }) => observationKey))
		await ObservationModel.bulkCreate(
			rows.filter(({ observationKey }) => !isCorrected.has(observationKey)),
			{ updateOnDuplicate: ['className', 'taughtOn', 'source', 'document'], transaction },
		)
		for (const { observationKey, document } of rows)
			if (isCorrected.has(observationKey))
				await ObservationModel.update({ original: document }, { where: { ...where, observationKey }, transaction })
	})
}

/** Of one session, of these kinds. */
export async function listSessionObservations(
	studioId: number,
	{ courseId, session }: RunKey,
): Promise<StoredObservation[]> {
	const rows = await ObservationModel.findAll({ where: { studioId, courseId, session }, order: ['id'], raw: true })
	return rows.map(toStored)
}

/** Of no session of a course here; what is there already is left as it is. @returns how many were new */
export async function addObservations(
	studioId: number,
	{ source, observations }: { source: 'file' | 'example'; observations: readonly SeenInClass[] },
	transaction?: Transaction,
): Promise<number> {
	const rows = observations.map((own) => ({ ...toRow(studioId, own), courseId: null, session: null, source }))
	const countOf = () => ObservationModel.count({ where: { studioId }, ...(transaction && { transaction }) })
	const before = await countOf()
	await writing(() => ObservationModel.bulkCreate(rows, { ignoreDuplicates: true, transaction }))
	return (await countOf()) - before
}

/**
 * @param reason - why nothing is learnt from it; null: it is again
 * @throws {NotFoundError} the studio has no such observation
 */
export async function leaveOut(studioId: number, id: number, reason: string | null): Promise<void> {
	await requireObservation(studioId, id)
	await writing(() => ObservationModel.update({ leftOut: reason }, { where: { studioId, id } }))
}

/**
 * @param change - what it should have said; absent: what was observed counts again
 * @throws {NotFoundError} the studio has no such observation
 */
export async function correctObservation(
	studioId: number,
	id: number,
	change?: (seen: StoredObservation) => Seen,
): Promise<void> {
	const row = await requireObservation(studioId, id)
	const document = change ? toDocument(change(toStored(row))) : row.original
	if (!document) return
	const original = change ? (row.original ?? row.document) : null
	await writing(() => ObservationModel.update({ document, original }, { where: { studioId, id } }))
}

async function requireObservation(studioId: number, id: number): Promise<ObservationModel> {
	const row = await ObservationModel.findOne({ where: { studioId, id }, raw: true })
	if (!row) throw new NotFoundError('There is no such observation.')
	return row
}

function toRow(studioId: number, { className, ...seen }: SeenInClass) {
	const { id, date } = seen.observation
	return { studioId, observationKey: id, className, taughtOn: date, kind: seen.kind, document: toDocument(seen) }
}

/** JSON knows no Infinity. */
function toDocument(seen: Seen): object {
	const { kind: _, ...document } = seen
	if (seen.kind !== 'minutes') return document
	const { to } = seen.observation
	return { ...document, observation: { ...seen.observation, to: to === Infinity ? null : to } }
}

function toStored(row: ObservationModel): StoredObservation {
	const { id, courseId, session, className, source, leftOut, kind, document, original } = row
	return {
		...{ id, className, leftOut, source: source as ObservationSource },
		...(courseId !== null && session !== null && { run: { courseId, session } }),
		...fromDocument(kind, document),
		...(original && { original: fromDocument(kind, original) }),
	}
}

function fromDocument(kind: string, document: object): Seen {
	if (kind !== 'minutes') return { kind, ...document } as Seen
	const { observation, ...words } = document as Omit<Extract<Seen, { kind: 'minutes' }>, 'kind'>
	// What was cut off has no end.
	return { kind, ...words, observation: { ...observation, to: (observation.to as number | null) ?? Infinity } }
}

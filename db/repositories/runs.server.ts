/** The events of sessions that are taught: taken once each, given in the order in which they came. */
import { literal, Op } from 'sequelize'
import { countingEvents, mergeEvents, type RunEvent } from '../../core/run/run-event'
import { InputError } from '../../core/errors'
import { inTransaction, isCluster } from '../connection.server'
import { RunEventModel } from '../models/runs.server'
import { requireCourse } from '../require-course.server'

/** A session of a course; from 1. */
export interface RunKey {
	courseId: number
	session: number
}

/** More than any evening has. */
const MOST_EVENTS = 5_000

export interface KnownEvents {
	events: RunEvent[]
	/** Of the last of them: asked again after it, what came since is given. */
	cursor: number
}

/**
 * Takes events that are not known yet.
 *
 * @throws {InputError} the run has more than any evening
 * @throws {NotFoundError} the studio has no such course
 */
export function addRunEvents(
	studioId: number,
	{ courseId, session }: RunKey,
	events: readonly RunEvent[],
	receivedAt: Date,
): Promise<void> {
	return inTransaction(async (transaction) => {
		// One writer at a time: so nothing comes in with a lower number than what a reader has seen.
		await requireCourse(studioId, courseId, { transaction, lock: true })
		const rows = await RunEventModel.findAll({
			where: { courseId, session },
			attributes: ['eventId'],
			transaction,
			raw: true,
		})
		const known = new Set(rows.map(({ eventId }) => eventId))
		const unique = new Map(events.map((event) => [event.id, event]))
		const fresh = [...unique.values()].filter(({ id }) => !known.has(id))
		if (known.size + fresh.length > MOST_EVENTS)
			throw new InputError([{ path: 'events', message: `At most ${MOST_EVENTS} events are kept of a session` }])
		await RunEventModel.bulkCreate(
			fresh.map((event) => ({ courseId, session, eventId: event.id, event, receivedAt })),
			{ transaction },
		)
	})
}

/** Nodes see within it what others took in, and their clocks differ by less. */
const LATE_MS = 30_000

const lately = () => new Date(Date.now() - LATE_MS)

/**
 * What came after a cursor; on a cluster once more what came in the last half minute: each of its nodes numbers rows by
 * itself, and a lower number may come in after a higher one.
 *
 * @param after - 0: all
 * @throws {NotFoundError} the studio has no such course
 */
export async function readRunEvents(
	studioId: number,
	{ courseId, session }: RunKey,
	after: number,
): Promise<KnownEvents> {
	await requireCourse(studioId, courseId)
	const isAfter = { id: { [Op.gt]: after } }
	const rows = await RunEventModel.findAll({
		where: { courseId, session, [Op.or]: isCluster() ? [isAfter, { receivedAt: { [Op.gt]: lately() } }] : [isAfter] },
		attributes: ['id', 'event'],
		order: [['id', 'ASC']],
		raw: true,
	})
	return { events: rows.map(({ event }) => event), cursor: Math.max(rows.at(-1)?.id ?? 0, after) }
}

/**
 * How many get dried pieces for a session that they missed, by course and by the session's number.
 *
 * @param courseIds - of one studio
 */
export async function listWaysBack(courseIds: readonly number[]): Promise<Map<number, Map<number, number>>> {
	if (courseIds.length === 0) return new Map()
	const rows = await RunEventModel.findAll({
		where: {
			courseId: [...courseIds],
			[Op.and]: literal(`JSON_VALUE(event, '$.type') IN ('way back', 'undo')`),
		},
		attributes: ['courseId', 'session', 'event'],
		raw: true,
	})
	const runs = new Map<string, RunKey & { events: RunEvent[] }>()
	for (const { courseId, session, event } of rows) {
		const key = `${courseId} ${session}`
		const run = runs.get(key) ?? { courseId, session, events: [] }
		run.events.push(event)
		runs.set(key, run)
	}
	const counts = new Map<number, Map<number, number>>()
	for (const { courseId, session, events } of runs.values()) {
		const byPlace = new Map(
			countingEvents(mergeEvents(events)).flatMap((event) => {
				return event.type === 'way back' ? [[event.place, event.is] as const] : []
			}),
		)
		const dried = [...byPlace.values()].filter((is) => is === 'dried').length
		counts.set(courseId, (counts.get(courseId) ?? new Map<number, number>()).set(session, dried))
	}
	return counts
}

export type RunStage = 'to come' | 'going on' | 'over'

/**
 * How far each session of a course is, by its number; one that was never opened is missing.
 *
 * @throws {NotFoundError} the studio has no such course
 */
export async function listRunStates(studioId: number, courseId: number): Promise<Record<number, RunStage>> {
	await requireCourse(studioId, courseId)
	const rows = await RunEventModel.findAll({ where: { courseId }, attributes: ['session', 'event'], raw: true })
	const bySession = new Map<number, RunEvent[]>()
	for (const { session, event } of rows) bySession.set(session, [...(bySession.get(session) ?? []), event])
	return Object.fromEntries(
		[...bySession].map(([session, events]) => {
			const types = new Set(countingEvents(mergeEvents(events)).map(({ type }) => type))
			return [session, types.has('closed') ? 'over' : types.has('opened') ? 'going on' : 'to come']
		}),
	)
}

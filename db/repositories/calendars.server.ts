/**
 * Calendars that other programs read: what was told of each event, so that a change has a higher number, and what is gone is
 * told to be off; and the secret addresses under which they are read.
 */
import { randomBytes } from 'node:crypto'
import { Op } from 'sequelize'
import { isSameData } from '../../core/sorted-keys'
import type { CalendarEvent, PublishedEvent } from '../../exchange/calendar/write-calendar'
import { inTransaction, writing } from '../connection.server'
import { CourseModel } from '../models/courses.server'
import { CalendarEventModel, CalendarFeedModel } from '../models/preparation.server'
import { findMemberById, hashToken, type Member } from './sign-ins.server'

/** What is off is told so long, then forgotten. */
const DAYS_TOLD_OFF = 30
const MS_PER_DAY = 86_400_000

export interface EventOfCourse {
	courseId: number
	event: CalendarEvent
}

/** What a calendar speaks of: of this, what it does not name any more is off. */
export type CalendarScope = (uid: string, courseId: number) => boolean

/**
 * Takes note of what calendars are told now, and gives it with its numbers: unchanged, it keeps them.
 *
 * @param isInScope - asked of events that were told before; those of courses that are gone are always off
 * @returns in the order given, then what is off; what is past is left as it was told
 */
export function publishEvents(
	studioId: number,
	events: readonly EventOfCourse[],
	now: Date,
	isInScope: CalendarScope,
): Promise<PublishedEvent[]> {
	return inTransaction(async (transaction) => {
		const [rows, courses] = await Promise.all([
			CalendarEventModel.findAll({
				where: { studioId },
				order: [['uid', 'ASC']],
				transaction,
				lock: transaction.LOCK.UPDATE,
			}),
			CourseModel.findAll({ where: { studioId }, attributes: ['id'], transaction, raw: true }),
		])
		const known = new Map(rows.map((row) => [row.uid, row]))
		const told = events.map(({ courseId, event }) => {
			const before = known.get(event.uid)
			const isSame = before && before.cancelledAt === null && isSameData(before.event, event)
			const sequence = before ? before.sequence + (isSame ? 0 : 1) : 0
			const changedAt = isSame ? before.changedAt : now
			return { isSame, row: { studioId, uid: event.uid, courseId, sequence, changedAt, cancelledAt: null, event } }
		})
		const given = new Set(events.map(({ event }) => event.uid))
		const existing = new Set(courses.map(({ id }) => id))
		const off = rows
			.filter(({ uid, courseId }) => !given.has(uid) && (isInScope(uid, courseId) || !existing.has(courseId)))
			.filter(({ event, cancelledAt }) => cancelledAt !== null || endOf(event) > now.getTime())
			.map((row) => row.get())
			.map((row) => (row.cancelledAt ? row : { ...row, sequence: row.sequence + 1, changedAt: now, cancelledAt: now }))
		const changed = [...told.filter(({ isSame }) => !isSame).map(({ row }) => row), ...off.filter(isOffNow(now))]
		if (changed.length > 0)
			await CalendarEventModel.bulkCreate(
				changed.toSorted((a, b) => (a.uid < b.uid ? -1 : 1)),
				{ updateOnDuplicate: ['courseId', 'sequence', 'changedAt', 'cancelledAt', 'event'], transaction },
			)
		const forgotten = new Date(now.getTime() - DAYS_TOLD_OFF * MS_PER_DAY)
		await CalendarEventModel.destroy({ where: { studioId, cancelledAt: { [Op.lt]: forgotten } }, transaction })
		return [...told.map(({ row }) => toPublished(row)), ...off.map(toPublished)]
	})
}

function isOffNow(now: Date) {
	return ({ cancelledAt }: { cancelledAt: Date | null }) => cancelledAt === now
}

function toPublished({ event, sequence, changedAt, cancelledAt }: ToldEvent): PublishedEvent {
	return { ...event, sequence, changedAt, isOff: cancelledAt !== null }
}

type ToldEvent = Pick<CalendarEventModel, 'event' | 'sequence' | 'changedAt' | 'cancelledAt'>

/** ms since 1970. */
function endOf({ when }: CalendarEvent): number {
	return 'end' in when ? when.end : Date.parse(when.day) + MS_PER_DAY
}

/**
 * A new secret for the address of a member's calendar; an older one opens nothing from then on.
 *
 * @returns only its hash is stored: nobody can be told it again
 */
export async function makeFeed(userId: number, now: Date): Promise<string> {
	const token = randomBytes(32).toString('base64url')
	await writing(() => CalendarFeedModel.upsert({ userId, tokenHash: hashToken(token), madeAt: now }))
	return token
}

/** Nothing can be read under the address any more; there being none is no failure. */
export async function revokeFeed(userId: number): Promise<void> {
	await writing(() => CalendarFeedModel.destroy({ where: { userId } }))
}

/** When her address was made; undefined: she has none. */
export async function findFeed(userId: number): Promise<Date | undefined> {
	return (await CalendarFeedModel.findByPk(userId))?.madeAt
}

/** @returns whose calendar is read under the token; undefined: nobody's */
export async function findFeedMember(token: string): Promise<Pick<Member, 'userId' | 'studio'> | undefined> {
	const feed = await CalendarFeedModel.findOne({ where: { tokenHash: hashToken(token) } })
	return feed ? findMemberById(feed.userId) : undefined
}

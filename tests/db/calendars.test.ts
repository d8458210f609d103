/** What calendars were told, and the secret addresses under which they are read. */
import { QueryTypes } from 'sequelize'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import {
	findFeed,
	findFeedMember,
	makeFeed,
	publishEvents,
	revokeFeed,
	type EventOfCourse,
} from '../../db/repositories/calendars.server'
import { createCourse, getCourse } from '../../db/repositories/courses.server'
import { deleteCourses } from '../../db/repositories/course-list.server'
import { getDatabase, inTransaction } from '../../db/connection.server'
import { demoCourse } from '../support/demo-designs'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

const NOW = new Date('2026-03-02T10:00:00Z')
const LATER = new Date('2026-03-03T10:00:00Z')
const ALL = () => true

let who: TestStudio
let courseId: number

beforeAll(freshDatabase)
beforeEach(async () => {
	who = await foundStudio(['magnolia'])
	courseId = await inTransaction((transaction) =>
		createCourse(who.studioId, demoCourse('Magnolia on Thursdays'), transaction),
	)
})

function event(uid: string, day = 12, title = uid): EventOfCourse {
	return {
		courseId,
		event: { uid, title, text: [], when: { start: Date.UTC(2026, 2, day, 19), end: Date.UTC(2026, 2, day, 21) } },
	}
}

const publish = (events: EventOfCourse[], now: Date, scope = ALL as (uid: string, course: number) => boolean) =>
	publishEvents(who.studioId, events, now, scope)

describe('what calendars are told', () => {
	test('keeps its number and its time while nothing changes, and has a higher one when it does', async () => {
		const first = await publish([event('a'), event('b')], NOW)
		const same = await publish([event('a'), event('b')], LATER)
		const changed = await publish([event('a', 13), event('b')], LATER)

		expect(first.map(({ sequence, isOff }) => [sequence, isOff])).toEqual([
			[0, false],
			[0, false],
		])
		expect(same).toEqual(first)
		expect(changed.map(({ sequence, changedAt }) => [sequence, changedAt])).toEqual([
			[1, LATER],
			[0, NOW],
		])
	})

	test('says of what is gone that it is off, and goes on saying so; back again it has a higher number', async () => {
		await publish([event('a'), event('b')], NOW)
		const gone = await publish([event('a')], LATER)
		const still = await publish([event('a')], new Date('2026-03-04T10:00:00Z'))
		const back = await publish([event('a'), event('b')], new Date('2026-03-05T10:00:00Z'))

		expect(gone[1]).toMatchObject({ uid: 'b', isOff: true, sequence: 1, changedAt: LATER })
		expect(still[1]).toEqual(gone[1])
		expect(back[1]).toMatchObject({ uid: 'b', isOff: false, sequence: 2 })
	})

	test('is silent of what is past, and of what it does not speak of', async () => {
		await publish([event('a', 1), event('b'), event('c')], new Date('2026-02-20T10:00:00Z'))
		const told = await publish([], NOW, (uid) => uid !== 'c')
		expect(told.map(({ uid, isOff }) => [uid, isOff])).toEqual([['b', true]])
	})

	test('says of a course that is deleted that it is off, whoever asks', async () => {
		await publish([event('a')], NOW)
		const { version } = await getCourse(who.studioId, courseId)
		await deleteCourses(who.studioId, [{ id: courseId, version }])

		expect(await publish([], LATER, () => false)).toMatchObject([{ uid: 'a', isOff: true }])
	})

	test('is one studio’s alone', async () => {
		const stranger = await foundStudio()
		await publish([event('a')], NOW)
		expect(await publishEvents(stranger.studioId, [], LATER, ALL)).toEqual([])
	})
})

describe('the address of a calendar', () => {
	test('opens the calendar of who made it, until it is made anew or revoked; its secret is not stored', async () => {
		const first = await makeFeed(who.userId, NOW)
		expect((await findFeedMember(first))?.userId).toBe(who.userId)
		expect(await findFeed(who.userId)).toEqual(NOW)

		const second = await makeFeed(who.userId, LATER)
		expect(await findFeedMember(first)).toBe(undefined)
		const rows = await getDatabase().query('SELECT * FROM calendar_feeds', { type: QueryTypes.SELECT })
		expect(rows.length).toBeGreaterThan(0)
		expect(JSON.stringify(rows)).not.toContain(second)

		await revokeFeed(who.userId)
		expect(await findFeedMember(second)).toBe(undefined)
		expect(await findFeed(who.userId)).toBe(undefined)
	})
})

/** What fits: the book looked through for a slot, line by line, and a course made of what is found. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import * as page from '../../app/plan/routes/what-fits/route'
import * as found from '../../app/plan/routes/what-fits-found/route'
import { readSlotAddress, toSlot } from '../../app/plan/schemas/slot-address'
import { getCourse } from '../../db/repositories/courses.server'
import { answerOf, call } from '../support/call-route'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['calla-lily', 'shells-and-starfish', 'magnolia'])
})

async function linesOf(query: string, who = studio) {
	const answer = await found.loader(call(who, `/courses/what-fits/found?${query}`))
	expect(answer.headers.get('Content-Type')).toMatch(/ndjson/)
	const text = await answer.text()
	return text
		.trim()
		.split('\n')
		.map((line) => JSON.parse(line) as found.FoundLine)
}

const fitsIn = (lines: found.FoundLine[]) => lines.flatMap((line) => ('fit' in line ? [line.fit] : []))

describe('the book', () => {
	test('is looked through design by design, and says how far it is', async () => {
		const lines = await linesOf('sessions=4&students=6&pace=improvers')

		expect(
			fitsIn(lines)
				.map(({ designId }) => designId)
				.toSorted(),
		).toEqual(['calla-lily', 'magnolia', 'shells-and-starfish'])
		expect(lines.at(-1)).toEqual({ looked: 3, of: 3 })
		expect(fitsIn(lines).every(({ ways }) => ways.length > 0)).toBe(true)
	})

	test('is narrowed by wires, level and audience, and nobody else’s is looked into', async () => {
		expect(fitsIn(await linesOf('sessions=4&wires=no')).map(({ designId }) => designId)).toEqual([
			'shells-and-starfish',
		])
		expect(fitsIn(await linesOf('sessions=4&for=children')).map(({ designId }) => designId)).toEqual([
			'shells-and-starfish',
		])
		expect(await linesOf('sessions=4', await foundStudio())).toEqual([{ looked: 0, of: 0 }])
	})
})

describe('the address', () => {
	const read = (query: string) => readSlotAddress(new URLSearchParams(query), '2026-03-09')

	test('says the whole slot, and what it does not say is as usual', () => {
		const asked = read('date=2026-04-02&from=10:00&to=16:00&sessions=2&every=1&tea=60&students=12&before=0&wires=no')
		const slot = toSlot(asked)

		expect(slot.sessions).toMatchObject([
			{ date: '2026-04-02', startMin: 600, endMin: 960, breaks: [{ startMin: 750, minutes: 60 }] },
			{ date: '2026-04-03' },
		])
		expect(slot).toMatchObject({ studentCount: 12, prepMinutes: 0, isWired: false, flowersPerStudent: 1 })
		expect(read('')).toMatchObject({ date: '2026-03-09', from: 1140, to: 1260, sessions: 1, students: 8 })
	})

	test.each(['date=2026-02-30', 'date=0026-03-01', 'from=25:00', 'from=20:00&to=19:00', 'sessions=1e9', 'students=-4'])(
		'%s is passed over',
		(query) => {
			expect(read(query)).toEqual(read(''))
		},
	)
})

describe('a press', () => {
	const address = '/courses/what-fits?date=2026-03-12&sessions=4&students=5'
	const press = (body: object, who = studio) => answerOf(page.action(call(who, address, { body })))

	test('makes the course in the slot, planned', async () => {
		const { to = '' } = await press({ designId: 'magnolia', flowers: 1, picks: { extent: 'half-open' } })
		const course = await getCourse(studio.studioId, Number(/\d+/.exec(to)?.[0]))

		expect(to).toMatch(/^\/courses\/\d+\/plan$/)
		expect(course).toMatchObject({ name: 'Magnolia', studentCount: 5, pace: 'beginners' })
		expect(course.sessions).toHaveLength(4)
		expect(course.designs[0]?.picks).toMatchObject({ extent: 'half-open', leaves: 'two' })
	})

	test('on what is not there is refused', async () => {
		expect((await press({ designId: 'magnolia', flowers: 0, picks: {} })).status).toBe(400)
		expect((await press({ designId: 'magnolia', flowers: 1, picks: { extent: 'none' } })).status).toBe(400)
		expect((await press({ designId: 'fuchsia', flowers: 1, picks: {} })).status).toBe(404)
		expect((await press({ designId: 'magnolia', flowers: 1, picks: {} }, await foundStudio())).status).toBe(404)
	})
})

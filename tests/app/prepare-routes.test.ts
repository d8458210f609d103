/** The calendar of a course as a file, and the days before of all courses, from the real database. */
import ICAL from 'ical.js'
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { createPlannedCourse, updatePlannedCourse } from '../../app/plan/save-course.server'
import { loadPreparation } from '../../app/prepare/load-preparation.server'
import { loader } from '../../app/prepare/routes/course-calendar/route'
import * as studioPage from '../../app/studio/routes/studio/route'
import * as freeTime from '../../app/prepare/routes/free-time/route'
import * as feed from '../../app/prepare/routes/member-calendar/route'
import * as page from '../../app/prepare/routes/preparation/route'
import { byWords } from '../../app/prepare/words/prep-work'
import { memberContext } from '../../app/shared/http/contexts'
import type { Studio } from '../../db/repositories/accounts.server'
import { findMemberById } from '../../db/repositories/sign-ins.server'
import { getCourse } from '../../db/repositories/courses.server'
import { replaceStudents } from '../../db/repositories/students.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { addDays } from '../../core/time/calendar'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let who: TestStudio
let studio: Studio

beforeAll(freshDatabase)
beforeEach(async () => {
	who = await foundStudio(['calla-lily', 'magnolia'])
	studio = contextOf(who).get(memberContext).studio
})

async function fetchEvents(courseId: number): Promise<{ text: string; events: ICAL.Event[] }> {
	const response = (await loader(call(who, '/', { params: { courseId: String(courseId) } }))) as Response
	const text = await response.text()
	expect(response.headers.get('content-type')).toBe('text/calendar; charset=utf-8')
	const components = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent')
	return { text, events: components.map((component) => new ICAL.Event(component)) }
}

describe('the calendar of a course', () => {
	test('has its sessions, when trays are ready, and what is made before; and no student’s name', async () => {
		const magnolia = await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays'))
		await replaceStudents(studio.id, magnolia, {
			students: [
				{ name: 'Wren Abbotsleigh', isLeftHanded: false, avoids: ['egg'], diet: 'any', isChild: false, notes: '' },
			],
		})
		const { text, events } = await fetchEvents(magnolia)
		const course = demoCourse('Magnolia on Thursdays')

		const sessions = events.filter(({ uid }) => uid.startsWith('session-'))
		expect(sessions.map(({ startDate }) => startDate.toJSDate().toISOString())).toEqual(
			course.sessions.map(({ date, startMin }) => {
				const [hours, minutes] = [Math.floor(startMin / 60), startMin % 60]
				// The studio's zone is London, in winter.
				return new Date(
					`${date}T${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}:00Z`,
				).toISOString()
			}),
		)
		const ready = events.filter(({ uid }) => uid.startsWith('ready-'))
		expect(ready.length).toBeGreaterThan(0)
		for (const { startDate } of ready)
			expect(sessions.some((session) => session.startDate.compare(startDate) < 0)).toBe(true)
		expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length)
		expect(text).not.toMatch(/Wren|egg/)
	})

	test('has what is brought dry by the day on which it must be begun', async () => {
		const { events } = await fetchEvents(await createPlannedCourse(studio, demoCourse('Calla lily taster')))

		const work = events.filter(({ uid }) => uid.startsWith('work-'))
		expect(work.length).toBeGreaterThan(0)
		expect(work.every(({ startDate }) => startDate.isDate)).toBe(true)
	})

	test('keeps its events when times change, and says that they are newer', async () => {
		const id = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
		const before = (await fetchEvents(id)).events
		const course = await getCourse(studio.id, id)
		const sessions = course.sessions.map((session) => ({ ...session, endMin: session.endMin + 15 }))
		await updatePlannedCourse(studio, { ...course, sessions })
		const after = (await fetchEvents(id)).events

		expect(after[0]?.uid).toBe(before[0]?.uid)
		expect(after[0]?.endDate.compare(before[0]!.endDate)).toBe(1)
		expect(after[0]?.sequence).toBeGreaterThan(before[0]?.sequence ?? Infinity)
	})

	test('is nobody else’s', async () => {
		const id = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
		const stranger = await foundStudio(['calla-lily'])

		const thrown = await thrownBy(() => loader(call(stranger, '/', { params: { courseId: String(id) } })))
		expect(JSON.stringify(thrown)).toContain('404')
	})
})

describe('the days before', () => {
	test('hold the work for all coming courses of the studio, and none of another', async () => {
		const ids = [
			await createPlannedCourse(studio, demoCourse('Calla lily taster')),
			await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays')),
		]
		const first = demoCourse('Calla lily taster').sessions[0]!
		const stranger = (await foundStudio(['calla-lily'])).member

		const { laid, unplaced } = await loadPreparation(who.member, `${addDays(first.date, -9)}T08:05`)

		expect(new Set(laid.map(({ task }) => task.courseId))).toEqual(new Set(ids))
		expect(unplaced).toEqual([])
		expect((await loadPreparation(stranger, `${first.date}T08:05`)).laid).toEqual([])
	})

	test('are over once the session is that they were for', async () => {
		await createPlannedCourse(studio, demoCourse('Calla lily taster'))
		const last = demoCourse('Calla lily taster').sessions.at(-1)!

		expect((await loadPreparation(who.member, `${addDays(last.date, 1)}T08:00`)).laid).toEqual([])
	})
})

describe('the page of the days before', () => {
	const first = demoCourse('Calla lily taster').sessions[0]!
	let courseId: number

	beforeEach(async () => {
		process.env['CALYCINE_TODAY'] = `${addDays(first.date, -9)}T10:00`
		courseId = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
	})
	afterAll(() => {
		delete process.env['CALYCINE_TODAY']
	})

	const show = (query = '') => page.loader(call(who, `/preparation${query}`))
	const ask = (body: object, by = who) => page.action(call(by, '/preparation', { body }))
	const itemsOf = (data: Awaited<ReturnType<typeof show>>) => data.days.flatMap(({ work }) => work)
	const find = async (words: RegExp) => itemsOf(await show()).find((item) => words.test(item.words))!

	test('ticks what is done, and takes it back', async () => {
		const { taskId } = await find(/Cut/)
		await ask({ intent: 'done', courseId, taskId })
		expect(await find(/Cut/)).toMatchObject({ isDone: true })
		await ask({ intent: 'undone', courseId, taskId })
		expect(await find(/Cut/)).toMatchObject({ isDone: false })
	})

	test('moves work to a day, and says why it cannot be on another', async () => {
		const { taskId, start } = await find(/Pack \d/)
		const move = (day?: string) => answerOf(ask({ intent: 'settle', courseId, taskId, ...(day && { day }) }))
		// Nobody has free time at weekends in the pattern.
		const next = [1, 2, 3].map((days) => addDays(start.date, days)).find((day) => new Date(day).getUTCDay() % 6 > 0)!

		expect((await move(next)).status).toBe(200)
		expect(await find(/Pack \d/)).toMatchObject({ start: { date: next }, isSettled: true })
		expect((await move(addDays(first.date, 2))).refusal?.message).toMatch(/too late: it is to be done by/)
		expect((await move('2020-01-06')).refusal?.message).toMatch(/is over/)
		const sunday = Array.from({ length: 7 }, (_, d) => addDays(start.date, d)).find(
			(day) => new Date(day).getUTCDay() === 0,
		)!
		if (sunday <= first.date) expect((await move(sunday)).refusal?.message).toMatch(/no free time/)

		await move()
		expect((await find(/Pack \d/)).isSettled).toBe(false)
	})

	test('does not move what waits for something that dries or rests until then', async () => {
		const colour = await find(/Colour/)
		const pack = await find(/Pack \d/)
		await ask({ intent: 'settle', courseId, taskId: colour.taskId, day: addDays(colour.start.date, 1) })
		const moved = await find(/Colour/)
		const answer = await answerOf(
			ask({ intent: 'settle', courseId, taskId: pack.taskId, day: addDays(moved.start.date, 0) }),
		)
		expect(answer.refusal?.message).toMatch(/It waits for “Colour paste/)
	})

	test('shows weeks and months, with sessions and with what dries as bars inside the week', async () => {
		const month = await show(`?view=month&from=${first.date}`)
		const days = month.weeks.flatMap((week) => week.days)

		expect(month.weeks.length).toBeGreaterThanOrEqual(4)
		expect(days.find(({ date }) => date === first.date)?.sessions).toHaveLength(1)
		expect(days.flatMap(({ work }) => work).length).toBe(itemsOf(await show()).length)
		for (const { fromColumn, toColumn } of month.weeks.flatMap(({ bars }) => bars)) {
			expect(fromColumn).toBeGreaterThanOrEqual(0)
			expect(toColumn).toBeGreaterThanOrEqual(fromColumn)
			expect(toColumn).toBeLessThanOrEqual(6)
		}
		expect(month.weeks.every((week) => new Date(week.days[0]!.date).getUTCDay() === 1)).toBe(true)
	})

	test('lays work into the free time that she has set, and says what would help where it is too little', async () => {
		const weekday = new Date(addDays(first.date, -3)).getUTCDay() || 7
		const body = { weekly: [{ weekday, startMin: 600, endMin: 660 }], exceptions: [], mostMinutesADay: 60 }
		expect((await answerOf(freeTime.action(call(who, '/x', { body })))).status).toBe(200)
		expect((await show()).isAllInTime).toBe(false)
		// Looked for behind the page.
		const findMore = async () => (await show()).relief?.find((one) => one.kind === 'more time')
		await expect.poll(findMore, { timeout: 10_000 }).toBeDefined()
		const more = await findMore()
		if (more?.kind !== 'more time') throw new Error('nothing would help')

		await ask({ intent: 'more-time', date: more.date, ...more.span })
		expect((await show()).isAllInTime).toBe(true)
	})

	test('does not wait for many courses that were never looked at: they come behind it, and the feed waits for them', async () => {
		const more = await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays'))
		const now = `${addDays(first.date, -9)}T08:00`
		const soon = await loadPreparation(who.member, now, 0)
		expect([soon.courses.length, soon.pendingCount]).toEqual([0, 2])
		await expect
			.poll(async () => (await loadPreparation(who.member, now, 0)).courses.map(({ id }) => id), { timeout: 10_000 })
			.toEqual([courseId, more])
		expect((await loadPreparation(who.member, now, 0)).tasks.length).toBeGreaterThan(5)
	})

	test('takes as long as the studio has set', async () => {
		const before = await find(/Pack \d/)
		const { id: _, ...settings } = studio
		const body = { ...settings, prepTerms: { ...settings.prepTerms, packMinutes: 6 } }
		expect((await answerOf(studioPage.action(call(who, '/studio', { body })))).status).toBe(200)
		const member = (await findMemberById(who.userId))!
		const data = await page.loader(call({ ...who, member }, '/preparation'))
		const minutes = itemsOf(data)
			.filter(({ words }) => /Pack \d/.test(words))
			.reduce((sum, item) => sum + item.minutes, 0)
		expect(minutes).toBe((before.minutes / 4) * 6)
	})

	test('refuses free time that cannot be, by field', async () => {
		const body = {
			weekly: [{ weekday: 1, startMin: 700, endMin: 600 }],
			exceptions: [{ date: '2026-02-30', spans: [] }],
			mostMinutesADay: 5,
		}
		const { status, refusal } = await answerOf(freeTime.action(call(who, '/x', { body })))
		expect(status).toBe(400)
		expect(refusal?.problems.map(({ path }) => path)).toEqual(
			expect.arrayContaining(['weekly[0].endMin', 'exceptions[0].date', 'mostMinutesADay']),
		)
	})

	test('lets nobody tick or move what is another studio’s', async () => {
		const stranger = await foundStudio()
		const { taskId } = await find(/Cut/)
		for (const intent of ['done', 'settle'])
			expect((await answerOf(ask({ intent, courseId, taskId, day: first.date }, stranger))).status).toBe(404)
	})

	test('is reckoned once, and anew when the course changes', async () => {
		const before = await find(/Pack \d/)
		const course = await getCourse(studio.id, courseId)
		await updatePlannedCourse(studio, { ...course, studentCount: course.studentCount + 4 })
		const after = await find(/Pack \d/)
		expect(after.minutes).toBe(before.minutes + 16)
	})
})

describe('a member’s calendar under its address', () => {
	const first = demoCourse('Calla lily taster').sessions[0]!
	beforeEach(() => {
		process.env['CALYCINE_TODAY'] = `${addDays(first.date, -9)}T10:00`
	})
	afterAll(() => {
		delete process.env['CALYCINE_TODAY']
	})

	const read = (address: string, headers: Record<string, string> = {}) => {
		const token = address.split('/').at(-1) ?? ''
		const args = { request: new Request(address, { headers }), params: { token }, context: undefined }
		return feed.loader(args as never) as Promise<Response>
	}
	const make = async () => {
		const made = (await page.action(call(who, '/preparation', { body: { intent: 'make-feed' } }))) as { feed: string }
		return made.feed
	}

	test('has sessions and her work, no names, is sent again only when it has changed, and is gone when revoked', async () => {
		const id = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
		await replaceStudents(studio.id, id, {
			students: [
				{ name: 'Wren Abbotsleigh', isLeftHanded: false, avoids: ['egg'], diet: 'any', isChild: false, notes: '' },
			],
		})
		const address = await make()
		const response = await read(address)
		const text = await response.text()
		const tag = response.headers.get('ETag') ?? ''
		const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent')

		expect(events.length).toBeGreaterThan(5)
		expect(text).toMatch(/Calla lily taster: afternoon/)
		expect(text).toMatch(/Pack \d+ kits/)
		expect(text).not.toMatch(/Wren|egg/)
		expect((await read(address, { 'If-None-Match': tag })).status).toBe(304)

		const course = await getCourse(studio.id, id)
		const sessions = course.sessions.map((session) => ({ ...session, endMin: session.endMin + 15 }))
		await updatePlannedCourse(studio, { ...course, sessions })
		const changed = await read(address, { 'If-None-Match': tag })
		expect(changed.status).toBe(200)

		await page.action(call(who, '/preparation', { body: { intent: 'revoke-feed' } }))
		expect(JSON.stringify(await thrownBy(() => read(address)))).toContain('404')
	})

	test('agrees with the course’s file about what both speak of', async () => {
		const id = await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays'))
		const { events } = await fetchEvents(id)
		const text = await (await read(await make())).text()
		const told = new ICAL.Component(ICAL.parse(text) as unknown[])
			.getAllSubcomponents('vevent')
			.map((component) => new ICAL.Event(component))

		expect(text).not.toContain('CANCELLED')
		for (const event of told.filter(({ uid }) => uid.startsWith('session-'))) {
			const same = events.find(({ uid }) => uid === event.uid)
			expect(same?.sequence).toBe(event.sequence)
			expect(same?.startDate.compare(event.startDate)).toBe(0)
		}
		// And the file again after the feed.
		expect((await fetchEvents(id)).text).not.toContain('CANCELLED')
	})
})

test('what is due in the night is due the evening before', () => {
	expect(byWords({ date: '2026-03-07', minuteOfDay: 60 })).toBe('by the evening of Fri 6 Mar')
	expect(byWords({ date: '2026-03-07', minuteOfDay: 780 })).toBe('by Sat 7 Mar, 13:00')
})

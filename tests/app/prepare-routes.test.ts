/** The calendar of a course as a file, and the days before of all courses, from the real database. */
import ICAL from 'ical.js'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { createPlannedCourse, updatePlannedCourse } from '../../app/plan/save-course.server'
import { loadPreparation } from '../../app/prepare/load-preparation.server'
import { loader } from '../../app/prepare/routes/course-calendar/route'
import { byWords } from '../../app/prepare/words/prep-work'
import { memberContext } from '../../app/shared/http/contexts'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse } from '../../db/repositories/courses.server'
import { replaceStudents } from '../../db/repositories/students.server'
import { call, thrownBy } from '../support/call-route'
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
		const stranger = contextOf(await foundStudio(['calla-lily'])).get(memberContext).studio

		const { laid, unplaced } = await loadPreparation(studio, `${addDays(first.date, -9)}T08:05`)

		expect(new Set(laid.map(({ task }) => task.courseId))).toEqual(new Set(ids))
		expect(unplaced).toEqual([])
		expect((await loadPreparation(stranger, `${first.date}T08:05`)).laid).toEqual([])
	})

	test('are over once the session is that they were for', async () => {
		await createPlannedCourse(studio, demoCourse('Calla lily taster'))
		const last = demoCourse('Calla lily taster').sessions.at(-1)!

		expect((await loadPreparation(studio, `${addDays(last.date, 1)}T08:00`)).laid).toEqual([])
	})
})

test('what is due in the night is due the evening before', () => {
	expect(byWords({ date: '2026-03-07', minuteOfDay: 60 })).toBe('by the evening of Fri 6 Mar')
	expect(byWords({ date: '2026-03-07', minuteOfDay: 780 })).toBe('by Sat 7 Mar, 13:00')
})

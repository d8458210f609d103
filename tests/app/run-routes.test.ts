/** The door for what happens in a class: each event once, nobody else's, nothing odd; called as functions, on the real database. */
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { readPreparedCourses } from '../../app/prepare/prepared-courses.server'
import { createPlannedCourse } from '../../app/plan/save-course.server'
import { readRun } from '../../app/run/read-run.server'
import * as runs from '../../app/run/routes/course-runs/route'
import * as evening from '../../app/run/routes/evening/route'
import * as eveningStream from '../../app/run/routes/evening-stream/route'
import * as runAir from '../../app/run/routes/run-air/route'
import type { AirNow } from '../../app/run/routes/run-air/route'
import * as runCode from '../../app/run/routes/run-code/route'
import * as events from '../../app/run/routes/run-events/route'
import * as runPhoto from '../../app/run/routes/run-photo/route'
import * as stream from '../../app/run/routes/run-stream/route'
import * as wall from '../../app/run/routes/run-wall/route'
import { wallNow } from '../../app/shared/http/studio-clock.server'
import { memberContext } from '../../app/shared/http/contexts'
import { EventWriter, type RunEvent, type RunFact } from '../../core/run/run-event'
import { namePlan } from '../../core/plan/named-plan'
import { taskOfEntry } from '../../core/run/run-plan'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse } from '../../db/repositories/courses.server'
import { addRunEvents } from '../../db/repositories/runs.server'
import { findNewestPlan } from '../../db/repositories/plans.server'
import { createPlace } from '../../db/repositories/places.server'
import { addReadings } from '../../db/repositories/readings.server'
import { findRunCode, openRunCode } from '../../db/repositories/run-codes.server'
import { replaceStudents } from '../../db/repositories/students.server'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { makeJpeg, segment, withSegments } from '../support/make-jpeg'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let who: TestStudio
let studio: Studio
let courseId: number
let writer: EventWriter
let count = 0

beforeAll(freshDatabase)
beforeEach(async () => {
	who = await foundStudio(['calla-lily'])
	studio = contextOf(who).get(memberContext).studio
	courseId = await createPlannedCourse(studio, demoCourse('Calla lily taster'))
	writer = new EventWriter({ runId: 'run', device: 'tablet' }, [], () => `event ${count++}`)
})

const params = (session = 1) => ({ courseId: String(courseId), session: String(session) })
const write = (fact: RunFact) => writer.write(fact, Date.UTC(2026, 2, 7, 10))
const post = (body: object, by = who) => events.action(call(by, '/', { params: params(), body }))

async function send(sent: readonly RunEvent[], after = 0): Promise<{ events: RunEvent[]; cursor: number }> {
	const answer = (await post({ events: sent, after })) as Response
	expect(answer.status).toBe(200)
	return (await answer.json()) as { events: RunEvent[]; cursor: number }
}

describe('events of a run', () => {
	test('are taken once, however often they are sent, and given to who does not know them', async () => {
		const [opened, noted] = [write({ type: 'opened' }), write({ type: 'note', text: 'warm tonight' })]
		const first = await send([opened])
		const again = await send([opened, noted, noted], first.cursor)

		expect(first.events).toEqual([opened])
		expect(again.events).toEqual([noted])
		expect((await send([], 0)).events).toEqual([opened, noted])
		expect((await send([], again.cursor)).events).toEqual([])
	})

	test('of two devices at once are all there, and each knows them by its cursor', async () => {
		const other = new EventWriter({ runId: 'run', device: 'phone' }, [], () => `event ${count++}`)
		const lists = Array.from({ length: 10 }, (_, k) => [
			(k % 2 === 0 ? writer : other).write({ type: 'broken', kind: 'petals', count: 1 }, Date.UTC(2026, 2, 7, 10, k)),
		])
		const answers = await Promise.all(lists.map((list) => send(list)))
		const all = await send([])

		expect(new Set(all.events.map(({ id }) => id))).toEqual(new Set(lists.flat().map(({ id }) => id)))
		for (const { events: known, cursor } of answers) {
			const rest = await send([], cursor)
			expect([...known, ...rest.events].map(({ id }) => id)).toEqual(all.events.map(({ id }) => id))
		}
	})

	test.each([
		{ name: 'of no type', event: { type: 'danced' }, says: /no such event/ },
		{ name: 'without what its type says', event: { type: 'look', batch: 'petals@1' }, says: /./ },
		{ name: 'of no moment', event: { type: 'opened', at: -1 }, says: /./ },
	])('are refused $name, and nothing is kept', async ({ event, says }) => {
		const { status, refusal } = await answerOf(post({ events: [{ ...write({ type: 'paused' }), ...event }], after: 0 }))

		expect(status).toBe(400)
		expect(JSON.stringify(refusal)).toMatch(says)
		expect((await send([])).events).toEqual([])
	})

	test('keep what their type says, and nothing more', async () => {
		const opened = write({ type: 'opened' })
		await send([Object.assign({ extra: 'more' }, opened)])
		expect((await send([])).events).toEqual([opened])
	})

	test('are nobody else’s', async () => {
		await send([write({ type: 'opened' })])
		const stranger = await foundStudio(['calla-lily'])

		expect((await answerOf(post({ events: [], after: 0 }, stranger))).status).toBe(404)
		const request = call(stranger, '/', { params: params() }) as { request: Request }
		request.request.headers.set('Accept', 'text/event-stream')
		expect(JSON.stringify(await thrownBy(() => stream.loader(request as never)))).toContain('404')
	})

	test('come by a stream as they happen, from where it was left', async () => {
		const { cursor } = await send([write({ type: 'opened' })])
		const asked = call(who, `/?after=${cursor}`, { params: params() }) as { request: Request }
		asked.request.headers.set('Accept', 'text/event-stream')
		const { body } = (await stream.loader(asked as never)) as Response
		const reader = body!.getReader()
		const noted = write({ type: 'note', text: 'the veiner is gone' })
		await send([noted])

		let text = ''
		while (!text.includes('the veiner is gone')) text += new TextDecoder().decode((await reader.read()).value)
		await reader.cancel()
		expect(text).toMatch(/^retry: \d+\n/)
		expect(text).not.toContain('"opened"')
		expect(text).toContain(noted.id)
	})
})

describe('a session to be taught', () => {
	test('has a card for every entry, and people by their names; the wall has none', async () => {
		await replaceStudents(studio.id, courseId, {
			students: [{ name: 'Wren Abbotsleigh', isLeftHanded: false, avoids: [], diet: 'any', isChild: false, notes: '' }],
		})
		const run = await readRun(studio, await getCourse(studio.id, courseId), 1)
		const shown = await wall.loader(call(who, '/', { params: params() }))

		expect(run?.students[0]).toBe('Wren Abbotsleigh')
		expect(run?.students[1]).toBe('Place 2')
		expect(run?.plan.entries.map(({ id }) => run.cards[id]?.title)).not.toContain(undefined)
		expect(JSON.stringify(shown)).not.toContain('Wren')
	})

	test('is told the air of its room as the hygrometer reads it, and none where there is none', async () => {
		const airOf = async () => {
			const answer = (await runAir.loader(call(who, '/', { params: params() }))) as Response
			return ((await answer.json()) as { air: AirNow | null }).air
		}
		expect(await airOf()).toBeNull()
		const climate = { type: 'steady' as const, temperatureC: 21, humidity: 0.5 }
		const room = {
			kind: 'room' as const,
			name: 'Back room',
			climate,
			movement: 'still' as const,
			sensor: 'none' as const,
		}
		const roomId = await createPlace(studio.id, room)
		const now = wallNow(studio.timeZone)
		await addReadings(studio.id, roomId, [{ at: now, temperatureC: 23.5, humidity: 0.61 }], { source: 'typed', now })
		expect(await airOf()).toEqual({ temperatureC: 23.5, humidity: 0.61, ageMinutes: 0 })
	})

	test('is to come, going on, or over', async () => {
		const stateOf = async () => (await runs.loader(call(who, '/', { params: params() }))).sessions[0]?.state
		expect(await stateOf()).toBe('to come')
		await send([write({ type: 'opened' })])
		expect(await stateOf()).toBe('going on')
		const closed = write({ type: 'closed' })
		await send([closed])
		expect(await stateOf()).toBe('over')
		await send([write({ type: 'undo', of: closed.id })])
		expect(await stateOf()).toBe('going on')
	})

	test('that the course does not have is none', async () => {
		const shown = thrownBy(() => wall.loader(call(who, '/', { params: params(9) })))
		expect(JSON.stringify(await shown)).toContain('404')
	})
})

describe('a way to go on that was taken', () => {
	/** The first step is to begin when it begins. */
	async function takeWay() {
		const page = await readRun(studio, await getCourse(studio.id, courseId), 1)
		const [first] = page!.plan.entries.filter(({ kind }) => kind === 'step')
		const pin = { kind: 'start' as const, task: taskOfEntry(first!), session: 1, minuteOfDay: first!.startMin }
		const entries = page!.plan.entries.map(({ id, startMin, endMin }) => ({ entry: id, startMin, endMin }))
		const opened = write({ type: 'opened', planId: page!.planId })
		const taken = write({ type: 'plan', reason: 'As it is', entries, closeMin: page!.plan.closeMin, pins: [pin] })
		return { page: page!, opened, taken, pin }
	}
	const pinsNow = async () => (await getCourse(studio.id, courseId)).pins ?? []

	test('is settled in the course with a plan, and lifted when it is taken back', async () => {
		const { opened, taken, pin } = await takeWay()
		const why = async () => (await findNewestPlan(studio.id, courseId))?.reason
		expect(await why()).toBeNull()
		await send([opened, taken])
		await expect.poll(pinsNow, { timeout: 20_000 }).toEqual([pin])
		expect(await why()).toMatch(/^In class, .*: As it is$/)
		await send([write({ type: 'undo', of: taken.id })])
		await expect.poll(pinsNow, { timeout: 20_000 }).toEqual([])
		expect(await why()).toMatch(/^In class, .*: taken back$/)
	})

	test('brings the very plan that was seen', async () => {
		const { page, opened, taken } = await takeWay()
		const { compiled, plan } = page.problem
		// None that would be planned anew: the last step begins a minute later than it could.
		const last = Object.entries(plan.placements)
			.flatMap(([id, placement]) => ('runs' in placement ? placement.runs.map((run) => ({ id, run })) : []))
			.reduce((latest, own) => (own.run.start > latest.run.start ? own : latest))
		const placements = structuredClone(plan.placements)
		const moved = placements[last.id]
		if (!moved || !('runs' in moved)) throw new Error('no step')
		moved.runs = moved.runs.map((run) =>
			run.start === last.run.start ? { units: run.units, start: run.start + 1 } : run,
		)
		const coursePlan = namePlan({ ...plan, placements }, compiled.instance)
		await send([opened, Object.assign({}, taken, { coursePlan })])
		await expect.poll(pinsNow, { timeout: 20_000 }).toHaveLength(1)
		const kept = await findNewestPlan(studio.id, courseId)
		expect(kept?.id).toBeGreaterThan(page.planId)
		expect(kept?.document.plan?.placements).toEqual(placements)
	})

	test('does not change what the session is taught by: the plan that it was opened with', async () => {
		const { page, opened, taken } = await takeWay()
		await send([opened, taken])
		await expect.poll(pinsNow, { timeout: 20_000 }).toHaveLength(1)
		const course = await getCourse(studio.id, courseId)
		expect((await findNewestPlan(studio.id, courseId))?.id).toBeGreaterThan(page.planId)
		const again = await readRun(studio, course, 1)
		expect(again?.planId).toBe(page.planId)
		expect(again?.plan).toEqual(page.plan)
	})

	test('of a plan that there is not is passed over', async () => {
		await send([write({ type: 'opened', planId: 999_999 })])
		expect((await readRun(studio, await getCourse(studio.id, courseId), 1))?.plan.entries.length).toBeGreaterThan(0)
	})

	test.each([
		{ name: 'pins that are none', change: { pins: [{ kind: 'glued' }] } },
		{ name: 'entries without a time', change: { entries: [{ entry: 'cut#1' }] } },
		{ name: 'no close', change: { closeMin: -5 } },
	])('is refused with $name', async ({ change }) => {
		const { taken } = await takeWay()
		const { status } = await answerOf(post({ events: [{ ...taken, ...change }], after: 0 }))
		expect(status).toBe(400)
	})
})

describe('a code for phones', () => {
	const codeOf = async (by = who) => {
		const answer = (await runCode.action(call(by, '/', { params: params(), body: {} }))) as Response
		return ((await answer.json()) as { code: string }).code
	}
	const open = (code: string) => evening.loader(call(who, '/', { params: { code } }) as never)

	test('is one for all tablets, and opens the wall without names, notes or lateness', async () => {
		await replaceStudents(studio.id, courseId, {
			students: [{ name: 'Wren Abbotsleigh', isLeftHanded: false, avoids: [], diet: 'any', isChild: false, notes: '' }],
		})
		await send([write({ type: 'opened' }), write({ type: 'note', text: 'a secret' })])
		const code = await codeOf()
		expect(code).toMatch(/^[a-z2-9]{8}$/)
		expect(await codeOf()).toBe(code)
		const shown = JSON.stringify(await open(code))
		expect(shown).toContain('"opened"')
		for (const word of ['Wren', 'a secret', 'script', 'problem', 'students']) expect(shown).not.toContain(word)
	})

	test('hears what anybody may see, as it comes', async () => {
		const code = await codeOf()
		await send([write({ type: 'note', text: 'a secret' }), write({ type: 'opened' })])
		const asked = call(who, '/?after=0', { params: { code } }) as { request: Request }
		asked.request.headers.set('Accept', 'text/event-stream')
		const { body } = (await eveningStream.loader(asked as never)) as Response
		const reader = body!.getReader()
		let text = ''
		while (!text.includes('"opened"')) text += new TextDecoder().decode((await reader.read()).value)
		await reader.cancel()
		expect(text).not.toContain('a secret')
	})

	test('is over after its evening, and nobody else’s', async () => {
		const code = await codeOf()
		const hours = (count: number) => new Date(Date.now() + count * 3_600_000)
		expect((await findRunCode(code, hours(7)))?.run).toEqual({ courseId, session: 1 })
		expect(await findRunCode(code, hours(9))).toBeUndefined()
		expect(await openRunCode(studio.id, who.userId, { courseId, session: 1 }, hours(9))).not.toBe(code)
		expect(JSON.stringify(await thrownBy(() => open(code)))).toContain('404')
		const stranger = await foundStudio(['calla-lily'])
		expect((await answerOf(runCode.action(call(stranger, '/', { params: params(), body: {} })))).status).toBe(404)
	})
})

describe('a photo that was taken in class', () => {
	const at = () => ({ ...params(), photoId: 'a-photo' })
	const put = (file: Uint8Array<ArrayBuffer>, by = who) => {
		const body = new FormData()
		body.set('photo', new Blob([file], { type: 'image/jpeg' }), 'photo.jpg')
		const request = new Request('http://localhost/', { method: 'POST', body })
		return answerOf(runPhoto.action({ request, params: at(), context: contextOf(by) } as never))
	}
	const seen = async (by = who) => {
		const answer = (await runPhoto.loader(call(by, '/', { params: at() }))) as Response
		return new Uint8Array(await answer.arrayBuffer())
	}

	test('is kept once, as it was first, without what stands beside the picture', async () => {
		const secret = segment(0xe1, [...new TextEncoder().encode('Exif\0\0 GPS')])
		expect((await put(Uint8Array.from(withSegments(makeJpeg(40, 30), secret)))).status).toBe(200)
		const first = await seen()
		expect(new TextDecoder('latin1').decode(first)).not.toContain('GPS')
		expect((await put(makeJpeg(10, 10))).status).toBe(200)
		expect(await seen()).toEqual(first)
	})

	test('is seen by nobody else, and put into no course of others', async () => {
		await put(makeJpeg(10, 10))
		const stranger = await foundStudio(['calla-lily'])
		expect(JSON.stringify(await thrownBy(() => seen(stranger)))).toContain('404')
		expect((await put(makeJpeg(10, 10), stranger)).status).toBe(404)
	})

	test('that is no picture is refused', async () => {
		expect((await put(new TextEncoder().encode('hello'))).status).toBe(400)
		expect(JSON.stringify(await thrownBy(() => seen()))).toContain('404')
	})
})

describe('who was away', () => {
	const makingUp = async (magnolia: number) => {
		const { courses } = await readPreparedCourses(studio, '2026-03-02')
		const tasks = courses.find(({ id }) => id === magnolia)?.tasks ?? []
		return tasks.filter(({ work }) => work.kind === 'make up').map(({ id, minutes }) => ({ id, minutes }))
	}

	test('gets dried pieces that are made before the next session, until it is settled otherwise', async () => {
		const fullStudio = await foundStudio(['magnolia'])
		studio = contextOf(fullStudio).get(memberContext).studio
		const magnolia = await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays'))
		const press = (fact: RunFact) =>
			addRunEvents(studio.id, { courseId: magnolia, session: 1 }, [write(fact)], new Date())
		expect(await makingUp(magnolia)).toEqual([])

		await press({ type: 'way back', place: 3, is: 'dried' })
		const [one, ...others] = await makingUp(magnolia)
		expect(others).toEqual([])
		expect(one?.minutes).toBeGreaterThan(0)
		await press({ type: 'way back', place: 5, is: 'dried' })
		expect(await makingUp(magnolia)).toEqual([{ id: one!.id, minutes: 2 * one!.minutes }])

		await press({ type: 'way back', place: 3, is: 'home' })
		await press({ type: 'way back', place: 5, is: 'open' })
		expect(await makingUp(magnolia)).toEqual([])
	})
})

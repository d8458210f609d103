/** The drying screen, rooms, and waits in a plan: loaders and actions as functions, on the real database. */
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { afterEach, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { dryingSchema, toDryingLink } from '../../app/drying/drying-address'
import * as newCourse from '../../app/course/routes/course-new/route'
import * as plan from '../../app/plan/routes/course-plan/route'
import * as drying from '../../app/drying/routes/drying/route'
import { readReadingsFile } from '../../app/studio/routes/place/read-csv.server'
import * as placePage from '../../app/studio/routes/place/route'
import * as newPlace from '../../app/studio/routes/place-new/route'
import * as places from '../../app/studio/routes/places/route'
import * as studioPage from '../../app/studio/routes/studio/route'
import { USUAL_PREP_TERMS } from '../../core/prepare/prep-terms'
import { USUAL_STRAIN_TERMS } from '../../core/plan/compile/strain-terms'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import { getCourse } from '../../db/repositories/courses.server'
import { listDryingNotes } from '../../db/repositories/drying-notes.server'
import { listPlaces } from '../../db/repositories/places.server'
import { createSensor } from '../../server/sensor'
import { predictStages } from '../../core/drying/predict-stages'
import { room, sheet } from '../support/dry-piece'
import { answerOf, call, thrownBy } from '../support/call-route'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio
let sensor: Server | undefined

beforeAll(freshDatabase)
beforeEach(async () => {
	process.env['CALYCINE_TODAY'] = '2026-03-05T10:00'
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio()
})
afterEach(() => {
	sensor?.close()
	delete process.env['CALYCINE_SENSOR_URL']
	delete process.env['CALYCINE_TODAY']
})

const bench = {
	name: 'Bench room',
	kind: 'room',
	movement: 'still',
	sensor: 'none',
	type: 'steady',
	temperatureC: 21,
	humidity: 50,
	version: 0,
}

async function makePlace(values: object = {}): Promise<number> {
	const { to } = await answerOf(newPlace.action(call(studio, '/rooms/new', { body: { ...bench, ...values } })))
	return Number(/\/rooms\/(\d+)$/.exec(to ?? '')?.[1])
}

/** A form as a browser sends it. */
function post(who: TestStudio, url: string, fields: Record<string, string>, params: object = {}) {
	const request = new Request(`http://localhost${url}`, { method: 'POST', body: new URLSearchParams(fields) })
	return { request, params, context: contextOf(who) } as never
}

describe('the drying screen', () => {
	const load = (search: string) => drying.loader(call(studio, `/drying${search}`))

	test('answers an empty address with a usual petal in the first room', async () => {
		const id = await makePlace()

		const { address, answer, problems } = await load('')

		expect(address).toMatchObject({ room: id, shape: 'sheet', stage: 'firm' })
		expect(problems).toEqual([])
		const model = predictStages(sheet(0.7), room()).firm ?? NaN
		expect((answer?.stages.firm.p50 ?? 0) / model).toBeCloseTo(1, 1)
		expect(answer?.sure).toBeGreaterThan(0.9)
	})

	test.each([
		['thickness=0', 'thickness', '0.2 to 12 mm, not “0”'],
		['thickness=400', 'thickness', '0.2 to 12 mm'],
		['room=0&humidity=130', 'humidity', '5 to 95 %'],
		['paste=plaster', 'paste', 'a paste that there are figures for'],
		['by=25:90', 'by', 'A time as 18:30'],
		['days=0&start=19:00&by=18:00', 'by', 'Must be after it is made'],
	])('tells at the field what is wrong with %s, and keeps the rest', async (search, path, says) => {
		const { problems, address } = await load(`?${search}&diameter=22`)

		expect(problems.map((problem) => problem.path)).toEqual([path])
		expect(problems[0]?.message).toContain(says)
		expect(address.diameter).toBe(22)
	})

	test('keeps up to three questions beside, and leaves out what is none', async () => {
		const also = ['thickness=1', 'thickness=2', 'thickness=900'].map((text) => `also=${encodeURIComponent(text)}`)

		const { beside } = await load(`?${also.join('&')}`)

		expect(beside.map(({ thickness }) => thickness)).toEqual([1, 2])
	})

	test('takes the pieces of a design, and none of one that is not there', async () => {
		const { pieces } = await load('?design=magnolia')

		expect(pieces.map(({ name }) => name)).toContain('Inner petals')
		expect((await load('?design=nothing')).pieces).toEqual([])
	})

	test('an address leads back to itself', () => {
		const address = { ...dryingSchema.getDefault(), thickness: 1.1, room: 4, moved: '21:00', then: 7 }
		const search = new URL(toDryingLink(address), 'http://x').searchParams

		expect(dryingSchema.validateSync(Object.fromEntries(search))).toEqual(address)
	})

	test('learns from what was seen, and forgets it again', async () => {
		const note = { intent: 'note', notReadyHours: '4', readyHours: '5' }
		const before = (await load('')).answer?.stages.firm.p50 ?? 0
		await drying.action(post(studio, '/drying', note))

		expect((await load('')).answer?.stages.firm.p50).toBeGreaterThan(before * 1.1)

		const [kept] = await listDryingNotes(studio.studioId)
		// The model's own time, whatever was learnt.
		expect(kept?.modelHours).toBeCloseTo(before, 3)
		expect(kept?.what).toMatch(/^sheet \(0.7 mm, .*\), gum paste, .*, firm$/)
		await drying.action(post(studio, '/drying', { intent: 'forget', id: String(kept?.id) }))
		expect((await load('')).answer?.stages.firm.p50).toBeCloseTo(before, 9)
	})

	test.each([
		['', { notReadyHours: '5', readyHours: '4' }, 'readyHours'],
		['', { notReadyHours: 'soon' }, 'notReadyHours'],
		['?room=0&humidity=80', { notReadyHours: '1' }, 'readyHours'],
		['?thickness=400', { notReadyHours: '1' }, 'thickness'],
	])('refuses a note that cannot be, at %s: %o', async (search, values, path) => {
		const note = { intent: 'note', ...values }

		const answer = await answerOf(drying.action(post(studio, `/drying${search}`, note)))

		expect(answer.refusal?.problems.map((problem) => problem.path)).toContain(path)
		expect(await listDryingNotes(studio.studioId)).toEqual([])
	})
})

describe('rooms', () => {
	test('are described, changed and deleted', async () => {
		const id = await makePlace()
		const params = { placeId: String(id) }
		const hours = Array.from({ length: 24 }, () => ({ temperatureC: 19, humidity: 60 }))
		const change = { ...bench, name: 'Hall', type: 'day', hours, version: 1 }

		await placePage.action(call(studio, `/rooms/${id}`, { params, body: change }))

		expect((await listPlaces(studio.studioId))[0]).toMatchObject({
			name: 'Hall',
			climate: { type: 'day', hours: hours.map(() => ({ temperatureC: 19, humidity: 0.6 })) },
		})
		const loaded = await placePage.loader(call(studio, `/rooms/${id}`, { params }))
		expect(loaded.place).toMatchObject({ type: 'day', humidity: 60, version: 2 })
		await placePage.action(post(studio, `/rooms/${id}`, { intent: 'delete', version: '2' }, params))
		expect(await listPlaces(studio.studioId)).toEqual([])
	})

	test.each([
		[{ name: ' ' }, 'name'],
		[{ humidity: 130 }, 'humidity'],
		[{ temperatureC: 90 }, 'temperatureC'],
		[{ movement: 'storm' }, 'movement'],
		[{ type: 'day', hours: [] }, 'hours'],
		[{ type: 'day' }, 'hours'],
	])('with %o are refused at the field', async (values, path) => {
		const answer = await answerOf(newPlace.action(call(studio, '/rooms/new', { body: { ...bench, ...values } })))

		expect(answer.status).toBe(400)
		expect(answer.refusal?.problems.map((problem) => problem.path)).toContain(path)
		expect(await listPlaces(studio.studioId)).toEqual([])
	})

	test('of other studios are not there', async () => {
		const params = { placeId: String(await makePlace()) }

		expect(await thrownBy(() => placePage.loader(call(stranger, '/', { params })))).toMatchObject({
			init: { status: 404 },
		})
		const attempts: Record<string, string>[] = [
			{ intent: 'delete', version: '1' },
			{ intent: 'take-day', version: '1' },
			{ intent: 'type-in', temperatureC: '20', humidity: '50' },
		]
		for (const fields of attempts)
			expect((await answerOf(placePage.action(post(stranger, '/', fields, params)))).status).toBe(404)
	})

	test('take readings by hand and from a file, and tell which lines are none', async () => {
		const params = { placeId: String(await makePlace()) }
		const typed = { intent: 'type-in', temperatureC: '20.5', humidity: '47' }
		await placePage.action(post(studio, '/', typed, params))
		const text = 'time,C,%\n2026-03-05 00:05,20,50\n2026-03-05 00:10,20,500\nrubbish\n'

		const imported = await placePage.action(post(studio, '/', { intent: 'import', text }, params))

		expect(imported).toMatchObject({ imported: 1, bad: [{ line: 3 }, { line: 4 }] })
		const { live, readingCount } = await placePage.loader(call(studio, '/', { params }))
		expect(live).toMatchObject({ temperatureC: 20.5, humidity: 0.47, isOld: false })
		expect(readingCount).toBe(2)
	})

	test.each([
		[{ intent: 'type-in', temperatureC: '20', humidity: '130' }, 'humidity'],
		[{ intent: 'type-in', temperatureC: 'x', humidity: '50' }, 'temperatureC'],
		[{ intent: 'import', text: '' }, 'text'],
		[{ intent: 'burn' }, 'intent'],
	])('refuse %o', async (fields, path) => {
		const params = { placeId: String(await makePlace()) }

		const answer = await answerOf(placePage.action(post(studio, '/', fields as Record<string, string>, params)))

		expect(answer.refusal?.problems.map((problem) => problem.path)).toContain(path)
	})

	test('show a reading that is too old as old, and go on', async () => {
		const params = { placeId: String(await makePlace()) }
		await placePage.action(post(studio, '/', { intent: 'import', text: '2026-03-01T08:00 20 50' }, params))

		const { live } = await placePage.loader(call(studio, '/', { params }))

		expect(live?.isOld).toBe(true)
		expect(live?.ageWords).toMatch(/days ago/)
	})

	test('with a sensor read it by its line protocol, keep its history, and take its day as their climate', async () => {
		sensor = createSensor(() => '2026-03-05T23:59')
		await new Promise<void>((resolve) => sensor?.listen(0, '127.0.0.1', resolve))
		process.env['CALYCINE_SENSOR_URL'] = `http://127.0.0.1:${(sensor.address() as AddressInfo).port}`
		const id = await makePlace({ sensor: 'stand-in' })
		const params = { placeId: String(id) }

		const { live, history, canTakeDay } = await placePage.loader(call(studio, '/', { params }))

		expect(live?.isOld).toBe(false)
		expect(history.length).toBeGreaterThan(100)
		expect(canTakeDay).toBe(true)
		await placePage.action(post(studio, '/', { intent: 'take-day', version: '1' }, params))
		expect((await listPlaces(studio.studioId))[0]?.climate.type).toBe('day')
		const { places: listed } = await places.loader(call(studio, '/rooms'))
		expect(listed[0]).toMatchObject({ id, isByDay: true, reading: { isOld: false } })
	})

	test('whose sensor does not answer show what they have', async () => {
		process.env['CALYCINE_SENSOR_URL'] = 'http://127.0.0.1:9'
		const params = { placeId: String(await makePlace({ sensor: 'stand-in' })) }

		const { live, place } = await placePage.loader(call(studio, '/', { params }))

		expect(live).toBeUndefined()
		expect(place.name).toBe('Bench room')
	})

	test('cannot take a day from too few readings', async () => {
		const params = { placeId: String(await makePlace()) }

		const answer = await answerOf(placePage.action(post(studio, '/', { intent: 'take-day', version: '1' }, params)))

		expect(answer.refusal?.problems[0]?.message).toContain('Too few hours')
	})
})

describe('the stand-in', () => {
	test('answers what it is asked, and refuses what it cannot', async () => {
		sensor = createSensor(() => '2026-03-05T20:00')
		await new Promise<void>((resolve) => sensor?.listen(0, '127.0.0.1', resolve))
		const ask = async (path: string, init?: RequestInit) => {
			const response = await fetch(`http://127.0.0.1:${(sensor?.address() as AddressInfo).port}${path}`, init)
			return { status: response.status, text: await response.text() }
		}

		expect((await ask('/now')).text).toMatch(/^# calycine-air 1 .*\n2026-03-05T20:00 \d+\.\d \d+\.\d\n$/)
		expect((await ask('/readings?from=2026-03-05T19:50&to=2026-03-09T00:00')).text.split('\n')).toHaveLength(5)
		for (const [path, status] of [
			['/readings?from=soon', 400],
			['/readings?from=2020-01-01T00:00', 400],
			['/else', 404],
		] as const)
			expect((await ask(path)).status).toBe(status)
		expect((await ask('/now', { method: 'POST' })).status).toBe(405)
	})
})

test('a file of lines is read as lines, one of values as values', () => {
	expect(readReadingsFile('# calycine-air 1\n2026-03-02T18:05 21.4 52.3\n').readings).toHaveLength(1)
	expect(readReadingsFile('2026-03-02T18:05;21,4;52,3\n2026-03-02T18:10;21,4;52,3\n').readings).toHaveLength(2)
	expect(readReadingsFile('')).toEqual({ readings: [], bad: [] })
})

describe('a wait of a plan', () => {
	async function makeCourse() {
		const { to } = await answerOf(
			newCourse.action(call(studio, '/courses/new', { body: demoCourse('Magnolia on Thursdays') })),
		)
		return Number(/\/courses\/(\d+)/.exec(to ?? '')?.[1])
	}
	const key = 'magnolia/inner-shape>inner-dust'

	test('is set by hand, shown beside what is computed, and freed again', async () => {
		const id = await makeCourse()
		const params = { courseId: String(id) }
		const send = (fields: Record<string, string>) => plan.action(post(studio, `/courses/${id}/plan`, fields, params))
		const load = () => plan.loader(call(studio, `/courses/${id}/plan?step=magnolia%2Finner-dust`, { params }))
		const before = (await load()).selected?.waitsFor[0]?.wait
		await send({ intent: 'set-wait', version: '1', key, minutes: '1000' })

		const set = (await load()).selected?.waitsFor[0]?.wait

		expect(before?.basis).toBe('drying')
		expect(set).toMatchObject({ basis: 'by hand', plannedMinutes: 1000, p90Minutes: before?.p90Minutes })
		await send({ intent: 'free-wait', version: '2', key })
		expect((await load()).selected?.waitsFor[0]?.wait).toEqual(before)
		expect((await getCourse(studio.studioId, id)).waits).toBeUndefined()
	})

	test.each([
		[{ minutes: '0' }, 'minutes'],
		[{ minutes: 'long' }, 'minutes'],
		[{ minutes: '90', key: '' }, 'key'],
	])('cannot be %o', async (values, path) => {
		const id = await makeCourse()
		const fields = { intent: 'set-wait', version: '1', key, ...values }

		const answer = await answerOf(plan.action(post(studio, '/', fields, { courseId: String(id) })))

		expect(answer.refusal?.problems.map((problem) => problem.path)).toContain(path)
	})

	test('leads to the drying of its piece in the plan’s room', async () => {
		const room = await makePlace()
		const id = await makeCourse()

		const { dryingLinks } = await plan.loader(call(studio, '/', { params: { courseId: String(id) } }))

		const search = new URL(dryingLinks[key] ?? '', 'http://x').searchParams
		expect(search.get('what')).toBe('Magnolia, inner petals')
		expect(search.get('room')).toBe(String(room))
		expect(search.get('stage')).toBe('hard')
	})

	test('in air too damp is said to be hopeless, with what would help; a dried room makes the plan outdated', async () => {
		const room = await makePlace({ humidity: 73 })
		const id = await makeCourse()
		const params = { courseId: String(id) }

		const { hopeless } = await plan.loader(call(studio, '/', { params }))

		expect(hopeless.length).toBeGreaterThan(0)
		expect(hopeless[0]?.helps.join()).toMatch(/dry the air|heat the room/)
		const body = { ...bench, humidity: 45, version: 1 }
		await placePage.action(call(studio, `/rooms/${room}`, { params: { placeId: String(room) }, body }))
		expect((await plan.loader(call(studio, '/', { params }))).isOutdated).toBe(true)
	})
})

test('a studio’s confidence and own pastes are kept', async () => {
	const body = {
		name: 'Studio',
		timeZone: 'Europe/London',
		gaugeStandard: 'swg',
		wireLengthsMm: [360],
		dryingConfidence: 0.8,
		readingMaxAgeMinutes: 30,
		peopleMonths: 12,
		ownPastes: [{ name: 'bench mix', like: 'gum paste', paceFactor: 1.2 }],
		units: 'metric',
		paper: 'a4',
		kitTerms: USUAL_KIT_TERMS,
		strainTerms: USUAL_STRAIN_TERMS,
		prepTerms: USUAL_PREP_TERMS,
		version: 1,
	}

	expect(await studioPage.action(call(studio, '/studio', { body }))).toMatchObject({ saved: 2 })

	const wrong = { ...body, version: 2, ownPastes: [{ name: '', like: 'mud', paceFactor: 9 }] }
	const answer = await answerOf(studioPage.action(call(studio, '/studio', { body: wrong })))
	expect(answer.refusal?.problems.map(({ path }) => path).toSorted()).toEqual([
		'ownPastes[0].like',
		'ownPastes[0].name',
		'ownPastes[0].paceFactor',
	])
})

import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { ORDINARY_PLACE } from '../../core/drying/place'
import { ConflictError, InputError, NotFoundError } from '../../core/errors'
import { inTransaction } from '../../db/connection.server'
import { createCourse, getCourse, updateCourse } from '../../db/repositories/courses.server'
import { createDryingNote, deleteDryingNote, listDryingNotes } from '../../db/repositories/drying-notes.server'
import { createPlace, deletePlace, getPlace, listPlaces, updatePlace } from '../../db/repositories/places.server'
import { addReadings, listNewestReadings, listReadings } from '../../db/repositories/readings.server'
import { demoCourse } from '../support/demo-designs'
import { foundStudio, freshDatabase, type TestStudio } from '../support/studios'

let studio: TestStudio
let stranger: TestStudio

beforeAll(freshDatabase)
beforeEach(async () => {
	studio = await foundStudio(['magnolia'])
	stranger = await foundStudio()
})

const { id: _, ...ordinary } = ORDINARY_PLACE
const make = (values: Partial<typeof ordinary> = {}) => {
	return createPlace(studio.studioId, { ...ordinary, sensor: 'none', ...values })
}

describe('places', () => {
	test('are listed rooms first, and come back as they were', async () => {
		const hours = Array.from({ length: 24 }, (__, hour) => ({ temperatureC: 15 + hour / 4, humidity: 0.5 }))
		await make({ kind: 'store', name: 'Shelf' })
		await make({ name: 'Hall', climate: { type: 'day', hours }, movement: 'airy' })

		const places = await listPlaces(studio.studioId)

		expect(places.map(({ name }) => name)).toEqual(['Hall', 'Shelf'])
		expect(places[0]).toMatchObject({ climate: { type: 'day', hours }, movement: 'airy', version: 1 })
	})

	test('are the studio’s own', async () => {
		const id = await make()

		await expect(getPlace(stranger.studioId, id)).rejects.toThrow(NotFoundError)
		await expect(deletePlace(stranger.studioId, id, 1)).rejects.toThrow(NotFoundError)
		await expect(updatePlace(stranger.studioId, await getPlace(studio.studioId, id))).rejects.toThrow(NotFoundError)
		expect(await listPlaces(stranger.studioId)).toEqual([])
	})

	test('saved over a newer one are refused', async () => {
		const place = await getPlace(studio.studioId, await make())
		await updatePlace(studio.studioId, { ...place, name: 'First' })

		await expect(updatePlace(studio.studioId, { ...place, name: 'Second' })).rejects.toThrow(ConflictError)
		expect((await getPlace(studio.studioId, place.id)).name).toBe('First')
	})
})

describe('a course', () => {
	const course = demoCourse('Magnolia on Thursdays')
	const save = (values: object) => inTransaction((t) => createCourse(studio.studioId, { ...course, ...values }, t))

	test('keeps its rooms, its store and the waits set by hand', async () => {
		const [room, store] = [await make(), await make({ kind: 'store' })]
		const sessions = course.sessions.map((session, s) => (s === 0 ? { ...session, roomId: room } : session))
		const terms = { sessions, storeId: store, waits: { 'magnolia/a>b': 90 } }

		const id = await save(terms)

		expect(await getCourse(studio.studioId, id)).toMatchObject(terms)
		expect((await getCourse(studio.studioId, id)).sessions[1]).not.toHaveProperty('roomId')
	})

	test('falls back to the usual place when its own is deleted', async () => {
		const store = await make({ kind: 'store' })
		const id = await save({ storeId: store })

		await deletePlace(studio.studioId, store, 1)

		expect(await getCourse(studio.studioId, id)).not.toHaveProperty('storeId')
	})

	test('cannot meet in another studio’s room', async () => {
		const foreign = await createPlace(stranger.studioId, { ...ordinary, sensor: 'none' })

		await expect(save({ storeId: foreign })).rejects.toThrow(InputError)
		const id = await save({})
		const stored = await getCourse(studio.studioId, id)
		const sessions = stored.sessions.map((session) => ({ ...session, roomId: foreign }))
		const change = inTransaction((t) => updateCourse(studio.studioId, { ...stored, sessions }, t))
		await expect(change).rejects.toMatchObject({ problems: [{ path: 'sessions[0].roomId' }, {}, {}] })
	})
})

describe('readings', () => {
	const at = (minute: string, humidity = 0.5) => ({ at: `2026-03-02T18:${minute}`, temperatureC: 21.5, humidity })

	const now = '2026-03-02T19:00'

	test('are kept by the minute, the first one of a minute stays, the newest is found', async () => {
		const id = await make()
		await addReadings(studio.studioId, id, [at('00'), at('10')], { source: 'file', now })

		const second = [at('10', 0.55), at('20', 0.55)]
		expect(await addReadings(studio.studioId, id, second, { source: 'file', now })).toEqual({ added: 1, known: 1 })

		expect(await listReadings(studio.studioId, id, '2026-03-02T00:00', '2026-03-03T00:00')).toEqual([
			at('00'),
			at('10'),
			at('20', 0.55),
		])
		expect(await listNewestReadings(studio.studioId)).toEqual(new Map([[id, at('20', 0.55)]]))
		expect(await listNewestReadings(stranger.studioId)).toEqual(new Map())
	})

	test('of another studio can be neither read nor written', async () => {
		const id = await make()

		await expect(addReadings(stranger.studioId, id, [at('00')], { source: 'typed', now })).rejects.toThrow(
			NotFoundError,
		)
		await expect(listReadings(stranger.studioId, id, '2026-03-02T00:00', '2026-03-03T00:00')).rejects.toThrow(
			NotFoundError,
		)
	})

	test('of a person take the place of what a sensor sent, and no sensor takes theirs', async () => {
		const id = await make()
		await addReadings(studio.studioId, id, [at('10')], { source: 'sensor', now })
		await addReadings(studio.studioId, id, [at('10', 0.55)], { source: 'typed', now })

		await addReadings(studio.studioId, id, [at('10', 0.4)], { source: 'sensor', now })

		expect(await listNewestReadings(studio.studioId)).toEqual(new Map([[id, at('10', 0.55)]]))
	})

	test('typed for a minute that has another are refused, and the one that is there is told', async () => {
		const id = await make()
		await addReadings(studio.studioId, id, [at('10')], { source: 'typed', now })

		const second = addReadings(studio.studioId, id, [at('10', 0.62)], { source: 'typed', now })

		await expect(second).rejects.toThrow(/21\.5 °C, 50 %/)
		await expect(second).rejects.toBeInstanceOf(ConflictError)
	})

	test('of a year that was mistyped are refused, and nothing that is kept goes for them', async () => {
		const id = await make()
		await addReadings(studio.studioId, id, [at('00')], { source: 'file', now })

		const ahead = addReadings(studio.studioId, id, [{ ...at('10'), at: '2062-03-02T18:10' }], { source: 'file', now })

		await expect(ahead).rejects.toBeInstanceOf(InputError)
		expect(await listReadings(studio.studioId, id, '2026-01-01T00:00', '2070-01-01T00:00')).toEqual([at('00')])
	})

	test('older than a year before now are not kept', async () => {
		const id = await make()
		const old = { ...at('00'), at: '2025-03-02T18:00' }
		await addReadings(studio.studioId, id, [old], { source: 'file', now: '2025-03-03T00:00' })

		await addReadings(studio.studioId, id, [at('00'), { ...old, at: '2024-01-01T00:00' }], {
			source: 'file',
			now: '2026-06-02T19:00',
		})

		expect(await listReadings(studio.studioId, id, '2020-01-01T00:00', '2027-01-01T00:00')).toEqual([at('00')])
	})
})

describe('notes of drying', () => {
	test('come back newest first, open ones without an end, and can be forgotten by their own studio alone', async () => {
		const note = { paste: 'gum paste' as const, what: 'a petal', modelHours: 3.5, notReadyHours: 4 }
		await createDryingNote(studio.studioId, note)
		await createDryingNote(studio.studioId, { ...note, notReadyHours: 0, readyHours: 5, batchSize: 2 })

		const notes = await listDryingNotes(studio.studioId)

		expect(notes.map(({ readyHours }) => readyHours)).toEqual([5, undefined])
		const [newest] = notes
		await expect(deleteDryingNote(stranger.studioId, newest?.id ?? 0)).rejects.toThrow(NotFoundError)
		await deleteDryingNote(studio.studioId, newest?.id ?? 0)
		expect(await listDryingNotes(studio.studioId)).toHaveLength(1)
	})
})

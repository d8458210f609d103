/** A studio taken out as one file and read into another: the same again, row by row; and what is no copy changes nothing. */
import { createHash } from 'node:crypto'
import fc from 'fast-check'
import { unzipSync, zipSync } from 'fflate'
import { beforeAll, describe, expect, test } from 'vitest'
import { checkContents } from '../../app/keep/check-contents.server'
import { readStudioCopy } from '../../app/keep/read-copy.server'
import * as copyFile from '../../app/keep/routes/studio-copy-file/route'
import * as copyPage from '../../app/keep/routes/studio-copy/route'
import { writeStudioCopy } from '../../app/keep/write-copy.server'
import { readPlan } from '../../app/plan/read-plan.server'
import { ConflictError, InputError } from '../../core/errors'
import { getDatabase } from '../../db/connection.server'
import { loadDemo } from '../../db/load-demo.server'
import { getStudio, setLearnt, updateStudio, type Studio } from '../../db/repositories/accounts.server'
import { listCourses } from '../../db/repositories/course-list.server'
import { getCourse } from '../../db/repositories/courses.server'
import { createDryingNote, keepTrayNotes } from '../../db/repositories/drying-notes.server'
import { keepSessionObservations, listObservations } from '../../db/repositories/observations.server'
import { changeTicks } from '../../db/repositories/packing.server'
import { addPhoto } from '../../db/repositories/photos.server'
import { deletePlace, listPlaces } from '../../db/repositories/places.server'
import { findNewestPlan } from '../../db/repositories/plans.server'
import { markDone } from '../../db/repositories/prep-marks.server'
import { addReadings } from '../../db/repositories/readings.server'
import { addRunPhoto } from '../../db/repositories/run-photos.server'
import { addRunEvents } from '../../db/repositories/runs.server'
import { keepStudentSpeeds } from '../../db/repositories/student-speeds.server'
import { checkColumns } from '../../db/whole-studio/check-columns.server'
import { STUDIO_TABLES } from '../../db/whole-studio/studio-tables.server'
import { countStudioRows, isNothing } from '../../db/whole-studio/take-rows.server'
import { readStudioArchive, writeStudioArchive, type Row, type StudioRows } from '../../exchange/studio/studio-archive'
import { answerOf, call } from '../support/call-route'
import { makeJpeg } from '../support/make-jpeg'
import { contextOf, foundStudio, freshDatabase } from '../support/studios'

let studio: Studio
let copy: Uint8Array

beforeAll(async () => {
	await freshDatabase()
	const { studioId } = await loadDemo({ today: '2026-03-02', zone: 'Europe/Berlin', password: 'sepal and stamen' })
	await fillStudio(studioId)
	studio = await getStudio(studioId)
	copy = await writeStudioCopy(studio)
}, 120_000)

/** Something in every table that the demo leaves empty, and rows that name rows inside documents and texts. */
async function fillStudio(studioId: number): Promise<void> {
	const { courses } = await listCourses(studioId, {})
	const courseId = courses.find(({ name }) => name.startsWith('Magnolia'))?.id ?? 0
	const run = { courseId, session: 1 }
	const at = new Date('2026-03-12T19:05:00.000Z')
	const [room] = await listPlaces(studioId)
	const plan = await findNewestPlan(studioId, courseId)
	if (!room || !plan) throw new Error('the demo has neither a room nor a plan')
	await addPhoto(studioId, 'magnolia', { caption: 'Open', widthPx: 40, heightPx: 30, bytes: makeJpeg(40, 30) })
	await addReadings(studioId, room.id, [{ at: '2026-03-01T10:00', temperatureC: 21.5, humidity: 0.52 }], {
		source: 'typed',
		now: '2026-03-02T10:00',
	})
	const head = { runId: 'run', device: 'tablet', at: 1000, when: 1000 }
	const events = [
		{ ...head, id: 'event-1', seq: 1, type: 'opened' as const, planId: plan.id },
		{ ...head, id: 'event-2', seq: 2, type: 'note' as const, text: 'A photo', photo: 'photo-1' },
	]
	await addRunEvents(studioId, run, events, at)
	await addRunPhoto(studioId, { courseId, photoId: 'photo-1' }, makeJpeg(20, 10), at)
	await changeTicks(studioId, courseId, [{ seat: 1, line: 'wire:24', amount: 3, isPacked: true, at }])
	await markDone(studioId, { courseId, taskId: `course-${courseId} colour` }, at)
	await markDone(studioId, { courseId, taskId: 'course-999999 of a course that is gone' }, at)
	await keepTrayNotes(studioId, run, [
		{
			...{ paste: 'gum paste', what: 'petals', modelHours: 4, notReadyHours: 3, readyHours: 5 },
			...{ batchSize: 8, placeId: room.id },
		},
	] as never)
	await createDryingNote(studioId, {
		...{ paste: 'gum paste', what: 'leaves', modelHours: 4, notReadyHours: 3, readyHours: null },
		...{ batchSize: 1, placeId: room.id },
	} as never)
	const classId = `course ${courseId}`
	const seenHead = (what: string) => ({ id: `${classId} 1 ${what}`, classId, date: '2026-03-12' })
	const seen = { classId, date: '2026-03-12', level: 'improvers' as const, step: 'magnolia/leaves-shape' }
	await keepSessionObservations(studioId, run, {
		source: 'run',
		kinds: ['minutes', 'paste', 'wires', 'queue'],
		observations: [
			{
				...{ kind: 'paste', className: 'Magnolia' },
				observation: { ...seenHead('paste'), paste: 'gum paste', kind: 'leaf', reckonedG: 80, usedG: 61.5 },
			},
			{
				...{ kind: 'wires', className: 'Magnolia' },
				observation: { ...seenHead('wires'), wire: '26 gauge white', handed: 90, used: 81 },
			},
			{
				...{ kind: 'queue', className: 'Magnolia' },
				observation: { ...seenHead('queue'), tool: 'petal veiner', waiting: 3, studentCount: 8 },
			},
			{
				...{ kind: 'minutes', className: 'Magnolia', stepName: 'leaves' },
				observation: {
					...{ ...seen, id: `${classId} 1 leaves`, statedMinutes: 10, studentCount: 8, doneCount: 7 },
					...{ from: 12, to: Infinity },
				},
			},
		],
	})
	await keepStudentSpeeds(studioId, run, [{ person: 'wren', name: 'Wren', date: '2026-03-12', logRatio: 0.1 }] as never)
	const { learnt: _, learnsStudents: __, leavingAt: ___, ...settings } = await getStudio(studioId)
	await updateStudio({ ...settings, ownPastes: [{ name: 'cold porcelain', like: 'gum paste', paceFactor: 1.2 }] })
	await setLearnt(studioId, { since: '2026-03-01', levels: {}, techniques: {}, steps: { 'calla-lily/petal': 1.2 } })
}

/** Texts of its files by path, pictures as checksums; when it was packed does not count. */
function contentsOf(packed: Uint8Array): Record<string, string> {
	const files = Object.entries(unzipSync(packed))
	return Object.fromEntries(files.map(([path, file]) => [path, textOf(path, file)]))
}

function textOf(path: string, file: Uint8Array): string {
	return path.endsWith('.jpg') ? createHash('sha256').update(file).digest('hex') : new TextDecoder().decode(file)
}

const emptyStudio = async () => (await foundStudio()).studioId

/** Who signs in and with what, what hangs on them, and what is reckoned anew. */
const STAYS = [
	...['studios', 'users', 'sign_ins', 'links', 'changes', 'calendar_feeds', 'calendar_events', 'run_codes'],
	...['course_preparations', 'laid_preparations'],
]

describe('a copy', () => {
	test('has every table but those that stay for a reason, and the filled studio something in each', () => {
		const all = Object.values(getDatabase().models).map((model) => model.getTableName())
		const taken = Object.values(STUDIO_TABLES).map(({ model }) => model.getTableName())
		expect([...taken, ...STAYS].toSorted()).toEqual(all.toSorted())

		const { tables } = readStudioArchive(copy)
		expect(Object.keys(STUDIO_TABLES).filter((name) => (tables[name]?.length ?? 0) === 0)).toEqual([])
	})

	test('read into another studio is the same again, file by file, and its plans are as good as they were', async () => {
		const id = await emptyStudio()
		await readStudioCopy(id, copy)
		const again = await writeStudioCopy(await getStudio(id))

		const [first, second] = [contentsOf(copy), contentsOf(again)]
		expect(Object.keys(second).toSorted()).toEqual(Object.keys(first).toSorted())
		// Somebody else signs in there, and files for other programs call courses and rooms by other numbers.
		const readBack = Object.keys(first).filter((path) => !path.startsWith('for-others/'))
		for (const path of readBack) expect(second[path], path).toBe(first[path])
		const plain = (text = '') => text.replaceAll(/\b(course |room-)\d+/g, '$1')
		const others = Object.keys(first).filter((path) => path.startsWith('for-others/') && !path.includes('who-signs-in'))
		for (const path of others) expect(plain(second[path]), path).toBe(plain(first[path]))
		const { courses } = await listCourses(id, {})
		const outdated = []
		for (const course of courses) {
			const { isOutdated } = await readPlan(await getStudio(id), await getCourse(id, course.id))
			if (isOutdated) outdated.push(course.name)
		}
		// The one whose inputs were changed by what is learnt was outdated before.
		expect(outdated).toEqual(await outdatedOf(studio))
		expect(outdated.length).toBeLessThan(courses.length)
	})

	async function outdatedOf(own: Studio): Promise<string[]> {
		const { courses } = await listCourses(own.id, {})
		const plans = await Promise.all(courses.map(async ({ id }) => readPlan(own, await getCourse(own.id, id))))
		return courses.filter((_, c) => plans[c]?.isOutdated).map(({ name }) => name)
	}

	test('names rows as the new studio does, also inside documents and texts', async () => {
		const id = await emptyStudio()
		await readStudioCopy(id, copy)
		const observed = (await listObservations(id)).find(({ source, kind }) => source === 'run' && kind === 'minutes')
		const courseId = observed?.run?.courseId
		expect(observed?.observation).toMatchObject({ classId: `course ${courseId}`, id: `course ${courseId} 1 leaves` })
		await expect(getCourse(id, courseId ?? 0)).resolves.toMatchObject({ name: 'Magnolia on Thursdays' })
		const { tables } = readStudioArchive(copy)
		expect(tables['prepMarks']?.map(({ taskId }) => taskId)).toEqual([
			'course-1 colour',
			'course-gone-999999 of a course that is gone',
		])
		expect(tables['runEvents']?.[0]?.['event']).toMatchObject({ planId: 1 })
	})

	test('of a studio that has set nothing is read in, and one of before a setting was there', async () => {
		const plain = await writeStudioCopy(await getStudio((await foundStudio(['magnolia'])).studioId))
		await readStudioCopy(await emptyStudio(), plain)
		const rows = readStudioArchive(plain)
		for (const name of ['paper', 'peopleMonths', 'prepTerms']) delete rows.settings[name]
		const id = await emptyStudio()
		await readStudioCopy(id, await writeStudioArchive(rows, {}))
		expect(await getStudio(id)).toMatchObject({ paper: 'a4', peopleMonths: 12 })
	})

	test('goes into no studio that has something, and a stranger’s rows are not in it', async () => {
		const full = (await foundStudio(['magnolia'])).studioId
		await expect(readStudioCopy(full, copy)).rejects.toThrow(ConflictError)
		expect(readStudioArchive(await writeStudioCopy(await getStudio(full))).tables['designs']).toHaveLength(1)
	})

	test('is fetched and read in by its page', async () => {
		const member = await foundStudio()
		const body = new FormData()
		body.set('copy', new Blob([Uint8Array.from(copy)], { type: 'application/zip' }), 'copy.zip')
		const request = new Request('http://localhost/studio/copy', { method: 'POST', body })
		const answer = await answerOf(copyPage.action({ request, params: {}, context: contextOf(member) } as never))
		expect(answer).toMatchObject({ status: 302, to: '/courses' })

		const file = await copyFile.loader(call(member, '/studio/copy/file'))
		expect(file.headers.get('Content-Disposition')).toMatch(/filename="[a-z0-9-]+\.zip"/)
		expect(readStudioArchive(new Uint8Array(await file.arrayBuffer())).tables['courses']).toHaveLength(5)
	})

	test('keeps what a plan says of a room that is gone apart from every room', async () => {
		const id = await emptyStudio()
		await readStudioCopy(id, copy)
		for (const { id: placeId, version } of await listPlaces(id)) await deletePlace(id, placeId, version)
		const { tables } = readStudioArchive(await writeStudioCopy(await getStudio(id)))
		const places = (tables['plans'] ?? []).flatMap(({ document }) => (document as never)['terms']['places'] as Row[])
		expect(places.length).toBeGreaterThan(0)
		expect(places.every((place) => Number(place['id']) <= 0)).toBe(true)
		const other = await emptyStudio()
		await readStudioCopy(other, await writeStudioCopy(await getStudio(id)))
	})
})

/** The copy with something else in it, and checksums that are right. */
async function changed(change: (rows: StudioRows) => void): Promise<Uint8Array> {
	const rows = readStudioArchive(copy)
	change(rows)
	return writeStudioArchive(rows, {})
}

async function refusalOf(file: Uint8Array): Promise<string> {
	const id = await emptyStudio()
	const error = await readStudioCopy(id, file).catch((refused: unknown) => refused)
	if (!(error instanceof InputError)) throw error ?? new Error('it was taken in')
	expect(isNothing(await countStudioRows(id))).toBe(true)
	return error.message
}

describe('what is no whole copy', () => {
	const rowOf = (rows: StudioRows, table: string) => rows.tables[table]?.[0] ?? {}

	test.each([
		['no zip', () => new Uint8Array([1, 2, 3]), /no zip/],
		['half of it', () => copy.slice(0, copy.length / 2), /no zip/],
		['another zip', () => zipSync({ 'a.txt': new Uint8Array(3) }), /no copy of a studio/],
		['one file changed', () => withFile('rows/courses.json', '[]'), /courses\.json: .*not as it was written/],
		['one file gone', () => withFile('rows/plans.json', undefined), /plans\.json: .*not as it was written/],
		['a newer form', () => withManifest({ formatVersion: 9 }), /newer Calycine/],
		['one that says it is huge', () => withSize('rows/courses.json', 0x7000_0000), /more in this file/],
		[
			'one that says it is smaller than it is',
			() => withSize('rows/plans.json', 10),
			/plans\.json: .*not as it was written/,
		],
	])(
		'is refused: %s',
		async (_, file, words) => {
			expect(await refusalOf(file())).toMatch(words)
		},
		60_000,
	)

	test.each<[string, (rows: StudioRows) => void, RegExp]>([
		['a table of ours that is none', (rows) => (rows.tables['users'] = [{ id: 1 }]), /no such table/],
		['a column that is none', (rows) => (rowOf(rows, 'courses')['studioId'] = 1), /nothing called studioId/],
		['a text too long', (rows) => (rowOf(rows, 'students')['name'] = 'a'.repeat(99)), /students\.json, row 1: name/],
		['another’s room', (rows) => (rowOf(rows, 'courses')['storeId'] = 99), /no such row in places/],
		['a number of its own', (rows) => (rowOf(rows, 'plans')['id'] = 7), /should have the number 1/],
		[
			'no picture',
			(rows) => rows.pictures.set('photos-1', new TextEncoder().encode('<script>')),
			/photos\.json, row 1/,
		],
		['a session that ends first', (rows) => (rowOf(rows, 'courseSessions')['endMin'] = 3), /courses\.json, row 1/],
		['a plan of nothing', (rows) => (rowOf(rows, 'plans')['document'] = {}), /plans\.json, row 1/],
		['a design of another', (rows) => (rowOf(rows, 'designs')['slug'] = 'fuchsia-x'), /of another design/],
		[
			'an event that is none',
			(rows) => ((rowOf(rows, 'runEvents')['event'] as Row)['type'] = 'x'),
			/runEvents\.json, row 1/,
		],
		['a chance of two', (rows) => spoilBreakage(rows), /observations\.json, row/],
		['settings that are none', (rows) => (rows.settings['timeZone'] = 'Moon/Base'), /studio\.json/],
		['a diet that is none', (rows) => (rowOf(rows, 'students')['diet'] = 'stones'), /students\.json, row 1: diet/],
	])('is refused with its row: %s', async (_, change, words) => {
		expect(await refusalOf(await changed(change))).toMatch(words)
	})

	function spoilBreakage({ tables }: StudioRows): void {
		const row = tables['observations']?.find(({ kind }) => kind === 'breakage')
		;((row?.['document'] as Row)['observation'] as Row)['stated'] = 2
	}

	function withFile(path: string, text: string | undefined): Uint8Array {
		const { [path]: _, ...files } = unzipSync(copy)
		return zipSync(text === undefined ? files : { ...files, [path]: new TextEncoder().encode(text) }, { level: 1 })
	}

	/** Another size of the file when it is unpacked, where the zip lists what is in it (PKWARE's APPNOTE 4.3.12). */
	function withSize(path: string, size: number): Uint8Array {
		const lying = Buffer.from(copy)
		const entry = lying.lastIndexOf(path) - 46
		expect(lying.readUInt32LE(entry)).toBe(0x02014b50)
		lying.writeUInt32LE(size, entry + 24)
		return lying
	}

	function withManifest(values: object): Uint8Array {
		const manifest = JSON.parse(new TextDecoder().decode(unzipSync(copy)['studio.json'])) as object
		return withFile('studio.json', JSON.stringify({ ...manifest, ...values }))
	}

	test('whatever stands in whatever row: it is refused in words, or taken', async () => {
		const odd = fc.oneof(
			fc.constantFrom<unknown>(null, -1, 0, 1e12, '', 'x'.repeat(300), '<script>', {}, [], [[]], true, 0.5),
			fc.jsonValue({ maxDepth: 2 }),
		)
		const spoiled = fc.tuple(fc.constantFrom(...Object.keys(STUDIO_TABLES)), fc.array(fc.nat(), { maxLength: 6 }), odd)
		await fc.assert(
			fc.asyncProperty(spoiled, async ([table, way, value]) => {
				const rows = readStudioArchive(copy)
				spoil(rows.tables, [table, ...way], value)
				const packed = await writeStudioArchive(rows, {})
				const look = async () => {
					const read = readStudioArchive(packed)
					if (checkColumns(read).length === 0) await checkContents(read)
				}
				await look().catch((error: unknown) => {
					if (!(error instanceof InputError)) throw error
				})
			}),
			{ numRuns: 150 },
		)
	}, 120_000)

	/** Goes down by the numbers, each taken as one of what is there, and puts the value in at the end. */
	function spoil(tables: StudioRows['tables'], [table, ...way]: [string, ...number[]], value: unknown): void {
		let place: Record<string, unknown> = tables
		let key: string = table
		for (const step of way) {
			const inner = place[key]
			if (typeof inner !== 'object' || inner === null || Object.keys(inner).length === 0) break
			place = inner as Record<string, unknown>
			key = Object.keys(inner)[step % Object.keys(inner).length] ?? key
		}
		if (place !== (tables as object)) place[key] = value
	}
})

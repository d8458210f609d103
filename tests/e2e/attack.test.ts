/** The short form of `npm run attack`: a little of everything, from fixed seeds. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { closeDatabase } from '../../db/connection.server'
import { askForForeignThings, foundStranger } from '../attack/foreign-studio'
import { fuzzGets, fuzzPosts } from '../attack/fuzz-posts'
import { addDemoPerson, postAsLesserRole } from '../attack/lesser-roles'
import { writeInParallel } from '../attack/parallel-writers'
import { makeJpeg } from '../support/make-jpeg'
import { ask, makeDataFolder, openTargetDatabase, startTarget, type Target } from '../attack/target'

let data: ReturnType<typeof makeDataFolder>
let target: Target

beforeAll(async () => {
	data = makeDataFolder()
	target = await startTarget(data.folder)
	openTargetDatabase(data.folder)
})
afterAll(async () => {
	await closeDatabase()
	await target.stop()
	data.remove()
})

test('writers at once see no deadlock, and of windows that read one version at most one is taken', async () => {
	const { byStatus, takenOfOneVersion } = await writeInParallel(target, { rounds: 3 })

	expect(Object.keys(byStatus).filter((status) => !['200', '409'].includes(status))).toEqual([])
	expect(takenOfOneVersion).toEqual([1, 1, 1])
})

test('ids of another studio are not found, whatever is asked of them', async () => {
	// The demo has no photo of its own to be kept from strangers.
	const photo = new FormData()
	photo.set('photo', new Blob([makeJpeg(8, 8)], { type: 'image/jpeg' }), 'photo.jpg')
	expect((await ask(target, '/designs/magnolia/photos', { method: 'POST', body: photo })).status).toBe(200)
	expect((await ask(target, '/photos/1')).status).toBe(200)
	expect(await askForForeignThings(target, await foundStranger(target))).toEqual([])
})

test.each(['guest', 'assistant'] as const)('of a %s nothing is taken but what is theirs', async (role) => {
	const cookie = await addDemoPerson(target, role)
	expect(await postAsLesserRole(target, role, cookie)).toEqual([])
	// It does not even show what is not for them.
	const who = { url: target.url, cookie }
	for (const page of ['/people', '/courses/1/kits/people', '/courses/1/kits/cost']) {
		const own = await ask(target, `${page}.data`)
		expect(own.status, page).toBe(200)
		// As a page, as what a page that is open asks for, and by parts.
		const route = 'kit/routes/kit-people/route,kit/routes/kit-cost/route,account/routes/people/route'
		for (const way of [page, `${page}.data`, `${page}.data?_routes=${encodeURIComponent(route)}`, `${page}/`]) {
			const answer = await ask(who, way)
			expect(answer.status, way).toBe(403)
			expect(answer.text).not.toMatch(/Tamsin|gelatine|instructor@tidewater/)
		}
	}
	expect((await ask(who, '/courses/1/files/people.csv')).status).toBe(403)
	expect((await ask(who, '/courses/1/plan')).status).toBe(200)
	// What a kit exchanges is shown; why is not sent.
	const kits = '/courses/1/kits.data?view=class'
	expect((await ask(target, kits)).text).toContain('"reason"')
	expect((await ask(who, kits)).text).toContain('"exchanges"')
	expect((await ask(who, kits)).text).not.toContain('"reason"')
})

test('odd addresses and odd bodies are answered below 500, in time', { timeout: 180_000 }, async () => {
	expect(await fuzzGets(target)).toEqual([])
	expect(await fuzzPosts(target, { rounds: 6, seed: 20_260_302 })).toEqual([])
})

test.each([
	{ name: 'in the year 26', date: '0026-03-01' },
	{ name: 'in the year 9999', date: '9999-12-31' },
	{ name: 'on 30 February', date: '2026-02-30' },
])('a session $name is refused, and the server lives', async ({ date }) => {
	const session = { date, startMin: 600, endMin: 720, setUpMinutes: 0, clearAwayMinutes: 0, breaks: [] }
	const course = {
		name: 'Odd year',
		studentCount: 4,
		pace: 'improvers',
		planFor: 'slower',
		spareConfidence: 0.9,
		demoFlowers: 1,
		homeworkMinutes: 0,
		designs: [{ designId: 'magnolia', flowersPerStudent: 1, picks: {} }],
		sessions: [session],
	}

	const answer = await ask(target, '/courses/new', {
		method: 'POST',
		headers: { 'Content-Type': 'application/json' },
		body: JSON.stringify(course),
	})

	expect([answer.status, answer.text]).toEqual([400, expect.stringContaining('A day from 2000 to 2100')])
	expect((await ask(target, '/health')).status).toBe(200)
})

describe('behind a proxy that we were not told to trust', () => {
	test('sixty wrong passwords of strangers lock nobody else out', async () => {
		const wrong = (k: number) =>
			ask({ url: target.url, cookie: '' }, '/sign-in', {
				method: 'POST',
				headers: { 'X-Forwarded-For': '203.0.113.9' },
				body: new URLSearchParams({ email: `stranger-${k}@studio.example`, password: 'wrong' }),
			})
		for (let k = 0; k < 65; k++) expect((await wrong(k)).text).toContain('Address or password is not right')
	})
})

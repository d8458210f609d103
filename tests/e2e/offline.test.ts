/** A class taught where the network is not: the line to the server is pulled, and plugged in again. */
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Page } from 'playwright-core'
import { cutLines } from '../attack/cut-lines'
import { openLooseLine, type LooseLine } from '../support/loose-line'
import { openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let line: LooseLine
let visitor: Visitor
let tablet: Page

beforeAll(async () => {
	bench = await openBench()
	line = await openLooseLine(bench.app.url)
	const throughLine = { ...bench, app: { ...bench.app, url: line.url } }
	visitor = await visit(throughLine, { reducedMotion: 'reduce', viewport: { width: 820, height: 1180 } })
	tablet = visitor.page
})
afterAll(async () => {
	await line.close()
	await bench.close()
})

const press = (name: string | RegExp) => tablet.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = () => tablet.locator('.run-now h2').innerText()

describe('a device', () => {
	test('is made ready for class when its session is looked at, and says what is missing', async () => {
		await tablet.goto('/courses/1/run/1')
		const ready = tablet.getByText(/^Ready for class/)
		await ready.waitFor({ timeout: 60_000 })
		await ready.click()
		await tablet.getByText('Tablet, wall, plan and kits open without a network').waitFor()
		expect(await scan(tablet)).toEqual([])
	})

	test('opens the session, the wall, the plan and the kits without a network', async () => {
		line.pull()
		await tablet.reload()
		await press('We begin')
		await tablet.getByText(/no network, 1 press kept here/).waitFor()

		const other = await visitor.context.newPage()
		await other.goto('/courses/1/run/1/wall')
		await expect.poll(() => other.getByRole('heading', { level: 1 }).innerText()).toBe(await title())
		for (const [page, heading] of [
			['plan', 'Magnolia on Thursdays'],
			['kits', 'Magnolia on Thursdays'],
		] as const) {
			await other.goto(`/courses/1/${page}`)
			await other.getByRole('heading', { name: heading }).waitFor()
			// What the page asks for besides does not take it away.
			await other.waitForTimeout(500)
			await other.getByRole('button', { name: 'Sign out' }).waitFor()
		}
		await other.close()
	})

	test('goes on after a reload where it was, and sends all of it when the line is back', async () => {
		const before = await title()
		await press('Most are done')
		await expect.poll(title).not.toBe(before)
		const after = await title()
		await tablet.reload()
		await expect.poll(title).toBe(after)
		await tablet.getByText(/no network, 2 presses kept here/).waitFor()

		line.plug()
		await tablet.getByText(/all is kept/).waitFor()
		const direct = await visit(bench, { reducedMotion: 'reduce' })
		await direct.page.goto('/courses/1/run/1')
		await expect.poll(() => direct.page.locator('.run-now h2').innerText()).toBe(after)
		await direct.context.close()
	})

	test('keeps her signed in, and all that it keeps, when she signs out without a network', async () => {
		await tablet.goto('/courses/1/plan')
		line.pull()
		await press('Sign out')
		const box = tablet.getByRole('dialog')
		await box.getByText('Not signed out').waitFor()
		await box.getByRole('alert').waitFor()
		await box.getByRole('button', { name: 'Stay' }).click()
		await tablet.goto('/courses/1/run/1')
		await tablet.locator('.run-now h2').waitFor()
		line.plug()
	})

	test('does not let go of what only it has when somebody signs out', async () => {
		line.pull()
		await press('Note')
		await tablet.getByRole('textbox', { name: 'A note' }).fill('The light went out')
		await press('Keep it')
		await tablet.getByText(/no network, 1 press kept here/).waitFor()
		await tablet.goto('/courses/1/plan')
		await press('Sign out')
		const box = tablet.getByRole('dialog')
		await box.getByText('Only on this device: 1 press of a class').waitFor()
		await box.getByRole('button', { name: 'Send and sign out' }).click()
		await box.getByRole('alert').waitFor()
		expect(await scan(tablet)).toEqual([])

		line.plug()
		await box.getByRole('button', { name: 'Send and sign out' }).click()
		await tablet.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
		line.pull()
		await expect(tablet.goto('/courses/1/run/1')).rejects.toThrow(/ERR_/)
		line.plug()
	})

	test('that was another studio’s keeps its presses for it, unseen, and shows none of its pages', async () => {
		const there = await visit({ ...bench, app: { ...bench.app, url: line.url } }, { reducedMotion: 'reduce' })
		const { page } = there
		await page.goto('/courses/1/run/2')
		await page.getByText(/^Ready for class/).waitFor({ timeout: 60_000 })
		// As if somebody of another studio had taught with it, whose sign-in has run out since.
		await page.evaluate(
			() =>
				new Promise<void>((resolve, reject) => {
					localStorage.setItem('calycine-studio', '999')
					const opening = indexedDB.open('calycine-runs-999', 1)
					opening.onupgradeneeded = () => {
						for (const name of ['events', 'photos'])
							opening.result.createObjectStore(name, { keyPath: ['run', 'id'] }).createIndex('run', 'run')
						opening.result.createObjectStore('names')
					}
					opening.onerror = () => reject(new Error('the store did not open'))
					opening.onsuccess = () => {
						const own = { run: '/courses/1/run/2', id: 'theirs', event: { id: 'theirs' }, isSent: false }
						const writing = opening.result.transaction('events', 'readwrite')
						writing.objectStore('events').put(own)
						writing.oncomplete = () => {
							opening.result.close()
							resolve()
						}
					}
				}),
		)
		await page.goto('/courses')
		await expect.poll(() => page.evaluate(() => localStorage.getItem('calycine-studio'))).toBe('1')
		expect(await page.evaluate(async () => (await caches.keys()).filter((name) => name.includes('pages')))).toEqual([])
		line.pull()
		await expect(page.goto('/courses/1/run/2')).rejects.toThrow(/ERR_/)
		// The browser goes to a page of its own that says so: what is asked for before it is there is lost.
		await page.waitForURL(/^chrome-error:/)
		line.plug()
		// Whose they are not is asked nothing about them, and cannot throw them away.
		await page.goto('/courses')
		await page.getByRole('button', { name: 'Sign out' }).click()
		await page.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
		const left = await page.evaluate(
			() =>
				new Promise<number>((resolve) => {
					const opening = indexedDB.open('calycine-runs-999')
					opening.onsuccess = () => {
						const asking = opening.result.transaction('events').objectStore('events').count()
						asking.onsuccess = () => resolve(asking.result)
					}
				}),
		)
		expect(left).toBe(1)
		await there.context.close()
	})
})

test('what was saved as a file when somebody signed out is taken in again, and nothing that is no such file', async () => {
	const there = await visit({ ...bench, app: { ...bench.app, url: line.url } }, { reducedMotion: 'reduce' })
	const { page } = there
	await page.goto('/courses/1/run/2')
	await page.getByText(/^Ready for class/).waitFor({ timeout: 60_000 })
	line.pull()
	await page.getByRole('button', { name: 'We begin' }).click()
	await page.getByText(/no network, 1 press kept here/).waitFor()
	await page.goto('/courses/1/plan')
	await page.getByRole('button', { name: 'Sign out' }).click()
	const box = page.getByRole('dialog')
	line.plug()
	const [download] = await Promise.all([
		page.waitForEvent('download'),
		box.getByRole('button', { name: 'Save a file and sign out' }).click(),
	])
	await page.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
	const buffer = readFileSync(await download.path())
	await there.context.close()

	const back = await visit(bench, { reducedMotion: 'reduce' })
	await back.page.goto('/courses/1/run')
	const input = back.page.locator('input[type=file]')
	await input.setInputFiles({
		name: 'bad.json',
		mimeType: 'application/json',
		buffer: Buffer.from('{"format":"cake"}'),
	})
	await back.page
		.getByRole('alert')
		.getByText(/no file of a class/)
		.waitFor()
	await input.setInputFiles({ name: 'class.json', mimeType: 'application/json', buffer })
	await back.page.getByText('Taken in: 1 press of a class.').waitFor()
	await back.page.goto('/courses/1/run/2')
	await back.page.getByRole('button', { name: 'Most are done' }).waitFor()
	await back.context.close()
})

test(
	'three tablets whose lines are cut by chance know the same in the end, and nothing is lost',
	{ timeout: 240_000 },
	async () => {
		const report = await cutLines(bench, '/courses/2/run/1', { rounds: 3, seed: 5 })
		expect(report.failures).toEqual([])
		expect(report.events).toBeGreaterThan(5)
	},
)

/** From an accepted plan to work before class in order, printed papers, and a calendar that is read elsewhere. */
import ICAL from 'ical.js'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Locator, Page } from 'playwright-core'
import { openBench, visit, type Bench, type Visitor } from '../support/visitor'
import { readPdf } from '../support/read-pdf'

let bench: Bench
let visitor: Visitor
let page: Page

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench, { reducedMotion: 'reduce' })
	page = visitor.page
})
afterAll(() => bench.close())

/** Of a link or a button that hands over a file. */
async function download(press: () => Promise<void>): Promise<Uint8Array> {
	const waiting = page.waitForEvent('download')
	await press()
	const stream = await (await waiting).createReadStream()
	const parts: Buffer[] = []
	for await (const part of stream) parts.push(part as Buffer)
	return new Uint8Array(Buffer.concat(parts))
}

describe('papers', () => {
	test('of a session are on the screen as they are printed, and its steps are in the file', async () => {
		await page.goto('/courses/1/kits/papers')
		await page.getByRole('link', { name: 'Run sheet', exact: true }).click()
		await page.getByRole('heading', { name: /^Evening 1, / }).waitFor()
		await page.getByRole('link', { name: /^Evening 2, / }).click()
		await page.getByRole('heading', { name: /^Evening 2, / }).waitFor()
		await page.getByText('By the clock').waitFor()
		const bytes = await download(() => page.getByRole('link', { name: 'PDF', exact: true }).click())

		const text = (await readPdf(bytes)).pages.map(({ text: own }) => own).join(' ')
		expect(text).toContain('Evening 2')
		expect(text).toContain('Set up and welcome')
		await page.emulateMedia({ media: 'print' })
		expect(await page.getByRole('button', { name: 'Print' }).isVisible()).toBe(false)
		await page.emulateMedia({ media: 'screen' })
	})

	test('for a student are hers: her hand, her exchanges, and the way back for an evening missed', async () => {
		await page.goto('/courses/1/papers/hand-out')
		await page.getByRole('link', { name: 'Tamsin Orrey' }).click()
		await page.getByText(/^For Tamsin Orrey/).waitFor()
		expect(await page.getByText('gum paste without egg').count()).toBeGreaterThan(0)
		await page
			.getByRole('group', { name: 'Missed' })
			.getByRole('link', { name: /^Evening 1/ })
			.click()
		await page.getByRole('heading', { name: 'The way back' }).waitFor()
		await page.getByRole('link', { name: 'Left, pictures mirrored' }).click()
		const bytes = await download(() => page.getByRole('link', { name: 'PDF', exact: true }).click())

		const { pages } = await readPdf(bytes)
		expect(pages[0]?.text).toContain('For Tamsin Orrey')
		expect(pages.at(-1)?.text).toContain('This bar is 10 cm long')
	})
})

describe('the days before', () => {
	test('are ticked, and stay so', async () => {
		await page.goto('/')
		await page.getByRole('link', { name: 'The days before' }).click()
		await page.getByRole('heading', { name: 'The days before' }).waitFor()
		await page.waitForLoadState('networkidle')
		const wires = page.getByRole('checkbox', { name: /^Cut \d+ wires/ }).first()
		await wires.focus()
		const kept = page.waitForResponse((response) => response.request().method() === 'POST')
		await page.keyboard.press('Space')
		await expect.poll(() => wires.isChecked()).toBe(true)
		// It is ticked on the page at once: a reload would overtake what is on its way.
		expect((await kept).ok()).toBe(true)

		await page.reload()
		await expect.poll(() => page.getByRole('checkbox', { name: /^Cut \d+ wires/, checked: true }).count()).toBe(1)
	})

	test('show weeks, in which work is taken to another day by keys; where it cannot be, it says why', async () => {
		await page.getByRole('link', { name: 'Week', exact: true }).click()
		await page
			.getByRole('region', { name: /^Week of/ })
			.first()
			.waitFor()
		await page.waitForLoadState('networkidle')
		// What is laid better meanwhile would come under her hands.
		await page.getByText('A better order of it is being looked for').waitFor({ state: 'hidden' })
		const tools = page.getByRole('button', { name: /^Pack and charge the tools, Calla lily taster/ })
		const refused = page.getByRole('alert')
		const column = await tools.evaluate((chip) => {
			const cell = chip.closest('li')
			return [...(cell?.parentElement?.children ?? [])].findIndex((one) => one === cell)
		})
		await takeUp(tools)
		// To Sunday, the day after the class.
		for (let k = column + 1; k <= 6; k++) {
			await page.keyboard.press('ArrowRight')
			await expect.poll(() => page.locator(`.prep-cell:nth-child(${k + 1}).is-over`).count()).toBe(1)
		}
		await page.keyboard.press('Space')

		await refused.getByText(/too late|no free time|over/).waitFor()
		expect(visitor.complaints.splice(0)).toEqual([expect.stringContaining('400')])

		await takeUp(tools)
		await page.keyboard.press('Escape')
		await expect.poll(() => page.locator('.prep-chip.is-held').count()).toBe(0)
	})

	test('are laid into the free time that is set', async () => {
		await page.getByRole('link', { name: 'Your free time' }).click()
		await page.getByLabel('On one day no more than').fill('5')
		await page.getByRole('button', { name: 'Save' }).click()
		await page.getByText('At least 15').waitFor()
		await page.getByLabel('On one day no more than').fill('120')
		await page.getByRole('button', { name: 'Save' }).click()
		await page.getByText(/Saved/).waitFor()
	})
})

describe('a calendar elsewhere', () => {
	test('reads an address that is made, and nothing once it is revoked', async () => {
		await page.goto('/preparation')
		await page.waitForLoadState('networkidle')
		await page.getByRole('button', { name: 'Make an address' }).click()
		const address = await page.locator('.prep-address').innerText()
		// As another program would: without any sign-in.
		const answer = await fetch(address)
		const calendar = new ICAL.Component(ICAL.parse(await answer.text()) as unknown[])
		const titles = calendar.getAllSubcomponents('vevent').map((event) => String(event.getFirstPropertyValue('summary')))

		expect(titles.some((title) => title.startsWith('Magnolia on Thursdays: evening 1'))).toBe(true)
		expect(answer.headers.get('ETag')).toBeTruthy()
		await page.getByRole('button', { name: 'Revoke it' }).click()
		await expect.poll(async () => (await fetch(address)).status).toBe(404)
	})

	test('and a file, read back', async () => {
		await page.goto('/courses/1/kits/papers')
		const bytes = await download(() => page.getByRole('link', { name: 'Calendar file' }).click())
		const calendar = new ICAL.Component(ICAL.parse(new TextDecoder().decode(bytes)) as unknown[])
		expect(calendar.getAllSubcomponents('vevent').length).toBeGreaterThan(2)
		expect(visitor.complaints.splice(0)).toEqual([])
	})
})

/**
 * Takes work up by keys. The drag library hears the next key only a turn after the piece is seen held, which no person
 * is quick enough to notice: of 300 Escapes pressed at once 24 were lost, of 300 a turn later none.
 */
async function takeUp(work: Locator) {
	await work.focus()
	await page.keyboard.press('Space')
	await expect.poll(() => page.locator('.prep-chip.is-held').count()).toBe(1)
	await page.evaluate(() => new Promise((done) => setTimeout(done)))
}

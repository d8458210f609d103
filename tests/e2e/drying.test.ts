/** Drying at the real interface: the screen, rooms with their hygrometer, and waits in a plan. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Page } from 'playwright-core'
import { choose, openBench, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let page: Page

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench)
	page = visitor.page
})
afterAll(() => bench.close())

const sure = () => page.locator('.drying-sure')
const headline = () => page.locator('.drying-answer')

describe('dry by when', () => {
	test('answers at once, and anew for whatever is dragged, typed or chosen', async () => {
		await page.getByRole('link', { name: 'Drying' }).click()
		await page.getByRole('heading', { name: 'Dry by when?' }).waitFor()
		await headline()
			.getByText(/^Firm after/)
			.waitFor()
		const before = await headline().textContent()

		await page.getByLabel('Thickness, mm, slider').focus()
		await page.keyboard.press('End')

		await expect.poll(() => headline().textContent()).not.toBe(before)
		await choose(page.getByLabel('Wanted'), 'hard')
		await headline()
			.getByText(/^Hard after/)
			.waitFor()
		await expect.poll(() => page.url()).toMatch(/stage=hard&thickness=12$/)
	})

	test('works by keyboard alone: the slider by its arrows, the time of the section too', async () => {
		await page.goto('/drying')
		await page.waitForLoadState('networkidle')
		const before = await headline().textContent()
		await page.getByLabel('Thickness, mm, slider').focus()
		for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
		await expect.poll(() => headline().textContent()).not.toBe(before)
		await expect.poll(() => page.getByLabel('Thickness, mm', { exact: true }).inputValue()).toBe('1.1')

		const section = page.getByRole('region', { name: 'Inside the piece' })
		const told = await section.locator('p').first().textContent()
		await section.getByRole('slider').focus()
		await page.keyboard.press('End')
		await expect.poll(() => section.locator('p').first().textContent()).not.toBe(told)
	})

	test('says at the field what is wrong, and loses nothing', async () => {
		await page.goto('/drying?room=0')
		await page.waitForLoadState('networkidle')
		const humidity = page.getByLabel('Humidity, %', { exact: true })
		await humidity.fill('130')
		await page.getByText('A number from 5 to 95').waitFor()
		await page.getByLabel('Thickness, mm', { exact: true }).fill('0')
		await page.getByText('A number from 0.2 to 12').waitFor()
		await expect.poll(() => humidity.inputValue()).toBe('130')
		await headline()
			.getByText(/^Firm after/)
			.waitFor()

		await page.getByLabel('Thickness, mm', { exact: true }).fill('0.5')
		await humidity.fill('60')
		await expect.poll(() => page.getByText('A number from').count()).toBe(0)
		await page.getByLabel('Days later').fill('0')
		await page.getByText('Must be after it is made: more days, or a later time').first().waitFor()
	})

	test('an address that cannot be is told in words, with the usual values in its place', async () => {
		await page.goto('/drying?thickness=400&humidity=130&room=0')

		await page.getByText('A number from 0.2 to 12 mm, not “400”').first().waitFor()
		await page.getByText('A number from 5 to 95 %, not “130”').first().waitFor()
	})

	test('says never, what it would take, and what helps; and tries it with one press', async () => {
		await page.goto('/drying?room=0&humidity=78&stage=firm')
		await expect.poll(() => sure().textContent()).toContain('Never')
		await headline()
			.getByText(/needs below 73 % humidity/)
			.waitFor()

		await page.getByRole('button', { name: /dry the air by 10 points of humidity/ }).click()

		await expect.poll(() => sure().textContent()).toMatch(/% sure/)
		await expect.poll(() => page.getByLabel('Humidity, %', { exact: true }).inputValue()).toBe('68')
		await page.getByRole('button', { name: 'Undo' }).click()
		await expect.poll(() => page.getByLabel('Humidity, %', { exact: true }).inputValue()).toBe('78')
		await expect.poll(() => sure().textContent()).toContain('Never')
	})

	test('takes a piece from a design, and keeps others beside it', async () => {
		await page.goto('/drying')
		await page.getByText('Take a piece from a design').click()
		await page.getByRole('link', { name: 'Magnolia', exact: true }).click()
		await page.getByRole('link', { name: 'Outer petals', exact: true }).click()
		await page.getByText('Magnolia, outer petals', { exact: true }).first().waitFor()
		await page.waitForLoadState('networkidle')

		await page.getByRole('button', { name: 'Keep this one, and change another' }).click()
		await page.getByRole('heading', { name: 'Kept 1' }).waitFor()
		await choose(page.getByLabel('Its back'), 'on a board')

		const spans = page.locator('.beside-span')
		await expect.poll(async () => new Set(await spans.allTextContents()).size).toBe(2)
		await page.getByRole('link', { name: 'Take away' }).click()
		await expect.poll(() => page.getByRole('heading', { name: 'Kept 1' }).count()).toBe(0)
	})

	test('draws the map in a worker, with its progress', async () => {
		await page.goto('/drying?room=0&humidity=50&thickness=0.9&back=tissue')
		await page.getByLabel('Reckoning the map').waitFor()

		await page.getByRole('table').filter({ hasText: '°C' }).waitFor()

		await expect.poll(() => page.locator('.air-map td').count()).toBe(99)
		expect(await page.locator('.air-map td.is-never').count()).toBeGreaterThan(8)
	})

	test('learns from what was seen, and forgets it', async () => {
		await page.goto('/drying?paste=modelling+paste&room=1')
		await page.getByText(/Nothing noted of modelling paste yet/).waitFor()
		await page.getByLabel('Thickness, mm', { exact: true }).fill('1.3')
		await expect.poll(() => page.url()).toMatch(/thickness=1\.3/)
		await page.getByLabel(/^Not yet firm after/).fill('20')
		await page.getByLabel(/^Seen firm after/).fill('10')
		await page.getByRole('button', { name: 'Note it' }).click()
		await page.getByText('Must be later than when it was not ready yet').waitFor()
		await page.getByLabel(/^Seen firm after/).fill('26')
		await page.getByRole('button', { name: 'Note it' }).click()

		await page.getByText(/From 1 entry: your modelling paste dries/).waitFor()
		// The question that was dragged to, not the one that the page was opened with.
		await expect.poll(() => page.getByLabel('Thickness, mm', { exact: true }).inputValue()).toBe('1.3')
		await page.getByRole('button', { name: /^Forget:/ }).click()
		await page.getByText(/Nothing noted of modelling paste yet/).waitFor()
	})

	test('without scripts it answers what its form asks', async () => {
		const plain = await visit(bench, { isSignedIn: false, javaScriptEnabled: false })
		await plain.page.goto('/sign-in')
		await plain.page.getByLabel('E-mail address').fill(bench.app.email)
		await plain.page.getByLabel('Password').fill(bench.app.password)
		await plain.page.getByRole('button', { name: 'Sign in' }).click()
		await plain.page.goto('/drying?room=0')
		await plain.page.getByLabel('Thickness, mm', { exact: true }).fill('1.5')
		await plain.page.getByRole('button', { name: 'Look' }).click()

		await plain.page.waitForURL(/thickness=1.5/)
		await plain.page.getByText(/^Firm after/).waitFor()
		await plain.context.close()
	})
})

describe('rooms', () => {
	test('show the live reading of the stand-in, its history, and take readings', async () => {
		await page.getByRole('link', { name: 'Rooms', exact: true }).click()
		await page.getByText(/^Hygrometer: \d+/).waitFor()
		await page.getByRole('link', { name: 'Bench room' }).click()
		await page.getByRole('heading', { name: 'Hygrometer' }).waitFor()
		await page.getByText(/^Over three days/).waitFor()

		await page.getByRole('region', { name: 'Hygrometer' }).getByLabel('Temperature, °C').fill('20.5')
		await page.getByLabel('Humidity, %', { exact: true }).fill('140')
		await page.getByRole('button', { name: 'Note a reading now' }).click()
		await page.getByText('A humidity from 1 to 100 %').waitFor()
		const text = `${'2026-03-01T10:00 20 50\n'}2026-03-01T10:05 200 50\n`
		await page
			.locator('input[type=file]')
			.setInputFiles({ name: 'air.txt', mimeType: 'text/plain', buffer: Buffer.from(text) })
		await page.getByText('1 reading taken, 1 line left out:').waitFor()
		await page.getByText(/line 2: 200 °C is outside/).waitFor()
		// A refused reading is a 400, which the browser notes by itself.
		visitor.complaints.splice(0)
	})

	test('are described by a usual climate, changed, and deleted after asking', async () => {
		await page.goto('/rooms/new')
		await page.waitForLoadState('networkidle')
		await page.getByRole('button', { name: 'Save' }).click()
		await page.getByText('Give the place a name').waitFor()
		await page.getByLabel('Name').fill('Loft')
		await page.getByLabel('Begin with a usual climate').click()
		await page.getByTitle('Hall, heated for classes only').click()
		await page.getByLabel('°C at 05:00').fill('12')
		await page.getByRole('button', { name: 'Save' }).click()
		await page.getByRole('heading', { name: 'Loft', level: 1 }).waitFor()
		await expect.poll(() => page.getByLabel('°C at 05:00').inputValue()).toBe('12')

		await page.getByRole('button', { name: 'Delete' }).click()
		await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click()
		await page.waitForURL(/rooms$/)
		await expect.poll(() => page.getByRole('link', { name: 'Loft' }).count()).toBe(0)
	})
})

test('the studio says how sure its plans are to be, and names pastes of its own', async () => {
	await page.goto('/studio')
	await page.waitForLoadState('networkidle')
	await page.getByText('8 times in 10').click()
	await page.getByRole('button', { name: 'One more paste' }).click()
	await page.getByRole('button', { name: 'Save' }).click()
	await page.getByText('Give the paste a name').waitFor()
	await page.getByLabel('Name', { exact: true }).fill('Bench mix')
	await page.getByLabel('Times as fast').fill('1.4')
	await page.getByRole('button', { name: 'Save' }).click()
	await page.getByText('Saved.').waitFor()

	await page.goto('/drying')
	await choose(page.getByLabel('Paste'), 'Bench mix')
	await expect.poll(() => page.url()).toMatch(/pace=1\.4/)
})

describe('a plan', () => {
	test('tells of each thread how long, how sure and why, and leads to its drying', async () => {
		await page.goto('/courses')
		await page.getByRole('link', { name: 'Magnolia on Thursdays' }).click()
		await page.waitForURL(/plan$/)
		await page
			.getByRole('link', { name: /^Why: hard/ })
			.first()
			.click()

		await page.getByRole('heading', { name: 'Dry by when?' }).waitFor()
		await page
			.getByText(/^Magnolia, /)
			.first()
			.waitFor()
		expect(new URL(page.url()).searchParams.get('stage')).toBe('hard')
	})

	test('holds a wait that is set by hand, and computes it again', async () => {
		await page.goto('/courses')
		await page.getByRole('link', { name: 'Magnolia on Thursdays' }).click()
		await page.waitForURL(/plan$/)
		await page
			.getByRole('link', { name: /Outer petals, Dust/ })
			.first()
			.click()
		await page
			.getByText(/^Why \d/)
			.first()
			.click()
		await page.getByLabel('Set by hand, minutes').first().fill('1200')
		await page.getByRole('button', { name: 'Hold it' }).first().click()
		await page
			.getByText(/^Why 20 h, by hand/)
			.first()
			.waitFor()

		await page.getByRole('button', { name: 'Compute again' }).first().click()

		await expect.poll(() => page.getByText(/by hand\?$/).count()).toBe(0)
	})

	test('says at once that a room is too damp, and what would help', async () => {
		await page.goto('/rooms')
		await page.getByRole('link', { name: 'Bench room' }).click()
		await page.waitForLoadState('networkidle')
		for (const name of ['Bench room', 'Airing cupboard']) {
			await page.goto('/rooms')
			await page.getByRole('link', { name }).click()
			await page.getByRole('heading', { name, level: 1 }).waitFor()
			await page.waitForLoadState('networkidle')
			await page.getByLabel('Relative humidity, %').fill('74')
			await page.getByRole('button', { name: 'Save' }).click()
			await page.waitForURL(/rooms$/)
		}
		await page.goto('/courses')
		await page.getByRole('link', { name: 'Magnolia on Thursdays' }).click()
		await page
			.getByText(/Since this plan was made the air of Bench room, the air of Airing cupboard.* changed/)
			.waitFor()

		await page.getByRole('button', { name: 'Plan anew' }).click()

		await page.getByRole('heading', { name: 'The air is too damp for this' }).waitFor()
		await page
			.getByText(/What helps: /)
			.first()
			.waitFor()
	})
})

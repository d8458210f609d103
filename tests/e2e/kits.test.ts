/** From a planned course to bags packed and papers printed, at the real interface. */
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

describe('kits', () => {
	test('show one student’s, with what is exchanged for her, and where an amount comes from', async () => {
		await page.goto('/courses/1/kits')
		await page.getByRole('link', { name: 'Tamsin Orrey' }).click()

		await page.getByText('gum paste without egg instead of gum paste (egg)').waitFor()
		const ivory = page.getByRole('listitem').filter({ hasText: 'ivory' })
		await ivory.getByRole('button').focus()
		await page.keyboard.press('Enter')
		await page
			.getByRole('tooltip')
			.getByText(/Outer petals: .* cm² × 0.9 mm × 1.38 g\/cm³/)
			.waitFor()
		expect(new URL(page.url()).searchParams.get('seat')).toBe('2')
	})

	test('show the class and its tables', async () => {
		await page.getByRole('link', { name: 'By table' }).click()
		await page.getByRole('region', { name: 'Table 2' }).waitFor()
		await page.getByRole('link', { name: '3 at a table' }).click()
		await page.getByRole('region', { name: 'Table 3' }).waitFor()
	})
})

describe('packing', () => {
	const sum = () => page.locator('.packing-sum').innerText()

	test('is ticked by key, and survives a reload', async () => {
		await page.goto('/courses/1/kits/packing?bag=1')
		await page.waitForLoadState('networkidle')
		const first = page.getByRole('checkbox').first()
		await expect.poll(sum).toMatch(/^0 of /)
		await first.focus()
		await page.keyboard.press('Space')
		await expect.poll(sum).toMatch(/^1 of /)
		await page.getByRole('button', { name: /26 gauge white/ }).click()
		await expect.poll(sum).toMatch(/^9 of /)
		await expect.poll(() => page.evaluate(() => localStorage.getItem('calycine-packing-1'))).toBe(null)

		await page.reload()

		await expect.poll(sum).toMatch(/^9 of /)
		await expect.poll(() => page.getByRole('checkbox').first().isChecked()).toBe(true)
	})

	test('goes on without the network, and sends what was kept', async () => {
		await page.waitForLoadState('networkidle')
		await visitor.context.setOffline(true)
		await page.getByRole('checkbox').nth(1).check()
		await page.getByText('No connection: your ticks are kept').waitFor()
		// More than one try fails before the network is back.
		await page.waitForEvent('requestfailed', (request) => request.url().endsWith('/ticks'))
		await visitor.context.setOffline(false)

		await expect.poll(() => page.evaluate(() => localStorage.getItem('calycine-packing-1'))).toBe(null)
		await page.reload()
		await expect.poll(() => page.getByRole('checkbox').nth(1).isChecked()).toBe(true)
		visitor.complaints.length = 0
	})

	test('is begun again only after asking', async () => {
		await page.getByRole('button', { name: 'Begin again' }).click()
		await page.getByRole('button', { name: 'Keep the ticks' }).click()
		await page.getByRole('dialog').waitFor({ state: 'hidden' })
		await expect.poll(sum).toMatch(/^10 of /)
		await page.getByRole('button', { name: 'Begin again' }).click()
		await page.getByRole('button', { name: 'Unpack', exact: true }).click()

		await expect.poll(sum).toMatch(/^0 of /)
		await page.getByRole('dialog').waitFor({ state: 'hidden' })

		// Again, without the page having been loaded anew between, and while the last tick is still on its way.
		let arrive = () => {}
		const arrival = new Promise<void>((resolve) => (arrive = resolve))
		await page.route('**/packing/ticks', async (route) => {
			if (route.request().postData()?.includes('"pack"')) await arrival
			await route.continue()
		})
		const onItsWay = page.waitForRequest('**/packing/ticks')
		await page.getByRole('checkbox').first().check()
		await onItsWay
		await page.getByRole('button', { name: 'Begin again' }).click()
		await page.getByRole('button', { name: 'Unpack', exact: true }).click()
		arrive()
		await page.getByRole('dialog').waitFor({ state: 'hidden' })
		await page.unroute('**/packing.data*')
		await page.reload()
		await expect.poll(sum).toMatch(/^0 of /)
	})
})

describe('people', () => {
	test('are told beside the field what is wrong, and saved with what is special', async () => {
		await page.goto('/courses/2/kits/people')
		await page.getByRole('button', { name: 'Forget everybody' }).click()
		await page.getByRole('button', { name: 'Forget them' }).click()
		await expect.poll(() => page.getByLabel('Name').count()).toBe(0)
		await page.getByRole('dialog').waitFor({ state: 'hidden' })
		await page.getByRole('button', { name: 'One more person' }).click()
		await page.getByRole('button', { name: 'Save', exact: true }).click()
		await page.getByText('A name, or a nickname').waitFor()

		await page.getByLabel('Name').fill('Sib Thorne')
		await page.getByLabel('left-handed').check()
		await page.getByRole('button', { name: 'Save', exact: true }).click()
		await expect.poll(() => page.getByRole('button', { name: 'Forget everybody' }).count()).toBe(1)
		await page.goto('/courses/2/kits')
		await page.getByRole('heading', { name: 'Sib Thorne' }).waitFor()
		await page.getByText(/every turn shown the other\s+way round/).waitFor()
	})

	test('come from a file, whose bad lines are named, and are forgotten after asking', async () => {
		await page.goto('/courses/2/kits/people')
		await page.waitForLoadState('networkidle')
		const send = (text: string) =>
			page.locator('input[type=file]').setInputFiles({ name: 'p.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
		await send('name,level\nNell,wizard')
		await page.getByRole('button', { name: 'Replace them' }).click()
		await page.getByText('Line 2: "wizard" is no level').waitFor()
		await page.getByRole('dialog').waitFor({ state: 'hidden' })
		expect(await page.getByLabel('Name').first().inputValue()).toBe('Sib Thorne')
		await send('name,avoids\nNell,egg\nJory,')
		await page.getByRole('button', { name: 'Replace them' }).click()
		await expect.poll(() => page.getByLabel('Name').nth(1).inputValue()).toBe('Jory')
		await page.getByRole('dialog').waitFor({ state: 'hidden' })

		await page.getByRole('button', { name: 'Forget everybody' }).click()
		await page.getByRole('button', { name: 'Forget them' }).click()

		await expect.poll(() => page.getByLabel('Name').count()).toBe(0)
		visitor.complaints.length = 0
	})
})

describe('the shelf', () => {
	test('counts a tool that the class shares, and the course says what the waiting is', async () => {
		await page.goto('/courses/1/kits/tools')
		await page.getByText(/1 for 8 students: \d+ minutes of waiting each/).waitFor()
		await page.getByRole('link', { name: 'say how many you have' }).first().click()
		await page.getByRole('heading', { name: 'Put on the shelf' }).waitFor()
		await expect.poll(() => page.locator('input[name=name]').first().inputValue()).toBe('wire cutters')
		await page.getByLabel('How many').fill('2')
		await page.getByRole('button', { name: 'Keep', exact: true }).click()
		await page.getByText('wire cutters is on the shelf.').waitFor()

		await page.getByRole('button', { name: 'Take kettle or steamer off the shelf' }).click()
		await page.getByText('kettle or steamer is off the shelf.').waitFor()
		await page.getByRole('button', { name: 'put it back' }).click()
		await page.getByText('kettle or steamer is on the shelf.').waitFor()

		await page.goto('/courses/1/kits/tools')
		await page.getByText(/1 for 8 students: \d+ minutes of waiting each/).waitFor()
		await page.getByRole('heading', { name: 'wire cutters' }).waitFor()
		await page.getByText('The plan is older than the course.').waitFor()
	})

	test('says at the field what is wrong', async () => {
		await page.goto('/stock')
		await choose(page.getByLabel('Kind').first(), 'Wire')
		await page.locator('input[name=name]').first().fill('white wire')
		await page.getByLabel('On hand, pieces').first().fill('3')
		await page.getByRole('button', { name: 'Keep', exact: true }).click()

		await page.getByText('Gauge, colour and length, as: 24 white 360 mm').waitFor()
		await expect.poll(() => page.locator('input[name=name]').first().inputValue()).toBe('white wire')
		visitor.complaints.length = 0
	})
})

test('one of those who come to class is found, and forgotten after asking', async () => {
	await page.goto('/people')
	await page.getByRole('link', { name: 'Who comes to class' }).click()
	await page.getByLabel('Name').fill('idris')
	await page.getByRole('button', { name: 'Find' }).click()
	const row = page.getByRole('row', { name: /Idris Penhale/ })
	await row.getByRole('link', { name: 'Magnolia on Thursdays' }).waitFor()
	await expect.poll(() => page.getByRole('row').count()).toBe(2)
	await row.getByRole('button', { name: 'Forget Idris Penhale' }).click()
	await page.getByRole('button', { name: 'Keep', exact: true }).click()
	expect(await row.isVisible()).toBe(true)
	await row.getByRole('button', { name: 'Forget Idris Penhale' }).click()
	await page.getByRole('button', { name: 'Forget her' }).click()

	await page.getByText('nothing is known of her any more').waitFor()
	await page.getByText('Nobody is called “idris”').waitFor()
	await page.getByRole('link', { name: 'Show everybody' }).click()
	await page.getByRole('row', { name: /Isolde Marrable/ }).waitFor()
})

test('the price says from how many students a course pays', async () => {
	await page.goto('/courses/2/kits/cost')
	await page.getByLabel('Price for each student').fill('1')
	await page.getByLabel('Room, all sessions').fill('80')
	await page.getByRole('button', { name: 'Reckon and keep' }).click()
	await page.getByText(/short$/).waitFor()
	await page.getByLabel('Price for each student').fill('45')
	await page.getByRole('button', { name: 'Reckon and keep' }).click()

	await page.getByText(/^Even from \d+ students? at € 45.00/).waitFor()
})

test('on paper the controls go and the lists stay', async () => {
	await page.goto('/courses/1/papers/packing')
	await page.emulateMedia({ media: 'print' })

	await expect.poll(() => page.getByRole('button', { name: 'Print' }).isVisible()).toBe(false)
	expect(await page.getByRole('heading', { name: 'Packing list' }).isVisible()).toBe(true)
	await page.emulateMedia({ media: 'screen' })
})

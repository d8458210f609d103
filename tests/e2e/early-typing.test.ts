/** What is typed before the page is alive stays: the scripts are held back, the fields filled, and then the scripts come. */
import type { Page } from 'playwright-core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openBench, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench)
})

afterAll(async () => bench.close())

/** Opens a page whose scripts wait; the answer lets them come. */
async function openAsleep(page: Page, address: string): Promise<() => Promise<void>> {
	let wake = () => {}
	const woken = new Promise<void>((resolve) => (wake = resolve))
	await page.route('**/*.js', async (route) => {
		await woken
		await route.continue()
	})
	await page.evaluate((to) => window.location.assign(to), address)
	await page.waitForURL((url) => url.pathname === address, { waitUntil: 'commit' })
	return async () => {
		wake()
		await page.locator('html[data-alive]').waitFor({ state: 'attached' })
		await page.unroute('**/*.js')
	}
}

test('in a form of the component library, and it is what the form then knows', async () => {
	const { page } = visitor
	const wake = await openAsleep(page, '/courses/new')
	await page.getByLabel('Name of the course').fill('Early birds')
	await page.getByLabel('Students').fill('11')
	await wake()
	expect(await page.getByLabel('Name of the course').inputValue()).toBe('Early birds')
	expect(await page.getByLabel('Students').inputValue()).toBe('11')
	await page.getByLabel('Name of the course').press('End')
	await page.keyboard.type('!')
	expect(await page.getByLabel('Name of the course').inputValue()).toBe('Early birds!')
})

test('in the search of the book, which then finds by it', async () => {
	const { page } = visitor
	const wake = await openAsleep(page, '/designs')
	await page.getByLabel('Words').fill('nest')
	await wake()
	expect(await page.getByLabel('Words').inputValue()).toBe('nest')
	await page.keyboard.press('Enter')
	await page.getByText(/^1 design/).waitFor()
})

test('in the editor of a design, where each word is an entry that can be undone', async () => {
	const { page } = visitor
	const wake = await openAsleep(page, '/designs/magnolia/edit')
	const name = page.getByLabel('Name of the design')
	const sentence = page.getByLabel('In one sentence')
	await name.fill('Magnolia, early')
	await sentence.fill('A cone, early')
	await wake()
	expect([await name.inputValue(), await sentence.inputValue()]).toEqual(['Magnolia, early', 'A cone, early'])
	await page.getByRole('button', { name: 'Undo' }).click()
	await page.getByRole('button', { name: 'Undo' }).click()
	await expect.poll(() => name.inputValue()).toBe('Magnolia')
})

test('Enter in a form that only scripts can send does not lose its words', async () => {
	const { page } = visitor
	const wake = await openAsleep(page, '/rooms/new')
	await page.getByLabel('Name').fill('Attic')
	await page.keyboard.press('Enter')
	await wake()
	expect(await page.getByLabel('Name').inputValue()).toBe('Attic')
})

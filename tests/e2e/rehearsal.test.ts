/** The class before the class, at the real interface: an answer at once that sharpens, and what would help. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Page } from 'playwright-core'
import { openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let page: Page

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench, { reducedMotion: 'reduce' })
	page = visitor.page
})
afterAll(() => bench.close())

const played = async () => Number(/^(\d+) class/.exec(await page.getByText(/class(es)? played/).innerText())?.[1])

describe('a rehearsal', () => {
	test('is a bud of the course’s way, answers at once, and goes on until it is sure', async () => {
		await page.goto('/courses/1/kits')
		await page.getByRole('link', { name: 'Rehearse' }).click()

		await page.getByText(/evenings end on time/).waitFor()
		await page.getByText(/is the tight one/).waitFor()
		const first = await played()
		await expect.poll(played).toBeGreaterThan(first)
		await page.getByText(/The intervals are those of the playing/).waitFor()
		expect(await scan(page)).toEqual([])
	})

	test('says what would help, each with what it gives', async () => {
		await page
			.getByRole('listitem')
			.filter({ hasText: /in 100 courses/ })
			.first()
			.waitFor()
		await page.getByRole('link', { name: 'Change the session' }).first().waitFor()
	})

	test('takes other assumptions from its address, and says what it does not understand', async () => {
		await page.getByLabel('Who help, you among them').fill('0')
		await page.getByRole('button', { name: 'Play it anew' }).click()
		await page.getByText('At least 1').waitFor()

		await page.getByLabel('Who help, you among them').fill('2')
		await page.getByRole('button', { name: 'Play it anew' }).click()
		await expect.poll(() => new URL(page.url()).searchParams.get('helpers')).toBe('2')
		await expect.poll(() => page.getByText('At least 1').count()).toBe(0)
	})

	test('of a course without a plan says so', async () => {
		await page.goto('/courses/3/rehearsal')

		await page
			.getByRole('heading', { name: /No plan|does not fit/ })
			.or(page.getByText(/does not fit yet/))
			.waitFor()
		expect(visitor.complaints.splice(0)).toEqual([])
	})
})

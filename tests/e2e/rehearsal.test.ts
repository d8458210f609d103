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

interface Problem {
	course: { sessions: { endMin: number }[] }
}

async function fetchProblem(): Promise<Problem> {
	const response = await page.request.get(`${bench.app.url}/courses/1/plan/problem`)
	return (await response.json()) as Problem
}

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

	test('says what would help; a press takes it with the very plan that was rehearsed, and another takes it back', async () => {
		const take = page.getByRole('button', { name: /^Take it: .* until \d\d:\d\d$/ }).first()
		await take.waitFor()
		await page.getByText(/All \d+ changes were tried/).waitFor()
		const label = (await take.getAttribute('aria-label')) ?? ''
		const until = /until (\d\d:\d\d)/.exec(label)?.[1] ?? ''
		await take.click()

		const back = page.getByRole('button', { name: 'Take it back' })
		await page.getByText(/^Taken: /).waitFor()
		await expect.poll(() => back.isEnabled()).toBe(true)
		const { course } = await fetchProblem()
		const ends = course.sessions.map(({ endMin }) => endMin)
		const [hours = 0, minutes = 0] = until.split(':').map(Number)
		expect(ends).toContain(60 * hours + minutes)

		await back.click()
		await expect.poll(async () => (await fetchProblem()).course.sessions.map(({ endMin }) => endMin)).not.toEqual(ends)
	})

	test('shows places without names, and with them when asked', async () => {
		await page.goto('/courses/1/rehearsal')
		const table = page.getByRole('region', { name: /Done by the close/ }).getByRole('table')
		await table.waitFor()
		const first = table.getByRole('rowheader').first()
		expect(await first.innerText()).toBe('1')

		await page.getByRole('button', { name: 'Show names' }).click()
		await expect.poll(() => first.innerText()).toMatch(/[a-z]/)
	})

	test('can be watched: the clock runs, is stopped and set by keys; without motion it is told', async () => {
		await page.goto('/courses/1/rehearsal')
		await page.getByRole('link', { name: 'Watch one class' }).click()
		// The visitor of these tests wants nothing to move: the moments are told.
		await page
			.getByText(/is the first at /)
			.first()
			.waitFor()

		await page.emulateMedia({ reducedMotion: 'no-preference' })
		const clock = page.locator('.film-clock')
		const opening = await clock.innerText()
		await page.getByRole('button', { name: 'Let it run' }).focus()
		await page.keyboard.press('Enter')
		await expect.poll(() => clock.innerText()).not.toBe(opening)
		await page.keyboard.press('Enter')
		const stopped = await clock.innerText()
		const slider = page.getByRole('slider', { name: 'The clock' })
		await slider.focus()
		await page.keyboard.press('ArrowRight')
		await expect.poll(() => clock.innerText()).not.toBe(stopped)
		await page.keyboard.press('End')
		expect(await page.getByRole('list', { name: 'The places' }).getByRole('listitem').count()).toBeGreaterThan(5)
		await page.emulateMedia({ reducedMotion: 'reduce' })
		expect(await scan(page)).toEqual([])
	})

	test('is told on the plan, and on the page of the tools', async () => {
		await page.goto('/courses/1/plan')
		await page.getByText(/^Rehearsed: .* evenings end on time/).waitFor()
	})

	test('takes other assumptions from its address, and says what it does not understand', async () => {
		await page.goto('/courses/1/rehearsal')
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

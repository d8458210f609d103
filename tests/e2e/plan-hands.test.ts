/** The plan under her hands: moved by mouse and by keys, settled, refused, undone, kept, compared; nothing is lost on the way. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Locator, Page } from 'playwright-core'
import { choose, openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let page: Page
let coursePage: string

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench, { viewport: { width: 1280, height: 1100 }, reducedMotion: 'reduce' })
	page = visitor.page
	await page.goto('/courses')
	await page.getByRole('link', { name: 'Hellebores and foliage on Tuesdays' }).click()
	await page.waitForURL(/plan$/)
	coursePage = page.url()
})
afterAll(() => bench.close())

const tried = () => page.getByRole('region', { name: 'What is tried' })
const tile = (name: RegExp) => page.getByRole('link', { name }).first()
const undo = () => page.getByRole('button', { name: 'Undo' })

async function placeOf(name: RegExp): Promise<string> {
	return (await tile(name).getAttribute('aria-label')) ?? ''
}

/** Until the first plan, or the reason why there is none, stands there. */
async function answered(): Promise<void> {
	await page.getByText(/Tried, not kept|cannot be|cannot all be/).waitFor()
	await page.getByText('Laying it…').waitFor({ state: 'detached' })
}

async function takeUp(piece: Locator): Promise<{ x: number; y: number }> {
	const box = await piece.boundingBox()
	if (!box) throw new Error('nothing to take up')
	const at = { x: box.x + Math.min(20, box.width / 2), y: box.y + box.height / 2 }
	await page.mouse.move(at.x, at.y)
	await page.mouse.down()
	return at
}

async function drag(piece: Locator, dx: number, dy: number): Promise<void> {
	const { x, y } = await takeUp(piece)
	await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 })
	await page.mouse.move(x + dx, y + dy, { steps: 4 })
	await page.mouse.up()
	await answered()
}

/** On the middle of a piece; moves along the clock, px from there. */
async function fingerOn(piece: Locator) {
	const box = await piece.boundingBox()
	if (!box) throw new Error('nothing to touch')
	const touches = await page.context().newCDPSession(page)
	const at = { x: box.x + Math.min(20, box.width / 2), y: box.y + box.height / 2 }
	const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: { x: number; y: number }[]) =>
		touches.send('Input.dispatchTouchEvent', { type, touchPoints })
	await send('touchStart', [at])
	return {
		move: (dx: number) => send('touchMove', [{ ...at, x: at.x + dx }]),
		lift: () => send('touchEnd', []),
	}
}

/** What a reader of the screen has heard last, once nothing more is said: it comes a moment after the key. */
async function settledWords(): Promise<string | null> {
	const region = page.locator('[id^=DndLiveRegion]')
	let words: string | null = null
	for (let now = await region.textContent(); now !== words; now = await region.textContent()) {
		words = now
		await page.waitForTimeout(SAID_MS)
	}
	return words
}

/** In which what is said of a move has been said. */
const SAID_MS = 350

/** Taken up by keys, and moved until a reader of the screen hears that it is there; the first keys may come too soon. */
async function moveByKeys(piece: Locator, key: string, where: RegExp, more: readonly string[] = []): Promise<void> {
	await piece.focus()
	await page.keyboard.press('Space')
	await page.locator('.is-held').waitFor()
	const heard = async () => {
		await page.keyboard.press(key)
		return settledWords()
	}
	await expect.poll(heard, { interval: 10 }).toMatch(where)
	for (const other of more) {
		await page.keyboard.press(other)
		await settledWords()
	}
	await page.keyboard.press('Space')
	await page.locator('.is-held').waitFor({ state: 'detached' })
}

describe('a step', () => {
	test('taken up by the mouse is let go by Escape without a trace', async () => {
		const before = await placeOf(/Bracts, Cut/)
		const { x, y } = await takeUp(tile(/Bracts, Cut/))
		await page.mouse.move(x + 60, y, { steps: 4 })
		await page.locator('.held-words').waitFor()
		await page.keyboard.press('Escape')
		await page.mouse.up()

		await page.locator('.held-words').waitFor({ state: 'detached' })
		expect(await placeOf(/Bracts, Cut/)).toBe(before)
		await expect.poll(() => undo().isDisabled()).toBe(true)
		expect(page.url()).toBe(coursePage)
	})

	test('is held by a finger and laid elsewhere; a finger that only passes over takes nothing up', async () => {
		const before = await placeOf(/Bracts, Cut/)
		const finger = await fingerOn(tile(/Bracts, Cut/))
		await finger.move(40)
		expect(await page.locator('.is-held').count()).toBe(0)
		await finger.lift()

		const again = await fingerOn(tile(/Bracts, Cut/))
		await page.locator('.is-held').waitFor()
		await again.move(30)
		await again.move(60)
		await page.locator('.held-words').waitFor()
		await again.lift()

		await answered()
		expect(await placeOf(/Bracts, Cut/)).not.toBe(before)
		await undo().click()
		await expect.poll(() => undo().isDisabled()).toBe(true)
		await expect.poll(() => placeOf(/Bracts, Cut/)).toBe(before)
	})

	test('is laid elsewhere by the mouse, the rest round it, and what that costs is said', async () => {
		const before = await placeOf(/Bracts, Cut/)
		await drag(tile(/Bracts, Cut/), 60, 0)

		await tried()
			.getByText(/waiting|tight|spare|taken up again/)
			.waitFor()
		expect(await placeOf(/Bracts, Cut/)).not.toBe(before)
		await page.getByRole('button', { name: '1 settled' }).waitFor()
		expect(await page.locator('.plan-ghost').count()).toBeGreaterThan(0)
		// The click that ends it opens nothing.
		expect(page.url()).toBe(coursePage)
	})

	test('is moved by keys, and a reader of the screen hears where to', async () => {
		const before = await placeOf(/Eucalyptus and ivy foliage, Tape eucalyptus/)
		await moveByKeys(tile(/Tape eucalyptus/), 'ArrowRight', /^\d\d:\d\d, evening 4/)
		await answered()
		await expect.poll(() => placeOf(/Tape eucalyptus/)).not.toBe(before)
		await page.getByRole('button', { name: '2 settled' }).waitFor()
	})

	test('shows its card while a better plan is looked for, and still when that has come', async () => {
		await page.getByText('a better one is being looked for').waitFor()
		await tile(/Bracts, Dust/).click()
		const card = page.getByRole('heading', { name: 'Settle it' })
		await card.waitFor()
		await page.getByText('a better one is being looked for').waitFor({ state: 'detached' })
		expect(await card.isVisible()).toBe(true)
	})

	test('that cannot be before what it needs is refused with what conflicts, and that is lifted', async () => {
		await choose(page.getByLabel('Before which step'), 'bracts: cut, wire, vein')
		const conflict = page.getByRole('region', { name: 'It cannot be laid like that' })
		await conflict.waitFor()
		expect(await scan(page)).toEqual([])

		await conflict.getByRole('button', { name: /^Lift bracts: dust: before/ }).click()

		await tried().waitFor()
		await page.getByRole('button', { name: '2 settled' }).waitFor()
		await page.getByRole('link', { name: 'The whole plan' }).click()
	})

	test('that is wanted two evenings before it is dry is laid there with dried pieces, and her time for them is said', async () => {
		// Neither at the very beginning, since what it uses is shown first, nor where the bracts have been settled.
		await moveByKeys(tile(/Sepals, Dust/), 'ArrowUp', /evening 1/, Array<string>(7).fill('ArrowLeft'))

		await tried()
			.getByText(/\+.* of your time before/)
			.waitFor()
		expect(await scan(page)).toEqual([])
		await undo().click()
		await page.getByRole('button', { name: '2 settled' }).waitFor()
	})
})

describe('the shelf before the first evening', () => {
	const shelf = () => page.locator('.plan-shelf')
	const evening = () => page.locator('.plan-band').first()
	const dragTo = async (piece: Locator, target: Locator) => {
		const box = await target.boundingBox()
		if (!box) throw new Error('nowhere to lay it')
		const { x, y } = await takeUp(piece)
		const to = { x: box.x + 0.6 * box.width, y: box.y + box.height / 2 }
		await page.mouse.move((x + to.x) / 2, (y + to.y) / 2, { steps: 4 })
		await page.mouse.move(to.x, to.y, { steps: 4 })
		await page.mouse.up()
		await answered()
	}

	test('takes a step that may be made before the course, and gives it back', async () => {
		await page.getByText('nothing to make ahead; a step that you lay here').waitFor()
		await dragTo(tile(/Stamens, Bunch/), shelf())

		const made = page.getByRole('button', { name: /^stamens: bunch .*make ahead/i })
		await made.waitFor()
		await tried()
			.getByText(/\+.* of your time before/)
			.waitFor()
		expect(await scan(page)).toEqual([])
		await dragTo(made, evening())
		await made.waitFor({ state: 'detached' })
		await undo().click()
		await made.waitFor()
		await undo().click()
		await page.getByRole('button', { name: '2 settled' }).waitFor()
	})

	test('refuses what can only be made in class', async () => {
		await moveByKeys(tile(/Tape eucalyptus/), 'ArrowUp', /made before the course/)
		const conflict = page.getByRole('region', { name: 'It cannot be laid like that' })
		await conflict.waitFor()
		await conflict.getByRole('button', { name: /Leave it as it was/ }).click()
		await page.getByRole('button', { name: '2 settled' }).waitFor()
	})
})

test('tea is drawn elsewhere in its evening, and stays there', async () => {
	const tea = page.getByRole('button', { name: /^Break/ }).first()
	const before = await tea.getAttribute('aria-label')
	await moveByKeys(tea, 'ArrowLeft', /^19:[345]\d, evening 1/)
	await answered()

	await expect.poll(() => tea.getAttribute('aria-label')).not.toBe(before)
	await page.getByRole('button', { name: 'Try changes' }).click()
	await page.getByRole('button', { name: /Let tea at .* move again/ }).waitFor()
	await page.getByRole('button', { name: 'Try changes' }).click()
	const moved = await tea.getAttribute('aria-label')
	await drag(tea, 40, 0)
	await expect.poll(() => tea.getAttribute('aria-label')).not.toBe(moved)
	await undo().click()
	await expect.poll(() => tea.getAttribute('aria-label')).toBe(moved)
})

test('what is tried outlives a reload, is undone and redone, and kept', async () => {
	const moved = await placeOf(/Bracts, Cut/)
	await page.reload()
	await tried().waitFor()
	expect(await placeOf(/Bracts, Cut/)).toBe(moved)
	await undo().click()
	await answered()
	await page.getByRole('button', { name: 'Redo' }).click()
	await answered()
	expect(await placeOf(/Bracts, Cut/)).toBe(moved)

	await page.getByRole('button', { name: 'Keep it' }).click()
	await tried().waitFor({ state: 'detached' })
	await page.reload()
	expect(await placeOf(/Bracts, Cut/)).toBe(moved)
	await page.getByRole('button', { name: '2 settled' }).waitFor()
	// Kept, it can still be undone.
	await expect.poll(() => undo().isEnabled()).toBe(true)
})

test('another number of students is tried, set aside, compared and taken', async () => {
	await page.getByRole('button', { name: 'Try changes' }).click()
	const panel = page.getByRole('region', { name: 'Try changes' })
	await panel.getByLabel('Students').fill('9')
	await panel.getByLabel('Students').press('Enter')
	await answered()
	expect(await scan(page)).toEqual([])
	await page.getByRole('button', { name: 'Set aside, to compare' }).click()
	await page.getByLabel('Name of this way').fill('Nine of them')
	await page.getByRole('button', { name: 'Set it aside' }).click()
	await page.getByRole('button', { name: 'Give it up' }).click()
	await tried().waitFor({ state: 'detached' })

	await expect
		.poll(async () => {
			await page.goto(`${coursePage}/compare`)
			return page.getByRole('heading', { name: 'B · Nine of them' }).count()
		})
		.toBe(1)
	await page.getByRole('img', { name: /The plans as pictures/ }).waitFor()
	await page.getByRole('button', { name: 'Take this one' }).first().click()

	await page.waitForURL(/plan$/)
	await page.getByText('9 students').first().waitFor()
	expect(visitor.complaints).toEqual([])
})

test('all of it is there in another window, after the server has been stopped and started', async () => {
	const before = await placeOf(/Bracts, Cut/)
	await bench.restart()
	const other = await visit(bench)
	await other.page.goto(new URL(coursePage).pathname)
	await other.page.getByRole('button', { name: '2 settled' }).waitFor()
	const listed = other.page.getByRole('region', { name: 'Settled by you' })
	await listed.getByText(/^bracts: cut/).waitFor()
	expect(
		await other.page
			.getByRole('link', { name: /Bracts, Cut/ })
			.first()
			.getAttribute('aria-label'),
	).toBe(before)
	await other.context.close()
})

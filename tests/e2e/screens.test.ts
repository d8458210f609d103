/** Every screen, by day and by night, on the desk, the tablet and the phone; and what stands in the head of all. */
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest'
import type { Page } from 'playwright-core'
import { openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let page: Page

beforeAll(async () => {
	bench = await openBench()
	// Colours that are on their way from day to night have a contrast of neither.
	visitor = await visit(bench, { reducedMotion: 'reduce' })
	page = visitor.page
})
afterAll(() => bench.close())
// Whatever the test before has left it in.
beforeEach(() => page.emulateMedia({ colorScheme: 'light', media: 'screen' }))

const DESK = { width: 1280, height: 800 }
const TABLET = { width: 820, height: 1180 }
const PHONE = { width: 390, height: 844 }

const WIDTHS = [TABLET, PHONE, DESK]
/** A scan is two seconds: each screen is scanned by day on the desk and by night in one of these, in turn. */
const NIGHT_SIZES = [TABLET, PHONE]

const SCREENS = [
	'/',
	'/preparation',
	'/preparation?view=month',
	'/preparation/free-time',
	'/designs',
	'/designs?q=nothing-like-that',
	'/designs/magnolia',
	'/designs/shells-and-starfish',
	'/designs/new',
	'/designs/import',
	'/designs/magnolia/edit',
	'/designs/magnolia/versions',
	'/designs/magnolia/slides?layer=2',
	'/designs/magnolia/sheets',
	'/designs/magnolia/photos',
	'/courses',
	'/courses?q=nothing-like-that',
	'/courses/new',
	'/courses/import',
	'/courses/1/again',
	'/courses/what-fits?sessions=2&wires=no',
	'/courses/1',
	'/courses/1/plan',
	'/courses/1/plan?step=magnolia%2Fouter-dust',
	'/courses/1/plan?session=2',
	'/courses/2/plan',
	'/courses/1/plan/compare',
	'/courses/2/plan/history',
	'/courses/1/kits',
	'/courses/1/kits?view=class',
	'/courses/1/kits?view=tables&table=4',
	'/courses/1/kits/packing',
	'/courses/1/kits/cutting',
	'/courses/1/kits/colours',
	'/courses/1/kits/tools',
	'/courses/1/kits/people',
	'/courses/1/kits/shopping',
	'/courses/1/kits/cost',
	'/courses/1/kits/papers',
	'/courses/1/rehearsal',
	'/courses/1/rehearsal/watch?class=3&session=2',
	'/courses/1/run',
	'/courses/1/run/2',
	'/courses/1/run/2/wall',
	'/courses/1/papers/station',
	'/courses/1/papers/run-sheet?session=1',
	'/courses/1/papers/hand-out?student=2&missed=1',
	'/drying',
	'/drying?room=0&humidity=80&shape=drop&also=room%3D1%26thickness%3D2',
	'/drying?thickness=400',
	'/log',
	'/log/belief?step=magnolia%2Fouter-dust',
	'/courses/1/told/3',
	'/rooms',
	'/rooms/new',
	'/rooms/1',
	'/studio',
	'/account',
	'/people',
	'/people/changes',
	'/people/known',
	'/studio/copy',
	'/studio/leave',
	'/stock',
	'/nowhere',
]

/** Two at a time: while one page is scanned, the other is loaded. */
const READERS = 2

describe('every screen', () => {
	const free: Visitor[] = []
	const waiting: ((reader: Visitor) => void)[] = []
	beforeAll(async () => {
		for (let r = 0; r < READERS; r++) free.push(await visit(bench, { reducedMotion: 'reduce' }))
	})
	const take = () => free.pop() ?? new Promise<Visitor>((resolve) => waiting.push(resolve))
	const giveBack = (reader: Visitor) => {
		const next = waiting.shift()
		if (next) next(reader)
		else free.push(reader)
	}

	test.concurrent.each(
		SCREENS.map((screen, index) => ({ screen, nightSize: NIGHT_SIZES[index % NIGHT_SIZES.length] ?? TABLET })),
	)(
		'$screen has no finding for accessibility, fits every width, and complains of nothing',
		// Most of it is waiting for its turn.
		{ timeout: 900_000 },
		async ({ screen, nightSize }) => {
			const reader = await take()
			try {
				await readScreen(reader, screen, nightSize)
			} finally {
				giveBack(reader)
			}
		},
	)
})

async function readScreen({ page: own, complaints }: Visitor, screen: string, nightSize: typeof DESK): Promise<void> {
	complaints.length = 0
	await own.emulateMedia({ colorScheme: 'light' })
	await own.setViewportSize(DESK)
	await own.goto(screen)
	await own.waitForLoadState('networkidle')

	for (const size of WIDTHS) {
		await own.setViewportSize(size)
		const overflow = await own.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
		expect(`${size.width}: ${Math.max(0, overflow)} px too wide`).toBe(`${size.width}: 0 px too wide`)
	}
	expect(await scan(own), 'by day, on the desk').toEqual([])
	await own.emulateMedia({ colorScheme: 'dark' })
	await own.setViewportSize(nightSize)
	expect(await scan(own), `by night, ${nightSize.width} wide`).toEqual([])
	expect(complaints.splice(0).filter((line) => !line.includes('404'))).toEqual([])
}

describe('light and size', () => {
	const backgroundOf = (one: Page) => one.evaluate(() => getComputedStyle(document.body).backgroundColor)
	const heightOf = (one: Page) =>
		one.getByRole('button', { name: 'Search' }).evaluate((element) => element.getBoundingClientRect().height)

	test('are chosen in the head, hold at once, and are kept with the person', async () => {
		await page.setViewportSize(DESK)
		await page.goto('/designs')
		const [day, close] = [await backgroundOf(page), await heightOf(page)]
		await page.getByRole('button', { name: 'Light and size of the screens' }).click()
		await page.getByRole('radio', { name: 'night' }).check()
		await page.getByRole('radio', { name: 'wide, for fingers' }).check()

		await expect.poll(() => backgroundOf(page)).not.toBe(day)
		const night = await backgroundOf(page)
		await expect.poll(() => heightOf(page)).toBeGreaterThan(Math.max(44, close))
		await page.waitForLoadState('networkidle')

		// Another device: it is known from the sign-in on, in the first picture already.
		const elsewhere = await visit(bench, { javaScriptEnabled: false, isSignedIn: false })
		await elsewhere.page.goto('/sign-in')
		await elsewhere.page.getByLabel('E-mail address').fill(bench.app.email)
		await elsewhere.page.getByLabel('Password').fill(bench.app.password)
		await elsewhere.page.getByRole('button', { name: 'Sign in' }).click()
		await elsewhere.page.goto('/designs')
		expect(await backgroundOf(elsewhere.page)).toBe(night)
		await elsewhere.context.close()
	})

	test('follow the device again, and paper is always day', async () => {
		await page.goto('/designs')
		const night = await backgroundOf(page)
		await page.emulateMedia({ media: 'print' })
		expect(await backgroundOf(page)).not.toBe(night)
		await page.emulateMedia({ media: 'screen' })

		await page.getByRole('button', { name: 'Light and size of the screens' }).click()
		for (const choice of await page.getByRole('radio', { name: 'as the device' }).all()) await choice.check()

		await expect.poll(() => backgroundOf(page)).not.toBe(night)
		await page.emulateMedia({ colorScheme: 'dark' })
		await expect.poll(() => backgroundOf(page)).toBe(night)
		await page.emulateMedia({ colorScheme: 'light' })
	})
})

test('keys lead to pages, are listed by ?, and are letters where somebody types', async () => {
	await page.goto('/')
	await page.keyboard.press('?')
	await page.getByRole('dialog', { name: 'Keys' }).waitFor()
	await page.keyboard.press('Escape')
	await page.getByRole('dialog').waitFor({ state: 'hidden' })
	await page.keyboard.press('d')
	await page.waitForURL(/\/designs$/)
	await page.getByLabel('Words').fill('')
	await page.getByLabel('Words').press('c')
	expect(await page.getByLabel('Words').inputValue()).toBe('c')
	expect(new URL(page.url()).pathname).toBe('/designs')
})

test('courses are sought, put in order by the address, and many are deleted after asking', async () => {
	for (const name of ['Spare one', 'Spare two']) {
		await page.goto('/courses/new?design=calla-lily')
		await page.getByLabel('Name of the course').fill(name)
		await page.getByRole('button', { name: 'Save and plan' }).click()
		await page.waitForURL(/plan$/)
	}
	await page.goto('/courses')
	await page.getByLabel('Words').fill('spare')
	await page.keyboard.press('Enter')
	await page.getByText('2 courses').waitFor()
	expect(new URL(page.url()).searchParams.get('q')).toBe('spare')

	for (const box of await page.getByRole('checkbox', { name: /^Choose/ }).all()) await box.check()
	await page.getByRole('button', { name: 'Delete' }).click()
	await page
		.getByRole('dialog')
		.getByText(/Spare two, Spare one|Spare one, Spare two/)
		.waitFor()
	await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click()

	await page.getByText('2 courses deleted.').waitFor()
	await page.getByRole('heading', { name: 'No course is like that' }).waitFor()
	await page.getByRole('link', { name: 'All courses' }).click()
	await page.getByRole('link', { name: 'Magnolia on Thursdays' }).waitFor()
})

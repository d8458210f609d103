/** The main job at the real interface, from the door to the kits. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Locator, Page } from 'playwright-core'
import { choose, openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let page: Page

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench)
	page = visitor.page
})
afterAll(() => bench.close())

async function openCourse(name: string, screen: 'Choose' | 'Plan' | 'Prepare' = 'Plan'): Promise<void> {
	await page.goto('/courses')
	await page.getByRole('link', { name }).click()
	await page.waitForURL(/plan$/)
	if (screen === 'Plan') return
	await page.getByRole('link', { name: screen, exact: true }).click()
	await page.waitForURL(screen === 'Choose' ? /\d$/ : /kits$/)
}

async function allPieces(): Promise<number> {
	await page.getByRole('link', { name: 'The whole class' }).click()
	await page.getByRole('heading', { name: 'Pieces of the class' }).waitFor()
	return Number(await page.locator('tfoot td').last().textContent())
}

describe('a course from nothing to its kits', () => {
	test('starts at a design, and is planned with what is typed', async () => {
		await page.getByRole('link', { name: 'Designs' }).click()
		await page.getByRole('link', { name: 'Calla lily', exact: true }).click()
		await page.getByRole('link', { name: 'Plan a course with it' }).click()
		await page.getByLabel('Name of the course').fill('Callas after work')
		await page.getByLabel('Students').fill('5')
		await page.getByLabel('Starts').fill('18:00')
		await page.getByLabel('Ends').fill('20:30')
		await page.getByRole('button', { name: 'One more session' }).click()

		await page.getByRole('button', { name: 'Save and plan' }).click()

		await page.getByRole('heading', { name: /^It fits/ }).waitFor()
		await page.getByRole('heading', { name: 'Callas after work', level: 1 }).waitFor()
		await expect.poll(() => page.getByRole('region', { name: /^Evening/ }).count()).toBe(2)
	})

	test('shows what holds a step, by mouse and by keyboard, and the address keeps it', async () => {
		const tile = page.getByRole('link', { name: /Spadix, .* 18:/ }).first()
		await tile.focus()
		await page.keyboard.press('Enter')

		await page.getByText('What holds it here').waitFor()
		expect(new URL(page.url()).searchParams.get('step')).toMatch(/^calla-lily\//)
		await page.reload()
		await page.getByText('What holds it here').waitFor()
	})

	test('says the same in the list as in the picture', async () => {
		const tiles = await page.locator('.plan-bands .plan-tile').count()
		const rows = await page
			.getByRole('region', { name: /^Evening/ })
			.locator('ol > li')
			.count()

		expect(rows).toBe(tiles)
	})

	test('has kits, and more students have more', async () => {
		await page.getByRole('link', { name: 'Prepare', exact: true }).click()
		await page.getByRole('link', { name: 'Student 5' }).waitFor()
		const before = await allPieces()
		const perKit = Number(await page.locator('tfoot td').nth(1).textContent())

		await page.getByRole('link', { name: 'Choose', exact: true }).click()
		await page.getByLabel('Students').fill('7')
		await page.getByRole('button', { name: 'Save and plan anew' }).click()
		await page.waitForURL(/plan$/)
		await page.getByRole('link', { name: 'Prepare', exact: true }).click()

		await page.getByRole('link', { name: 'Student 7' }).waitFor()
		expect(await allPieces()).toBe(before + 2 * perKit)
	})

	test('draws the cutting plan, pooled or kit by kit', async () => {
		await page.getByRole('link', { name: 'Wires and sheets' }).click()
		await page.getByRole('heading', { name: 'Wires to cut' }).waitFor()
		const pooled = await page.locator('.cutting-bars').first().getAttribute('aria-label')
		await page.getByRole('link', { name: 'kit by kit' }).click()
		await page
			.getByText(/Drawn: one kit/)
			.first()
			.waitFor()

		expect(pooled).toMatch(/wires of 36 cm into/)
		expect(await page.locator('.cutting-bars').first().getAttribute('aria-label')).not.toBe(pooled)
	})
})

describe('wrong input', () => {
	test('is told beside the field, and nothing typed is lost', async () => {
		await openCourse('Magnolia on Thursdays', 'Choose')
		await page.getByLabel('Name of the course').fill('')
		await page.getByLabel('Ends').nth(1).fill('18:00')
		await page.getByLabel('Students').fill('9')

		await page.getByRole('button', { name: 'Save and plan anew' }).click()

		await page.getByText('Give the course a name').waitFor()
		await page.getByText('The end must be after the start').waitFor()
		await expect.poll(() => page.getByLabel('Students').inputValue()).toBe('9')
		await expect.poll(() => page.getByLabel('Ends').nth(1).inputValue()).toBe('18:00')
	})

	test('is not left without asking', async () => {
		await page.getByRole('link', { name: 'Today', exact: true }).click()
		await page.getByRole('dialog', { name: 'Leave without saving?' }).waitFor()
		await page.getByRole('button', { name: 'Stay' }).click()
		await expect.poll(() => page.getByLabel('Students').inputValue()).toBe('9')

		await page.getByRole('link', { name: 'Today', exact: true }).click()
		const stay = page.getByRole('button', { name: 'Stay' })
		await stay.waitFor()
		// Stays, and tries again before the page has drawn that she stays: she is asked again.
		await page.evaluate(() => {
			const [button] = [...document.querySelectorAll('button')].filter(({ innerText }) => innerText === 'Stay')
			button?.click()
			document.querySelector<HTMLElement>('nav a[href="/"]')?.click()
		})
		await page.getByRole('button', { name: 'Leave' }).click()
		await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor()
	})
})

describe('a day and a time that are typed', () => {
	test('count, also where the page is drawn anew before the field is left', async () => {
		await page.goto('/courses/2/again')
		const day = page.getByRole('textbox', { name: 'Day' })
		await typeAndLeave(day, '21 Feb 2026')
		await expect.poll(() => day.inputValue()).toBe('Sat 21 Feb 2026')

		await openCourse('Magnolia on Thursdays', 'Choose')
		const ends = page.getByLabel('Ends').first()
		await typeAndLeave(ends, '21:35')
		await page.waitForTimeout(300)
		expect(await ends.inputValue()).toBe('21:35')
	})

	test('are sent with Enter', async () => {
		await page.goto('/courses/2/again')
		const day = page.getByRole('textbox', { name: 'Day' })
		await page.getByLabel('Name').fill('Callas on a Sunday')
		await day.fill('22 Feb 2026')
		await day.press('Enter')

		await page.getByRole('heading', { level: 1, name: 'Callas on a Sunday' }).waitFor()
		await page.getByText('Sun 22 Feb').first().waitFor()
	})
})

/** Between what is typed and the leaving, something else on the page changes and draws the field anew. */
async function typeAndLeave(field: Locator, text: string): Promise<void> {
	const other = await field.page().getByLabel(/^Name/).elementHandle()
	await field.evaluate(
		async (input: HTMLInputElement, [typed, name]) => {
			const type = (into: HTMLInputElement, value: string) => {
				Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(into, value)
				into.dispatchEvent(new Event('input', { bubbles: true }))
			}
			input.focus()
			type(input, typed)
			type(name as HTMLInputElement, 'Drawn anew')
			await new Promise((done) => setTimeout(done, 50))
			input.blur()
		},
		[text, other] as const,
	)
}

test('one design in two ways is planned and packed as two, each by its own name', async () => {
	await openCourse('Calla lily taster', 'Choose')
	await page.getByRole('button', { name: 'One more design' }).click()
	const second = page.getByRole('group', { name: 'Design 2' })
	await choose(second.getByLabel('Design', { exact: true }), 'Calla lily')
	await second.getByLabel('Called').fill('The small ones')
	await choose(second.getByLabel('Size'), 'Small, 7 cm')
	await page.getByRole('button', { name: 'Save and plan anew' }).click()

	await page.waitForURL(/plan$/)
	await page.getByText('The small ones').first().waitFor()
	await page.getByRole('link', { name: 'Choose', exact: true }).click()
	await page.waitForURL(/\d$/)
	await expect
		.poll(() => page.getByRole('group', { name: 'Design 2' }).getByLabel('Called').inputValue())
		.toBe('The small ones')
	await page.getByRole('link', { name: 'Prepare', exact: true }).click()
	await page.waitForURL(/kits$/)
	await page
		.getByRole('heading', { name: /pieces/i })
		.first()
		.waitFor()
	await page.getByRole('link', { name: 'Choose', exact: true }).click()
	await page.waitForURL(/\d$/)
	await page.getByRole('group', { name: 'Design 2' }).getByRole('button', { name: 'Take off' }).click()
	await page.getByRole('button', { name: 'Save and plan anew' }).click()
	await page.waitForURL(/plan$/)
	expect(visitor.complaints.splice(0)).toEqual([])
})

test('the second of two windows is told, loses nothing, and chooses', async () => {
	await openCourse('Magnolia on Thursdays', 'Choose')
	const other = await visitor.context.newPage()
	await other.goto(page.url())
	await other.getByLabel('Students').fill('10')
	await other.getByRole('button', { name: 'Save and plan anew' }).click()
	await other.waitForURL(/plan$/)
	await other.close()
	await page.getByLabel('Students').fill('12')
	await page.getByLabel('Name of the course').fill('Magnolia on Thursdays, again')

	await page.getByRole('button', { name: 'Save and plan anew' }).click()

	const notice = page.getByRole('alert').filter({ hasText: 'Changed in another window' })
	await notice.getByText('Students: here 12, there 10').waitFor()
	await expect.poll(() => page.getByLabel('Students').inputValue()).toBe('12')
	await notice.getByRole('button', { name: 'Keep what stands here' }).click()
	await page.getByRole('button', { name: 'Save and plan anew' }).click()
	await page.getByText('12 students, improvers').waitFor()
	await page.getByRole('heading', { name: 'Magnolia on Thursdays, again' }).waitFor()
	// The refused save is a 409, which the browser notes by itself.
	expect(visitor.complaints.splice(0).filter((line) => !line.includes('409'))).toEqual([])
})

describe('a course that does not fit', () => {
	test('says what is missing, and one more session mends it', async () => {
		await openCourse('Seaside morning for children')
		await page.getByRole('heading', { name: /are missing$/ }).waitFor()

		await page.getByRole('heading', { name: 'What would make it fit, each tried' }).waitFor()
		await page.getByRole('button', { name: 'Add it' }).click()

		await page.getByRole('heading', { name: /^It fits, in 2 sessions/ }).waitFor()
	})
})

describe('a plan that is proven best', () => {
	const isProven = page$(/^Proven best/)

	test('has alternatives: one is taken instead, and a better one is looked for and kept again', async () => {
		await openCourse('Calla lily taster')
		await isProven()

		await page.getByRole('button', { name: 'Show alternatives' }).click()
		await page.getByRole('button', { name: 'Take this one' }).first().click()
		await page.getByText(/^Proven: .* of your time could still be saved/).waitFor()

		await page.getByRole('button', { name: 'Look for a better plan' }).press('Enter')
		await page.getByRole('button', { name: 'Keep this plan' }).click()
		// What was found says that it is proven, too: it goes when it has become the plan.
		await page.getByRole('button', { name: 'Keep this plan' }).waitFor({ state: 'detached' })
		await isProven()
	})

	test('earlier plans are kept, with what changed, and can be brought back', async () => {
		await page.getByRole('link', { name: 'Earlier plans' }).click()
		await page.getByRole('heading', { name: 'Plans of this course' }).waitFor()
		await page
			.getByText(/changes? from the one before/)
			.first()
			.click()
		await page
			.getByText(/^Your time before: /)
			.first()
			.waitFor()

		await page.getByRole('button', { name: 'Bring it back' }).first().click()

		await page.waitForURL(/plan$/)
		await page.getByText(/^Proven: .* of your time could still be saved/).waitFor()
	})

	test('says what holds a step, and what would change without its wait', async () => {
		await openCourse('Magnolia on Thursdays')
		await page
			.getByRole('link', { name: /Leaves on/ })
			.first()
			.click()
		await page.getByText('What holds it here').waitFor()

		await page.getByText('Could move').waitFor()
	})

	function page$(text: RegExp) {
		return () => page.getByText(text).first().waitFor()
	}
})

describe('deleting a course', () => {
	test('asks, and can be refused', async () => {
		await openCourse('Callas after work', 'Choose')
		await page.getByRole('button', { name: 'Delete course' }).click()
		await page.getByRole('button', { name: 'Keep it' }).click()
		await page.getByRole('dialog').waitFor({ state: 'hidden' })

		await page.getByRole('button', { name: 'Delete course' }).click()
		await page.getByRole('button', { name: 'Delete', exact: true }).click()

		await page.waitForURL(/courses$/)
		await expect.poll(() => page.getByRole('link', { name: 'Callas after work' }).count()).toBe(0)
	})
})

test('begins with a way past the head, for the keyboard', async () => {
	await page.goto('/courses')
	await page.keyboard.press('Tab')
	await page.keyboard.press('Enter')

	await expect.poll(() => page.evaluate(() => document.activeElement?.id)).toBe('main')
})

test('the door has no serious finding, and says what is wrong without losing what was typed', async () => {
	const guest = await visit(bench, { isSignedIn: false })
	await guest.page.goto('/courses/1/plan')
	expect(await scan(guest.page)).toEqual([])

	await guest.page.getByLabel('E-mail address').fill('someone@studio.example')
	await guest.page.getByLabel('Password').fill('not it')
	await guest.page.getByRole('button', { name: 'Sign in' }).click()
	await guest.page.getByText('Address or password is not right').waitFor()
	await expect.poll(() => guest.page.getByLabel('E-mail address').inputValue()).toBe('someone@studio.example')

	await guest.page.getByLabel('E-mail address').fill(bench.app.email)
	await guest.page.getByLabel('Password').fill(bench.app.password)
	await guest.page.keyboard.press('Enter')
	await guest.page.waitForURL(/courses\/1\/plan$/)
	await guest.context.close()
})

test('without scripts the pages are styled and can be read, and the door opens', async () => {
	const plain = await visit(bench, { isSignedIn: false, javaScriptEnabled: false })
	await plain.page.goto('/sign-in')
	await plain.page.getByLabel('E-mail address').fill(bench.app.email)
	await plain.page.getByLabel('Password').fill(bench.app.password)
	await plain.page.getByRole('button', { name: 'Sign in' }).click()
	await plain.page.goto('/courses/1')

	const button = plain.page.getByRole('button', { name: 'Save and plan anew' })
	// Ours, by the theme: plum, and round.
	expect(await button.evaluate((element) => getComputedStyle(element).backgroundColor)).toBe('rgb(123, 59, 94)')
	await expect.poll(() => plain.page.getByLabel('Students').inputValue()).toBe('12')
	await plain.page.goto('/courses/1/plan')
	await expect.poll(() => plain.page.locator('.plan-bands .plan-tile').count()).toBeGreaterThan(10)
	await plain.context.close()
})

test('on paper the controls go and the plan stays', async () => {
	await page.goto('/courses/1/plan')
	await page.emulateMedia({ media: 'print' })

	await expect.poll(() => page.getByRole('navigation', { name: 'Main' }).isVisible()).toBe(false)
	await expect.poll(() => page.locator('.plan-bands').isVisible()).toBe(true)
	await page.emulateMedia({ media: 'screen' })
})

test('what fits a time is found in the whole book, and a press makes the course', async () => {
	const { page, complaints } = visitor
	await page.goto('/courses')
	await page.getByRole('link', { name: 'What fits?' }).click()
	await page.getByRole('heading', { name: 'What fits?', level: 1 }).waitFor()
	await page
		.getByText(/looked at…|whole/)
		.first()
		.waitFor()
	await page.getByLabel('Sessions', { exact: true }).fill('4')
	await page.getByLabel('Students', { exact: true }).fill('6')
	await page
		.getByRole('status')
		.getByText(/\d designs fit whole.*\.$/)
		.waitFor()
	expect(new URL(page.url()).searchParams.get('sessions')).toBe('4')
	await choose(page.getByLabel('Wires'), 'none')
	await page.getByRole('article', { name: 'Magnolia' }).waitFor({ state: 'detached' })
	await choose(page.getByLabel('Wires'), 'if it has')

	await page.getByRole('button', { name: 'Make the course: Magnolia' }).click()
	await page.getByRole('heading', { name: /^It fits/ }).waitFor()
	await page.getByText(/6 students, beginners · 4 sessions/).waitFor()
	expect(complaints.splice(0)).toEqual([])
})

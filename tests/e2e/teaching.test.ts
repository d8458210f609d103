/** An evening taught at the real interface: on a tablet, with a wall that follows, with and without a network. */
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Page } from 'playwright-core'
import { makeJpeg } from '../support/make-jpeg'
import { openBench, scan, visit, type Bench, type Visitor } from '../support/visitor'

let bench: Bench
let visitor: Visitor
let tablet: Page
let wall: Page

const TABLET = { width: 820, height: 1180 }
const MINUTE = 60_000

beforeAll(async () => {
	bench = await openBench()
	visitor = await visit(bench, { reducedMotion: 'reduce', viewport: TABLET })
	tablet = visitor.page
	// A class goes by faster here than on the wall of the studio.
	await visitor.context.clock.install({ time: new Date('2026-03-12T19:02:00Z') })
})
afterAll(() => bench.close())

const press = (name: string | RegExp) => tablet.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = () => tablet.locator('.run-now h2').innerText()
const pass = (minutes: number) => visitor.context.clock.fastForward(minutes * MINUTE)

describe('an evening', () => {
	test('is opened from the course’s way, and stands on the wall too', async () => {
		await tablet.goto('/courses/1')
		await tablet.getByRole('link', { name: 'Teach' }).click()
		await tablet.getByRole('link', { name: 'Open' }).first().click()
		await tablet.getByRole('button', { name: 'We begin' }).waitFor()
		expect(await scan(tablet)).toEqual([])

		wall = await visitor.context.newPage()
		await wall.goto('/courses/1/run/1/wall')
		await wall.getByText(/we begin soon/).waitFor()
		await press('We begin')
		await wall.getByRole('heading', { level: 1 }).waitFor()
		await expect.poll(() => wall.getByRole('heading', { level: 1 }).innerText()).toBe(await title())
		expect(await scan(wall)).toEqual([])
	})

	test('goes on with one press: the next step, and a tray that dries', async () => {
		const first = await title()
		await pass(32)
		await tablet.getByText(/min behind/).waitFor()
		await press('Most are done')
		await expect.poll(title).not.toBe(first)
		await tablet.getByRole('heading', { name: 'Drying here' }).waitFor()
		await expect.poll(() => wall.getByRole('heading', { level: 1 }).innerText()).toBe(await title())

		// It was some minutes ago: what is shown after it, five minutes long, is over by now.
		const shown = await title()
		await press('5 min ago')
		await expect.poll(title).not.toBe(shown)
	})

	test('what is felt of a tray moves its times', async () => {
		const times = tablet.locator('.tray-times').first()
		const before = await times.innerText()
		await times.getByRole('button', { name: 'Look' }).click()
		await times.getByRole('button', { name: 'still soft' }).click()
		await times.getByRole('button', { name: 'Look' }).waitFor()
		expect(before).toMatch(/9 in 10/)
		const where = tablet.getByRole('textbox', { name: /lies$/ }).first()
		await where.fill('rack by the window')
		await where.press('Enter')
		await tablet.getByText(/all is kept/).waitFor()
	})

	test('what hangs on the wall is typed, and trays are told in that air', async () => {
		await press('Room air')
		const box = tablet.getByRole('dialog')
		await box.getByLabel('Temperature, °C').fill('26')
		await box.getByRole('button', { name: 'Keep it' }).click()
		await box.getByRole('alert').waitFor()
		const before = await tablet.locator('.tray-times').first().innerText()
		await box.getByLabel('Humidity, %').fill('35')
		expect(await scan(tablet)).toEqual([])
		await box.getByRole('button', { name: 'Keep it' }).click()
		await tablet.getByText(/^In 26\.0 °C and 35 %, read/).waitFor()
		await expect.poll(() => tablet.locator('.tray-times').first().innerText()).not.toBe(before)
	})

	test('is on the phone of who has the code, who is signed in nowhere', async () => {
		await press('Phones')
		const box = tablet.getByRole('dialog')
		const address = await box.getByText(/\/evening\//).innerText()
		expect(await scan(tablet)).toEqual([])
		await box.getByRole('button', { name: 'Close' }).click()

		const phone = await visit(bench, { isSignedIn: false, viewport: { width: 390, height: 844 } })
		await phone.context.clock.install({ time: await tablet.evaluate(() => Date.now()) })
		await phone.page.goto(address)
		await expect.poll(() => phone.page.getByRole('heading', { level: 1 }).innerText()).toBe(await title())
		expect(await scan(phone.page)).toEqual([])
		expect(phone.complaints).toEqual([])
		await phone.context.close()
	})

	test('who is late is said in a press, and counted', async () => {
		await press('8 here')
		await tablet.getByRole('listitem').filter({ hasText: 'late' }).first().getByText('late', { exact: true }).click()
		await press('7 here, 1 late')
	})

	test('that falls far behind is offered ways to go on; one is taken, planned for the rest of the course, and taken back', async () => {
		await pass(40)
		await tablet.getByRole('heading', { name: 'These would help' }).waitFor()
		expect(await scan(tablet)).toEqual([])
		await tablet.getByRole('button', { name: /^Take: Leave/ }).click()
		await tablet.getByText(/^Since \d\d:\d\d: Leave/).waitFor()
		await tablet.getByText(/all is kept/).waitFor()

		const plan = await visitor.context.newPage()
		const settled = async () => {
			await plan.goto('/courses/1/plan')
			return plan.getByRole('button', { name: /settled$/ }).innerText()
		}
		await expect.poll(settled, { timeout: 30_000 }).toMatch(/^\d+ settled/)
		await press('Take it back')
		await expect.poll(settled, { timeout: 30_000 }).toMatch(/^Nothing settled/)
		await plan.close()
	})

	test('a press is taken back, and a broken piece and a note are kept', async () => {
		const now = await title()
		await press('Most are done')
		await expect.poll(title).not.toBe(now)
		await press('Undo')
		await expect.poll(title).toBe(now)

		await press('Broken piece')
		await press('A dried one was given')
		await tablet.getByText('1 dried given').waitFor()
		await press('They wait')
		await press('3')
		await tablet.getByRole('button', { name: '3', pressed: true }).waitFor()
		await press('Note')
		await tablet.getByRole('textbox', { name: 'A note' }).fill('The window was open')
		const photo = { name: 'phone.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(makeJpeg(900, 600)) }
		await tablet.locator('input[type=file]').setInputFiles(photo)
		await tablet.getByRole('img', { name: 'The photo of this note' }).waitFor()
		expect(await scan(tablet)).toEqual([])
		await press('Keep it')
		await tablet.getByText(/all is kept/).waitFor()
	})

	test('without a network it goes on, and after a reload; then all of it is sent', async () => {
		await visitor.context.setOffline(true)
		const before = await title()
		await press('Most are done')
		await expect.poll(title).not.toBe(before)
		const after = await title()
		await tablet.getByText(/no network, \d+ press(es)? kept here/).waitFor()

		await visitor.context.setOffline(false)
		await tablet.reload()
		await tablet.getByText(/all is kept/).waitFor()
		await expect.poll(title).toBe(after)
		await expect.poll(() => wall.getByRole('heading', { level: 1 }).innerText()).toBe(after)
	})

	test('is closed, tells what was, and is over in the course', async () => {
		for (let k = 0; k < 12 && (await tablet.getByRole('button', { name: 'Close the session' }).count()) === 0; k++) {
			await pass(10)
			await tablet
				.getByRole('button', { name: /^(Most are done|Go on|Close the session)$/ })
				.first()
				.waitFor()
			const next = tablet.locator('.run-presses').getByRole('button', { name: /^(Most are done|Go on)$/ })
			if ((await next.count()) > 0) await next.click()
		}
		await press('Close the session')
		await tablet.getByText('This session is closed').waitFor()
		await tablet.getByText('The window was open').waitFor()
		const photo = tablet.getByRole('img', { name: 'The window was open' })
		await expect.poll(() => photo.evaluate((picture: HTMLImageElement) => picture.naturalWidth)).toBe(900)
		await tablet.getByText(/^Broke: .+ 1\. Given dried: .+ 1\.$/).waitFor()
		await press(/here/)
		await tablet.locator('.run-people li').last().getByText('away', { exact: true }).click()
		await tablet.getByText('dried pieces', { exact: true }).click()
		await tablet.getByText(/of your time, in Prepare$/).waitFor()
		const line = tablet.getByRole('textbox', { name: 'To do otherwise next time' })
		await line.fill('Begin with tea')
		await line.press('Enter')
		await tablet.getByText(/all is kept/).waitFor()
		expect(await scan(tablet)).toEqual([])
		await tablet.reload()
		await tablet.getByText('This session is closed').waitFor()
		expect(await tablet.getByRole('textbox', { name: 'To do otherwise next time' }).inputValue()).toBe('Begin with tea')
		await wall.getByText(/All done/).waitFor()

		await tablet.goto('/preparation')
		await tablet
			.getByText(/^Make dry for who was away on/)
			.first()
			.waitFor()
		// On another device its photo is the studio's.
		const other = await visit(bench, { reducedMotion: 'reduce' })
		await other.page.goto('/courses/1/run/1')
		const theirs = other.page.getByRole('img', { name: 'The window was open' })
		await expect.poll(() => theirs.evaluate((picture: HTMLImageElement) => picture.naturalWidth)).toBe(900)
		expect(other.complaints).toEqual([])
		await other.context.close()

		// The log has it, and can do without it.
		await tablet.goto('/log')
		await tablet.getByText(/^Thursday .+: Magnolia on Thursdays, Evening 1$/).click()
		const logged = tablet.locator('.log-occasions li').first()
		await logged.getByRole('button', { name: /^Leave out/ }).click()
		await logged.getByRole('textbox', { name: 'Why' }).fill('the heating failed')
		await logged.getByRole('button', { name: 'Leave it out' }).click()
		await logged.getByText('left out: the heating failed').waitFor()
		expect(await scan(tablet)).toEqual([])
		const second = tablet.locator('.log-occasions li').nth(1)
		await second.getByRole('button', { name: /^Correct/ }).click()
		await second.getByLabel('Really, min').fill('17')
		await second.getByRole('button', { name: 'Correct it' }).click()
		await second.getByText('17 min', { exact: false }).waitFor()
		await second.getByRole('button', { name: 'As it was observed' }).click()
		await second.getByText('corrected').waitFor({ state: 'detached' })

		// What it would change is looked at first.
		await press('What would it change?')
		await tablet
			.getByRole('listitem')
			.filter({ hasText: /^Calla lily taster (still fits|would)/ })
			.waitFor({ timeout: 60_000 })
		// A coming course is planned anew because of it, by a press of its own.
		await press('Plan with what was learnt')
		await tablet.getByText(/^Plans go by what was learnt until/).waitFor()
		await tablet.goto('/courses/2/plan')
		await tablet.getByText(/^Since this plan was made .*what past classes have taught/).waitFor()
		await press('Plan anew')
		await tablet.getByText(/what past classes have taught/).waitFor({ state: 'detached' })
		await tablet.goto('/log')
		await press('Plan with what is stated')
		await tablet.getByText(/^Plans go by the minutes that the designs state/).waitFor()

		await tablet.goto('/courses/1/run')
		await tablet.getByRole('link', { name: 'What was' }).waitFor()
		expect(
			visitor.complaints.splice(0).filter((line) => !/ERR_INTERNET_DISCONNECTED|Failed to fetch/.test(line)),
		).toEqual([])
	})

	test('without the tablet is told by hand, with a word beside what makes no sense, and is learnt from', async () => {
		await tablet.goto('/courses/2/again')
		await tablet.getByLabel('Name').fill('Calla lilies in February')
		const day = tablet.getByRole('textbox', { name: 'Day' })
		await day.fill('21 Feb 2026')
		await day.press('Tab')
		await expect.poll(() => day.inputValue()).toBe('Sat 21 Feb 2026')
		await press('Make the course')
		await tablet.getByRole('heading', { level: 1, name: 'Calla lilies in February' }).waitFor()
		await tablet.getByRole('link', { name: 'Teach' }).click()
		await tablet.getByRole('link', { name: 'Tell by hand' }).click()
		const lines = tablet.locator('.told-line')
		await lines.filter({ hasText: 'planned' }).first().getByRole('textbox').fill('a while')
		await press('Keep it')
		await tablet.getByText('Minutes from 0.5 to 2000').waitFor()
		expect(await scan(tablet)).toEqual([])
		await lines.filter({ hasText: 'planned' }).first().getByRole('textbox').fill('41')
		await lines.filter({ hasText: 'handed out' }).first().getByRole('textbox').fill('12')
		await press('Keep it')
		await tablet.getByText(/^Kept\./).waitFor()
		await tablet.getByRole('link', { name: 'The log' }).click()
		await tablet.getByText(/^Saturday 21 February: Calla lilies in February, .+ \(told by hand\)$/).click()
		await tablet.locator('.log-occasions').getByText('41 min', { exact: true }).first().waitFor()
		await tablet
			.getByText(/^\d+ g used$/)
			.first()
			.waitFor()
		// A technique from class to class.
		await tablet.locator('.log-rows a').first().click()
		await tablet
			.getByText(/^Takes \d\.\d\d times what is stated/)
			.first()
			.waitFor()
		expect(await scan(tablet)).toEqual([])
		expect(visitor.complaints).toEqual([])
	})
})

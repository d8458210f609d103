/** A studio from nothing: set up, people invited, what each sees, a forgotten password, devices. */
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { generateSync } from 'otplib'
import type { Page } from 'playwright-core'
import { launchBrowser } from '../../scripts/machine/browser.mjs'
import { makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { USUAL_KIT_TERMS } from '../../core/kit/kit-terms'
import { USUAL_STRAIN_TERMS } from '../../core/plan/compile/strain-terms'
import { USUAL_PREP_TERMS } from '../../core/prepare/prep-terms'
import { readStudioArchive, writeStudioArchive, type StudioRows } from '../../exchange/studio/studio-archive'
import { demoDesign } from '../support/demo-designs'
import { TODAY } from '../support/today'
import { choose, scan, visit, type Bench } from '../support/visitor'

const data = makeDataFolder()
let bench: Pick<Bench, 'app' | 'browser'>
let owner: Page
let assistant: Page

const start = () => startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: TODAY }, words: ['--empty'] })

beforeAll(async () => {
	bench = { app: await start(), browser: await launchBrowser() }
	owner = (await open()).page
	assistant = (await open()).page
})
afterAll(async () => {
	await bench.browser.close()
	await bench.app.stop()
	data.remove()
})

/** A copy of a studio with one design, as its owner would have fetched it. */
const SMALL_STUDIO: StudioRows = {
	settings: {
		...{ name: 'The Alder Bench', timeZone: 'Europe/London', gaugeStandard: 'swg', units: 'metric' },
		...{ wireLengthsMm: [360, 500], dryingConfidence: 0.9, readingMaxAgeMinutes: 60, peopleMonths: 12 },
		...{ kitTerms: USUAL_KIT_TERMS, strainTerms: USUAL_STRAIN_TERMS, prepTerms: USUAL_PREP_TERMS },
	},
	tables: {
		designs: [
			{
				...{ id: 1, slug: 'magnolia', name: 'Magnolia', kind: 'flower', level: demoDesign('magnolia').level },
				...{ document: demoDesign('magnolia'), version: 1 },
				...{ createdAt: '2026-02-01T10:00:00.000Z', updatedAt: '2026-02-01T10:00:00.000Z' },
			},
		],
		designVersions: [
			{
				...{ id: 1, designId: 1, version: 1, document: demoDesign('magnolia') },
				createdAt: '2026-02-01T10:00:00.000Z',
			},
		],
	},
	pictures: new Map(),
}

/** Nobody yet, in a window of her own. */
function open() {
	return visit(bench as Bench, { isSignedIn: false, reducedMotion: 'reduce' })
}

/** The newest letter of the stand-in post box. */
async function newestLetter(subject: RegExp): Promise<{ text: string; link: string }> {
	const context = await bench.browser.newContext()
	const page = await context.newPage()
	const letter = page.locator('article').first()
	await expect
		.poll(async () => {
			await page.goto(bench.app.letters!)
			return letter.locator('h2').allInnerTexts()
		})
		.toContainEqual(expect.stringMatching(subject))
	const found = { text: await letter.innerText(), link: (await letter.getByRole('link').allInnerTexts())[0] ?? '' }
	await context.close()
	return found
}

describe('a studio', () => {
	test('is founded by the first visitor with the link of the start, and by nobody without', async () => {
		await owner.goto('/')
		await owner.getByRole('heading', { name: 'No studio yet' }).waitFor()
		await owner.goto('/set-up/guessed')
		await owner.getByRole('heading', { name: 'This link is over' }).waitFor()
		await owner.goto('/set-up/open')
		await owner.getByRole('heading', { name: 'This link is over' }).waitFor()

		await owner.goto(bench.app.setUp!)
		expect(await scan(owner)).toEqual([])
		await owner.getByLabel('Name of the studio').fill('The Alder Bench')
		await owner.getByLabel('Your name').fill('Ida Marsh')
		await owner.getByLabel('Your e-mail address').fill('ida@alder.example')
		await owner.getByLabel(/^Choose a password/).fill('password1234')
		await owner.getByText('Letter', { exact: true }).click()
		await owner.getByRole('button', { name: 'Set it up' }).click()
		await owner.getByText('Too many people have this one').waitFor()
		expect(await owner.getByLabel('Your name').inputValue()).toBe('Ida Marsh')
		await owner.getByLabel(/^Choose a password/).fill('eight folded calyces')
		await owner.getByRole('button', { name: 'Set it up' }).click()

		await owner.getByRole('heading', { level: 1, name: 'Today' }).waitFor()
		await owner.getByRole('link', { name: 'Designs', exact: true }).click()
		await owner.getByText('The design book is empty').waitFor()
		await owner.goto('/studio')
		expect(await owner.getByRole('radio', { name: 'Letter' }).isChecked()).toBe(true)
		const { page } = await open()
		await page.goto(bench.app.setUp!)
		await page.getByRole('heading', { name: 'This link is over' }).waitFor()
	})

	test('in which nothing is yet takes in the copy of another, and gives it out the same', async () => {
		await owner.goto('/studio')
		await owner.getByRole('link', { name: 'Copy of it' }).click()
		const field = owner.locator('input[type=file]')
		await field.setInputFiles({ name: 'photo.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') })
		await owner.getByText('no zip, or not a whole one').waitFor()
		expect(await scan(owner)).toEqual([])
		const copy = await writeStudioArchive(SMALL_STUDIO, {})
		await field.setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: Buffer.from(copy) })
		await owner.getByRole('heading', { level: 1, name: 'Courses' }).waitFor()
		await owner.goto('/designs')
		await owner.getByRole('link', { name: 'Magnolia' }).first().waitFor()

		await owner.goto('/studio/copy')
		const [download] = await Promise.all([
			owner.waitForEvent('download'),
			owner.getByRole('link', { name: 'Download the copy' }).click(),
		])
		const again = readStudioArchive(readFileSync(await download.path()))
		expect(again.tables['designs']).toEqual(SMALL_STUDIO.tables['designs'])
		expect(again.settings).toMatchObject(SMALL_STUDIO.settings)
	})

	test('takes in whom its owner invites, once, and as what she said', async () => {
		await owner.goto('/account')
		expect(await scan(owner)).toEqual([])
		await owner.getByRole('link', { name: 'People of the studio' }).click()
		await owner.getByLabel('E-mail address').fill('nobody')
		await owner.getByRole('button', { name: 'Invite' }).click()
		await owner.getByText('This does not look like an e-mail address').waitFor()
		await owner.getByLabel('E-mail address').fill('bo@alder.example')
		await owner.getByRole('button', { name: 'Invite' }).click()
		await owner.getByText('A letter is on its way to bo@alder.example').waitFor()
		expect(await scan(owner)).toEqual([])

		const { link } = await newestLetter(/Ida Marsh invites you to The Alder Bench/)
		await assistant.goto(link)
		expect(await scan(assistant)).toEqual([])
		await assistant.getByLabel('Your name').fill('Bo Lund')
		await assistant.getByLabel(/^Choose a password/).fill('twelve green leaves')
		await assistant.getByRole('button', { name: 'Join' }).click()
		await assistant.getByRole('heading', { level: 1, name: 'Today' }).waitFor()

		const { page } = await open()
		await page.goto(link)
		await page.getByRole('heading', { name: 'This link is over' }).waitFor()
		await owner.reload()
		await owner.getByText('Bo Lund').waitFor()
	})

	test('shows an assistant what is hers, and keeps the rest', async () => {
		await owner.goto('/designs/new')
		await owner.getByLabel('Name').first().fill('Alder catkin')
		await owner.getByRole('button', { name: 'Start' }).click()
		await owner.waitForURL(/\/designs\/alder-catkin/)

		await assistant.goto('/designs')
		await assistant.getByText('You look on as assistant').waitFor()
		await assistant.getByRole('link', { name: 'Alder catkin' }).first().click()
		await assistant.getByRole('heading', { level: 1, name: 'Alder catkin' }).waitFor()
		expect(await assistant.getByRole('link', { name: /^Edit/ }).count()).toBe(0)
		expect(await scan(assistant)).toEqual([])
		await assistant.goto('/people')
		await assistant.getByRole('heading', { name: 'Not for you to open' }).waitFor()
		await assistant.getByText('as assistant of The Alder Bench').waitFor()
		await assistant.goto('/studio')
		expect(await assistant.getByRole('button', { name: 'Save' }).isDisabled()).toBe(true)

		// What she is takes effect at once, without a new sign-in.
		await owner.goto('/people')
		await choose(owner.getByLabel('What Bo Lund is'), 'instructor')
		await owner.getByText('Changed.').waitFor()
		await assistant.goto('/designs/alder-catkin/edit')
		await assistant.getByRole('heading', { level: 1, name: 'Alder catkin' }).waitFor()
	})
})

describe('one-time codes', () => {
	const signIn = async (page: Page) => {
		await page.goto('/sign-in?to=%2Fdesigns')
		await page.getByLabel('E-mail address').fill('ida@alder.example')
		await page.getByLabel('Password').fill('eight folded calyces')
		await page.getByRole('button', { name: 'Sign in' }).click()
	}

	test('are asked for after the password, work once, and a recovery word in their place', async () => {
		await owner.goto('/account')
		await owner.getByRole('button', { name: 'Set up codes' }).click()
		const secret = (await owner.locator('.codes-begun code').innerText()).replaceAll(' ', '')
		expect(await scan(owner)).toEqual([])
		await owner.getByLabel('The code that it shows').fill('000000')
		await owner.getByRole('button', { name: 'Ask for codes from now on' }).click()
		await owner.getByText('This code does not work').waitFor()
		const used = generateSync({ secret })
		await owner.getByLabel('The code that it shows').fill(used)
		await owner.getByRole('button', { name: 'Ask for codes from now on' }).click()
		await owner.getByText('Write these down now').waitFor()
		expect(await scan(owner)).toEqual([])
		const word = await owner.locator('.recovery-words code').first().innerText()

		const { page, context } = await open()
		await signIn(page)
		await page.getByRole('heading', { name: 'Your code' }).waitFor()
		expect(await scan(page)).toEqual([])
		// The password alone opens nothing.
		await page.goto('/designs')
		await page.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
		await signIn(page)
		await page.getByLabel('Code').fill(used)
		await page.getByRole('button', { name: 'Sign in' }).click()
		await page.getByText('This code does not work').waitFor()
		await page.getByLabel('Code').fill(word)
		await page.getByRole('button', { name: 'Sign in' }).click()
		await page.getByRole('heading', { level: 1, name: 'Designs' }).waitFor()
		await context.close()

		await owner.goto('/account')
		await owner.getByText('9 recovery words left').waitFor()
		await owner.getByRole('region', { name: 'One-time codes' }).getByLabel('Your password').fill('eight folded calyces')
		await owner.getByRole('button', { name: 'End the codes' }).click()
		await owner.getByText('You are asked for no code any longer.').waitFor()
	})
})

describe('a password', () => {
	test('that is forgotten is chosen anew through a letter, and signs all other devices out', async () => {
		const { page, context } = await open()
		await page.goto('/sign-in')
		await page.getByRole('link', { name: 'I forgot my password' }).click()
		// The page before has a field of the same name.
		await page.waitForURL('**/forgot')
		await page.getByRole('button', { name: 'Send me a link' }).waitFor()
		await page.getByLabel('E-mail address').fill('stranger@alder.example')
		await page.getByRole('button', { name: 'Send me a link' }).click()
		const told = await page.getByRole('status').innerText()
		await page.goto('/forgot')
		expect(await scan(page)).toEqual([])
		await page.getByLabel('E-mail address').fill('BO@alder.example')
		await page.getByRole('button', { name: 'Send me a link' }).click()
		// Nobody learns who has an account.
		expect(await page.getByRole('status').innerText()).toBe(told)

		const { link } = await newestLetter(/A new password/)
		await page.goto(link)
		await page.getByLabel(/^New password/).fill('short')
		await page.getByRole('button', { name: 'Keep it and sign in' }).click()
		await page.getByText('At least 12 characters: a few words do well').waitFor()
		await page.getByLabel(/^New password/).fill('thirteen green leaves')
		await page.getByRole('button', { name: 'Keep it and sign in' }).click()
		await page.getByRole('heading', { level: 1, name: 'Today' }).waitFor()

		await assistant.goto('/designs')
		await assistant.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
		expect((await newestLetter(/Your password was changed/)).text).toContain('Bo Lund')
		await page.goto(link)
		await page.getByRole('heading', { name: 'This link is over' }).waitFor()
		await context.close()
	})

	test('is changed by whoever knows it, and devices are signed out one by one', async () => {
		await assistant.goto('/sign-in')
		await assistant.getByLabel('E-mail address').fill('bo@alder.example')
		await assistant.getByLabel('Password').fill('thirteen green leaves')
		await assistant.getByRole('button', { name: 'Sign in' }).click()
		await assistant.getByRole('heading', { level: 1, name: 'Today' }).waitFor()

		await assistant.getByRole('link', { name: 'Bo Lund' }).click()
		const elsewhere = assistant.getByRole('button', { name: /^Sign out Chrome/ })
		await elsewhere.first().waitFor()
		const devices = await elsewhere.count()
		await elsewhere.first().click()
		await assistant.getByText('That device is signed out.').waitFor()
		await expect.poll(() => elsewhere.count()).toBe(devices - 1)

		await assistant.getByLabel('The one you have').fill('not this one, no')
		await assistant.getByLabel(/^A new one/).fill('fourteen green leaves')
		await assistant.getByRole('button', { name: 'Change it' }).click()
		await assistant.getByText('This is not your password').waitFor()
		await assistant.getByLabel('The one you have').fill('thirteen green leaves')
		await assistant.getByRole('button', { name: 'Change it' }).click()
		await assistant.getByText('Your password is changed').waitFor()
		expect(await assistant.getByLabel('The one you have').inputValue()).toBe('')
	})

	test('opens nothing for whoever was taken off, and what was done stays told', async () => {
		await owner.goto('/people')
		await owner.getByRole('button', { name: 'Take Ida Marsh off' }).click()
		await owner.getByRole('dialog').getByRole('button', { name: 'Take off' }).click()
		await owner.getByText('A studio needs an owner.').waitFor()
		await owner.getByRole('button', { name: 'Take Bo Lund off' }).click()
		await owner.getByRole('dialog').getByRole('button', { name: 'Take off' }).click()
		await owner.getByText('Taken off, and signed out everywhere.').waitFor()
		await assistant.goto('/designs')
		await assistant.getByRole('heading', { name: 'Sign in to your bench' }).waitFor()
		await owner.getByRole('link', { name: 'Who changed what' }).click()
		const lines = owner.getByRole('row')
		await lines
			.filter({ hasText: 'the people of the studio: remove' })
			.filter({ hasText: 'Ida Marsh' })
			.first()
			.waitFor()
		await lines
			.filter({ hasText: 'chose a new password by a letter' })
			.filter({ hasText: 'somebody who is gone' })
			.waitFor()
		await lines.filter({ hasText: 'a new design' }).filter({ hasText: 'Ida Marsh' }).waitFor()
		expect(await owner.locator('main').innerText()).not.toContain('Bo Lund')
		// What was refused is no change.
		expect(await lines.filter({ hasText: 'remove' }).count()).toBe(1)
	})
})

test('a studio is deleted in seven days by its owner, and taken back', async () => {
	await owner.goto('/studio')
	await owner.getByRole('link', { name: 'Delete this studio' }).click()
	await owner.getByLabel(/^To be sure/).fill('The Alder')
	await owner.getByLabel('Your password').fill('not this one, no')
	await owner.getByRole('button', { name: 'Delete it in seven days' }).click()
	await owner.getByText('The studio is called The Alder Bench').waitFor()
	await owner.getByLabel(/^To be sure/).fill('The Alder Bench')
	await owner.getByRole('button', { name: 'Delete it in seven days' }).click()
	await owner.getByText('This is not your password').waitFor()
	await owner.getByLabel('Your password').fill('eight folded calyces')
	await owner.getByRole('button', { name: 'Delete it in seven days' }).click()
	await owner.getByText('It is deleted in seven days').waitFor()
	expect((await newestLetter(/The Alder Bench is to be deleted/)).link).toMatch(/\/studio\/leave$/)

	await owner.goto('/designs')
	await owner.getByText('This studio is deleted on').waitFor()
	expect(await scan(owner)).toEqual([])
	await owner.getByRole('link', { name: 'Take it back' }).click()
	await owner.getByRole('button', { name: 'Keep the studio' }).click()
	await owner.getByText('The studio stays').waitFor()
	await expect.poll(() => owner.getByText('This studio is deleted on').count()).toBe(0)
})

test('with a studio, the next start prints no link, and founds nothing', async () => {
	await bench.app.stop()
	bench.app = await start()
	expect(bench.app.setUp).toBeUndefined()
	expect(bench.app.output()).toContain('Calycine is at')
})

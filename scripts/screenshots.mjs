/** `npm run screenshots`: one picture of each main view, from the demo on a fixed day, into docs/screenshots. */
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureBuild } from './machine/build.mjs'
import { runScript } from './machine/failure.mjs'
import { checkNode, ensureNpmPackages } from './machine/packages.mjs'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const folder = path.join(root, 'docs', 'screenshots')
const TODAY = '2026-03-02T10:00'
/** Twenty minutes after the first evening of the class that is shown. */
const LATE = '2026-03-12T19:20:00Z'
const MINUTE_MS = 60_000

/** Courses are found by name: their numbers are the database's business. */
const VIEWS = [
	{ name: 'today', path: '/' },
	{ name: 'designs', path: '/designs' },
	{ name: 'design', path: '/designs/hellebore' },
	{ name: 'design-edit', path: '/designs/hellebore/edit', press: /^Sepals/ },
	{ name: 'design-sheets', path: '/designs/sweet-pea-spray/sheets' },
	{ name: 'courses', path: '/courses' },
	{ name: 'course', course: 'Magnolia on Thursdays', path: '' },
	{ name: 'plan', course: 'Magnolia on Thursdays', path: '/plan', open: 'outer petals, dust' },
	{ name: 'what-fits', path: '/courses/what-fits?sessions=2&before=60', waitFor: '[aria-busy=false]', isNight: true },
	{ name: 'plan-misfit', course: 'Seaside morning for children', path: '/plan' },
	{ name: 'kits', course: 'Magnolia on Thursdays', path: '/kits?seat=2' },
	{
		name: 'rehearsal',
		course: 'Magnolia on Thursdays',
		path: '/rehearsal',
		waitFor: 'text=/All \\d+ changes were tried/',
	},
	{ name: 'run-sheet', course: 'Hellebores and foliage on Tuesdays', path: '/papers/run-sheet?session=2' },
	{ name: 'preparation', path: '/preparation?view=week' },
	{ name: 'log', path: '/log', waitFor: '.log-chart canvas' },
	{ name: 'shelf', path: '/stock' },
	{
		name: 'drying',
		path: '/drying?paste=gum+paste&thickness=0.9&wide=65.7&back=foam&gauge=24&what=Magnolia%2C+leaves&stage=hard&start=20:45&by=19:00&room=1',
		waitFor: '.air-map td',
	},
	{ name: 'room', path: '/rooms', open: 'Bench room', waitFor: '.readings-chart canvas' },
]

await runScript(async () => {
	checkNode()
	ensureNpmPackages(root)
	ensureBuild(root)
	const { ensureBrowser, launchBrowser, signIn } = await import('./machine/browser.mjs')
	const { makeDataFolder, startApp } = await import('./machine/running-app.mjs')
	ensureBrowser()
	mkdirSync(folder, { recursive: true })
	const data = makeDataFolder()
	const app = await startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: TODAY } })
	const browser = await launchBrowser()
	try {
		const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
		await signIn(page, app)
		const wanted = process.argv.slice(2)
		for (const view of VIEWS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
			await page.emulateMedia({ colorScheme: view.isNight ? 'dark' : 'light' })
			await page.goto(app.url + (view.course ? await findCourse(page, app, view.course) : '') + view.path)
			if (view.open) await page.getByRole('link', { name: view.open, exact: false }).first().click()
			// A press before the page has come alive would do nothing.
			if (view.press) await page.waitForLoadState('networkidle')
			if (view.press) await page.getByRole('button', { name: view.press }).first().click()
			if (view.scrollTo) await page.locator(view.scrollTo).evaluate((element) => element.scrollIntoView())
			if (view.waitFor) await page.locator(view.waitFor).first().waitFor()
			await page.waitForLoadState('networkidle')
			await shoot(page, view.name)
		}
		if (wanted.length === 0 || wanted.includes('class')) await shootClass(browser, app, signIn)
	} finally {
		await browser.close()
		await app.stop()
		data.remove()
	}
})

async function findCourse(page, app, name) {
	await page.goto(`${app.url}/courses`)
	const link = page.getByRole('link', { name })
	return (await link.getAttribute('href')).replace(/\/plan$/, '')
}

/** A class that began late and was slow, on the tablet, with what would help. */
async function shootClass(browser, app, signIn) {
	const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, reducedMotion: 'reduce' })
	const page = await context.newPage()
	await signIn(page, app)
	const course = await findCourse(page, app, 'Magnolia on Thursdays')
	await context.clock.install({ time: new Date(LATE) })
	await page.goto(`${app.url}${course}/run/1`)
	await page.getByRole('button', { name: 'We begin' }).click()
	await context.clock.fastForward(30 * MINUTE_MS)
	await page.getByRole('button', { name: 'Most are done' }).click()
	await context.clock.fastForward(6 * MINUTE_MS)
	await page.getByText('Stay 10 min longer').waitFor()
	await shoot(page, 'class')
	await context.close()
}

async function shoot(page, name) {
	await page.evaluate(() => document.fonts.ready)
	await page.screenshot({ path: path.join(folder, `${name}.png`), animations: 'disabled' })
	console.log(`docs/screenshots/${name}.png`)
}

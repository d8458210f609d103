/** The plan under the hands: from a drop to the new plan laid, and frames while a step is held, at the real interface. */
import { launchBrowser, openWhenAlive, signIn } from '../../scripts/machine/browser.mjs'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { largeDesign } from '../support/large-design.ts'
import { report, summarise, tell } from './measure.ts'

const TODAY = '2026-03-02'
const DROPS = 24

/** Courses of about so many steps, of the demo's designs. */
const COURSES = [
	{ name: 'two designs', designs: ['magnolia', 'fuchsia'], evenings: 6 },
	{
		name: 'six designs',
		designs: ['magnolia', 'fuchsia', 'hellebore', 'ranunculus', 'sweet-pea-spray', 'eucalyptus-and-ivy'],
		evenings: 12,
	},
	{
		name: 'one of 120 steps, and three more',
		designs: ['large', 'magnolia', 'ranunculus', 'eucalyptus-and-ivy'],
		evenings: 12,
	},
]

console.log('\nThe plan under the hands')
const data = makeDataFolder()
const app = await startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: TODAY } })
const browser = await launchBrowser()
const page = openWhenAlive(await browser.newPage({ viewport: { width: 1280, height: 1000 }, baseURL: app.url }))
await signIn(page, app)
await post('/designs/import', { intent: 'take', text: JSON.stringify(quickDesign()) })
for (const terms of COURSES) {
	const address = await makeCourse(terms)
	await page.goto(address)
	await page.waitForTimeout(3000)
	const count = await page.locator('.plan-tile').count()
	const [drops, longFrames] = [[], []]
	for (let drop = 0; drop < DROPS; drop++) {
		const measured = await dropOne(drop, count)
		if (!measured) continue
		drops.push(measured.laid)
		longFrames.push(...measured.longFrames)
	}
	report(
		`  ${count} tiles (${terms.name}): drop to plan, ${drops.length} drops`,
		tell(summarise(drops)),
		'500, p95 1500',
	)
	const longest = Math.max(0, ...longFrames)
	report('    frames over 50 ms while held', `${longFrames.length}, the longest ${Math.round(longest)} ms`, '0')
}
await browser.close()
await app.stop()
data.remove()

/** Takes a tile up, carries it about, and lays it a little later; back afterwards. */
async function dropOne(drop, count) {
	const tile = page.locator('.plan-tile').nth((7 * drop) % count)
	await tile.scrollIntoViewIfNeeded()
	const box = await tile.boundingBox()
	if (!box) return undefined
	const [x, y] = [box.x + Math.min(12, box.width / 2), box.y + box.height / 2]
	await page.mouse.move(x, y)
	await page.mouse.down()
	await page.mouse.move(x + 8, y)
	await page.waitForTimeout(100)
	await page.evaluate(() => {
		window.longFrames = []
		window.watch = new PerformanceObserver((list) =>
			window.longFrames.push(...list.getEntries().map((one) => one.duration)),
		)
		window.watch.observe({ entryTypes: ['longtask'] })
	})
	for (let step = 0; step < 30; step++) await page.mouse.move(x + 8 + step * 2, y + Math.sin(step) * 60)
	const longFrames = await page.evaluate(() => {
		window.watch.disconnect()
		return window.longFrames
	})
	await page.mouse.move(x + 20, y)
	const before = performance.now()
	await page.mouse.up()
	await page.waitForFunction(() => {
		const words = document.querySelector('.trial-notice')?.textContent ?? ''
		return /Tried, not kept|cannot be|cannot all|does not fit|No plan was/.test(words) && !words.includes('Laying')
	})
	const laid = performance.now() - before
	const giveUp = page.getByRole('button', { name: /Give it up|Leave it as it was/ })
	await giveUp.click()
	await page.locator('.trial-tried, .trial-conflict').waitFor({ state: 'detached' })
	return { laid, longFrames }
}

async function makeCourse({ name, designs, evenings }) {
	const keys = designs.map((designId) => ({ designId }))
	const sessions = Array.from({ length: evenings }, (_, s) => {
		const date = new Date(Date.UTC(2026, 3, 2 + 7 * s)).toISOString().slice(0, 10)
		return {
			date,
			startMin: 1080,
			endMin: 1290,
			setUpMinutes: 5,
			clearAwayMinutes: 10,
			breaks: [{ startMin: 1170, minutes: 10 }],
		}
	})
	const course = {
		...{ name, studentCount: 8, pace: 'improvers', planFor: 'middle', spareConfidence: 0.9, demoFlowers: 1 },
		...{ homeworkMinutes: 0, sessions },
		designs: keys.map((item) => ({ ...item, flowersPerStudent: 1, picks: {} })),
	}
	const response = await post('/courses/new', course)
	const text = await response.text()
	const found = /\/courses\/\d+\/plan/.exec(text + (response.headers.get('location') ?? ''))
	if (!found) throw new Error(`no course: ${response.status} ${text.slice(0, 400)}`)
	return found[0]
}

async function post(address, body) {
	return fetch(`${app.url}${address}.data`, {
		method: 'POST',
		headers: { cookie: await fetchCookie(app), 'content-type': 'application/json', origin: app.url },
		body: JSON.stringify(body),
	})
}

/** So many steps in twelve evenings are short ones. */
function quickDesign() {
	const design = largeDesign()
	return { ...design, steps: design.steps.map((step) => ({ ...step, minutesPerPiece: 1, teaching: 'routine' })) }
}

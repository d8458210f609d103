/** Frames of the page while a class is rehearsed: from its opening until it is sure, at the real interface. */
import { launchBrowser, openWhenAlive, signIn } from '../../scripts/machine/browser.mjs'
import { makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { report, summarise, tell } from './measure.ts'

const COURSES = { 1: 'Magnolia', 2: 'Calla taster', 4: 'Hellebores, 4 evenings' }
/** Of sixty a second, milliseconds. */
const FRAME = 1000 / 60

console.log('\nFrames while a class is rehearsed')
const data = makeDataFolder()
const app = await startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: '2026-03-02' } })
const browser = await launchBrowser()
const page = openWhenAlive(await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: app.url }))
await signIn(page, app)
await page.addInitScript(watchFrames)
for (const [id, name] of Object.entries(COURSES)) {
	const address = `/courses/${id}/rehearsal`
	await page.goto(address)
	await page.getByText(/^\d+ class(es)? played/).waitFor()
	// From the first figures on: the page is there, and sharpens.
	await page.evaluate(() => (window.frameTimes.length = 0))
	await page.getByText(/The intervals are those of the playing/).waitFor({ timeout: 120_000 })
	const playing = await page.evaluate(() => window.frameTimes.slice())
	tellFrames(`${name}: while it is played`, playing)
	await page.evaluate(() => (window.frameTimes.length = 0))
	await page.getByText(/All \d+ changes were tried/).waitFor({ timeout: 240_000 })
	tellFrames(`${name}: while advice is sought`, await page.evaluate(() => window.frameTimes.slice()))
}
await browser.close()
await app.stop()
data.remove()

function tellFrames(name, times) {
	const gaps = times.slice(1).map((time, i) => time - times[i])
	if (gaps.length === 0) {
		report(`  ${name}`, 'over before a frame', '60 a second')
		return
	}
	const seconds = (times.at(-1) - times[0]) / 1000
	const late = gaps.filter((gap) => gap > 1.5 * FRAME).length
	report(
		`  ${name}`,
		`${(gaps.length / seconds).toFixed(1)} a second in ${seconds.toFixed(1)} s; ${late} of ${gaps.length} late; ${tell(summarise(gaps))}`,
		'60 a second',
	)
}

/** In the page: when each frame was made. */
function watchFrames() {
	window.frameTimes = []
	const note = (time) => {
		window.frameTimes.push(time)
		requestAnimationFrame(note)
	}
	requestAnimationFrame(note)
}

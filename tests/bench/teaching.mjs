/** A class at the real interface: presses on a slow tablet, how soon ways to go on are offered, and many who follow one run. */
import { launchBrowser, openWhenAlive, signIn } from '../../scripts/machine/browser.mjs'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { openLooseLine } from '../support/loose-line.ts'
import { report, summarise, tell } from './measure.ts'

/** Of a tablet against this machine. */
const SLOWER = 4
const PRESSES = 40
const PHONES = 20
const EVENTS = 40
const RUNS = 30
const PAGE_ROUNDS = 6

/** Some forty steps in two evenings, all of which are still to come when the first one begins late. */
const LARGE = { name: 'Four flowers', designs: ['magnolia', 'fuchsia', 'hellebore', 'ranunculus'], evenings: 8 }

console.log('\nTeaching')
const data = makeDataFolder()
const app = await startApp({ dataFolder: data.folder, env: { CALYCINE_TODAY: '2026-03-02' } })
const cookie = await fetchCookie(app)
const headers = { cookie, origin: app.url }
const line = await openLooseLine(app.url)
const browser = await launchBrowser()
await measurePresses()
await measureOffers('/courses/1', 2, '2026-03-12T19:40:00Z')
await measureOffers(await makeCourse(LARGE), 1, '2026-04-02T17:30:00Z')
await browser.close()
await measureFollowers()
await measureRuns()
await line.close()
await app.stop()
data.remove()

async function openTablet(address, url = app.url, clock) {
	const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, baseURL: url })
	if (clock) await context.clock.install({ time: new Date(clock) })
	const page = openWhenAlive(await context.newPage())
	await signIn(page, { ...app, url })
	await page.goto(address)
	await page.locator('.run-press').first().waitFor()
	return { context, page }
}

/** From a click to the frame that shows what it has done. */
async function measurePresses() {
	const { context, page } = await openTablet('/courses/1/run/1', line.url)
	await page.getByText(/^Ready for class/).waitFor()
	await page.getByRole('button', { name: 'We begin' }).click()
	const session = await context.newCDPSession(page)
	await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
	for (const isCut of [false, true]) {
		if (isCut) line.pull()
		const times = []
		for (let press = 0; press < PRESSES; press++) {
			times.push(await page.evaluate(pressOnce, press % 2 === 0 ? 'Most are done' : 'Undo'))
			await page.waitForTimeout(250)
		}
		report(
			`  press to effect, ${SLOWER} times slower${isCut ? ', no network' : ''}`,
			tell(summarise(times)),
			'p95 under 100 ms',
		)
	}
	line.plug()
	await context.close()
}

/** In the page. */
async function pressOnce(name) {
	const button = [...document.querySelectorAll('button')].find((own) => own.textContent === name)
	const title = () => document.querySelector('.run-now h2')?.textContent
	const before = title()
	const start = performance.now()
	button.click()
	await new Promise((resolve) => {
		const look = () => (title() === before ? requestAnimationFrame(look) : resolve())
		requestAnimationFrame(look)
	})
	return performance.now() - start
}

/** From the press that opens a session late to the first way to go on, in the browser's worker. */
async function measureOffers(course, session, clock) {
	const { context, page } = await openTablet(`${course}/run/${session}`, app.url, clock)
	const late = Date.parse(clock)
	await page.getByRole('button', { name: 'We begin' }).click()
	const start = performance.now()
	const first = page.locator('.run-offers li, .run-tablet > p.soft').first()
	const found = await first.waitFor({ timeout: 20_000 }).then(
		() => Math.round(performance.now() - start),
		() => undefined,
	)
	const words = found === undefined ? 'none in 20 s' : `${found} ms: ${(await first.innerText()).split('\n')[0]}`
	report(
		`  late to first offer, ${course}, session ${session}, ${new Date(late).toISOString().slice(11, 16)}`,
		words,
		'under 1 s for 40 steps',
	)
	await context.close()
}

/** Two tablets, a wall and phones hear of each event. */
async function measureFollowers() {
	const run = '/courses/2/run/1'
	const answer = await fetch(`${app.url}${run}/code`, { method: 'POST', headers })
	const { code } = await answer.json()
	const members = Array.from({ length: 3 }, () => listen(`${run}/stream?after=0`, { cookie }))
	const phones = Array.from({ length: PHONES }, () => listen(`/evening/${code}/stream?after=0`, {}))
	const followers = await Promise.all([...members, ...phones])
	const times = []
	for (let e = 0; e < EVENTS; e++) {
		const event = makeEvent('followers', e, { type: e % 2 === 0 ? 'paused' : 'resumed' })
		const heard = Promise.all(followers.map((follower) => follower.heard(event.id)))
		const start = performance.now()
		await send(run, [event])
		times.push(...(await heard).map((at) => at - start))
		await new Promise((resolve) => setTimeout(resolve, 100))
	}
	for (const follower of followers) follower.close()
	report(`  an event to ${followers.length} who follow`, tell(summarise(times)), 'p95 under 1 s')
}

/** A stream that is read; `heard` gives the moment at which an event came. */
async function listen(address, cookies) {
	const stop = new AbortController()
	const response = await fetch(app.url + address, {
		headers: { ...cookies, accept: 'text/event-stream' },
		signal: stop.signal,
	})
	if (!response.ok) throw new Error(`${address}: ${response.status}`)
	const at = new Map()
	const waiting = new Map()
	const read = async () => {
		let text = ''
		const decoder = new TextDecoder()
		for await (const chunk of response.body) {
			text += decoder.decode(chunk, { stream: true })
			for (const [, id] of text.matchAll(/"id":"([^"]+)"/g)) {
				if (at.has(id)) continue
				at.set(id, performance.now())
				waiting.get(id)?.(at.get(id))
			}
			text = text.slice(-200)
		}
	}
	read().catch(() => {})
	const heard = (id) => (at.has(id) ? Promise.resolve(at.get(id)) : new Promise((resolve) => waiting.set(id, resolve)))
	return { heard, close: () => stop.abort() }
}

/** Many classes at once, each with a tablet that presses and one that follows, while pages are opened. */
async function measureRuns() {
	const runs = []
	for (let copy = 0; runs.length < RUNS; copy++) {
		const course = await makeCourse({ name: `Class ${copy}`, designs: ['magnolia'], evenings: 3 })
		for (let session = 1; session <= 3 && runs.length < RUNS; session++) runs.push(`${course}/run/${session}`)
	}
	const followers = await Promise.all(runs.map((run) => listen(`${run}/stream?after=0`, { cookie })))
	let isOver = false
	let pressCount = 0
	const pressing = runs.map(async (run, r) => {
		await send(run, [makeEvent(`run ${r}`, 0, { type: 'opened' })])
		for (let e = 1; !isOver; e++) {
			await new Promise((resolve) => setTimeout(resolve, 1500 + 50 * r))
			await send(run, [makeEvent(`run ${r}`, e, { type: e % 2 === 0 ? 'paused' : 'resumed' })])
			pressCount++
		}
	})
	// Each page once, so that what is reckoned once has been.
	for (const run of runs) await timePage(run)
	const times = []
	for (let round = 0; round < PAGE_ROUNDS; round++)
		for (const run of runs) for (const page of [run, `${run}/wall`]) times.push(await timePage(page))
	isOver = true
	await Promise.all(pressing)
	for (const follower of followers) follower.close()
	report(`  pages while ${RUNS} classes go on, ${pressCount} presses`, tell(summarise(times)), 'p95 under 200 ms')
}

async function timePage(address) {
	const before = performance.now()
	const response = await fetch(app.url + address, { headers: { cookie } })
	await response.arrayBuffer()
	if (response.status !== 200) throw new Error(`${address}: ${response.status}`)
	return performance.now() - before
}

async function send(run, events) {
	const answer = await fetch(`${app.url}${run}/events`, {
		method: 'POST',
		headers: { ...headers, 'content-type': 'application/json' },
		body: JSON.stringify({ events, after: 1_000_000_000 }),
	})
	if (!answer.ok) throw new Error(`${run}: ${answer.status} ${await answer.text()}`)
}

function makeEvent(device, seq, fact) {
	const now = Date.now()
	return { id: `${device} ${seq}`, runId: 'run', device, seq: seq + 1, at: now, when: now, ...fact }
}

async function makeCourse({ name, designs, evenings }) {
	const sessions = Array.from({ length: evenings }, (_, s) => {
		const date = new Date(Date.UTC(2026, 3, 2 + 7 * s)).toISOString().slice(0, 10)
		return {
			...{ date, startMin: 1080, endMin: 1290, setUpMinutes: 5, clearAwayMinutes: 10 },
			breaks: [{ startMin: 1170, minutes: 10 }],
		}
	})
	const course = {
		...{ name, studentCount: 8, pace: 'improvers', planFor: 'middle', spareConfidence: 0.9, demoFlowers: 1 },
		...{ homeworkMinutes: 0, sessions },
		designs: designs.map((designId) => ({ designId, flowersPerStudent: 1, picks: {} })),
	}
	const response = await fetch(`${app.url}/courses/new.data`, {
		method: 'POST',
		headers: { ...headers, 'content-type': 'application/json' },
		body: JSON.stringify(course),
	})
	const text = await response.text()
	const found = /\/courses\/\d+(?=\/plan)/.exec(text + (response.headers.get('location') ?? ''))
	if (!found) throw new Error(`no course: ${response.status} ${text.slice(0, 400)}`)
	return found[0]
}

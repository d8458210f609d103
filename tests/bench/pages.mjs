/** How long pages take to their first byte with 50 courses and 20 designs, how long starting takes, and how much the browser loads. */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import { startDatabase } from '../../scripts/machine/database.mjs'
import { launchBrowser, signIn } from '../../scripts/machine/browser.mjs'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { report, summarise, tell } from './measure.ts'

const root = path.resolve(import.meta.dirname, '../..')
const PAGES = [
	'/designs/magnolia/edit',
	'/designs/magnolia/sheets',
	'/designs/magnolia/picture.svg',
	'/sign-in',
	'/',
	'/designs',
	'/designs/magnolia',
	'/courses',
	'/courses/new',
	'/courses/1',
	'/courses/1/plan',
	'/courses/1/kits',
	'/preparation',
	'/preparation?view=month',
	'/studio',
	'/drying',
	'/rooms',
]
const REQUESTS = 40

await timeStarts()
await timePages()

async function timeStarts() {
	console.log('\nStarting, everything installed and built')
	const data = makeDataFolder()
	const started = async (name, aim) => {
		const before = performance.now()
		const app = await startApp({ dataFolder: data.folder })
		report(`  ${name}`, `${((performance.now() - before) / 1000).toFixed(1)} s`, aim)
		await app.stop()
	}
	await started('the first time: new database and demo')
	await started('again', '< 8 s')
	data.remove()
}

async function timePages() {
	console.log('\nTime to the first byte, 50 courses and 20 designs, a database given from outside')
	const data = makeDataFolder()
	const outside = makeDataFolder()
	const database = await startDatabase(outside.folder)
	const env = { CALYCINE_DATABASE_URL: database.url }
	const app = await startApp({ dataFolder: data.folder, env })
	await fill(env, 20)
	const cookie = await fetchCookie(app)
	const all = []
	for (const page of PAGES) {
		const times = await timeFirstBytes(app, cookie, page)
		all.push(...times)
		report(`  ${page}`, tell(summarise(times)))
	}
	report('  all pages', tell(summarise(all)), 'median < 60 ms, p95 < 150 ms')
	await fill(env, 500)
	report('  /designs with 500 designs', tell(summarise(await timeFirstBytes(app, cookie, '/designs'))), '< 100 ms')
	const search = '/designs?q=petal+dust&wires=yes&level=3'
	report(`  ${search}`, tell(summarise(await timeFirstBytes(app, cookie, search))))
	await timePapers(app, cookie)
	await timeBook(app)
	await timeDrying(app)
	await weighPages(app)
	await app.stop()
	await database.stop()
	data.remove()
	outside.remove()
}

/** Of eight students and two designs: every paper of every session and student. */
async function timePapers(app, cookie) {
	for (const file of ['all.pdf', 'folder.zip']) {
		const times = []
		let bytes = 0
		for (let k = 0; k < 3; k++) {
			const before = performance.now()
			const response = await fetch(`${app.url}/courses/4/files/${file}`, { headers: { cookie } })
			bytes = (await response.arrayBuffer()).byteLength
			times.push(performance.now() - before)
		}
		report(`  /courses/4/files/${file}, ${Math.round(bytes / 1024)} kB`, tell(summarise(times)), '< 5 s')
	}
}

/** Not synchronously: this process has to notice that the server closes connections in the meantime. */
async function fill(env, designCount) {
	const words = ['scripts/run-typescript.mjs', 'tests/bench/fill-database.ts', String(designCount)]
	const filling = spawn(process.execPath, words, { cwd: root, env: { ...process.env, ...env }, stdio: 'inherit' })
	const [status] = await once(filling, 'exit')
	if (status !== 0) throw new Error('the database was not filled')
}

async function timeFirstBytes(app, cookie, page) {
	const times = []
	for (let r = 0; r <= REQUESTS; r++) {
		const before = performance.now()
		const response = await fetch(app.url + page, { headers: { cookie, 'accept-encoding': 'gzip' } })
		// The first request of a page loads its modules.
		if (r > 0) times.push(performance.now() - before)
		if (response.status !== 200) throw new Error(`${page}: ${response.status}`)
		await response.arrayBuffer()
	}
	return times
}

/** The list of 500 until it is drawn, and the editor of a design of 30 parts and 120 steps from a key to the next frame. */
async function timeBook(app) {
	const browser = await launchBrowser()
	const page = await browser.newPage()
	await signIn(page, app)
	const opened = []
	for (let r = 0; r < 7; r++) {
		await page.goto(`${app.url}/designs`, { waitUntil: 'networkidle' })
		// The list is in the first paint, as the server sends it.
		opened.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0].startTime))
	}
	report('  the list of 500, first paint in the browser', tell(summarise(opened)), '< 300 ms')
	await page.goto(`${app.url}/designs/large/edit`, { waitUntil: 'networkidle' })
	await page.getByRole('button', { name: /^Part 7/ }).click()
	await page.evaluate(() => {
		globalThis.keyTimes = []
		// The browser's own measure, from the key to the frame that shows it, in steps of 8 ms.
		const observer = new PerformanceObserver((list) => {
			for (const { name, duration } of list.getEntries())
				if (name === 'keydown' || name === 'input') globalThis.keyTimes.push(duration)
		})
		observer.observe({ type: 'event', durationThreshold: 16, buffered: false })
	})
	await page.getByLabel('Name of the part').focus()
	const keys = 60
	await page.keyboard.type('A petal with a rather long name, typed without a pause at it'.slice(0, keys), { delay: 90 })
	const slow = await page.evaluate(() => globalThis.keyTimes)
	const times = [...slow, ...Array(Math.max(0, keys - slow.length)).fill(16)]
	report('  a key in the editor, 30 parts and 120 steps, to its frame', tell(summarise(times)), '< 50 ms')
	await browser.close()
}

/** A slider of the drying screen, from its key to the answer in the page; the worker reckons in between. */
async function timeDrying(app) {
	const browser = await launchBrowser()
	const page = await browser.newPage()
	await signIn(page, app)
	await page.goto(`${app.url}/drying`, { waitUntil: 'networkidle' })
	await page.locator('.air-map td').first().waitFor()
	await page.evaluate(() => {
		globalThis.answerTimes = []
		let started = 0
		document.addEventListener('keydown', () => (started = performance.now()), true)
		const answer = document.querySelector('.drying-answer')
		new MutationObserver(() => {
			if (started > 0) globalThis.answerTimes.push(performance.now() - started)
			started = 0
		}).observe(answer, { childList: true, characterData: true, subtree: true })
	})
	await page.getByLabel('Thickness, mm, slider').focus()
	for (let step = 0; step < 40; step++) {
		await page.keyboard.press('ArrowRight')
		await page.waitForTimeout(150)
	}
	const times = await page.evaluate(() => globalThis.answerTimes)
	report('  a slider of the drying screen to its answer', tell(summarise(times)), '< 100 ms')
	await browser.close()
}

async function weighPages(app) {
	console.log('\nJavaScript that a page loads, gzip')
	const browser = await launchBrowser()
	for (const { page: address, aim } of [
		{ page: '/sign-in', aim: '< 280 kB' },
		{ page: '/', aim: '< 280 kB' },
		{ page: '/courses/1/plan', aim: '< 450 kB' },
		{ page: '/courses/1/kits', aim: '< 450 kB' },
		{ page: '/courses/1', aim: '< 450 kB' },
		{ page: '/drying', aim: '< 450 kB' },
		{ page: '/designs', aim: '< 450 kB' },
		{ page: '/designs/magnolia/edit', aim: '< 450 kB' },
	]) {
		const context = await browser.newContext()
		const page = await context.newPage()
		if (address !== '/sign-in') await signIn(page, app)
		// A new page of the same visitor, with an empty cache.
		const measured = await context.newPage()
		const session = await context.newCDPSession(measured)
		await session.send('Network.setCacheDisabled', { cacheDisabled: true })
		const loaded = new Map()
		measured.on('response', (response) => {
			if (response.request().resourceType() === 'script') loaded.set(response.url(), response.body())
		})
		await measured.goto(app.url + address, { waitUntil: 'networkidle' })
		const bodies = await Promise.all(loaded.values())
		const bytes = bodies.reduce((sum, body) => sum + gzipSync(body).length, 0)
		report(`  ${address}`, `${Math.round(bytes / 1000)} kB in ${bodies.length} files`, aim)
		await context.close()
	}
	await browser.close()
}

/**
 * Many people at once, and many studios beside one: a hundred users for five minutes (CALYCINE_MINUTES), each with a page
 * or a tick every few seconds, as one goes from page to page in the app, and again with each page opened anew; then the
 * pages of one studio alone in its database, and beside a thousand others.
 */
import { setTimeout as sleep } from 'node:timers/promises'
import { createConnection } from 'mariadb'
import { startDatabase } from '../../scripts/machine/database.mjs'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'
import { report, summarise, tell } from './measure.ts'

const USERS = 100
const MINUTES = Number(process.env.CALYCINE_MINUTES ?? 5)
/** From one page to the next: between these, ms. */
const PAUSE = [2_000, 8_000]
/** Of so many requests one ticks a line. */
const TICK_EVERY = 6
const PAGES = [
	'/',
	'/designs',
	'/designs/magnolia',
	'/courses',
	'/courses/1/plan',
	'/courses/1/kits',
	'/preparation',
	'/stock',
	'/drying',
]
const STUDIOS = 1_000
const COURSES = 50
/** Every course of so many has a plan. */
const PLAN_EVERY = 10
const REQUESTS = 40
const TODAY = '2026-03-02'

const data = makeDataFolder()
const outside = makeDataFolder()
const database = await startDatabase(outside.folder)
const app = await startApp({
	dataFolder: data.folder,
	env: { CALYCINE_DATABASE_URL: database.url, CALYCINE_TODAY: TODAY },
})
try {
	const cookie = await fetchCookie(app)
	await askAlone(cookie)
	await loadWithUsers(cookie, { opensAnew: false })
	await loadWithUsers(cookie, { opensAnew: true })
	await compareStudios(cookie)
} finally {
	await app.stop()
	await database.stop()
	data.remove()
	outside.remove()
}

/** @param {{ opensAnew: boolean }} terms - every page as a reload asks for it; else only the first of each user */
async function loadWithUsers(cookie, { opensAnew }) {
	const way = opensAnew ? 'each page opened anew' : 'from page to page as the app goes'
	console.log(`\n${USERS} users for ${MINUTES} minutes on one machine, which also plays the users; ${way}`)
	const [times, failures] = [[], []]
	const end = Date.now() + MINUTES * 60_000
	const live = async (user) => {
		await sleep(Math.random() * PAUSE[1])
		for (let n = user; Date.now() < end; n++) {
			const before = performance.now()
			const page = PAGES[n % PAGES.length]
			const isAnew = opensAnew || n === user
			const status = await (n % TICK_EVERY === 0 ? tick(cookie, user, n) : ask(cookie, isAnew ? page : dataOf(page)))
			times.push(performance.now() - before)
			if (status !== 200) failures.push(status)
			await sleep(PAUSE[0] + Math.random() * (PAUSE[1] - PAUSE[0]))
		}
	}
	await Promise.all(Array.from({ length: USERS }, (_, user) => live(user)))
	const timing = summarise(times)
	report(`  ${times.length} requests`, tell(timing))
	report('  95 of 100 answered within', `${timing.p95.toFixed(0)} ms`, '< 200 ms')
	report('  failed', `${failures.length}${failures.length > 0 ? ` (${[...new Set(failures)].join()})` : ''}`, '0')
}

async function compareStudios(cookie) {
	console.log(
		`\nPages of one studio, alone and beside ${STUDIOS} with ${COURSES} courses each, every tenth with a plan`,
	)
	const alone = await timePages(cookie)
	const before = performance.now()
	const megabytes = await addStudios()
	console.log(`  (made in ${((performance.now() - before) / 1000).toFixed(0)} s; the database holds ${megabytes} MB)`)
	// Whoever comes first after so much was written finds little in memory.
	await timePages(cookie)
	const beside = await timePages(cookie)
	for (const page of PAGES)
		report(
			`  ${page}`,
			`${alone.get(page).toFixed(0)} ms alone, ${beside.get(page).toFixed(0)} ms beside them`,
			`< ${(1.5 * alone.get(page)).toFixed(0)} ms`,
		)
}

/** Medians by page. */
async function timePages(cookie) {
	const medians = new Map()
	for (const page of PAGES) {
		const times = []
		for (let n = 0; n < REQUESTS; n++) {
			const before = performance.now()
			await ask(cookie, page)
			times.push(performance.now() - before)
		}
		medians.set(page, summarise(times).median)
	}
	return medians
}

/** Each once, so that what is reckoned once is there. */
async function askAlone(cookie) {
	for (const page of PAGES) await ask(cookie, page)
}

/** What a link of the app asks for when it is followed. */
function dataOf(page) {
	return page === '/' ? '/_.data' : `${page}.data`
}

async function ask(cookie, page) {
	const response = await fetch(app.url + page, { headers: { Cookie: cookie }, redirect: 'manual' })
	await response.arrayBuffer()
	return response.status
}

async function tick(cookie, user, n) {
	const response = await fetch(`${app.url}/courses/1/kits/packing/ticks`, {
		method: 'POST',
		headers: { 'Content-Type': 'application/json', Cookie: cookie, Origin: app.url },
		body: JSON.stringify({ intent: 'unpack', ticks: [{ seat: user % 8, line: `load:${n % 50}`, amount: 1 }] }),
		redirect: 'manual',
	})
	await response.arrayBuffer()
	// A route without a page of its own answers with nothing to show.
	return response.ok || response.status === 204 ? 200 : response.status
}

/** Copies of the demo's rows, by statements over whole tables. @returns MB of the database */
async function addStudios() {
	const connection = await createConnection({ ...urlTerms(database.url), multipleStatements: false })
	const run = (sql) => connection.query(sql)
	await run(`CREATE TEMPORARY TABLE copies AS SELECT seq AS n FROM seq_1_to_${STUDIOS}`)
	const copyRows = async (table, changes, from = `${table} t JOIN copies c`) => {
		const columns = (await run(`SHOW COLUMNS FROM ${table}`)).map(({ Field }) => Field)
		const kept = columns.filter((column) => changes[column] !== null)
		const values = kept.map((column) => changes[column] ?? `t.${column}`)
		await run(`INSERT INTO ${table} (${kept.join()}) SELECT ${values.join()} FROM ${from}`)
	}
	const studio = '100000 + c.n'
	await copyRows('studios', { id: studio, name: "CONCAT('Studio ', c.n)" }, 'studios t JOIN copies c WHERE t.id = 1')
	await copyRows('places', { id: null, studio_id: studio }, 'places t JOIN copies c WHERE t.studio_id = 1')
	const designs = (table) =>
		`${table} t JOIN copies c WHERE t.${table === 'designs' ? 'studio_id = 1' : 'design_id <= 99'}`
	await copyRows('designs', { id: '100 * c.n + 100000 + t.id', studio_id: studio }, designs('designs'))
	const versions = { id: null, design_id: '100 * c.n + 100000 + t.design_id' }
	await copyRows('design_versions', versions, designs('design_versions'))
	const course = `1000 * c.n + 1000000 + 10 * k.seq + t`
	const times = `JOIN seq_0_to_${COURSES / 5 - 1} k`
	await copyRows(
		'courses',
		{ id: `${course}.id`, studio_id: studio, store_id: 'NULL' },
		`courses t JOIN copies c ${times} WHERE t.studio_id = 1`,
	)
	for (const table of ['course_designs', 'course_sessions', 'students'])
		await copyRows(
			table,
			{ id: null, course_id: `${course}.course_id`, ...(table === 'course_sessions' && { room_id: 'NULL' }) },
			`${table} t JOIN copies c ${times} WHERE t.course_id <= 5`,
		)
	const planned = `plans t JOIN copies c JOIN (SELECT 0 AS seq) k WHERE t.course_id <= ${COURSES / PLAN_EVERY}`
	await copyRows('plans', { id: null, studio_id: studio, course_id: `${course}.course_id` }, planned)
	await copyRows(
		'observations',
		{ id: null, studio_id: studio, observation_key: "CONCAT(t.observation_key, ' ', c.n)", course_id: 'NULL' },
		'observations t JOIN copies c WHERE t.studio_id = 1 AND t.id % 10 = 0',
	)
	await run('ANALYZE TABLE courses, designs, plans, course_sessions, observations')
	const [{ megabytes }] = await run(
		'SELECT ROUND(SUM(data_length + index_length) / 1048576) AS megabytes FROM information_schema.tables WHERE table_schema = DATABASE()',
	)
	await connection.end()
	return Number(megabytes)
}

function urlTerms(url) {
	const { hostname: host, port, username: user, password, pathname } = new URL(url)
	return { host, port: Number(port), user, password, database: pathname.slice(1) }
}

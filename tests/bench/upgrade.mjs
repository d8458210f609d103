/**
 * An upgrade without a stop: two copies of a former version (CALYCINE_FROM, a commit; else the last one before the newest
 * migration) at one outside database, under writes; one is stopped and comes back as this version, which migrates, then
 * the other. Every write that was acknowledged must be there, nobody may be answered with an error of the program, and the
 * former version must show its pages at the database of the new one.
 */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { createConnection } from 'mariadb'
import { startDatabase } from '../../scripts/machine/database.mjs'
import { fetchCookie, makeDataFolder, startApp } from '../../scripts/machine/running-app.mjs'

const ROOT = path.resolve(import.meta.dirname, '../..')
const PAGES = [
	'/',
	'/designs',
	'/courses',
	'/courses/1/plan',
	'/courses/1/kits',
	'/preparation',
	'/stock',
	'/drying',
	'/studio',
]
const PAUSE_MS = 50
/** Between one change and the next. */
const CALM_MS = 4_000
const TODAY = '2026-03-02'

const git = (...words) => execFileSync('git', ['-C', ROOT, ...words], { encoding: 'utf8' }).trim()
const from = process.env.CALYCINE_FROM ?? `${git('log', '-1', '--format=%h', '--', 'db/migrations')}~1`
const former = mkdtempSync(path.join(os.tmpdir(), 'calycine-former-'))
console.log(
	`\nFrom ${git('log', '-1', '--format=%h', from)} to ${git('log', '-1', '--format=%h')} and what lies about it, without a stop`,
)
git('worktree', 'add', '--detach', '--force', former, from)
const outside = makeDataFolder()
const database = await startDatabase(outside.folder)
const folders = [makeDataFolder(), makeDataFolder()]
const env = {
	CALYCINE_DATABASE_URL: database.url,
	CALYCINE_TODAY: TODAY,
	CALYCINE_SESSION_SECRET: 'the same at each copy'.repeat(3),
}
const start = (copy, root) => startApp({ dataFolder: folders[copy].folder, env, root })
const copies = []
let isKept = false
try {
	isKept = await upgrade()
} finally {
	for (const { app } of copies) await app?.stop()
	await database.stop()
	for (const folder of [outside, ...folders]) folder.remove()
	git('worktree', 'remove', '--force', former)
	rmSync(former, { recursive: true, force: true })
}
process.exit(isKept ? 0 : 1)

async function upgrade() {
	for (const copy of [0, 1]) copies.push(await signedIn(await start(copy, former)))
	const load = startLoad()
	await sleep(CALM_MS)
	let wrong = 0
	for (const copy of [0, 1]) {
		copies[copy].isDown = true
		await copies[copy].app.stop()
		const begun = performance.now()
		copies[copy] = await signedIn(await start(copy, ROOT))
		console.log(`copy ${copy + 1} is of this version, after ${((performance.now() - begun) / 1000).toFixed(1)} s`)
		await sleep(CALM_MS)
		wrong += await countWrongPages()
	}
	await load.stop()
	const missing = await countMissing(load.acknowledged)
	console.log(
		`${load.acknowledged.size} acknowledged writes, ${missing} lost; refused ${load.refused.length}` +
			`${load.refused.length > 0 ? ` (${[...new Set(load.refused)].join()})` : ''}; pages that failed: ${wrong}`,
	)
	return missing === 0 && wrong === 0 && load.refused.length === 0 && load.acknowledged.size > 0
}

/** The demo is loaded by the first copy that starts: the others print a password that nobody has. */
async function signedIn(app) {
	const { email, password } = copies[0] ?? app
	return { app, email, password, cookie: await fetchCookie({ url: app.url, email, password }), isDown: false }
}

/** Writers that go to whichever copy is up. */
function startLoad() {
	const [acknowledged, refused] = [new Set(), []]
	let isOver = false
	const write = async (n) => {
		const up = copies.filter(({ isDown }) => !isDown)
		const { app, cookie } = up[n % up.length]
		const line = `upgrade:${n}`
		const response = await fetch(`${app.url}/courses/1/kits/packing/ticks`, {
			method: 'POST',
			headers: { 'Content-Type': 'application/json', Cookie: cookie, Origin: app.url },
			body: JSON.stringify({ intent: 'unpack', ticks: [{ seat: 1, line, amount: 1 }] }),
			redirect: 'manual',
		})
		await response.arrayBuffer()
		if (response.ok) acknowledged.add(line)
		else refused.push(response.status)
	}
	const writing = (async () => {
		for (let n = 0; !isOver; n++) {
			await write(n).catch((error) => refused.push(String(error.cause?.code ?? error)))
			await sleep(PAUSE_MS)
		}
	})()
	return { acknowledged, refused, stop: () => ((isOver = true), writing) }
}

async function countWrongPages() {
	let wrong = 0
	for (const { app, cookie } of copies) {
		for (const page of PAGES) {
			const { status } = await fetch(app.url + page, { headers: { Cookie: cookie }, redirect: 'manual' })
			if (status === 200) continue
			wrong++
			console.log(`${app.url}${page}: ${status}`)
		}
	}
	return wrong
}

async function countMissing(lines) {
	const connection = await createConnection(database.url)
	const rows = await connection.query("SELECT line FROM packing_ticks WHERE line LIKE 'upgrade:%'")
	await connection.end()
	const known = new Set(rows.map(({ line }) => line))
	return [...lines].filter((line) => !known.has(line)).length
}

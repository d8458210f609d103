/**
 * A cluster under write load, of which one database or one copy of the app is killed in each round. Every write that was
 * acknowledged must be on every database afterwards, and nobody may be without an answer for longer than five seconds.
 * Then each database is frozen once and goes on later: what becomes of writes meanwhile is told, with nothing lost there either.
 * CALYCINE_ROUNDS: how many (20); CALYCINE_FROZEN: so many databases are frozen (3).
 */
import os from 'node:os'
import path from 'node:path'
import { mkdtempSync, rmSync } from 'node:fs'
import { setTimeout as sleep } from 'node:timers/promises'
import { fetchCookie } from '../../scripts/machine/running-app.mjs'
import { startRunningCluster } from '../../scripts/machine/running-cluster.mjs'

const ROUNDS = Number(process.env.CALYCINE_ROUNDS ?? 20)
const FROZEN = Number(process.env.CALYCINE_FROZEN ?? 3)
/** Longer than it takes the others to part from it. */
const FROZEN_MS = 12_000
/** Until it has caught up. */
const THAWED_MS = 12_000
const WRITERS = 6
const PAUSE_MS = 50
/** A round goes on for so long after the kill, and begins so long before it. */
const AFTER_MS = 8_000
const BEFORE_MS = 2_000
/** A write that is not answered by then is sent again. */
const ANSWER_MS = 15_000
const LONGEST_OUTAGE_MS = 5_000
const COURSE = 1

console.log('\nA cluster of which one part is killed in each round')
const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-cluster-'))
const cluster = await startRunningCluster({ folder, env: { CALYCINE_TODAY: '2026-03-02' } })
let isKept = false
try {
	isKept = await killInTurn(cluster)
} finally {
	await cluster.stop()
	if (isKept) rmSync(folder, { recursive: true, force: true })
	else console.log(`Logs: ${folder}`)
}
process.exit(isKept ? 0 : 1)

async function killInTurn(cluster) {
	const load = await startLoad(cluster)
	const victims = [...cluster.databases.nodes, ...cluster.apps]
	let lost = 0
	for (let round = 0; round < ROUNDS; round++) {
		const victim = victims[round % victims.length]
		await sleep(BEFORE_MS)
		const [before, killedAt] = [load.acknowledged.size, Date.now()]
		await victim.kill()
		await sleep(AFTER_MS)
		const startedAt = Date.now()
		await victim.start()
		const back = Date.now() - startedAt
		// Coming back may hold the others up, too.
		const outage = load.longestSince(killedAt)
		const missing = await listMissing(cluster, new Set(load.acknowledged))
		lost += missing
		console.log(
			`${String(round + 1).padStart(2)}  ${victim.name.padEnd(7)} killed: ${load.acknowledged.size - before} writes since, ` +
				`longest without an answer ${(outage / 1000).toFixed(1)} s, back in ${(back / 1000).toFixed(1)} s, lost ${missing}`,
		)
	}
	const longest = load.longestSince(0)
	for (const node of cluster.databases.nodes.slice(0, FROZEN)) lost += await freeze(cluster, node, load)
	await load.stop()
	const missing = await listMissing(cluster, load.acknowledged)
	console.log(
		`\n${ROUNDS} rounds, ${load.acknowledged.size} acknowledged writes, ${lost + missing} lost, ` +
			`longest without an answer ${(longest / 1000).toFixed(1)} s (at most ${LONGEST_OUTAGE_MS / 1000})`,
	)
	return lost + missing === 0 && longest <= LONGEST_OUTAGE_MS
}

/** @returns how many writes were lost */
async function freeze(cluster, node, load) {
	const frozenAt = Date.now()
	node.kill('SIGSTOP')
	await sleep(FROZEN_MS)
	const outage = load.longestSince(frozenAt)
	node.kill('SIGCONT')
	await sleep(THAWED_MS)
	const missing = await listMissing(cluster, new Set(load.acknowledged))
	console.log(
		`    ${node.name}  frozen for ${FROZEN_MS / 1000} s: longest without an answer ${(outage / 1000).toFixed(1)} s, ` +
			`${(load.longestSince(frozenAt + FROZEN_MS) / 1000).toFixed(1)} s once it went on; lost ${missing}`,
	)
	return missing
}

/** Writers that send one write after the other, each again until it is acknowledged. */
async function startLoad({ url, email, password }) {
	const cookie = await fetchCookie({ url, email, password })
	const acknowledged = new Set()
	const outages = []
	let isOver = false
	const write = async (line) => {
		const body = JSON.stringify({ intent: 'unpack', ticks: [{ seat: 1, line, amount: 1 }] })
		const headers = { 'Content-Type': 'application/json', Cookie: cookie, Origin: url }
		const { ok, status } = await fetch(`${url}/courses/${COURSE}/kits/packing/ticks`, {
			...{ method: 'POST', body, headers, redirect: 'manual' },
			signal: AbortSignal.timeout(ANSWER_MS),
		})
		if (status >= 300 && status < 500)
			throw Object.assign(new Error(`a write was refused: ${status}`), { isFinal: true })
		return ok
	}
	const writeOn = async (writer) => {
		for (let n = 0; !isOver; n++) {
			const line = `trial:${writer}:${n}`
			const begun = Date.now()
			for (;;) {
				const isTaken = await write(line).catch((error) => {
					if (error.isFinal) throw error
					return false
				})
				if (isTaken) break
				await sleep(PAUSE_MS)
			}
			acknowledged.add(line)
			outages.push({ at: Date.now(), ms: Date.now() - begun })
			await sleep(PAUSE_MS)
		}
	}
	const writers = Array.from({ length: WRITERS }, (_, writer) => writeOn(writer))
	return {
		acknowledged,
		/** From when a write was sent first until it was acknowledged. */
		longestSince: (time) => Math.max(0, ...outages.filter(({ at }) => at >= time).map(({ ms }) => ms)),
		stop: () => {
			isOver = true
			return Promise.all(writers)
		},
	}
}

/** How many of these are not on one database or another. */
async function listMissing({ databases }, lines) {
	const { createConnection } = await import('mariadb')
	const known = await Promise.all(
		databases.urls.map(async (url) => {
			const connection = await createConnection(url)
			const rows = await connection.query("SELECT line FROM packing_ticks WHERE line LIKE 'trial:%'")
			await connection.end()
			return new Set(rows.map(({ line }) => line))
		}),
	)
	return [...lines].filter((line) => known.some((own) => !own.has(line))).length
}

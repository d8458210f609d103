/** kill -9 in the middle of writing: what was acknowledged is there afterwards, and every start works. */
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import path from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { createRng } from './odd-values'
import { ask, databasePid, postForm, startTarget } from './target'

export interface KillReport {
	acknowledged: number
	lost: number
	/** How often each status was answered to a write; 0 where there was no answer. */
	statuses: Record<number, number>
	/** Starts that did not work, in words. */
	failedStarts: string[]
}

/** How long a started server may take until it acknowledges its first write, in ms: its first requests load its code. */
const FIRST_WRITE_MS = 30_000

/**
 * Writes lines of the shelf as fast as they are taken, kills the server or the database at a moment of chance after the
 * round's first acknowledged line (so that the kill always lands among writes, however slow the machine), starts again
 * and counts.
 */
export async function killWhileWriting(
	dataFolder: string,
	{ rounds, seed }: { rounds: number; seed: number },
): Promise<KillReport> {
	const rng = createRng(seed)
	const acknowledged = new Set<string>()
	const report: KillReport = { acknowledged: 0, lost: 0, statuses: {}, failedStarts: [] }
	for (let round = 0; round < rounds; round++) {
		const target = await startTarget(dataFolder).catch((error: unknown) => {
			report.failedStarts.push(`round ${round}: ${String(error).slice(0, 300)}`)
		})
		if (!target) continue
		report.lost += await countMissing(target, acknowledged)
		const before = acknowledged.size
		let isOver = false
		const writers = Array.from({ length: 4 }, async (_, writer) => {
			for (let k = 0; !isOver; k++) {
				const name = `mould ${round} ${writer} ${k}`
				const answer = await postForm(target, '/stock', { intent: 'item', kind: 'tool', name, onHand: '1' })
				report.statuses[answer.status] = (report.statuses[answer.status] ?? 0) + 1
				if (answer.status === 200) acknowledged.add(name)
				else if (answer.status !== 0) await sleep(20)
			}
		})
		const deadline = Date.now() + FIRST_WRITE_MS
		while (acknowledged.size === before && Date.now() < deadline) await sleep(20)
		await sleep(200 + 1500 * rng())
		if (round % 2 === 0) await target.stop('SIGKILL')
		else {
			process.kill(databasePid(dataFolder), 'SIGKILL')
			await sleep(500)
			await target.stop('SIGKILL')
		}
		isOver = true
		await Promise.all(writers)
	}
	const last = await startTarget(dataFolder)
	report.lost += await countMissing(last, acknowledged)
	report.acknowledged = acknowledged.size
	await last.stop()
	return report
}

async function countMissing(target: Parameters<typeof ask>[0], names: ReadonlySet<string>): Promise<number> {
	if (names.size === 0) return 0
	const { text } = await ask(target, '/stock/files/shelf.csv')
	const there = new Set(text.split('\r\n').map((line) => line.split(',')[1]))
	return [...names].filter((name) => !there.has(name)).length
}

/** Kills the first start of an empty folder at moments of chance; the next start must work. */
export async function killFirstStarts(
	makeFolder: () => { folder: string; remove: () => void },
	{ rounds, seed }: { rounds: number; seed: number },
): Promise<string[]> {
	const rng = createRng(seed)
	const failed: string[] = []
	for (let round = 0; round < rounds; round++) {
		const { folder, remove } = makeFolder()
		const delays = [100 + 3500 * rng(), 100 + 3500 * rng()]
		for (const delay of delays) await killStartAfter(folder, delay)
		try {
			await (await startTarget(folder)).stop()
		} catch (error) {
			failed.push(`killed after ${delays.map(Math.round).join(' and ')} ms: ${String(error).slice(0, 400)}`)
		}
		if (existsSync(folder)) remove()
	}
	return failed
}

async function killStartAfter(folder: string, delayMs: number): Promise<void> {
	const script = path.resolve(import.meta.dirname, '../../scripts/start.mjs')
	const child = spawn(process.execPath, [script], {
		env: { ...process.env, PORT: '0', CALYCINE_DATA: folder },
		stdio: 'ignore',
	})
	const ended = new Promise((resolve) => child.once('exit', resolve))
	await sleep(delayMs)
	child.kill('SIGKILL')
	await ended
}

/** A full disk under the data folder: saves are refused in seconds, reading goes on, and afterwards saving goes on too. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmdirSync, rmSync, writeFileSync, appendFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { ask, postForm, startTarget, type Answer } from './target'

/** Enough for the system's tables, the demo, and little more. */
const SIZE = '190m'

export interface DiskReport {
	saves: Answer[]
	read: Answer
	health: Answer
	/** After room was made. */
	after: Answer
}

/** @returns undefined: this user may not mount a small disk here */
export async function fillDisk(): Promise<DiskReport | undefined> {
	const folder = mkdtempSync(path.join(os.tmpdir(), 'calycine-disk-'))
	if (spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE}`, 'tmpfs', folder]).status !== 0) {
		rmdirSync(folder)
		return undefined
	}
	try {
		const target = await startTarget(folder)
		const ballast = path.join(folder, 'ballast')
		fill(ballast)
		const saves: Answer[] = []
		for (let k = 0; k < 6; k++) saves.push(await importReadings(target, k))
		const [read, health] = [await ask(target, '/designs/magnolia'), await ask(target, '/health')]
		rmSync(ballast)
		const after = await waitForSave(target)
		await target.stop()
		return { saves, read, health, after }
	} finally {
		spawnSync('umount', ['-l', folder])
		rmdirSync(folder)
	}
}

function fill(file: string): void {
	writeFileSync(file, '')
	for (let size = 8 * 1024 * 1024; size >= 1024;) {
		try {
			appendFileSync(file, Buffer.alloc(size, 1))
		} catch {
			// No room for so much: a smaller piece, until nothing fits.
			size /= 2
		}
	}
}

/** A file of some 500 kB, more than any log file has in store. */
function importReadings(target: Parameters<typeof ask>[0], k: number): Promise<Answer> {
	const lines = Array.from({ length: 12_000 }, (_, i) => {
		const at = new Date(Date.UTC(2025, 3 + k, 1) + i * 60_000).toISOString().slice(0, 16)
		return `${at},20.5,5${i % 10}`
	})
	return postForm(target, '/rooms/1', { intent: 'import', text: lines.join('\n') })
}

async function waitForSave(target: Parameters<typeof ask>[0]): Promise<Answer> {
	let answer: Answer
	const deadline = Date.now() + 70_000
	do {
		answer = await postForm(target, '/stock', { intent: 'item', kind: 'tool', name: `room ${Date.now()}`, onHand: '1' })
	} while (answer.status !== 200 && Date.now() < deadline)
	return answer
}

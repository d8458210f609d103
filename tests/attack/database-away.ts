/** The database frozen, then gone: answers come in seconds and say so; afterwards everything goes on by itself. */
import { readdirSync, readFileSync } from 'node:fs'
import { setTimeout as sleep } from 'node:timers/promises'
import { ask, databasePid, HANG_MS, postForm, type Answer, type Target } from './target'

export interface AwayReport {
	frozen: Answer[]
	health: Answer
	/** Whether the process runs, asked at the same time. */
	live: Answer
	/** After the database was killed, ms until a page came again. */
	backAfterMs: number
}

export async function takeDatabaseAway(target: Target): Promise<AwayReport> {
	const pid = await freezeDatabase(target)
	const [health, live, ...frozen] = await Promise.all([
		ask(target, '/health/ready'),
		ask(target, '/health/live'),
		ask(target, '/'),
		ask(target, '/courses/1/plan'),
		postForm(target, '/stock', { intent: 'item', kind: 'tool', name: 'frozen', onHand: '1' }),
		ask({ ...target, cookie: '' }, '/sign-in', {
			method: 'POST',
			body: new URLSearchParams({ email: 'a@b.example', password: 'x' }),
		}),
	])
	process.kill(pid, 'SIGCONT')
	await sleep(500)
	process.kill(databasePid(target.dataFolder), 'SIGKILL')
	const began = performance.now()
	for (;;) {
		const { status } = await ask(target, '/courses')
		const backAfterMs = performance.now() - began
		if (status === 200 || backAfterMs > 3 * HANG_MS) return { frozen, health, live, backAfterMs }
		await sleep(100)
	}
}

/**
 * A stop reaches the threads of a process one after another, on a busy machine so late that one still answers:
 * it is frozen when all of them stand.
 */
async function freezeDatabase({ dataFolder }: Target): Promise<number> {
	const pid = databasePid(dataFolder)
	process.kill(pid, 'SIGSTOP')
	while (!threadStates(pid).every((state) => state === 'T')) await sleep(5)
	return pid
}

function threadStates(pid: number): (string | undefined)[] {
	return readdirSync(`/proc/${pid}/task`).map((thread) => {
		try {
			return /^State:\t(\w)/m.exec(readFileSync(`/proc/${pid}/task/${thread}/status`, 'utf8'))?.[1]
		} catch {
			// It has ended since it was listed: the others are asked again.
			return undefined
		}
	})
}

/** A stop while the database does not answer: ms until the process has ended. */
export async function stopWhileFrozen(target: Target): Promise<number> {
	await freezeDatabase(target)
	const began = performance.now()
	await target.stop('SIGTERM')
	return performance.now() - began
}

/**
 * A pool of threads for what takes long, so that a heavy course makes no other page slow. Studios take turns, and none
 * may queue without end.
 * Where there is no thread to run (development, tests), jobs are done here, with less search.
 */
import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import { BusyError, InputError } from '../../core/errors'
import { performJob, type SolverJob, type SolverReply, type SolverResults } from './solver-job'

/** Waiting jobs of one studio; more are refused. */
const MOST_WAITING = 8
/** One processor stays free for pages. */
const THREADS = Math.max(1, availableParallelism() - 1)
/** A thread that does not answer in its job's time and this is given up. */
const GRACE_MS = 15_000

interface Waiting {
	studioId: number
	job: SolverJob
	settle: (reply: SolverReply<SolverJob['kind']>) => void
	fail: (error: Error) => void
}

interface Thread {
	worker: Worker
	current: Waiting | undefined
	timer: NodeJS.Timeout | undefined
}

let workerFile: string | undefined
const threads: Thread[] = []
const waiting: Waiting[] = []
/** By studio: when it was last served, counted in jobs. */
const lastTurn = new Map<number, number>()
let turns = 0

/** Told by the built server where its threads' script lies. */
export function useSolverThreads(file: string): void {
	workerFile = file
}

/** Ends all threads; jobs under way fail. */
export async function closeSolver(): Promise<void> {
	workerFile = undefined
	await Promise.all(threads.splice(0).map(({ worker }) => worker.terminate()))
}

/**
 * Does a job for a studio, when its turn comes.
 *
 * @throws {InputError} by field: the job's input is refused
 * @throws {BusyError} the studio has too many jobs waiting
 */
export async function solve<Kind extends keyof SolverResults>(
	studioId: number,
	job: Extract<SolverJob, { kind: Kind }>,
): Promise<SolverResults[Kind]> {
	const reply = await (workerFile === undefined ? performJob(job, undefined) : enqueue(studioId, job))
	if ('problems' in reply) throw new InputError(reply.problems)
	// The reply is of the kind that was asked for.
	return reply.result as SolverResults[Kind]
}

function enqueue(studioId: number, job: SolverJob): Promise<SolverReply<SolverJob['kind']>> {
	if (waiting.filter((other) => other.studioId === studioId).length >= MOST_WAITING) {
		throw new BusyError('Several courses of yours are being planned already: try again in a minute.')
	}
	return new Promise((settle, fail) => {
		waiting.push({ studioId, job, settle, fail })
		startWaiting()
	})
}

function startWaiting(): void {
	while (waiting.length > 0) {
		const thread = threads.find(({ current }) => current === undefined) ?? openThread()
		if (!thread) return
		// The studio that was served longest ago comes first; among its jobs, the first in line.
		const turnOf = ({ studioId }: Waiting) => lastTurn.get(studioId) ?? 0
		const index = waiting.reduce((best, job, k) => {
			const leader = waiting[best]
			return leader && turnOf(job) < turnOf(leader) ? k : best
		}, 0)
		const [next] = waiting.splice(index, 1)
		if (!next) return
		lastTurn.set(next.studioId, ++turns)
		hand(thread, next)
	}
}

function openThread(): Thread | undefined {
	if (threads.length >= THREADS || workerFile === undefined) return undefined
	const thread: Thread = { worker: new Worker(workerFile), current: undefined, timer: undefined }
	thread.worker.on('message', (reply: SolverReply<SolverJob['kind']>) => {
		const done = release(thread)
		done?.settle(reply)
		startWaiting()
	})
	thread.worker.on('error', (error) => {
		drop(thread, error instanceof Error ? error : new Error(String(error)))
	})
	thread.worker.unref()
	threads.push(thread)
	return thread
}

function hand(thread: Thread, next: Waiting): void {
	thread.current = next
	thread.timer = setTimeout(() => {
		void thread.worker.terminate()
		drop(thread, new Error(`the solver did not answer within ${next.job.timeMs + GRACE_MS} ms`))
	}, next.job.timeMs + GRACE_MS)
	thread.worker.postMessage(next.job)
}

function release(thread: Thread): Waiting | undefined {
	const done = thread.current
	thread.current = undefined
	clearTimeout(thread.timer)
	return done
}

function drop(thread: Thread, error: Error): void {
	const lost = release(thread)
	const index = threads.indexOf(thread)
	if (index >= 0) threads.splice(index, 1)
	lost?.fail(error)
	startWaiting()
}

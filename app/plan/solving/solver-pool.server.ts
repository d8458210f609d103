/**
 * A pool of threads for what takes long, so that a heavy course makes no other page slow. Studios take turns, the queue
 * has an end, and nobody waits in it for longer than a page can.
 * Where there is no thread to run (development, tests), jobs are done here, with less search.
 */
import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { BusyError, InputError } from '../../../core/errors'
import { FairQueue, type Queued, type Urgency } from './fair-queue'
import { performJob, type SolverJob, type SolverReply, type SolverResults } from './solver-job'

/** Waiting jobs of one studio, by urgency, and of all together; more are refused. */
const MOST_OF_STUDIO = 12
const MOST_OF_ALL: Record<Urgency, number> = { 'at once': 400, soon: 40, later: 400 }
/** One processor stays free for pages. */
const THREADS = Math.max(1, availableParallelism() - 1)
/** A thread takes a second to begin: it stays for the next rush. */
const IDLE_MS = 120_000
/** A page waits so long for its turn, then so long beyond the job's time: a search that hangs is ended with its thread. */
const LONGEST_WAIT_MS = 15_000
const GRACE_MS = 8_000
/** Nobody waits for these: they begin when no page has asked for a plan for a while. */
const LATER_WAIT_MS = 15 * 60_000
const CALM_MS = 2_000
const WAITED_FOR: readonly Urgency[] = ['at once', 'soon']

interface Waiting extends Queued {
	job: SolverJob
	/** Gives it a thread. */
	start: () => void
}

interface Pool {
	threads: Piscina
	queue: FairQueue<Waiting>
	running: number
	/** Of `performance.now()`: when a job that a page waits for was last handed in or done. */
	lastAwaited: number
	/** Starts what has waited for calm. */
	waking?: NodeJS.Timeout
}

let pool: Pool | undefined

/** Told by the built server where its threads' script lies. */
export function useSolverThreads(filename: string): void {
	pool = {
		threads: new Piscina({
			filename,
			minThreads: THREADS,
			maxThreads: THREADS,
			idleTimeout: IDLE_MS,
			recordTiming: false,
		}),
		queue: new FairQueue(),
		running: 0,
		lastAwaited: -Infinity,
	}
}

/** Ends all threads; jobs under way fail. */
export async function closeSolver(): Promise<void> {
	const closing = pool
	pool = undefined
	clearTimeout(closing?.waking)
	await closing?.threads.destroy()
}

/** Whether a job handed in now would have to wait. */
export function isSolverBusy(): boolean {
	return pool !== undefined && pool.running >= THREADS
}

/**
 * Does a job for a studio, when its turn comes.
 *
 * @throws {InputError} by field: the job's input is refused
 * @throws {BusyError} too many jobs are waiting, or its turn did not come in time
 */
export async function solve<Kind extends keyof SolverResults>(
	studioId: number,
	job: Extract<SolverJob, { kind: Kind }>,
	urgency: Urgency = 'soon',
): Promise<SolverResults[Kind]> {
	const reply = await (pool === undefined ? performJob(job, undefined) : queueUp(pool, job, { studioId, urgency }))
	if ('problems' in reply) throw new InputError(reply.problems)
	// The reply is of the kind that was asked for.
	return reply.result as SolverResults[Kind]
}

async function queueUp(own: Pool, job: SolverJob, queued: Queued): Promise<SolverReply<SolverJob['kind']>> {
	const { studioId, urgency } = queued
	const { queue } = own
	if (queue.count(urgency, studioId) >= MOST_OF_STUDIO || queue.count(urgency) >= MOST_OF_ALL[urgency])
		throw new BusyError('Many courses are being planned just now: try again in a minute.')
	await new Promise<void>((start, refuse) => {
		const waiting = { ...queued, job, start }
		if (urgency !== 'later') own.lastAwaited = performance.now()
		queue.push(waiting)
		const waitMs = urgency === 'later' ? LATER_WAIT_MS : LONGEST_WAIT_MS
		const giveUp = setTimeout(() => {
			if (queue.remove(waiting))
				refuse(new BusyError('Many courses are being planned just now: try again in a minute.'))
		}, waitMs).unref()
		waiting.start = () => {
			clearTimeout(giveUp)
			start()
		}
		startWaiting(own)
	})
	return run(own, job, urgency)
}

function startWaiting(own: Pool): void {
	while (own.running < THREADS) {
		const calmInMs = own.lastAwaited + CALM_MS - performance.now()
		const next = own.queue.shift(calmInMs > 0 ? WAITED_FOR : undefined)
		if (!next) {
			if (own.queue.size > 0 && own.running === 0) startWhenCalm(own, calmInMs)
			return
		}
		own.running++
		next.start()
	}
}

function startWhenCalm(own: Pool, inMs: number): void {
	clearTimeout(own.waking)
	own.waking = setTimeout(startWaiting, inMs, own).unref()
}

async function run(own: Pool, job: SolverJob, urgency: Urgency): Promise<SolverReply<SolverJob['kind']>> {
	const timeMs = job.timeMs + GRACE_MS
	try {
		return (await own.threads.run(job, { signal: AbortSignal.timeout(timeMs) })) as SolverReply<SolverJob['kind']>
	} catch (error) {
		const isTimeOver = error instanceof Error && error.name === 'AbortError'
		throw isTimeOver ? new Error(`the solver did not answer within ${timeMs} ms`, { cause: error }) : error
	} finally {
		own.running--
		if (urgency !== 'later') own.lastAwaited = performance.now()
		startWaiting(own)
	}
}

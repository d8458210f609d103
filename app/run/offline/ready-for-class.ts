/** What a device needs to teach without a network, tested before leaving home. */
import { ownDevice } from './own-device'
import { pagesOfRun, type KeepAnswer, type KeepRequest } from './kept-pages'

export const READY_CHECKS = ['secure', 'worker', 'pages', 'room', 'storage', 'awake'] as const
export type ReadyCheck = (typeof READY_CHECKS)[number]

/** Whether each is there. */
export type Readiness = Record<ReadyCheck, boolean>

const WORKER = '/offline-worker.js'
const SCOPE = '/courses/'
/** Of the device, for a course and all that is pressed in it, bytes. */
const LEAST_ROOM = 50 * 2 ** 20
/** The worker fetches all files of the app first. */
const PATIENCE_MS = 60_000

/** Makes the device ready as far as it lets itself be made, and says what is there. */
export async function makeReady(studioId: number, courseId: number, session: number): Promise<Readiness> {
	await ownDevice(studioId)
	const hasWorker = isSecureContext && 'serviceWorker' in navigator
	const worker = hasWorker ? await startWorker() : undefined
	const [missing, hasRoom, isPersisted] = await Promise.all([
		worker && keepBy(worker, pagesOfRun(courseId, session)),
		hasEnoughRoom(),
		persist(),
	])
	return {
		secure: isSecureContext,
		worker: worker !== undefined,
		pages: missing?.length === 0,
		room: hasRoom,
		storage: isPersisted,
		awake: 'wakeLock' in navigator,
	}
}

async function startWorker(): Promise<ServiceWorker | undefined> {
	try {
		await navigator.serviceWorker.register(WORKER, { scope: SCOPE })
		const registration = await within(navigator.serviceWorker.ready, PATIENCE_MS)
		return registration?.active ?? undefined
	} catch {
		// The browser allows none here, or its script did not come.
		return undefined
	}
}

async function keepBy(worker: ServiceWorker, keep: string[]): Promise<string[]> {
	const { port1, port2 } = new MessageChannel()
	const answer = new Promise<KeepAnswer>((resolve) => {
		port1.onmessage = ({ data }: MessageEvent<KeepAnswer>) => resolve(data)
	})
	worker.postMessage({ keep } satisfies KeepRequest, [port2])
	return (await within(answer, PATIENCE_MS))?.missing ?? keep
}

async function hasEnoughRoom(): Promise<boolean> {
	const { quota, usage = 0 } = (await navigator.storage?.estimate?.()) ?? {}
	return quota === undefined || quota - usage >= LEAST_ROOM
}

/** Asks that nothing kept here be cleared when the device is short of room. */
async function persist(): Promise<boolean> {
	return (await navigator.storage?.persist?.()) ?? false
}

/** @returns undefined: it took longer */
function within<Value>(work: Promise<Value>, ms: number): Promise<Value | undefined> {
	return Promise.race([work, new Promise<undefined>((resolve) => setTimeout(resolve, ms))])
}

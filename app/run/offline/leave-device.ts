/** What signing out means for what is kept on the device. */
import type { RunEvent } from '../../../core/run/run-event'
import { RunStore, type KeptPhoto } from '../device/run-store'
import { MOST_SENT, sendEvents, sendPhoto } from '../device/send-events'
import { forgetPages } from './kept-pages'

/** By the address of the run. */
export type UnsentEvents = ReadonlyMap<string, readonly RunEvent[]>

/** What no server has. */
export interface Unsent {
	events: UnsentEvents
	photos: readonly KeptPhoto[]
}

/** @returns empty, too, where the browser keeps nothing */
export async function readUnsent(studioId: number): Promise<Unsent> {
	const store = new RunStore(studioId)
	try {
		return { events: await store.unsent(), photos: await store.unsentPhotos() }
	} catch {
		return { events: new Map(), photos: [] }
	}
}

/** @throws {Error} not all of it came through; what did is known to be there */
export async function sendUnsent(studioId: number, { events: unsent, photos }: Unsent): Promise<void> {
	const store = new RunStore(studioId)
	for (const [address, events] of unsent)
		for (let from = 0; from < events.length; from += MOST_SENT) {
			const part = events.slice(from, from + MOST_SENT)
			// Of what the server knows nothing is needed any more.
			await sendEvents(address, part, Number.MAX_SAFE_INTEGER)
			await store.keep(address, part, true)
		}
	for (const photo of photos) {
		await sendPhoto(photo)
		await store.keepPhoto(photo, true)
	}
}

/** All that a studio has left here: pages and events. */
export async function clearDevice(studioId: number): Promise<void> {
	await Promise.allSettled([new RunStore(studioId).clear(), 'caches' in globalThis ? forgetPages() : undefined])
}

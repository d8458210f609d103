import type { RunEvent } from '../../../core/run/run-event'
import type { KeptPhoto } from './run-store'

export interface KnownOnServer {
	events: readonly RunEvent[]
	cursor: number
}

/** In one go; the door takes more, but what was long away comes in parts. */
export const MOST_SENT = 200

/**
 * Sends a photo; one that the server will never take is given up.
 *
 * @throws {Error} the server was not reached
 */
export async function sendPhoto({ run, id, blob }: KeptPhoto): Promise<void> {
	const body = new FormData()
	body.set('photo', blob, 'photo.jpg')
	const answer = await fetch(`${run}/photos/${id}`, { method: 'POST', body, redirect: 'error' })
	const isRefused = answer.status === 400 || answer.status === 404 || answer.status === 413
	if (!answer.ok && !isRefused) throw new Error(`the server answered ${answer.status}`)
}

/**
 * @param address - of the run, without a slash at its end
 * @param after - up to where the server's events are known here
 * @returns what was not known here
 * @throws {Error} the server was not reached, or did not take them
 */
export async function sendEvents(address: string, events: readonly RunEvent[], after: number): Promise<KnownOnServer> {
	const answer = await fetch(`${address}/events`, {
		method: 'POST',
		headers: { 'Content-Type': 'application/json' },
		body: JSON.stringify({ events, after }),
		// Who is signed out is sent to the door: that is not a yes.
		redirect: 'error',
	})
	if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
	return (await answer.json()) as KnownOnServer
}

import type { RunEvent } from '../../../core/run/run-event'

export interface KnownOnServer {
	events: readonly RunEvent[]
	cursor: number
}

/** In one go; the door takes more, but what was long away comes in parts. */
export const MOST_SENT = 200

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

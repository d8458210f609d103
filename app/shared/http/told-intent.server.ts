/** What a request turned out to ask for, told from where its body is read to what goes round the request. */
import { AsyncLocalStorage } from 'node:async_hooks'

const current = new AsyncLocalStorage<{ intent: string }>()

/** @returns what the work returned, and what it asked for; empty where it can ask for one thing only */
export async function listeningForIntent<T>(work: () => Promise<T>): Promise<{ result: T; intent: string }> {
	const told = { intent: '' }
	return { result: await current.run(told, work), intent: told.intent }
}

export function tellIntent(intent: string): void {
	const told = current.getStore()
	if (told) told.intent = intent
}

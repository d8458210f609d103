/** Who listens to a run: told when something has come in, in this process at once, from others by asking now and then. */
import type { RunKey } from '../../db/repositories/runs.server'

type Listener = () => void

const listeners = new Map<string, Set<Listener>>()

const keyOf = ({ courseId, session }: RunKey) => `${courseId} ${session}`

/** @returns to be called when nobody listens any more */
export function listenToRun(run: RunKey, listener: Listener): () => void {
	const key = keyOf(run)
	const own = listeners.get(key) ?? new Set()
	listeners.set(key, own)
	own.add(listener)
	return () => {
		own.delete(listener)
		if (own.size === 0 && listeners.get(key) === own) listeners.delete(key)
	}
}

/** Something has come in. */
export function tellRun(run: RunKey): void {
	for (const listener of listeners.get(keyOf(run)) ?? []) listener()
}

/**
 * Documents of rows that are written once and never changed, read from the database once and kept while it is open.
 * They belong to everybody: nobody may change them, and who tries fails.
 */
import { LRUCache } from 'lru-cache'

const memories: { clear: () => void }[] = []

export interface RowMemory<T> {
	get: (key: string) => T | undefined
	/** Keeps it, unless somebody has meanwhile; the one not asked for longest goes. */
	keep: (key: string, document: T) => T
}

/** @param most - how many documents are kept */
export function rememberRows<T extends object>(most: number): RowMemory<T> {
	const kept = new LRUCache<string, T>({ max: most })
	memories.push(kept)
	return {
		get: (key) => kept.get(key),
		keep: (key, document) => {
			const before = kept.get(key)
			if (before) return before
			kept.set(key, freeze(document))
			return document
		},
	}
}

/** Another database has other rows under the same ids. */
export function forgetRows(): void {
	for (const memory of memories) memory.clear()
}

function freeze<T extends object>(value: T): T {
	for (const inner of Object.values(value)) if (typeof inner === 'object' && inner !== null) freeze(inner as object)
	return Object.freeze(value)
}

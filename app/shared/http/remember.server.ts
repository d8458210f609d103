/** Results of pure computations that page after page asks for: kept by everything that they depend on. */
import { LRUCache } from 'lru-cache'
import { createHash } from 'node:crypto'

/**
 * A memory of so many results; the one not asked for longest goes first. What comes out belongs to everybody: nobody may
 * change it.
 *
 * @returns a function of all inputs, plain data, and of the computation
 */
export function remember<T extends object>(most: number): (inputs: unknown, compute: () => T) => T {
	const known = new LRUCache<string, T>({ max: most })
	return (inputs, compute) => {
		// Inputs may be long, keys are many.
		const key = keyOf(inputs)
		const found = known.get(key) ?? compute()
		known.set(key, found)
		return found
	}
}

/** Short, and the same for the same plain data: 44 characters of SHA-256. */
export function keyOf(inputs: unknown): string {
	return createHash('sha256').update(JSON.stringify(inputs)).digest('base64')
}

/** The pages of a course that a device keeps, so that a class goes on without a network: known to the page and to the worker. */

const CACHE_PREFIX = 'calycine-pages-'

/** Pages to teach with: what has happened comes in by itself, so that an older one will do. */
export const RUN_PAGE = /^\/courses\/\d+\/run(\/\d+(\/wall)?)?$/
/** Pages to look something up: an older one only where there is no other. */
export const LOOK_UP_PAGE = /^\/courses\/\d+\/(plan|kits)$/

/** Asked of the worker by a page, over a channel on which it answers. */
export interface KeepRequest {
	/** Addresses of pages, without an origin. */
	keep: string[]
}

export interface KeepAnswer {
	/** Those that could not be kept. */
	missing: string[]
}

/** A store of pages for one build: they name that build's files. */
export function pageCacheName(build: string): string {
	return `${CACHE_PREFIX}${build}`
}

export function isPageCache(name: string): boolean {
	return name.startsWith(CACHE_PREFIX)
}

/** What is kept for one session: what is taught with, and what is looked up. */
export function pagesOfRun(courseId: number, session: number): string[] {
	const course = `/courses/${courseId}`
	return [
		`${course}/run`,
		`${course}/run/${session}`,
		`${course}/run/${session}/wall`,
		`${course}/plan`,
		`${course}/kits`,
	]
}

/** Whoever is not signed in is led to the door: that is no page to keep. */
export function isWorthKeeping(response: Response): boolean {
	return response.status === 200 && !response.redirected && response.type === 'basic'
}

/**
 * Fetches pages and keeps them.
 *
 * @returns addresses that could not be kept
 */
export async function keepPages(cacheName: string, addresses: readonly string[]): Promise<string[]> {
	const cache = await caches.open(cacheName)
	const missing = await Promise.all(
		addresses.map(async (address) => {
			try {
				const response = await fetch(address, { credentials: 'same-origin', headers: { Accept: 'text/html' } })
				if (!isWorthKeeping(response)) return [address]
				await cache.put(address, response)
				return []
			} catch {
				return [address]
			}
		}),
	)
	return missing.flat()
}

/** Of any build: who signs out leaves nothing of a studio behind. */
export async function forgetPages(): Promise<void> {
	const names = await caches.keys()
	await Promise.all(names.filter(isPageCache).map((name) => caches.delete(name)))
}

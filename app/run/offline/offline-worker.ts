/**
 * The service worker of the rooms of a course: the app's own files come from the device, pages of a class from the network
 * while it answers and from the device when it does not. A new build waits until no page of the one before is open.
 */
import { clientsClaim } from 'workbox-core'
import { cleanupOutdatedCaches, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'
import { NetworkFirst } from 'workbox-strategies'
import {
	isPageCache,
	isWorthKeeping,
	keepPages,
	LOOK_UP_PAGE,
	pageCacheName,
	RUN_PAGE,
	type KeepAnswer,
	type KeepRequest,
} from './kept-pages'

/** Put in by the build: all files of the app, and a name that changes with any of them. */
declare const BUILD_FILES: PrecacheEntry[]
declare const BUILD_NAME: string

/** A room's network that takes longer is none. */
const PATIENCE_SECONDS = 4

const pageCache = pageCacheName(BUILD_NAME)

precacheAndRoute(BUILD_FILES)
cleanupOutdatedCaches()
clientsClaim()
const plugins = [
	{
		cacheWillUpdate: ({ response }: { response: Response }) =>
			Promise.resolve(isWorthKeeping(response) ? response : null),
	},
]
registerRoute(
	({ request, url }) => request.mode === 'navigate' && RUN_PAGE.test(url.pathname),
	new NetworkFirst({ cacheName: pageCache, networkTimeoutSeconds: PATIENCE_SECONDS, plugins }),
)
registerRoute(
	({ request, url }) => request.mode === 'navigate' && LOOK_UP_PAGE.test(url.pathname),
	new NetworkFirst({ cacheName: pageCache, plugins }),
)
// A page of the next build may be here before its worker is: whatever is kept of it is as good.
registerRoute(
	({ url }) => url.pathname.startsWith('/assets/'),
	async ({ request }) => (await caches.match(request)) ?? fetch(request),
)

/** What the types of a page do not know of an event of a worker. */
interface LastingEvent extends Event {
	waitUntil: (work: Promise<unknown>) => void
}

addEventListener('activate', (event) => (event as LastingEvent).waitUntil(renewPages()))
addEventListener('message', (event) => {
	const { data, ports } = event as MessageEvent<KeepRequest | null>
	const answer = ports[0]
	if (!answer || !Array.isArray(data?.keep)) return
	const work = keepPages(pageCache, data.keep).then((missing) => answer.postMessage({ missing } satisfies KeepAnswer))
	;(event as unknown as LastingEvent).waitUntil(work)
})

/** Pages of builds before name files that are gone: they are fetched anew, and what cannot be is dropped. */
async function renewPages(): Promise<void> {
	const names = (await caches.keys()).filter((name) => isPageCache(name) && name !== pageCache)
	for (const name of names) {
		const requests = await (await caches.open(name)).keys()
		await keepPages(
			pageCache,
			requests.map(({ url }) => new URL(url).pathname),
		)
		await caches.delete(name)
	}
}

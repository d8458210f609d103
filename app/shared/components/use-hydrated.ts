import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Whether the page has come alive: false on the server and in the first picture of the browser. */
export function useHydrated(): boolean {
	return useSyncExternalStore(
		never,
		() => true,
		() => false,
	)
}

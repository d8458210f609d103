import { useEffect } from 'react'

/** Keeps the screen on while it is wanted, as far as the browser lets it. */
export function useAwake(isWanted: boolean): void {
	useEffect(() => {
		if (!isWanted || !('wakeLock' in navigator)) return
		let lock: WakeLockSentinel | undefined
		let isOver = false
		const take = async () => {
			try {
				lock = await navigator.wakeLock.request('screen')
				if (isOver) await lock.release()
			} catch {
				// Not now: the page is not seen, or the battery is low.
			}
		}
		// Whoever looks at something else meanwhile has lost it.
		const takeAgain = () => {
			if (document.visibilityState === 'visible') void take()
		}
		void take()
		document.addEventListener('visibilitychange', takeAgain)
		return () => {
			isOver = true
			document.removeEventListener('visibilitychange', takeAgain)
			void lock?.release()
		}
	}, [isWanted])
}

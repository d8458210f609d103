import { useCallback, useInsertionEffect, useRef } from 'react'

/**
 * A handler that stays the same while what it does changes with every rendering: what is given it need not be drawn anew.
 * To be called from events alone, not while rendering.
 */
export function useLatest<Words extends unknown[]>(handler: (...words: Words) => void): (...words: Words) => void {
	const latest = useRef(handler)
	useInsertionEffect(() => {
		latest.current = handler
	})
	return useCallback((...words) => latest.current(...words), [])
}

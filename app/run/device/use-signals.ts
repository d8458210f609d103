import { useEffect, useRef } from 'react'

const BUZZ_MS = [180, 90, 180]

/**
 * Tells of what begins to call: the device trembles where it can, and rings where it was allowed to. What called before
 * the page was there is seen on it.
 *
 * @param ring - undefined: silent
 */
export function useSignals(calls: readonly string[], ring: (() => void) | undefined): void {
	const told = useRef<ReadonlySet<string>>(undefined)
	const names = calls.join('\n')
	const latestRing = useRef(ring)
	useEffect(() => {
		latestRing.current = ring
	})
	useEffect(() => {
		const calling = new Set(names === '' ? [] : names.split('\n'))
		const before = told.current
		told.current = calling
		if (!before || [...calling].every((name) => before.has(name))) return
		if ('vibrate' in navigator) navigator.vibrate(BUZZ_MS)
		latestRing.current?.()
	}, [names])
}

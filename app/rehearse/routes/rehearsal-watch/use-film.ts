import { useEffect, useState, useSyncExternalStore } from 'react'

/** Minutes of the class in a second: sixty to six hundred times as fast as it is. */
export const SPEEDS = [1, 2, 5, 10] as const
export type Speed = (typeof SPEEDS)[number]

/** A clock that runs from the opening to the close, can be stopped, and set anywhere. */
export function useFilm(open: number, close: number) {
	const [time, setTime] = useState(open)
	const [isRunning, setIsRunning] = useState(false)
	const [speed, setSpeed] = useState<Speed>(2)
	useEffect(() => {
		if (!isRunning) return
		let last = performance.now()
		let frame = requestAnimationFrame(function step(now) {
			const minutes = (Math.max(0, now - last) / 1000) * speed
			last = now
			setTime((before) => Math.min(close, before + minutes))
			frame = requestAnimationFrame(step)
		})
		return () => cancelAnimationFrame(frame)
	}, [isRunning, speed, close])
	const isOver = time >= close
	return {
		time,
		speed,
		setSpeed,
		isRunning: isRunning && !isOver,
		toggle: () => {
			if (isOver) setTime(open)
			setIsRunning(isOver || !isRunning)
		},
		seek: setTime,
	}
}

const STILL = '(prefers-reduced-motion: reduce)'

/** Whether nothing is to move by itself. */
export function usePrefersStill(): boolean {
	return useSyncExternalStore(
		(changed) => {
			const query = matchMedia(STILL)
			query.addEventListener('change', changed)
			return () => query.removeEventListener('change', changed)
		},
		() => matchMedia(STILL).matches,
		() => false,
	)
}

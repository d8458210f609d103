import { startTransition, useEffect, useState } from 'react'

/** The value once it has stood still for a moment: what is worked out from it keeps out of a fast typist's way. */
export function useSettled<T>(value: T, delayMs: number): T {
	const [settled, setSettled] = useState(value)
	useEffect(() => {
		const timer = setTimeout(() => startTransition(() => setSettled(value)), delayMs)
		return () => clearTimeout(timer)
	}, [value, delayMs])
	return settled
}

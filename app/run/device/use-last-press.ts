import { useEffect, useState } from 'react'
import type { RunEvent } from '../../../core/run/run-event'

/** So long what more can be said of a press stands beside it. */
const STANDS_MS = 10_000

export interface LastPress {
	/** Undefined: it is too long ago. */
	last: RunEvent | undefined
	tell: (event: RunEvent | undefined) => void
}

export function useLastPress(): LastPress {
	const [last, tell] = useState<RunEvent>()
	useEffect(() => {
		if (!last) return
		const timer = setTimeout(() => tell(undefined), STANDS_MS)
		return () => clearTimeout(timer)
	}, [last])
	return { last, tell }
}

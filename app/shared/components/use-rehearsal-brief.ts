import { useEffect, useState } from 'react'
import type { RehearsalBrief } from '../schemas/rehearsal-brief'

/**
 * The rehearsal of a course in short; undefined until it has been played, or where it cannot be asked for: the page has
 * all else.
 *
 * @param planId - of the plan that stands: of another it is asked for anew
 */
export function useRehearsalBrief(courseId: number, planId: number): RehearsalBrief | undefined {
	const [known, setKnown] = useState<{ planId: number; brief: RehearsalBrief }>()
	useEffect(() => {
		const leaving = new AbortController()
		fetch(`/courses/${courseId}/rehearsal/brief`, { signal: leaving.signal, redirect: 'error' })
			.then(async (response) => {
				if (response.ok) setKnown({ planId, brief: (await response.json()) as RehearsalBrief })
			})
			// Gone, or without a network.
			.catch(() => undefined)
		return () => leaving.abort()
	}, [courseId, planId])
	return known?.planId === planId ? known.brief : undefined
}

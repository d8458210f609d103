import { useEffect } from 'react'
import { useFetcher } from 'react-router'
import type { RehearsalBrief } from '../schemas/rehearsal-brief'

/**
 * The rehearsal of a course in short; undefined until it has been played.
 *
 * @param planId - of the plan that stands: of another it is asked for anew
 */
export function useRehearsalBrief(courseId: number, planId: number): RehearsalBrief | undefined {
	const { load, data } = useFetcher<RehearsalBrief>({ key: `rehearsal ${courseId} ${planId}` })
	useEffect(() => void load(`/courses/${courseId}/rehearsal/brief`), [load, courseId, planId])
	return data
}

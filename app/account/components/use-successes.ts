import { useState } from 'react'

/**
 * How often an action of the page has succeeded: the key of a form that is new after each success, and keeps what was
 * typed where it was refused.
 *
 * @param answer - the page's action data; undefined before the first
 */
export function useSuccesses(answer: object | undefined): number {
	const [seen, setSeen] = useState<{ answer: object | undefined; count: number }>({ answer, count: 0 })
	if (answer !== undefined && answer !== seen.answer && 'told' in answer) setSeen({ answer, count: seen.count + 1 })
	return seen.count
}

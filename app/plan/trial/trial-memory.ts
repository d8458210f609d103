/** What is being tried, kept in the browser until it is kept for good or given up: it outlives a reload and a closed window. */
import { del, get, set } from 'idb-keyval'
import type { TrialLog } from './trial-log'

/** Raised when logs of before can no longer be read: they are passed over. */
const FORM = 1

const keyOf = (courseId: number) => `calycine trial ${courseId}`

/** Undefined: nothing is being tried, or this browser keeps nothing. */
export async function recallTrial(courseId: number): Promise<TrialLog | undefined> {
	try {
		const kept = await get<{ form: number; log: TrialLog }>(keyOf(courseId))
		return kept?.form === FORM ? kept.log : undefined
	} catch {
		return undefined
	}
}

export async function keepTrialInMind(courseId: number, log: TrialLog): Promise<void> {
	try {
		await (log.edits.length > 0 ? set(keyOf(courseId), { form: FORM, log }) : del(keyOf(courseId)))
	} catch {
		// A browser that keeps nothing still lets one try: only a reload forgets it.
	}
}

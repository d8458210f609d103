/** Undo and redo without limit: states are shared, so keeping all of them costs little. */

export interface EditHistory<T> {
	/** The oldest first. */
	past: readonly T[]
	/** As it is shown and saved. */
	present: T
	/** What was undone, the next one first. */
	future: readonly T[]
	/** What the last change was about; a further change about the same is one with it. */
	key: string | undefined
}

/** A history in which nothing has been done yet. */
export function startHistory<T>(present: T): EditHistory<T> {
	return { past: [], present, future: [], key: undefined }
}

/**
 * @param key - letters typed into one field have the same; undefined: a change by itself
 */
export function recordChange<T>(history: EditHistory<T>, next: T, key?: string): EditHistory<T> {
	if (next === history.present) return history
	const isSame = key !== undefined && key === history.key
	return { past: isSame ? history.past : [...history.past, history.present], present: next, future: [], key }
}

/** The same history where nothing is left to undo. */
export function undo<T>(history: EditHistory<T>): EditHistory<T> {
	const previous = history.past.at(-1)
	if (previous === undefined) return history
	return {
		past: history.past.slice(0, -1),
		present: previous,
		future: [history.present, ...history.future],
		key: undefined,
	}
}

/** The same history where nothing is left to redo. */
export function redo<T>(history: EditHistory<T>): EditHistory<T> {
	const [next, ...future] = history.future
	if (next === undefined) return history
	return { past: [...history.past, history.present], present: next, future, key: undefined }
}

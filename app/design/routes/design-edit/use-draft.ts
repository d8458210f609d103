/** A draft kept in the browser while somebody types, so that a crash or a closed tab loses nothing. */
import { useEffect, useEffectEvent, useState } from 'react'
import type { Design } from '../../../../core/design/design'

export interface Draft {
	design: Design
	/** Of the design that the draft was begun from. */
	version: number
	/** ISO date and time. */
	savedAt: string
}

const PREFIX = 'calycine draft '
const DELAY_MS = 300

/**
 * Looks once for a draft of an earlier visit and hands it over.
 *
 * @returns whether it has been looked for: before that, nothing may be written over it
 */
export function useFoundDraft(draftKey: string, onFound: (draft: Draft) => void): boolean {
	const [hasLooked, setLooked] = useState(false)
	const look = useEffectEvent(() => {
		const draft = readDraft(draftKey)
		if (draft) onFound(draft)
		setLooked(true)
	})
	useEffect(() => {
		// After hydration: the server knows nothing of drafts.
		queueMicrotask(() => look())
	}, [draftKey])
	return hasLooked
}

/** Keeps `design` as the draft while `isDirty`; forgets it when it no longer is. */
export function useKeptDraft(
	draftKey: string,
	{ design, version, isDirty, isReady }: { design: Design; version: number; isDirty: boolean; isReady: boolean },
): void {
	useEffect(() => {
		if (!isReady) return
		if (!isDirty) return dropDraft(draftKey)
		const timer = setTimeout(() => {
			const draft: Draft = { design, version, savedAt: new Date().toISOString() }
			localStorage.setItem(PREFIX + draftKey, JSON.stringify(draft))
		}, DELAY_MS)
		return () => clearTimeout(timer)
	}, [draftKey, design, version, isDirty, isReady])
}

export function dropDraft(draftKey: string): void {
	localStorage.removeItem(PREFIX + draftKey)
}

function readDraft(draftKey: string): Draft | undefined {
	const text = localStorage.getItem(PREFIX + draftKey)
	if (!text) return undefined
	try {
		return JSON.parse(text) as Draft
	} catch {
		// Cut short by a full disk: there is nothing to go on with.
		return undefined
	}
}

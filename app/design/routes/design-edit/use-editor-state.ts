/** The design in the editor: its history, its draft, and its saving against what other windows save. */
import { useState } from 'react'
import { useFetcher } from 'react-router'
import type { Design } from '../../../../core/design/design'
import type { DesignDifference } from '../../../../core/design/design-differences'
import { recordChange, redo, startHistory, undo } from '../../../../core/design/edit-history'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { useLatest } from '../../../shared/components/use-latest'
import type { Refusal } from '../../../shared/http/refusal'
import { useFoundDraft, useKeptDraft, type Draft } from './use-draft'

interface Answer extends Partial<Refusal> {
	saved?: number
	current?: { document: Design; version: number }
	differences?: DesignDifference[]
}

export interface EditorState {
	design: Design
	/** The last change was typed, and the next letter may follow at once. */
	isTyped: boolean
	/** What the changes are counted from. */
	base: { design: Design; version: number }
	isDirty: boolean
	isSaving: boolean
	canUndo: boolean
	canRedo: boolean
	/** Of an earlier visit, and not taken back. */
	foundDraft: Draft | undefined
	/** What the server said to the last saving, if it refused. */
	refusal: Answer | undefined
	change: (edit: (design: Design) => Design, key?: string) => void
	undo: () => void
	redo: () => void
	save: () => void
	dropDraft: () => void
	keepMine: () => void
	takeTheirs: () => void
}

/** @param draftKey - names the draft in the browser */
export function useEditorState(saved: Design, version: number, draftKey: string): EditorState {
	const [history, setHistory] = useState(() => startHistory(saved))
	const [base, setBase] = useState({ design: saved, version })
	const [foundDraft, setFoundDraft] = useState<Draft>()
	const [handled, setHandled] = useState<Answer>()
	const [sent, setSent] = useState<Design>()
	const fetcher = useFetcher<Answer>()
	const design = history.present
	const hasLooked = useFoundDraft(draftKey, (draft) => {
		setFoundDraft(draft)
		setHistory((before) => recordChange(before, draft.design))
		setBase((before) => ({ ...before, version: draft.version }))
	})
	const answer = fetcher.data
	if (answer && answer !== handled && fetcher.state === 'idle') {
		setHandled(answer)
		// What was sent is what is saved now; what was typed since is not.
		if (answer.saved !== undefined) setBase({ design: sent ?? design, version: answer.saved })
	}
	const isDirty = design !== base.design
	const isSaving = fetcher.state !== 'idle'
	useLeaveGuard(isDirty && !isSaving)
	useKeptDraft(draftKey, { design, version: base.version, isDirty, isReady: hasLooked })
	const take = (taken: Design, takenVersion: number) => {
		setHistory((before) => recordChange(before, taken))
		setBase({ design: taken, version: takenVersion })
	}
	const theirs = answer?.current
	return {
		design,
		isTyped: history.key !== undefined,
		base,
		isDirty,
		isSaving,
		canUndo: history.past.length > 0,
		canRedo: history.future.length > 0,
		foundDraft: isDirty ? foundDraft : undefined,
		refusal: answer?.refused && answer === handled ? answer : undefined,
		change: useLatest((edit: (design: Design) => Design, key?: string) =>
			setHistory((before) => recordChange(before, edit(before.present), key)),
		),
		undo: useLatest(() => setHistory(undo)),
		redo: useLatest(() => setHistory(redo)),
		save: useLatest(() => {
			if (!isDirty) return
			setSent(design)
			const body = JSON.stringify({ document: design, version: base.version })
			void fetcher.submit(body, { method: 'post', encType: 'application/json' })
		}),
		dropDraft: useLatest(() => {
			take(saved, version)
			setFoundDraft(undefined)
		}),
		keepMine: useLatest(() => theirs && setBase({ design: theirs.document, version: theirs.version })),
		takeTheirs: useLatest(() => theirs && take(theirs.document, theirs.version)),
	}
}

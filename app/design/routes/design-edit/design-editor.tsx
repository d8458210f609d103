import { useMemo, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Design, OwnPasteLike } from '../../../../core/design/design'
import type { DesignDifference } from '../../../../core/design/design-differences'
import { recordChange, redo, startHistory, undo } from '../../../../core/design/edit-history'
import { holdsUnder } from '../../../../core/design/variants'
import { completePicks, keepValidPicks, type Picks } from '../../../../core/design/resolve-design'
import { validateDesign } from '../../../../core/design/validate-design'
import type { GaugeStandard } from '../../../../core/materials/wire-gauge'
import type { Refusal } from '../../../shared/http/refusal'
import { useLeaveGuard } from '../../../shared/components/use-leave-guard'
import { AssemblyStrip } from './assembly-strip'
import { DesignConflict } from './design-conflict'
import { EditingContext, type Editing, type Selection } from './editing'
import { EditorBar } from './editor-bar'
import { Inspector } from './inspector'
import { LiveFigures } from './live-figures'
import { PartList } from './part-list'
import { useEditorKeys } from './use-editor-keys'
import { useSettled } from './use-settled'
import { useFoundDraft, useKeptDraft, type Draft } from './use-draft'

interface DesignEditorProps {
	saved: Design
	version: number
	gaugeStandard: GaugeStandard
	ownPastes: readonly OwnPasteLike[]
	draftKey: string
}

interface Answer extends Partial<Refusal> {
	saved?: number
	current?: { document: Design; version: number }
	differences?: DesignDifference[]
}

/** Shorter than the pause between two words. */
const SETTLING_MS = 120

/** The whole editor of one design: strips and chains on the left, what is chosen and what follows from it on the right. */
export function DesignEditor({ saved, version, gaugeStandard, ownPastes, draftKey }: DesignEditorProps) {
	const [history, setHistory] = useState(() => startHistory(saved))
	const [base, setBase] = useState({ design: saved, version })
	const [chosenPicks, setPicks] = useState<Picks>({})
	const [only, setOnly] = useState<{ choice: string; option: string }>()
	const [selection, select] = useState<Selection>({ type: 'design' })
	const fetcher = useFetcher<Answer>()
	const [found, setFound] = useState<Draft>()
	const hasLooked = useFoundDraft(draftKey, (draft) => {
		setFound(draft)
		setHistory((before) => recordChange(before, draft.design))
		setBase((before) => ({ ...before, version: draft.version }))
	})
	const [handled, setHandled] = useState<Answer>()
	const [sent, setSent] = useState<Design>()

	const design = history.present
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

	// By the choices alone: what every row gets stays the same while somebody types.
	const { choices } = design
	const picks = useMemo(
		() => completePicks({ choices }, keepValidPicks({ choices }, chosenPicks)),
		[choices, chosenPicks],
	)
	const editing = useMemo<Editing>(
		() => ({
			scope: { picks, ...(only && { only }) },
			gaugeStandard,
			ownPastes,
			change: (edit, key) => setHistory((before) => recordChange(before, edit(before.present), key)),
			select,
		}),
		[picks, only, gaugeStandard, ownPastes],
	)
	// Figures and review may lag behind a fast typist; the fields do not.
	const settled = useSettled(design, SETTLING_MS)
	const problems = useMemo(() => validateDesign(settled), [settled])
	const save = () => {
		if (problems.length > 0 || !isDirty) return
		setSent(design)
		void fetcher.submit(JSON.stringify({ document: design, version: base.version }), {
			method: 'post',
			encType: 'application/json',
		})
	}
	useEditorKeys({ onUndo: () => setHistory(undo), onRedo: () => setHistory(redo), onSave: save })
	const shown = useMemo(
		() => ({ ...design, parts: design.parts.filter(({ when }) => holdsUnder(picks, when)) }),
		[design, picks],
	)
	const refusal = answer?.refused && answer === handled ? answer : undefined
	return (
		<EditingContext value={editing}>
			<EditorBar
				design={design}
				picks={picks}
				only={only}
				canUndo={history.past.length > 0}
				canRedo={history.future.length > 0}
				isDirty={isDirty}
				isSaving={isSaving}
				hasProblems={problems.length > 0}
				onPick={setPicks}
				onOnly={setOnly}
				onUndo={() => setHistory(undo)}
				onRedo={() => setHistory(redo)}
				onSave={save}
			/>
			{found && isDirty && (
				<section className="alert row" role="status">
					<span>
						This is your draft from{' '}
						{new Date(found.savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}. It is not
						saved yet.
					</span>
					<button
						type="button"
						className="button-link"
						onClick={() => {
							setHistory((before) => recordChange(before, saved))
							setBase({ design: saved, version })
							setFound(undefined)
						}}
					>
						Back to what is saved
					</button>
				</section>
			)}
			{refusal?.current && base.version !== refusal.current.version && (
				<DesignConflict
					message={refusal.message ?? ''}
					differences={refusal.differences ?? []}
					onKeepMine={() =>
						setBase({ design: refusal.current?.document ?? saved, version: refusal.current?.version ?? version })
					}
					onTakeTheirs={() => {
						const theirs = refusal.current
						if (!theirs) return
						setHistory((before) => recordChange(before, theirs.document))
						setBase({ design: theirs.document, version: theirs.version })
					}}
				/>
			)}
			{refusal && !refusal.current && <Problems title={refusal.message ?? ''} problems={refusal.problems ?? []} />}
			{problems.length > 0 && <Problems title="This cannot be saved yet" problems={problems} />}
			<div className="editor">
				<div className="editor-bench">
					<PartList design={shown} selection={selection} />
					<AssemblyStrip design={design} picks={picks} selection={selection} />
				</div>
				<aside className="editor-side">
					<LiveFigures design={settled} saved={base.design} picks={picks}>
						<Inspector design={design} selection={selection} />
					</LiveFigures>
				</aside>
			</div>
		</EditingContext>
	)
}

function Problems({ title, problems }: { title: string; problems: readonly { path: string; message: string }[] }) {
	return (
		<section className="alert" role="alert">
			<h2>{title}</h2>
			<ul>
				{problems.slice(0, 8).map(({ path, message }) => (
					<li key={path + message}>
						<code>{path}</code> {message}
					</li>
				))}
			</ul>
		</section>
	)
}

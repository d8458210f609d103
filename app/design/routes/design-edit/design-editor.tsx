import { useDeferredValue, useMemo, useRef, useState } from 'react'
import type { Design, OwnPasteLike } from '../../../../core/design/design'
import { completePicks, keepValidPicks, type Picks } from '../../../../core/design/resolve-design'
import { validateDesign } from '../../../../core/design/validate-design'
import type { GaugeStandard } from '../../../../core/materials/wire-gauge'
import { useLatest } from '../../../shared/components/use-latest'
import { EditorBench } from './bench/editor-bench'
import { EditingContext, type Editing, type Selection } from './editing'
import { EditorBar } from './editor-bar'
import { EditorNotices } from './editor-notices'
import { EditorSide, type SideTab } from './editor-side'
import { ShownOptions, type Only } from './shown-options'
import { useEditorKeys } from './use-editor-keys'
import { useEditorState } from './use-editor-state'
import { useSettled } from './use-settled'

interface DesignEditorProps {
	saved: Design
	version: number
	gaugeStandard: GaugeStandard
	ownPastes: readonly OwnPasteLike[]
	draftKey: string
}

/** Shorter than the pause between two words. */
const SETTLING_MS = 120
/** As in the styles. */
const NARROW = '(max-width: 1000px)'

/** The whole editor of one design: strips and chains on the left, what is chosen and what follows from it on the right. */
export function DesignEditor({ saved, version, gaugeStandard, ownPastes, draftKey }: DesignEditorProps) {
	const state = useEditorState(saved, version, draftKey)
	const { design, isTyped, base, change } = state
	// A letter stands in its field before the bench takes it; what is dropped stands at once where it was dropped.
	const later = useDeferredValue(design)
	const [chosenPicks, setPicks] = useState<Picks>({})
	const [only, setOnly] = useState<Only>()
	const [selection, setSelection] = useState<Selection>({ type: 'design' })
	const [tab, setTab] = useState<SideTab>('chosen')
	const side = useRef<HTMLElement>(null)
	const select = useLatest((chosen: Selection) => {
		setSelection(chosen)
		setTab('chosen')
		// On a narrow screen the fields stand above the bench, perhaps out of view.
		if (window.matchMedia(NARROW).matches) side.current?.scrollIntoView()
	})
	// By the choices alone: what every row gets stays the same while somebody types.
	const { choices } = design
	const picks = useMemo(
		() => completePicks({ choices }, keepValidPicks({ choices }, chosenPicks)),
		[choices, chosenPicks],
	)
	const editing = useMemo<Editing>(
		() => ({ scope: { picks, ...(only && { only }) }, gaugeStandard, ownPastes, change, select }),
		[picks, only, gaugeStandard, ownPastes, change, select],
	)
	// Figures and review may lag behind a fast typist; the fields do not.
	const settled = useSettled(design, SETTLING_MS)
	const problems = useMemo(() => validateDesign(settled), [settled])
	const save = useLatest(() => problems.length === 0 && state.save())
	useEditorKeys({ onUndo: state.undo, onRedo: state.redo, onSave: save })
	return (
		<EditingContext value={editing}>
			<EditorBar
				id={design.id}
				name={design.name}
				canUndo={state.canUndo}
				canRedo={state.canRedo}
				isDirty={state.isDirty}
				isSaving={state.isSaving}
				hasProblems={problems.length > 0}
				onUndo={state.undo}
				onRedo={state.redo}
				onSave={save}
			/>
			<EditorNotices state={state} problems={problems} />
			<div className="editor">
				<div className="editor-bench">
					<ShownOptions choices={choices} picks={picks} only={only} onPick={setPicks} onOnly={setOnly} />
					<EditorBench design={isTyped ? later : design} picks={picks} selection={selection} />
				</div>
				<EditorSide
					ref={side}
					design={design}
					settled={settled}
					saved={base.design}
					picks={picks}
					selection={selection}
					tab={tab}
					onTab={setTab}
				/>
			</div>
		</EditingContext>
	)
}

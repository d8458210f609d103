import { Button } from 'antd'
import { Link } from 'react-router'
import type { Design } from '../../../../core/design/design'
import type { Picks } from '../../../../core/design/resolve-design'
import { useEditing } from './editing'

interface EditorBarProps {
	design: Design
	picks: Picks
	only: { choice: string; option: string } | undefined
	canUndo: boolean
	canRedo: boolean
	isDirty: boolean
	isSaving: boolean
	hasProblems: boolean
	onPick: (picks: Picks) => void
	onOnly: (only: { choice: string; option: string } | undefined) => void
	onUndo: () => void
	onRedo: () => void
	onSave: () => void
}

/** Name and state of the design, undo and redo, which options are shown, and where changes go. */
export function EditorBar({
	design,
	picks,
	only,
	canUndo,
	canRedo,
	isDirty,
	isSaving,
	hasProblems,
	onPick,
	onOnly,
	onUndo,
	onRedo,
	onSave,
}: EditorBarProps) {
	const { select } = useEditing()
	return (
		<div className="editor-bar">
			<div className="page-head">
				<h1>{design.name}</h1>
				<button type="button" className="button-link" onClick={() => select({ type: 'design' })}>
					Name, choices, techniques…
				</button>
				<div className="row push">
					<span className="soft" role="status">
						{isSaving ? 'Saving…' : isDirty ? 'Not saved yet; kept as a draft' : 'Saved'}
					</span>
					<Button onClick={onUndo} disabled={!canUndo} title="Ctrl+Z">
						Undo
					</Button>
					<Button onClick={onRedo} disabled={!canRedo} title="Ctrl+Shift+Z">
						Redo
					</Button>
					<Button type="primary" onClick={onSave} disabled={!isDirty || hasProblems || isSaving} title="Ctrl+S">
						Save
					</Button>
					<Link className="button-link" to={`/designs/${design.id}`}>
						Done
					</Link>
				</div>
			</div>
			{design.choices.length > 0 && (
				<div className="editor-options">
					{design.choices.map(({ id, name, options }) => (
						<div key={id} role="group" aria-label={`Shown: ${name}`} className="row">
							<span className="choice-name">{name}</span>
							{options.map((option) => (
								<button
									key={option.id}
									type="button"
									className="option-link"
									aria-current={picks[id] === option.id ? 'true' : undefined}
									onClick={() => {
										onPick({ ...picks, [id]: option.id })
										if (only?.choice === id) onOnly({ choice: id, option: option.id })
									}}
								>
									{option.name}
								</button>
							))}
						</div>
					))}
					<label className="editor-scope">
						Changes hold{' '}
						<select
							value={only ? `${only.choice} ${only.option}` : ''}
							onChange={({ target }) => {
								const [choice, option] = target.value.split(' ')
								onOnly(choice && option ? { choice, option } : undefined)
							}}
						>
							<option value="">wherever the value shown holds</option>
							{design.choices.flatMap(({ id, name, options }) => {
								const option = options.find((one) => one.id === picks[id])
								return option
									? [
											<option key={id} value={`${id} ${option.id}`}>
												only for {name.toLowerCase()}: {option.name}
											</option>,
										]
									: []
							})}
						</select>
					</label>
				</div>
			)}
		</div>
	)
}

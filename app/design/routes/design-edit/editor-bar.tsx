import { RedoOutlined, UndoOutlined } from '@ant-design/icons'
import { Button } from 'antd'
import { memo } from 'react'
import { LinkButton } from '../../../shared/components/link-button'
import { useEditing } from './editing'

interface EditorBarProps {
	id: string
	name: string
	canUndo: boolean
	canRedo: boolean
	isDirty: boolean
	isSaving: boolean
	hasProblems: boolean
	onUndo: () => void
	onRedo: () => void
	onSave: () => void
}

/** Name and state of the design, undo and redo, and the way out. */
export const EditorBar = memo(function EditorBar(props: EditorBarProps) {
	const { id, name, canUndo, canRedo, isDirty, isSaving, hasProblems, onUndo, onRedo, onSave } = props
	const { select } = useEditing()
	return (
		<div className="page-head editor-bar">
			<h1>{name}</h1>
			<Button onClick={() => select({ type: 'design' })}>Name, choices, techniques…</Button>
			<div className="row push">
				<span className="soft" role="status">
					{isSaving ? 'Saving…' : isDirty ? 'Not saved yet; kept as a draft' : 'Saved'}
				</span>
				<Button icon={<UndoOutlined aria-hidden />} onClick={onUndo} disabled={!canUndo} title="Ctrl+Z">
					Undo
				</Button>
				<Button icon={<RedoOutlined aria-hidden />} onClick={onRedo} disabled={!canRedo} title="Ctrl+Shift+Z">
					Redo
				</Button>
				<Button type="primary" onClick={onSave} disabled={!isDirty || hasProblems || isSaving} title="Ctrl+S">
					Save
				</Button>
				<LinkButton to={`/designs/${id}`}>Done</LinkButton>
			</div>
		</div>
	)
})

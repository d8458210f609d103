import { Button } from 'antd'
import type { DesignProblem } from '../../../../core/design/validate-design'
import { DesignConflict } from './design-conflict'
import type { EditorState } from './use-editor-state'

/** What stands between the design and its saving: a draft of before, another window, problems. */
export function EditorNotices({ state, problems }: { state: EditorState; problems: readonly DesignProblem[] }) {
	const { foundDraft, refusal, base } = state
	return (
		<>
			{foundDraft && (
				<section className="alert row" role="status">
					<span>This is your draft from {momentOf(foundDraft.savedAt)}. It is not saved yet.</span>
					<Button onClick={state.dropDraft}>Back to what is saved</Button>
				</section>
			)}
			{refusal?.current && base.version !== refusal.current.version && (
				<DesignConflict
					message={refusal.message ?? ''}
					differences={refusal.differences ?? []}
					onKeepMine={state.keepMine}
					onTakeTheirs={state.takeTheirs}
				/>
			)}
			{refusal && !refusal.current && <Problems title={refusal.message ?? ''} problems={refusal.problems ?? []} />}
			{problems.length > 0 && <Problems title="This cannot be saved yet" problems={problems} />}
		</>
	)
}

function momentOf(savedAt: string): string {
	return new Date(savedAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
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

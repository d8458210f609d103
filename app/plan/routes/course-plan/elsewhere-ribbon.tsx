import type { ElsewhereTask, PlanStory } from '../../../../core/plan/tell/plan-story'
import type { TaskSource } from '../../../../core/plan/compile/compiled-course'
import { duration, sessionName } from '../../../shared/words/times'
import { waitSpan } from '../../../drying/words/waits'
import { nameOfTask } from '../../words/tasks'

/** What is not done in class: ahead, swapped for dried pieces, at home, left out. */
export function ElsewhereRibbon({ story }: { story: PlanStory }) {
	const { ahead, home, dropped, swaps, prepMinutes, sessions } = story
	const sources = new Map<string, TaskSource>(
		sessions.flatMap(({ tiles }) => tiles.map(({ taskId, source }) => [taskId, source] as const)),
	)
	return (
		<div className="ribbon-row">
			<div className="ribbon-label">
				<strong>Before</strong>
				<span>you, {duration(prepMinutes)}</span>
			</div>
			<ul className="ribbon">
				{prepMinutes === 0 && swaps.length === 0 && ahead.length === 0 && (
					<li>nothing to make ahead: all of it is done in class</li>
				)}
				{swaps.map((swap) => (
					<li key={swap.fromTaskId}>
						<b>bring dry</b> {nameOfTask(sources.get(swap.fromTaskId))} · {duration(swap.prepMinutes)},{' '}
						{swap.wait.plannedMinutes === undefined ? 'and dry it in drier air' : `then ${waitSpan(swap.wait)}`}
					</li>
				))}
				{ahead.map(({ taskId, source, minutes }) => (
					<li key={taskId}>
						<b>{source.type === 'demo' ? 'on a hand-out' : 'make ahead'}</b> {nameOfTask(source)}
						{minutes > 0 && ` · ${duration(minutes)}`}
					</li>
				))}
			</ul>
			{home.length > 0 && <HomeWork home={home} sessions={sessions} />}
			{dropped.length > 0 && (
				<p className="ribbon-more">
					<b>Left out:</b> {dropped.map(({ source }) => nameOfTask(source)).join('; ')}
				</p>
			)}
		</div>
	)
}

function HomeWork({ home, sessions }: { home: readonly ElsewhereTask[]; sessions: PlanStory['sessions'] }) {
	const isAfterLast = ({ afterSession = 0 }: ElsewhereTask) => afterSession === sessions.length - 1
	const between = home.filter((task) => !isAfterLast(task))
	const last = home.filter(isAfterLast)
	return (
		<p className="ribbon-more">
			{last.length > 0 && (
				<>
					<b>To finish at home:</b>{' '}
					{last.map(({ source, minutes }) => `${nameOfTask(source)}, ${duration(minutes)}`).join('; ')}{' '}
				</>
			)}
			{between.length > 0 && <b>At home: </b>}
			{between
				.map(({ source, minutes, afterSession = 0 }) => {
					const start = sessions[afterSession]?.session.startMin ?? 0
					return `${nameOfTask(source)}, ${duration(minutes)} after ${sessionName(start, afterSession + 1).toLowerCase()}`
				})
				.join('; ')}
		</p>
	)
}

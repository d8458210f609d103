import type { ElsewhereTask } from '../../../../core/plan/tell/elsewhere-story'
import type { PlanStory } from '../../../../core/plan/tell/plan-story'
import { duration, sessionName } from '../../../shared/words/times'
import { nameOfTask } from '../../words/tasks'

/** What is done neither in class nor before: at home, or left out. */
export function ElsewhereNotes({ story: { home, dropped, sessions } }: { story: PlanStory }) {
	return (
		<>
			{home.length > 0 && <HomeWork home={home} sessions={sessions} />}
			{dropped.length > 0 && (
				<p className="elsewhere-note">
					<b>Left out:</b> {dropped.map(({ source }) => nameOfTask(source)).join('; ')}
				</p>
			)}
		</>
	)
}

function HomeWork({ home, sessions }: { home: readonly ElsewhereTask[]; sessions: PlanStory['sessions'] }) {
	const isAfterLast = ({ afterSession = 0 }: ElsewhereTask) => afterSession === sessions.length - 1
	const between = home.filter((task) => !isAfterLast(task))
	const last = home.filter(isAfterLast)
	return (
		<p className="elsewhere-note">
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

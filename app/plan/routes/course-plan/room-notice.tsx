import type { PlanData } from './load-plan.server'
import { STAGE_WORDS } from '../../../drying/words/drying'
import { chanceWords } from '../../../drying/words/waits'
import { wait as waitWords } from '../../../shared/words/times'
import { nameOfTask } from '../../words/tasks'

/** Waits that the plan uses though damper air than was read would break them: by how much, and what would make them sure. */
export function RoomNotice({ plan: { onRoom, places } }: { plan: PlanData }) {
	if (onRoom.length === 0) return null
	return (
		<section className="alert misfit" aria-labelledby="on-room">
			<h2 id="on-room">This plan hangs on the air in {[...places.rooms, places.store].join(' and ')}</h2>
			<p>Damper air than was read makes these waits longer, or endless; waiting longer helps little.</p>
			<ul>
				{onRoom.map(({ source, stage, wait }) => (
					<li key={wait.key}>
						<b>{nameOfTask(source)}</b>, {stage ? STAGE_WORDS[stage] : 'ready'} after{' '}
						{waitWords(wait.plannedMinutes ?? wait.usualMinutes)}: {chanceWords(wait)}
					</li>
				))}
			</ul>
		</section>
	)
}

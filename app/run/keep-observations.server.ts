/** What a session that is over says of its steps, kept for learning; of one that is open again it is taken back. */
import { foldRun } from '../../core/run/fold-run'
import { observeRun } from '../../core/run/observe-run'
import type { RunEvent } from '../../core/run/run-event'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse } from '../../db/repositories/courses.server'
import { keepRunObservations } from '../../db/repositories/observations.server'
import { readRunEvents, type RunKey } from '../../db/repositories/runs.server'
import { nameOfTask } from '../plan/words/tasks'
import { sessionName } from '../shared/words/times'
import { readTaught } from './read-run.server'

/** Whether what comes with these could say something else of a session that is over. */
export function concernsLearning(events: readonly RunEvent[]): boolean {
	return events.some(({ type }) => type !== 'note' && type !== 'way back')
}

export async function keepObservations(studio: Studio, { courseId, session }: RunKey): Promise<void> {
	const { events } = await readRunEvents(studio.id, { courseId, session }, 0)
	// Of one that was never closed nothing has been kept.
	if (!events.some(({ type }) => type === 'closed')) return
	const course = await getCourse(studio.id, courseId)
	const taught = await readTaught(studio, course, session)
	if (!taught) return
	const state = foldRun(taught.plan, taught.events, Date.now())
	const isOver = state.closed !== undefined
	const { minutes } = isOver
		? observeRun(state, { classId: `course ${courseId}`, course, designs: taught.designs, learnt: taught.learnt })
		: { minutes: [] }
	const sources = new Map(taught.plan.entries.map(({ id, source }) => [id, source]))
	const className = `${course.name}, ${sessionName(course.sessions[session - 1]?.startMin ?? 0, session)}`
	await keepRunObservations(
		studio.id,
		{ courseId, session },
		minutes.map((observation) => {
			const source = sources.get(observation.id.slice(`course ${courseId} ${session} `.length))
			const own = taught.designs.find(({ design }) => source?.type === 'step' && design.id === source.designId)
			const technique = own?.design.techniques.find(({ id }) => id === observation.technique)
			return {
				...{ className, observation, stepName: nameOfTask(source) },
				...(technique && { techniqueName: technique.name }),
			}
		}),
	)
}

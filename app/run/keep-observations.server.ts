/** What a session that is over says of its steps, kept for learning; of one that is open again it is taken back. */
import type { SeenInClass } from '../../core/learn/seen'
import { foldRun, type RunState } from '../../core/run/fold-run'
import { observeRun, type RunObservations, type TaughtCourse } from '../../core/run/observe-run'
import { observeStudents } from '../../core/run/observe-students'
import { observeTrays } from '../../core/run/observe-trays'
import type { RoomReading } from '../../core/run/tray-air'
import { minuteOfDayAt } from '../../core/time/zone'
import type { RunEvent } from '../../core/run/run-event'
import { taskOfEntry } from '../../core/run/run-plan'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { keepTrayNotes } from '../../db/repositories/drying-notes.server'
import { keepSessionObservations } from '../../db/repositories/observations.server'
import { keepStudentSpeeds } from '../../db/repositories/student-speeds.server'
import { getRoster } from '../../db/repositories/students.server'
import { readRunEvents, type RunKey } from '../../db/repositories/runs.server'
import { nameOfTask } from '../plan/words/tasks'
import { sessionName } from '../shared/words/times'
import { readTaught, type TaughtSession } from './read-run.server'

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
	const seen = isOver ? observeRun(state, taughtCourse(course, taught)) : undefined
	await keepSessionObservations(
		studio.id,
		{ courseId, session },
		{
			source: 'run',
			kinds: ['minutes', 'breakage', 'queue'],
			observations: seen ? nameSeen(seen, { course, session, taught }) : [],
		},
	)
	if (studio.learnsStudents) {
		const { students } = await getRoster(studio.id, courseId)
		const seated = { people: students, pace: course.pace, studentCount: course.studentCount }
		await keepStudentSpeeds(studio.id, { courseId, session }, isOver ? observeStudents(state, seated) : [])
	}
	const trays = isOver ? observeTrays(state, { ...taught, course }, readingOf(state, studio.timeZone)) : []
	await keepTrayNotes(
		studio.id,
		{ courseId, session },
		trays.map(({ batch, ...tray }) => {
			const task = taught.compiled.tasks[batch.slice(0, batch.lastIndexOf('@'))]
			return { ...tray, what: `${nameOfTask(task)}, ${course.name}`.slice(0, 160) }
		}),
	)
}

/** Of the room's air, the last that was read in class. */
function readingOf({ reading }: RunState, timeZone: string): RoomReading | undefined {
	if (!reading) return undefined
	const { when, temperatureC, humidity } = reading
	return { temperatureC, humidity, minuteOfDay: minuteOfDayAt(when, timeZone) }
}

/** As observing takes it. */
export function taughtCourse(course: StoredCourse, { designs, terms }: TaughtSession): TaughtCourse {
	return { classId: `course ${course.id}`, course, designs, learnt: terms.learnt }
}

/** What was observed, with the names that the log shows. */
export function nameSeen(
	{ minutes, breakage, queues }: RunObservations,
	{ course, session, taught }: { course: StoredCourse; session: number; taught: TaughtSession },
): SeenInClass[] {
	const className = `${course.name}, ${sessionName(course.sessions[session - 1]?.startMin ?? 0, session)}`
	const sources = new Map<string, (typeof taught.plan.entries)[number]['source']>(
		taught.plan.entries.flatMap((entry) => {
			return [entry.id, taskOfEntry(entry)].map((id) => [`course ${course.id} ${session} ${id}`, entry.source] as const)
		}),
	)
	return [
		...minutes.map((observation): SeenInClass => {
			const source = sources.get(observation.id)
			const own = taught.designs.find(({ design }) => source?.type === 'step' && design.id === source.designId)
			const technique = own?.design.techniques.find(({ id }) => id === observation.technique)
			return {
				...{ kind: 'minutes', className, observation, stepName: nameOfTask(source) },
				...(technique && { techniqueName: technique.name }),
			}
		}),
		...breakage.map((observation): SeenInClass => ({ kind: 'breakage', className, observation })),
		...queues.map((observation): SeenInClass => ({ kind: 'queue', className, observation })),
	]
}

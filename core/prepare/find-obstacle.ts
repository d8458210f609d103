/** What keeps a piece of work before class from being done on a certain day. */
import { toMoment, type WallTime } from '../time/wall-clock'
import { wallTimeAfter } from '../time/zone'
import { listFreeSpans } from './free-time'
import { layPreparation, type HandsTerms, type LaidPreparation } from './lay-preparation'
import type { PrepTask } from './prep-tasks'

export type Obstacle =
	| { kind: 'over' }
	| { kind: 'too late'; latest: WallTime }
	| { kind: 'too early'; earliest: WallTime }
	/** In all that day. */
	| { kind: 'not free'; freeMinutes: number }
	/** As it is laid now, what it waits for is ready only then. */
	| { kind: 'waits'; task: PrepTask; readyAt: WallTime }
	/** Beside what lies there already. */
	| { kind: 'no room' }

/**
 * @param laid - all of it as it lies now
 * @param day - YYYY-MM-DD
 * @returns undefined: it can be done then, in time
 */
export function findObstacle(
	task: PrepTask,
	day: string,
	{ tasks, terms, laid }: { tasks: readonly PrepTask[]; terms: HandsTerms; laid: LaidPreparation['laid'] },
): Obstacle | undefined {
	const { latest, earliest, minutes } = task
	if (day < terms.now.date) return { kind: 'over' }
	if (day > latest.date) return { kind: 'too late', latest }
	if (day < earliest.date) return { kind: 'too early', earliest }
	const spans = listFreeSpans(terms.freeTime, day, 1, terms.busy)
	const freeMinutes = spans.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0)
	if (freeMinutes < minutes) return { kind: 'not free', freeMinutes }
	const settled = new Map([...(terms.settled ?? []), [task.id, day] as const])
	const moved = layPreparation(tasks, { ...terms, settled }, { steps: 0 })
	const own = moved.laid.find((one) => one.task.id === task.id)
	if (own?.lateMinutes === 0) return undefined
	const lastStart = toMoment({ date: day, minuteOfDay: Math.max(0, (spans.at(-1)?.endMin ?? 0) - minutes) })
	const waits = task.after
		.flatMap(({ id, lag }) =>
			laid
				.filter((one) => one.task.id === id)
				.map((one) => ({ task: one.task, readyAt: wallTimeAfter({ ...one.end, zone: terms.zone }, lag) })),
		)
		.find(({ readyAt }) => toMoment(readyAt) > lastStart)
	return waits ? { kind: 'waits', ...waits } : { kind: 'no room' }
}

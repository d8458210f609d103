/** What dries on which days before and between sessions: made ahead as it is laid, or left in class. */
import type { TaskSource } from '../plan/compile/compiled-course'
import { toMoment, type WallTime } from '../time/wall-clock'
import { wallTimeAfter } from '../time/zone'
import type { DryingStage } from '../vocabulary/drying-stage'
import type { CalendarEntry } from './course-calendar'
import type { PrepTask } from './prep-tasks'

export interface DryingSpan {
	key: string
	courseId: number
	source: TaskSource
	stage: DryingStage | undefined
	from: WallTime
	/** Nine in ten are ready. */
	readyAt: WallTime
	/** YYYY-MM-DD: of the session that goes on with it. */
	neededOn: string
}

/**
 * In the order in which they begin.
 *
 * @param made - what is made before class, and when that ends, or did
 * @param zone - name in the IANA database
 */
export function listDryingSpans(
	courses: readonly { id: number; entries: readonly CalendarEntry[] }[],
	made: readonly { task: PrepTask; end: WallTime }[],
	zone: string,
): DryingSpan[] {
	const left = courses.flatMap(({ id: courseId, entries }) =>
		entries.flatMap((entry): DryingSpan[] => {
			// What is ready before the class goes home lies nowhere.
			if (entry.kind !== 'ready' || toMoment(entry.at) <= toMoment(entry.leftAt)) return []
			const { key, source, stage, leftAt, at, neededAt } = entry
			return [{ key, courseId, source, stage, from: leftAt, readyAt: at, neededOn: neededAt.date }]
		}),
	)
	const ahead = made.flatMap(({ task, end }): DryingSpan[] => {
		const { id, courseId, work, dryMinutes, forDate } = task
		// Of what is made in several goes, the last is ready last.
		if (work.kind !== 'make' || dryMinutes === undefined || (work.part && work.part.number < work.part.of)) return []
		const origin = { ...end, zone }
		const readyAt = wallTimeAfter(origin, dryMinutes)
		return [{ key: id, courseId, source: work.source, stage: undefined, from: end, readyAt, neededOn: forDate }]
	})
	return [...ahead, ...left].toSorted((a, b) => (toMoment(a.from) < toMoment(b.from) ? -1 : 1))
}

/** Dried pieces for who missed a session: what she needs of it in a later one, and by when the instructor makes it. */
import { INSTRUCTOR_FACTOR } from '../course/pace'
import type { Session } from '../course/course'
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { CompiledCourse } from '../plan/compile/compiled-course'
import type { PlanStory } from '../plan/tell/plan-story'
import { minutesSince, type ClockOrigin } from '../time/zone'
import type { WallTime } from '../time/wall-clock'
import { findWayBack } from './home-work'

export interface MakeUp {
	/** That was missed, from 1. */
	session: number
	/** Of one student, by part. */
	pieces: { name: string; count: number }[]
	/** The instructor's, for one student, >= 1. */
	minutes: number
	earliest: WallTime
	/** By which they are made, so that they are dry when they are needed. */
	latest: WallTime
	/** YYYY-MM-DD: of the session in which they are used first. */
	forDate: string
}

/** One for each session of which something is needed later, and can be dry by then. */
export function listMakeUps(
	compiled: CompiledCourse,
	designs: readonly DesignInCourse[],
	story: Pick<PlanStory, 'sessions'>,
	sessions: readonly Session[],
): MakeUp[] {
	return sessions.flatMap(({ date, endMin }, missed): MakeUp[] => {
		const needed = findWayBack(compiled, designs, story, missed).steps.flatMap(({ doneBy, ...step }) => {
			return doneBy ? [{ ...step, doneBy }] : []
		})
		const earliest = { date, minuteOfDay: endMin }
		const minutes = Math.ceil(INSTRUCTOR_FACTOR * needed.reduce((sum, step) => sum + step.minutes, 0))
		const [latest] = needed.map(({ doneBy }) => doneBy).toSorted((a, b) => apart(compiled.origin, a, b))
		const next = sessions.slice(missed + 1).find((session) => latest && session.date >= latest.date)
		if (!latest || !next || apart(compiled.origin, latest, earliest) < minutes) return []
		const pieces = new Map<string, number>()
		for (const { source } of needed)
			pieces.set(source.partName, Math.max(pieces.get(source.partName) ?? 0, source.pieceCount))
		return [
			{
				session: missed + 1,
				pieces: [...pieces].map(([name, count]) => ({ name, count })),
				...{ minutes, earliest, latest, forDate: next.date },
			},
		]
	})
}

/** Minutes from the second to the first. */
function apart(origin: ClockOrigin, one: WallTime, other: WallTime): number {
	return minutesSince(origin, one) - minutesSince(origin, other)
}

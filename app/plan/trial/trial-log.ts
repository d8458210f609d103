/**
 * What has been changed on the plan's picture, in order, with a place in it: undoing goes back, redoing forward, and neither
 * forgets anything. The plan that stands on the server is one of the places; whatever is not there is only tried.
 */
import type { Course } from '../../../core/course/course'
import { applyEdits, type CourseEdit } from '../../../core/plan/edit/course-edit'
import type { Plan } from '../../../core/plan/problem/plan'

export interface TrialLog {
	/** The course before all edits. */
	base: Course
	edits: readonly CourseEdit[]
	/** Edits that hold; those after it have been undone. */
	cursor: number
	/** Edits that hold in the course as it is kept. */
	keptAt: number
	/** Version of the course as it is kept. */
	version: number
	/** Plans by the number of edits that they hold: undoing brings back what was seen, not another plan as good. */
	plans: Readonly<Record<number, Plan>>
}

/** Plans of so many places are remembered; others are laid anew. */
const PLANS_KEPT = 80

export function beginLog(base: Course, version: number): TrialLog {
	return { base, edits: [], cursor: 0, keptAt: 0, version, plans: {} }
}

/** One edit more; what had been undone is over. */
export function withEdit(log: TrialLog, edit: CourseEdit): TrialLog {
	const edits = [...log.edits.slice(0, log.cursor), edit]
	const plans = Object.fromEntries(
		Object.entries(log.plans)
			.filter(([cursor]) => Number(cursor) <= log.cursor)
			.slice(-PLANS_KEPT),
	)
	// What is kept and has been undone cannot be reached again by redoing.
	const keptAt = log.keptAt > log.cursor ? NEVER : log.keptAt
	return { ...log, edits, cursor: log.cursor + 1, keptAt, plans }
}

/** An edit in place of the one that holds last. */
export function withEditInstead(log: TrialLog, edit: CourseEdit): TrialLog {
	return withEdit(withCursor(log, log.cursor - 1), edit)
}

/** No place in the log: the course as it is kept has been left behind. */
const NEVER = -1

/** @param cursor - anywhere from 0 to the number of edits */
export function withCursor(log: TrialLog, cursor: number): TrialLog {
	return { ...log, cursor: Math.min(log.edits.length, Math.max(0, cursor)) }
}

/** Without the edit that was made last. */
export function withoutLast(log: TrialLog): TrialLog {
	return { ...log, edits: log.edits.slice(0, -1), cursor: Math.min(log.cursor, log.edits.length - 1) }
}

/** The plan that was found for a place. */
export function withPlan(log: TrialLog, cursor: number, plan: Plan): TrialLog {
	return { ...log, plans: { ...log.plans, [cursor]: plan } }
}

/** What stands at the cursor has been kept as that version of the course. */
export function withKept(log: TrialLog, version: number): TrialLog {
	return { ...log, keptAt: log.cursor, version }
}

/** The course as it is at the cursor. */
export function courseOf({ base, edits, cursor }: TrialLog): Course {
	return applyEdits(base, edits.slice(0, cursor))
}

/** The same edits on the course as somebody else has left it. */
export function onNewBase(log: TrialLog, base: Course, version: number): TrialLog {
	return { ...beginLog(base, version), edits: log.edits, cursor: log.cursor }
}

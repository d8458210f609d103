/** The desk beside the page: one thread answers at once, another looks for better plans meanwhile. */
import { expose } from 'comlink'
import type { Course } from '../../../core/course/course'
import type { CoursePin } from '../../../core/course/course-pin'
import { InputError, type FieldProblem } from '../../../core/errors'
import type { CourseConflict } from '../../../core/plan/edit/find-conflict'
import type { Plan } from '../../../core/plan/problem/plan'
import { TrialDesk, type Foreseen, type TrialAnswer, type TrialMaterials } from './try-course'

/** From a drop to the first plan: compiling and telling it come on top. */
const FIRST_MS = 220
/** Then a better one, and a proof, are looked for so long. */
const IMPROVE_MS = 4_000

let desk: TrialDesk | undefined

function within(ms: number): () => boolean {
	const end = performance.now() + ms
	return () => performance.now() >= end
}

function open(): TrialDesk {
	if (!desk) throw new Error('nothing has been laid on the desk')
	return desk
}

export type Laid = { answer: TrialAnswer } | { problems: readonly FieldProblem[] }

const worker = {
	open(materials: TrialMaterials): void {
		desk = new TrialDesk(materials)
	},

	/** @param near - the plan that stood before the change */
	lay(course: Course, near: Plan | undefined): Laid {
		const beside = near && { start: near, near }
		return refusing(() => open().lay(course, { ...beside, shouldStop: within(FIRST_MS) }))
	},

	/** @param selected - the step whose card is open */
	show(course: Course, plan: Plan, selected: string | null): TrialAnswer | undefined {
		return open().show(course, plan, selected)
	},

	/** Looks for a better plan than the one that it starts from, and for a proof. */
	improve(course: Course, start: Plan): Laid {
		return refusing(() => open().lay(course, { start, shouldStop: within(IMPROVE_MS) }))
	},

	findConflict(course: Course): CourseConflict {
		return open().findConflict(course)
	},

	foresee(course: Course, plan: Plan, pin: Extract<CoursePin, { kind: 'start' }>): Foreseen[] {
		return open().foresee(course, plan, pin)
	},
}

/** What is wrong with the course is an answer too. */
function refusing(work: () => TrialAnswer): Laid {
	try {
		return { answer: work() }
	} catch (error) {
		if (error instanceof InputError) return { problems: error.problems }
		throw error
	}
}

export type TrialWorker = typeof worker

expose(worker)

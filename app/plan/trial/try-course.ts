/** What a change of the course would do, worked out beside the page: the same in a worker and in a test. */
import type { Course } from '../../../core/course/course'
import { validateCourse } from '../../../core/course/validate-course'
import type { CoursePin } from '../../../core/course/course-pin'
import type { Design } from '../../../core/design/design'
import { compileCourse } from '../../../core/plan/compile/compile-course'
import type { PlanTerms } from '../../../core/plan/compile/drying-terms'
import { findCourseConflict, type CourseConflict } from '../../../core/plan/edit/find-conflict'
import { moveStep } from '../../../core/plan/edit/move-step'
import { InputError } from '../../../core/errors'
import { resolvePins } from '../../../core/plan/pins/course-pins'
import {
	adoptPlan,
	planCourse,
	resolveCourse,
	type CoursePlan,
	type PlanningEffort,
} from '../../../core/plan/plan-course'
import type { Plan } from '../../../core/plan/problem/plan'
import type { TaskSource } from '../../../core/plan/compile/compiled-course'
import type { RememberChance } from '../drying-threads'
import { showPlan, type ShownPlan } from '../show-plan'
import { tellCoursePlan } from '../tell-course-plan'

/** What a trial is worked out with: the designs of the course in their order, and the studio's terms. */
export interface TrialMaterials {
	designs: readonly Design[]
	terms: PlanTerms
}

export interface TrialAnswer {
	shown: ShownPlan
	/** Absent: none was found. */
	plan?: Plan
	/** Pins that speak of what there is no longer. */
	idle: CoursePin[]
}

/** A wait that a step would cut short, laid there. */
export interface Foreseen {
	from: TaskSource
	to: TaskSource
	/** What it waits for; undefined: a film. */
	stage: string | undefined
	/** Of the wait, as it is set by hand. */
	key: string
	/** Clock minutes that there would be, and that the plan wants; may be negative: it would come before what it needs. */
	haveMinutes: number
	wantedMinutes: number
	/** In [0, 1]; absent: nothing is known of it. */
	sure?: number
}

/** One course under somebody's hands. */
export class TrialDesk {
	readonly #materials: TrialMaterials
	readonly #chances = new Map<string, { sure?: number }>()

	constructor(materials: TrialMaterials) {
		this.#materials = materials
	}

	/**
	 * The course planned, beside an older plan where there is one.
	 *
	 * @throws {InputError} by field: it is no course that can be planned
	 */
	lay(course: Course, effort: PlanningEffort): TrialAnswer {
		const { designs, terms } = this.#materials
		const problems = validateCourse(course)
		if (problems.length > 0) throw new InputError(problems)
		return this.#answer(planCourse(course, designs, terms, effort), null)
	}

	/** A plan that was found before; undefined: it is none of the course. */
	show(course: Course, plan: Plan, selected: string | null): TrialAnswer | undefined {
		const { designs, terms } = this.#materials
		const adopted = adoptPlan(course, designs, terms, plan)
		if (!adopted) return undefined
		const { compiled, objective } = adopted
		const status = objective.shortfall > 0 ? ('infeasible' as const) : ('feasible' as const)
		const searched = { proven: {}, bounds: {}, conflicts: 0, nodes: 0 }
		return this.#answer({ course, terms, compiled, status, objective, plan, ...searched }, selected)
	}

	/** Which pins of a course without a plan cannot hold together. */
	findConflict(course: Course): CourseConflict {
		return findCourseConflict(course, this.#compile(course))
	}

	/** Waits that a step would cut short, or come before, where a pin wants it to begin; all else as the plan has it. */
	foresee(course: Course, plan: Plan, pin: Extract<CoursePin, { kind: 'start' }>): Foreseen[] {
		const { designs, terms } = this.#materials
		const compiled = this.#compile(course)
		const session = course.sessions[pin.session - 1]
		if (!session) return []
		const { task, minuteOfDay } = pin
		const moved = moveStep(compiled, plan, { task, date: session.date, minuteOfDay })
		const objective = { shortfall: 0 }
		const searched = { proven: {}, bounds: {}, conflicts: 0, nodes: 0 }
		const coursePlan: CoursePlan = {
			...{ course, terms, compiled, objective, plan: moved, status: 'feasible' },
			...searched,
		}
		const told = tellCoursePlan(
			{ coursePlan, designs: resolveCourse(course, designs, coursePlan.terms) },
			this.#remember,
		)
		return (told?.story.threads ?? []).flatMap((thread): Foreseen[] => {
			const { fromTaskId, toTaskId, isSwapped, wait, least, stage, sure } = thread
			const [from, to] = [compiled.tasks[fromTaskId], compiled.tasks[toTaskId]]
			const wantedMinutes = wait.plannedMinutes
			const isOfStep = fromTaskId === task || toTaskId === task
			if (!isOfStep || isSwapped || !from || !to || wantedMinutes === undefined || least.minutes >= wantedMinutes)
				return []
			const known = least.minutes <= 0 ? { sure: 0 } : sure !== undefined && { sure }
			return [{ from, to, stage, key: wait.key, haveMinutes: least.minutes, wantedMinutes, ...known }]
		})
	}

	#compile(course: Course) {
		const { designs, terms } = this.#materials
		return compileCourse(course, resolveCourse(course, designs, terms), terms)
	}

	#answer(coursePlan: CoursePlan, selected: string | null): TrialAnswer {
		const { course, compiled, plan } = coursePlan
		const current = { coursePlan, designs: resolveCourse(course, this.#materials.designs, coursePlan.terms) }
		const told = tellCoursePlan(current, this.#remember)
		return {
			shown: showPlan(current, told, selected),
			...(plan && { plan }),
			idle: resolvePins(course, compiled).idle,
		}
	}

	/** Rooms and what is known of pastes are the same for as long as the course is in hand: the link says all else. */
	readonly #remember: RememberChance = ([link], compute) => {
		const chance = this.#chances.get(link) ?? compute()
		this.#chances.set(link, chance)
		return chance
	}
}

/** From a course and the designs it names to a plan, kept with its inputs. */
import type { Design } from '../design/design'
import { resolveDesign } from '../design/resolve-design'
import { InputError } from '../errors'
import { planExactly, type ExactPlan, type ExactTerms } from './exact/plan-exactly'
import { compileCourse, type DesignInCourse } from './compile/compile-course'
import type { CompiledCourse } from './compile/compiled-course'
import { listEndless } from './compile/find-endless'
import type { Course } from '../course/course'
import { giveKeys, nameItems } from '../course/course-items'
import { ORDINARY_TERMS, type PlanTerms } from './compile/drying-terms'

/** How much the search may do, and what it starts from. */
export type PlanningEffort = Pick<ExactTerms, 'nodes' | 'shouldStop' | 'start' | 'onProgress'>

/** A plan with all that is needed to show it again, whatever has changed since. */
export type CoursePlan = ExactPlan & PlanInputs

/** What a plan was made from. */
export interface PlanInputs {
	course: Course
	compiled: CompiledCourse
	/** What its waits were computed with. */
	terms: PlanTerms
}

/** Of a course that cannot be made, whatever is searched. */
const IMPOSSIBLE = { status: 'impossible' as const, proven: {}, bounds: {}, conflicts: 0, nodes: 0 }

/** Enough for most courses to be proven, and a second at most for the others. */
const USUAL_NODES = 1500

/**
 * @param designs - the documents of `course.designs`, in that order
 * @param terms - rooms, stores and what is known of the pastes; an ordinary room if absent
 * @param effort - by default so many nodes: the same inputs give the same plan
 * @throws {InputError} by field of the course
 */
export function planCourse(
	course: Course,
	designs: readonly Design[],
	terms: PlanTerms = ORDINARY_TERMS,
	effort: PlanningEffort = { nodes: USUAL_NODES },
): CoursePlan {
	const compiled = compileCourse(course, resolveCourse(course, designs), terms)
	const inputs = { course, compiled, terms }
	// What can never be kept is named before any search.
	if (listEndless(compiled.instance).length > 0) return { ...inputs, ...IMPOSSIBLE }
	return { ...inputs, ...planExactly(compiled.instance, effort) }
}

/**
 * The items of a course: its designs with their choices made, each with the key and the name of its item.
 *
 * @throws {InputError} a choice that a design does not have, by field of the course
 */
export function resolveCourse({ designs: chosen }: Course, designs: readonly Design[]): DesignInCourse[] {
	const names = nameItems(
		chosen,
		designs.map(({ name }) => name),
	)
	return giveKeys(chosen).flatMap(({ key, picks, flowersPerStudent }, d) => {
		const design = designs[d]
		if (!design) return []
		try {
			// From here on an item is told by its key and its name: one design may be made in several ways.
			return [
				{ design: { ...resolveDesign(design, picks), id: key, name: names[d] ?? design.name }, flowersPerStudent },
			]
		} catch (error) {
			if (!(error instanceof InputError)) throw error
			const problems = error.problems.map(({ path, message }) => ({ path: `designs[${d}].picks.${path}`, message }))
			throw new InputError(problems, { cause: error })
		}
	})
}

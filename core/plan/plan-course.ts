/** From a course and the designs it names to a plan, kept with its inputs. */
import type { Design } from '../design/design'
import { resolveDesign } from '../design/resolve-design'
import { InputError } from '../errors'
import { planExactly, type ExactPlan, type ExactTerms } from './exact/plan-exactly'
import { compileCourse, type DesignInCourse } from './compile/compile-course'
import type { CompiledCourse } from './compile/compiled-course'
import { takeHalves } from './compile/halve-class'
import { listEndless } from './compile/find-endless'
import { listTooTight } from './compile/find-tight'
import type { Course } from '../course/course'
import { checkPlan } from './checker/check-plan'
import { findBrokenPins, type Pin } from './pins/pin'
import { placeSwaps, type NamedPlan } from './named-plan'
import { resolvePins } from './pins/course-pins'
import { withLearnt } from '../learn/learnt'
import type { Plan } from './problem/plan'
import { giveKeys, nameItems } from '../course/course-items'
import { ORDINARY_TERMS, type PlanTerms } from './compile/drying-terms'
import { compareObjectives, FELT_LEVELS, type Objective } from './problem/objective'

/** How much the search may do, and what it starts from. */
export type PlanningEffort = Pick<ExactTerms, 'nodes' | 'shouldStop' | 'start' | 'near' | 'onProgress'>

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
	const compiled = compileCourse(course, resolveCourse(course, designs, terms), terms)
	// What can never be kept is named before any search.
	if (listEndless(compiled.instance).length > 0 || listTooTight(compiled.instance).length > 0)
		return { course, compiled, terms, ...IMPOSSIBLE }
	const found = planInHalves(course, compiled, effort)
	return { course, terms, ...found }
}

/**
 * The best of the course as it is and with pairs of steps done in halves: each is a problem of its own, and proven best is
 * only what is so among all of them.
 */
function planInHalves(
	course: Course,
	compiled: CompiledCourse,
	effort: PlanningEffort,
): ExactPlan & Pick<PlanInputs, 'compiled'> {
	const variants = listPinned(course, compiled)
	const search = ({ compiled: variant, pins }: Pinned, terms: PlanningEffort) => {
		return { compiled: variant, ...planExactly(variant.instance, { ...terms, pins }) }
	}
	const [only, second] = variants
	if (only && !second) return search(only, effort)
	// The most promising first: time may be over before the others have their turn.
	const searched = variants
		.map((variant, v) => ({ v, variant, ...search(variant, { nodes: 0 }) }))
		.toSorted(compareVariants)
		.map(({ v, variant, plan }) => {
			const start = effort.start ?? plan
			return { v, ...search(variant, { ...effort, ...(start && { start }) }) }
		})
		.toSorted(compareVariants)
		.map(({ v: _, ...variant }) => variant)
	const [best, ...others] = searched
	if (!best) throw new RangeError('a course has at least one variant')
	const isKnown = ({ status, proven }: ExactPlan) =>
		status === 'optimal' || status === 'impossible' || (status === 'infeasible' && proven.shortfall !== undefined)
	if (others.every(isKnown)) return best
	if (best.status === 'optimal') return { ...best, status: 'feasible', proven: {}, bounds: {} }
	return { ...best, proven: {}, bounds: {} }
}

/** A way to work the course, with its pins as pins of that problem. */
interface Pinned {
	compiled: CompiledCourse
	pins: Pin[]
}

/** The variants in which the most of the pins have something to hold. */
function listPinned(course: Course, compiled: CompiledCourse): Pinned[] {
	const variants = listVariants(compiled).map((variant) => ({ compiled: variant, ...resolvePins(course, variant) }))
	const least = Math.min(...variants.map(({ idle }) => idle.length))
	return variants.filter(({ idle }) => idle.length === least)
}

/**
 * A plan made elsewhere, judged as one of the course.
 *
 * @returns undefined: it is none, or breaks a pin
 */
export function adoptPlan(
	course: Course,
	designs: readonly Design[],
	terms: PlanTerms,
	plan: Plan | NamedPlan,
): { compiled: CompiledCourse; objective: Objective; plan: Plan } | undefined {
	const whole = compileCourse(course, resolveCourse(course, designs, terms), terms)
	for (const { compiled, pins } of listPinned(course, whole)) {
		const placed = isNamed(plan) ? placeSwaps(plan, compiled.instance) : plan
		const objective = placed && checkPlan(compiled.instance, placed).objective
		if (placed && objective && findBrokenPins(compiled.instance, placed, pins).length === 0)
			return { compiled, objective, plan: placed }
	}
	return undefined
}

/** Exchanges by name; a plan without any is both. */
function isNamed(plan: Plan | NamedPlan): plan is NamedPlan {
	return typeof plan.swaps[0] === 'string'
}

/** The course as it is first, then each offer by itself and all together. */
function listVariants(compiled: CompiledCourse): CompiledCourse[] {
	const { halves: offers = [], ...plain } = compiled
	const taken = offers.reduce<CompiledCourse[]>(
		(all, offer) => [...all, ...all.flatMap((variant) => takeHalves(variant, offer) ?? [])],
		[plain],
	)
	return taken
}

type Variant = ExactPlan & { v: number }

/** < 0 where the first is the better by what people feel; of alike ones that with the fewer halves. */
function compareVariants(a: Variant, b: Variant): number {
	if (!a.objective || !b.objective) return (a.objective ? 0 : 1) - (b.objective ? 0 : 1) || a.v - b.v
	return compareObjectives(a.objective, b.objective, FELT_LEVELS) || a.v - b.v
}

/**
 * The items of a course: its designs with their choices made, each with the key and the name of its item.
 *
 * @throws {InputError} a choice that a design does not have, by field of the course
 */
export function resolveCourse(
	{ designs: chosen, pace }: Course,
	designs: readonly Design[],
	{ learnt }: Pick<PlanTerms, 'learnt'> = {},
): DesignInCourse[] {
	const names = nameItems(
		chosen,
		designs.map(({ name }) => name),
	)
	return giveKeys(chosen).flatMap(({ key, picks, flowersPerStudent }, d) => {
		const design = designs[d]
		if (!design) return []
		try {
			const stated = resolveDesign(design, picks)
			const resolved = learnt ? withLearnt(stated, learnt, pace) : stated
			// From here on an item is told by its key and its name: one design may be made in several ways.
			return [{ design: { ...resolved, id: key, name: names[d] ?? design.name }, flowersPerStudent }]
		} catch (error) {
			if (!(error instanceof InputError)) throw error
			const problems = error.problems.map(({ path, message }) => ({ path: `designs[${d}].picks.${path}`, message }))
			throw new InputError(problems, { cause: error })
		}
	})
}

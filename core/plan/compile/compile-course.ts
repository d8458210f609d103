/**
 * From a course and its resolved designs to the class-plan problem: each step becomes a task of one student's minutes,
 * each need an arc, each technique a demonstration before its first use. Waits are asked of the drying model.
 * Assumes that all students do the same at the same time, so that they wait for tools which they share.
 */
import { present } from '../../present'
import type { Course } from '../../course/course'
import type { ResolvedDesign } from '../../design/resolve-design'
import { InputError } from '../../errors'
import type { Arc, Instance, Task } from '../problem/instance'
import { compileArcs } from './compile-arcs'
import { compileDemos } from './compile-demos'
import { compileSteps } from './compile-steps'
import type { ArcSource, CompiledCourse } from './compiled-course'
import { ORDINARY_TERMS, type PlanTerms } from './drying-terms'
import { createLimitFinder } from './find-limits'
import { createWaitFinder } from './find-waits'
import { offerHalves } from './halve-class'
import { toWindows } from './session-windows'
import { USUAL_STRAIN_TERMS } from './strain-terms'

/** One design of the course, resolved, in the order of `course.designs`. */
export interface DesignInCourse {
	design: ResolvedDesign
	flowersPerStudent: number
}

/**
 * Compiles the course.
 *
 * @param terms - rooms, stores and what is known of the pastes; an ordinary room if absent
 * @throws {InputError} by field: sessions that cannot be, or no design
 * @complexity O(steps · needs)
 */
export function compileCourse(
	course: Course,
	designs: readonly DesignInCourse[],
	terms: PlanTerms = ORDINARY_TERMS,
): CompiledCourse {
	if (designs.length === 0) throw new InputError([{ path: 'designs', message: 'Choose at least one design' }])
	const { bufferShare, ...weights } = terms.strain ?? USUAL_STRAIN_TERMS
	const { origin, windows, breaks, sessions } = toWindows(course.sessions, terms.zone, bufferShare)
	const finders = {
		findWait: createWaitFinder(course, terms, origin),
		findLimit: createLimitFinder(course, terms, origin),
	}
	const perDesign = designs.map((item) => compileSteps(course, item, terms.ownedTools ?? {}, finders))
	const steps = perDesign.flat()
	const arcs = designs.flatMap(({ design }, d) => {
		return compileArcs(design, present(perDesign[d], `the steps of ${design.name}`), finders)
	})
	const demos = compileDemos(
		steps,
		designs.map(({ design }) => design),
	)
	const instance: Instance = {
		name: course.name,
		windows,
		sessions,
		breaks,
		weights,
		endEarly: course.endEarly ?? false,
		homeWindows: homeWindowsOf(course, windows),
		tasks: withoutDampAhead([...demos.tasks, ...steps.map(({ task }) => task)], arcs),
		arcs: [...demos.arcs, ...arcs.map(({ arc }) => arc)],
		prepared: [...new Map(arcs.flatMap(({ set }) => (set ? [[set.id, set]] : []))).values()],
		sequence: designs.flatMap(({ design }, d) => {
			const list = present(perDesign[d], `the steps of ${design.name}`).map(({ id }) => id)
			return design.keepOrder === false || list.length < 2 ? [] : [list]
		}),
	}
	const halves = offerHalves(steps, instance, course.studentCount)
	return {
		instance,
		origin,
		...(halves.length > 0 && { halves }),
		tasks: { ...demos.sources, ...Object.fromEntries(steps.map(({ id, source }) => [id, source])) },
		arcs: [...demos.arcs.map((): ArcSource => ({ stage: undefined })), ...arcs.map(({ source }) => source)],
	}
}

/** What does not get dry in the store either is not made ahead. */
function withoutDampAhead(tasks: readonly Task[], arcs: readonly { arc: Arc; source: ArcSource }[]): Task[] {
	const damp = new Set(arcs.flatMap(({ arc, source }) => (source.wait?.isNeverAhead ? [arc.from] : [])))
	return tasks.map((task) => {
		return damp.has(task.id)
			? { ...task, places: task.places?.filter((place) => place !== 'ahead') ?? ['class'] }
			: task
	})
}

/**
 * Time at home lies between two sessions, so many minutes of it in each, and after the last where the course says so: there
 * it is the student's own, up to what is usual for homework.
 */
function homeWindowsOf(
	{ homeworkMinutes, homeAfterDays = 0 }: Course,
	windows: Instance['windows'],
): NonNullable<Instance['homeWindows']> {
	const between = windows.flatMap((window, w) => {
		const next = windows[w + 1]
		const isGap = homeworkMinutes > 0 && next !== undefined && next.session !== window.session
		return isGap ? [{ open: window.close, close: next.open, maxMinutes: homeworkMinutes }] : []
	})
	const last = windows.at(-1)
	if (!last || homeAfterDays === 0) return between
	const maxMinutes = Math.max(homeworkMinutes, USUAL_FINISHING_MINUTES)
	return [...between, { open: last.close, close: last.close + homeAfterDays * MINUTES_A_DAY, maxMinutes }]
}

const MINUTES_A_DAY = 1440
/** Of finishing at home, where a course has no homework to measure it by; common practice, no source. */
const USUAL_FINISHING_MINUTES = 120

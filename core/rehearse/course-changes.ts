/**
 * Changes of a course that may help its evenings. Each is planned as a press on it would plan it: what is rehearsed, and
 * told with its price, is the very plan that the course would then stand with.
 */
import type { Course } from '../course/course'
import { giveKeys } from '../course/course-items'
import { breakSpan, handsOnSpan } from '../course/session-hours'
import type { Design } from '../design/design'
import { InputError } from '../errors'
import { compileCourse } from '../plan/compile/compile-course'
import type { CompiledCourse } from '../plan/compile/compiled-course'
import type { PlanTerms } from '../plan/compile/drying-terms'
import { takeHalves } from '../plan/compile/halve-class'
import { realBreaks } from '../plan/compile/session-windows'
import { applyEdits, type CourseEdit } from '../plan/edit/course-edit'
import { planExactly } from '../plan/exact/plan-exactly'
import { resolvePins } from '../plan/pins/course-pins'
import { adoptPlan, planCourse, resolveCourse, type PlanningEffort } from '../plan/plan-course'
import { lagMinutes, type Instance } from '../plan/problem/instance'
import type { Objective } from '../plan/problem/objective'
import type { Plan } from '../plan/problem/plan'
import { endOf, minutesOfTask, runsOf } from '../plan/problem/plan-times'
import { bufferOffer } from './buffer-offer'
import type { SessionFigures } from './rehearsal'
import type { PlannedCourse } from './write-script'

/** What the change is about; the sessions of its edits are counted from 1. */
export interface CourseChange {
	kind: 'course'
	what: 'buffers' | 'longer' | 'tea' | 'fewer' | 'option' | 'dried' | 'ahead' | 'order' | 'halves'
	/** None: only its plan is another. */
	edits: readonly CourseEdit[]
	/** Of those without edits: which. */
	number?: number
}

/** A planned course with all that planning it otherwise needs. */
export interface ChangeableCourse extends PlannedCourse {
	/** In the order of `course.designs`, their choices open. */
	documents: readonly Design[]
	terms: PlanTerms
	objective: Objective
}

/** The course as it would stand. */
export interface ChangedCourse {
	course: Course
	plan: Plan
	/** More than before, or, negative, less: minutes of the instructor before class, value lost, strain. */
	price: { prepMinutes: number; valueLost: number; strain: number }
}

/** Of an evening that is no surer than this, tea and the end are tried elsewhere. */
const TIGHT = 0.95
const LATER_MINUTES = 10
const TEA_MINUTES = 15
/** Of one kind are tried. */
const MOST_PIECES = 4
const MOST_OPTIONS = 6
const OTHER_SEEDS = [2, 3, 4]
const MIDNIGHT = 1440

/** Each by itself; what cannot be planned is found out when it is tried. */
export function listCourseChanges(changeable: ChangeableCourse, sessions: readonly SessionFigures[]): CourseChange[] {
	const change = (what: CourseChange['what'], ...edits: CourseEdit[]): CourseChange => ({ kind: 'course', what, edits })
	const { course, compiled, plan } = changeable
	const tight = sessions.flatMap(({ onTime, plannedEnd }, s) => {
		return plannedEnd !== undefined && onTime.share < TIGHT ? [s] : []
	})
	const buffers = listBuffers(changeable, sessions)
	return [
		...(buffers.length > 0 ? [change('buffers', ...buffers)] : []),
		...tight.flatMap((s): CourseChange[] => {
			const { startMin = 0, endMin = MIDNIGHT } = course.sessions[s] ?? {}
			const hours = { kind: 'hours' as const, session: s + 1, startMin, endMin: endMin + LATER_MINUTES }
			return hours.endMin < MIDNIGHT ? [change('longer', hours)] : []
		}),
		...tight.flatMap((s) => listTeas(changeable, s).map((edit) => change('tea', edit))),
		...giveKeys(course.designs).flatMap(({ key, flowersPerStudent: count }) =>
			count > 1 ? [change('fewer', { kind: 'flowers', item: key, count: count - 1 })] : [],
		),
		...listOptions(changeable).map((edit) => change('option', edit)),
		...listSwaps(compiled.instance, plan).map((edit) => change('dried', edit)),
		...listAhead(compiled.instance, plan).map((edit) => change('ahead', edit)),
		...OTHER_SEEDS.map((number): CourseChange => ({ ...change('order'), number })),
		...(recompile(changeable, course).halves ?? []).map((_, number): CourseChange => ({ ...change('halves'), number })),
	]
}

/** @returns undefined: it does not fit then, or nothing of the plan would be another */
export function planChange(
	changeable: ChangeableCourse,
	change: CourseChange,
	effort: PlanningEffort,
): (PlannedCourse & ChangedCourse) | undefined {
	const found = findPlan(changeable, change, effort)
	if (!found || found.objective.shortfall > 0) return undefined
	const { course, compiled, plan, objective } = found
	if (change.edits.length === 0 && JSON.stringify(plan) === JSON.stringify(changeable.plan)) return undefined
	const before = changeable.objective
	const more = (level: 'prepMinutes' | 'valueLost' | 'strain') => (objective[level] ?? 0) - (before[level] ?? 0)
	return {
		...changeable,
		...{ course, compiled, plan, designs: resolveCourse(course, changeable.documents, changeable.terms) },
		price: { prepMinutes: more('prepMinutes'), valueLost: more('valueLost'), strain: more('strain') },
	}
}

interface Found {
	course: Course
	compiled: CompiledCourse
	plan: Plan
	objective: Objective
}

function findPlan(changeable: ChangeableCourse, change: CourseChange, effort: PlanningEffort): Found | undefined {
	const { documents, terms, plan: near } = changeable
	if (change.edits.length === 0) return findOtherPlan(changeable, change, effort)
	const course = applyEdits(changeable.course, change.edits)
	try {
		// With ten minutes more nothing need be laid otherwise: they are to be spare.
		const adopted = change.what === 'longer' ? adoptPlan(course, documents, terms, near) : undefined
		if (adopted) return { course, ...adopted }
		const planned = planCourse(course, documents, terms, { ...effort, near })
		const { compiled, plan, objective } = planned
		return plan && objective && { course, compiled, plan, objective }
	} catch (error) {
		// Tea that would lie outside of its evening, and the like.
		if (error instanceof InputError) return undefined
		throw error
	}
}

/** Of the same course: in another order, or in halves. */
function findOtherPlan(
	changeable: ChangeableCourse,
	{ what, number = 0 }: CourseChange,
	effort: PlanningEffort,
): Found | undefined {
	const { course, objective: before } = changeable
	const compiled = what === 'halves' ? inHalves(recompile(changeable, course), number) : changeable.compiled
	if (!compiled) return undefined
	const { pins } = resolvePins(course, compiled)
	const terms = what === 'order' ? { nodes: 0, seed: number } : effort
	const { plan, objective } = planExactly(compiled.instance, { ...terms, pins })
	if (!plan || !objective) return undefined
	// As much is taught, and no more of her time is asked for.
	const isAsGood =
		(objective.valueLost ?? 0) <= (before.valueLost ?? 0) && (objective.prepMinutes ?? 0) <= (before.prepMinutes ?? 0)
	return isAsGood ? { course, compiled, plan, objective } : undefined
}

function inHalves({ halves = [], ...plain }: CompiledCourse, number: number): CompiledCourse | undefined {
	const offer = halves[number]
	return offer && takeHalves(plain, offer)
}

function recompile({ documents, terms }: ChangeableCourse, course: Course): CompiledCourse {
	return compileCourse(course, resolveCourse(course, documents, terms), terms)
}

/** To every evening what nine in ten need, where the plan wants less. */
function listBuffers({ compiled }: ChangeableCourse, sessions: readonly SessionFigures[]): CourseEdit[] {
	return sessions.flatMap((session, s): CourseEdit[] => {
		const offer = bufferOffer(session, openOf(compiled, s), wantedBuffer(compiled, s))
		return offer === 'offered' ? [{ kind: 'buffer', session: s + 1, minutes: session.bufferMinutes }] : []
	})
}

function openOf({ instance }: CompiledCourse, s: number): number {
	return instance.windows.find(({ session }) => session === s + 1)?.open ?? 0
}

/** What the plan of a session, by its index, was asked to leave spare. */
export function wantedBuffer({ instance }: Pick<CompiledCourse, 'instance'>, s: number): number {
	return instance.sessions?.find(({ session }) => session === s + 1)?.bufferMinutes ?? 0
}

/** A quarter of an hour sooner, or later, than it lies. */
function listTeas({ course, compiled, plan }: ChangeableCourse, s: number): CourseEdit[] {
	const session = course.sessions[s]
	const window = compiled.instance.windows.find((own) => own.session === s + 1)
	if (!session || !window) return []
	const first = course.sessions.slice(0, s).reduce((count, before) => count + realBreaks(before).length, 0)
	return realBreaks(session).flatMap((pause, b) => {
		const lies = plan.breaks?.[first + b]
		const planned =
			lies === undefined ? breakSpan(session, pause).earliest : handsOnSpan(session).open + lies - window.open
		return [-TEA_MINUTES, TEA_MINUTES].map((minutes): CourseEdit => {
			return { kind: 'break', session: s + 1, startMin: pause.startMin, toMin: planned + minutes }
		})
	})
}

/** Other options with less work. */
function listOptions(changeable: ChangeableCourse): CourseEdit[] {
	const { course, compiled, documents } = changeable
	const before = workIn(compiled.instance)
	const all = giveKeys(course.designs).flatMap(({ key, picks }, d) =>
		(documents[d]?.choices ?? []).flatMap(({ id, options }): CourseEdit[] => {
			const chosen = picks[id] ?? options[0]?.id
			return options
				.filter((option) => option.id !== chosen)
				.map((option) => ({ kind: 'pick', item: key, choice: id, option: option.id }))
		}),
	)
	return all
		.map((edit) => ({ edit, minutes: workIn(recompile(changeable, applyEdits(course, [edit])).instance) }))
		.filter(({ minutes }) => minutes < before)
		.toSorted((a, b) => a.minutes - b.minutes)
		.slice(0, MOST_OPTIONS)
		.map(({ edit }) => edit)
}

function workIn({ tasks }: Instance): number {
	return tasks.reduce((sum, task) => sum + minutesOfTask(task), 0)
}

/** Dried pieces where the plan waits, those with the least slack first. */
function listSwaps(instance: Instance, plan: Plan): CourseEdit[] {
	const waits = instance.arcs.flatMap((arc, a) => {
		const mayBeSwapped = (arc.swap ?? arc.swapPrep) !== undefined && !plan.swaps.includes(a)
		const [end, start] = [endOf(instance, plan, arc.from), runsOf(plan, arc.to)[0]?.start]
		if (!mayBeSwapped || end === undefined || start === undefined || lagMinutes(arc) === 0) return []
		return [{ from: arc.from, to: arc.to, slack: start - end - lagMinutes(arc) }]
	})
	return waits
		.filter(({ from, to }, w) => waits.findIndex((other) => other.from === from && other.to === to) === w)
		.toSorted((a, b) => a.slack - b.slack)
		.slice(0, MOST_PIECES)
		.map(({ from, to }) => ({ kind: 'pin', pin: { kind: 'swap', from, to, isSwapped: true } }))
}

/** What is done in class and may be made ahead, the most work first. */
function listAhead({ tasks }: Instance, { placements }: Plan): CourseEdit[] {
	return tasks
		.filter(({ id, places }) => placements[id]?.place === 'class' && places?.includes('ahead'))
		.toSorted((a, b) => minutesOfTask(b) - minutesOfTask(a))
		.slice(0, MOST_PIECES)
		.map(({ id }) => ({ kind: 'pin', pin: { kind: 'place', task: id, place: 'ahead' } }))
}

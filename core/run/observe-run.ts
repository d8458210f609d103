/** What a session that was taught says of how long its steps take, of what breaks and who waits: observations for learning. */
import { paceFactor } from '../course/pace'
import type { Course } from '../course/course'
import { giveKeys } from '../course/course-items'
import { learntPartKey, type Learnt } from '../learn/learnt'
import { learntFactor, learntStepKey } from '../learn/learnt-minutes'
import type { MinutesObservation } from '../learn/minutes-belief'
import type { SeenPart, SeenQueue } from '../learn/seen'
import type { ResolvedStep } from '../design/resolve-design'
import type { DesignInCourse } from '../plan/compile/compile-course'
import { worksOfTask, type StepSource } from '../plan/compile/compiled-course'
import { mostOf, USUAL_TERMS } from '../rehearse/script'
import { minutesRunning, type EntryState, type RunState } from './fold-run'
import { taskOfEntry, type RunPlan } from './run-plan'

export interface TaughtCourse {
	/** Of the group that met, in the studio. */
	classId: string
	course: Pick<Course, 'pace' | 'planFor' | 'studentCount' | 'designs'>
	/** As the plan has them. */
	designs: readonly DesignInCourse[]
	/** That the plan was made with; absent: with what the designs state. */
	learnt?: Learnt | undefined
}

export interface RunObservations {
	minutes: MinutesObservation[]
	breakage: SeenPart[]
	queues: SeenQueue[]
}

/**
 * Of what has been begun: its real minutes without breaks and pauses, as an interval where not all was pressed; what was
 * going on at the close took at least so long.
 *
 * @param state - of a session that is over; of one that is not, nothing is said of what goes on
 */
export function observeRun(state: RunState, taught: TaughtCourse): RunObservations {
	const studentCount = presentCount(state, taught.course.studentCount)
	if (studentCount === 0) return { minutes: [], breakage: [], queues: [] }
	const minutes = state.entries.flatMap((own): MinutesObservation[] => {
		const { source, id, startMin, endMin } = own.entry
		const took = minutesTaken(own, state)
		if (source?.type !== 'step' || !took) return []
		const doneCount = isOfAll(own) ? studentCount : mostCount(studentCount)
		const occasion = { id, plannedMinutes: endMin - startMin, studentCount, doneCount, ...took }
		return observeStep(source, occasion, { plan: state.plan, taught })
	})
	const sources = state.entries.flatMap(({ entry, status }) => {
		return status === 'done' && entry.source?.type === 'step' ? [entry.source] : []
	})
	const lostOf = (partName: string) => {
		return state.broken.reduce((sum, own) => sum + (own.kind === partName ? own.count : 0), 0)
	}
	const most = new Map<string, number>()
	for (const { tool, count } of state.queues) most.set(tool, Math.max(count, most.get(tool) ?? 0))
	const session = { plan: state.plan, taught }
	return {
		minutes,
		breakage: observeParts(sources, { lostOf, studentCount, ...session }),
		queues: observeQueues(most, studentCount, session),
	}
}

/** How long a session took, told by hand when it is over. */
export interface SessionForm {
	/** Who were there, >= 1. */
	studentCount: number
	/** When most were done, or all. */
	told: 'most' | 'all'
	/** By task: real minutes of it in this session, > 0. */
	minutes: Readonly<Record<string, number>>
	/** Broken pieces by the name of their part, 0 where none broke; of a part that is not named nothing is said. */
	broken: Readonly<Record<string, number>>
	/** Students who stood waiting at once, by tool; 0: nobody; of a tool that is not named nothing is said. */
	waiting: Readonly<Record<string, number>>
}

/** What is told by hand of a session that was taught without a tablet. */
export function observeForm(form: SessionForm, plan: RunPlan, taught: TaughtCourse): RunObservations {
	const { studentCount } = form
	const doneCount = form.told === 'all' ? studentCount : mostCount(studentCount)
	const tasks = tasksOf(plan)
	const minutes = tasks.flatMap(({ id, source, plannedMinutes }) => {
		const real = form.minutes[id]
		if (real === undefined) return []
		return observeStep(source, { id, plannedMinutes, studentCount, doneCount, from: real, to: real }, { plan, taught })
	})
	const lostOf = (partName: string) => form.broken[partName] ?? 0
	const sources = tasks.flatMap(({ source }) => (form.broken[source.partName] === undefined ? [] : [source]))
	const session = { plan, taught }
	return {
		minutes,
		breakage: observeParts(sources, { lostOf, studentCount, ...session }),
		queues: observeQueues(Object.entries(form.waiting), studentCount, session),
	}
}

/** Who stood waiting at once, tool by tool; never more than were there. */
function observeQueues(
	most: Iterable<readonly [tool: string, waiting: number]>,
	studentCount: number,
	{ plan: { session, date }, taught: { classId } }: Session,
): SeenQueue[] {
	return [...most].map(([tool, waiting]) => {
		const head = { id: `${classId} ${session} waits for ${tool}`, classId, date }
		return { ...head, tool, waiting: Math.min(waiting, studentCount), studentCount }
	})
}

/** What the steps of a session are done with, in the order of the plan, each once. */
export function toolsOf(plan: Pick<RunPlan, 'entries'>, designs: readonly DesignInCourse[]): string[] {
	return [...new Set(tasksOf(plan).flatMap(({ source }) => stepsOf(source, designs).flatMap(({ tools }) => tools)))]
}

/** Names of the parts that the steps of a session are done to, in the order of the plan, each once; a whole flower is none. */
export function partsOf(plan: Pick<RunPlan, 'entries'>): string[] {
	const works = tasksOf(plan).flatMap(({ source }) => worksOfTask(source))
	return [...new Set(works.flatMap(({ partId, partName }) => (partId === undefined ? [] : [partName])))]
}

/** Steps of a session, each once, whatever interrupts it; in the order of the plan. */
export function tasksOf({
	entries,
}: Pick<RunPlan, 'entries'>): { id: string; source: StepSource; plannedMinutes: number }[] {
	const tasks = new Map<string, { id: string; source: StepSource; plannedMinutes: number }>()
	for (const entry of entries) {
		if (entry.source?.type !== 'step') continue
		const id = taskOfEntry(entry)
		const before = tasks.get(id)?.plannedMinutes ?? 0
		tasks.set(id, { id, source: entry.source, plannedMinutes: before + entry.endMin - entry.startMin })
	}
	return [...tasks.values()]
}

interface StepOccasion extends Pick<MinutesObservation, 'studentCount' | 'doneCount' | 'from' | 'to'> {
	/** Of the entry or the task. */
	id: string
	plannedMinutes: number
}

interface Session {
	plan: RunPlan
	taught: TaughtCourse
}

/** @returns nothing of the halves of a class, which do two steps at once: neither has minutes of its own */
function observeStep(
	source: StepSource,
	{ id, plannedMinutes, ...occasion }: StepOccasion,
	{ plan: { session, date }, taught }: Session,
): MinutesObservation[] {
	if (source.halves) return []
	const { classId, course, designs } = taught
	const technique = techniqueOf(source, designs)
	const designId = designIdOf(source, course)
	const keyOf = (stepId: string) => learntStepKey(designId, stepId)
	const alsoSteps = source.alsoSteps?.map(keyOf)
	return [
		{
			...{ id: `${classId} ${session} ${id}`, classId, date, level: course.pace },
			...(technique !== undefined && { technique }),
			step: keyOf(source.stepId),
			...(alsoSteps && { alsoSteps }),
			statedMinutes: plannedMinutes / paceFactor(course.pace, course.planFor) / plannedFactor(source, taught, keyOf),
			...occasion,
		},
	]
}

/** A design that is made in several ways is one design. */
function designIdOf({ designId }: Pick<StepSource, 'designId'>, { designs }: TaughtCourse['course']): string {
	return giveKeys(designs).find(({ key }) => key === designId)?.designId ?? designId
}

function mostCount(studentCount: number): number {
	return mostOf(USUAL_TERMS.mostShare, studentCount)
}

function presentCount({ attendance }: RunState, studentCount: number): number {
	const isMissing = ({ is }: { is: string }) => is === 'away' || is === 'gone'
	return studentCount - [...attendance.values()].filter(isMissing).length
}

/** @returns undefined: it was not begun, or says nothing */
function minutesTaken(own: EntryState, state: RunState): Pick<MinutesObservation, 'from' | 'to'> | undefined {
	const { begun, most, status } = own
	if (!begun) return undefined
	if (status === 'running') {
		if (state.closed === undefined) return undefined
		const from = minutesRunning(own, state, state.closed)
		return from > 0 ? { from, to: Infinity } : undefined
	}
	if (!most) return undefined
	const between = (first: number, last: number) => {
		return minutesRunning({ ...own, begun: { when: first } }, state, Math.max(first, last))
	}
	const to = between(begun.from ?? begun.when, most.when)
	const from = between(begun.when, most.from ?? most.when)
	// What was over in no time was not taught, or pressed on the way to something else.
	return to > 0 ? { from: Math.min(from, to), to } : undefined
}

/** Nobody said when most were done. */
function isOfAll({ most, all }: EntryState): boolean {
	return all !== undefined && most?.when === all.when
}

function stepsOf(source: StepSource, designs: readonly DesignInCourse[]): ResolvedStep[] {
	return worksOfTask(source).flatMap(({ designId, stepIds }) => {
		const steps = designs.find(({ design }) => design.id === designId)?.design.steps ?? []
		return steps.filter(({ id }) => stepIds.includes(id))
	})
}

function techniqueOf(...task: Parameters<typeof stepsOf>): string | undefined {
	return stepsOf(...task).find(({ technique }) => technique !== undefined)?.technique
}

/** By which the plan's minutes of a task are longer than the stated ones: each of its steps by its own factor. */
function plannedFactor(
	source: Parameters<typeof stepsOf>[0],
	{ course, designs, learnt }: TaughtCourse,
	keyOf: (stepId: string) => string,
): number {
	if (!learnt) return 1
	const minutes = stepsOf(source, designs).map(({ id, technique, minutesPerPiece, fixedMinutes }) => {
		const planned = minutesPerPiece + fixedMinutes
		return { planned, stated: planned / learntFactor(learnt, { pace: course.pace, step: keyOf(id), technique }) }
	})
	const sum = (of: (own: (typeof minutes)[number]) => number) => minutes.reduce((all, own) => all + of(own), 0)
	return sum(({ planned }) => planned) / sum(({ stated }) => stated)
}

/**
 * Pieces of the parts that were worked on, as far as their breaking is spread over the steps that are done to them, and of
 * them the broken ones. Of parts that do not break nothing is said.
 */
function observeParts(
	done: readonly StepSource[],
	{ lostOf, studentCount, plan, taught }: Session & { lostOf: (partName: string) => number; studentCount: number },
): SeenPart[] {
	const { classId, course, designs } = taught
	const parts = new Map<string, SeenPart>()
	for (const { designId, partId, partName, pieceCount, stepIds } of done.flatMap(worksOfTask)) {
		const design = designs.find((own) => own.design.id === designId)?.design
		const part = design?.parts.find(({ of }) => of === partId)
		const stated = part?.lostBefore?.stated ?? part?.breakage ?? 0
		if (!design || !part || stated === 0) continue
		const key = learntPartKey(designIdOf({ designId }, course), part.of)
		const own: SeenPart = parts.get(key) ?? {
			...{ id: `${classId} ${plan.session} ${key}`, classId, date: plan.date, level: course.pace },
			...{ part: key, partName, stated, made: 0, broken: lostOf(partName) },
		}
		const stepCount = design.steps.filter((step) => step.part === part.of).length
		own.made += (studentCount * pieceCount * stepIds.length) / Math.max(1, stepCount)
		parts.set(key, own)
	}
	// Of parts of two designs that have one name nobody knows which broke.
	const isAlone = ({ part, partName }: SeenPart) => {
		return [...parts.values()].every((other) => other.part === part || other.partName !== partName)
	}
	return [...parts.values()].filter(isAlone).map((own) => ({ ...own, made: Math.max(own.made, own.broken) }))
}

/** What the solver's threads are asked, and how each job is done: the same in a thread and, where there is none, here. */
import { planCourse, resolveCourse, type CoursePlan } from '../../../core/plan/plan-course'
import { rankWays, type TriedWay } from '../../../core/plan/ways-out/way-out'
import { tryWaysOut } from '../../../core/plan/ways-out/ways-out'
import type { Slot } from '../../../core/plan/what-fits/slot'
import { findFits, type DesignFit } from '../../../core/plan/what-fits/what-fits'
import { findRelief, type Relief } from '../../../core/prepare/find-relief'
import { layPreparation, type HandsTerms, type LaidPreparation } from '../../../core/prepare/lay-preparation'
import type { PrepTask } from '../../../core/prepare/prep-tasks'
import { Rehearsal, type RehearsalFigures } from '../../../core/rehearse/rehearsal'
import type { RehearsalTerms, Script } from '../../../core/rehearse/script'
import type { Course } from '../../../core/course/course'
import type { PlanTerms } from '../../../core/plan/compile/drying-terms'
import type { Design } from '../../../core/design/design'
import { InputError } from '../../../core/errors'
import type { Plan } from '../../../core/plan/problem/plan'

export type SolverJob =
	| {
			kind: 'plan'
			course: Course
			designs: readonly Design[]
			terms: PlanTerms
			/** A plan to start from. */
			start?: Plan
			/** 0: the first plan, without a search. */
			timeMs: number
	  }
	| {
			kind: 'ways-out'
			coursePlan: CoursePlan
			designs: readonly Design[]
			/** Changes made together, 1 to 3. */
			most: number
			timeMs: number
	  }
	| {
			kind: 'what-fits'
			design: Design
			slot: Slot
			terms: PlanTerms
			/** For all ways of the design; the usual one is looked at in any case. */
			timeMs: number
	  }
	| { kind: 'rehearse'; script: Script; terms: RehearsalTerms; classCount: number; timeMs: number }
	| { kind: 'prepare'; tasks: readonly PrepTask[]; terms: HandsTerms; timeMs: number }

/** Work before class, with what would help where it is not all in time. */
export interface LaidWork {
	laid: LaidPreparation
	relief: Relief[]
}

export interface SolverResults {
	plan: CoursePlan
	'ways-out': TriedWay[]
	/** Undefined: the design is none for the slot. */
	'what-fits': DesignFit | undefined
	prepare: LaidWork
	rehearse: RehearsalFigures
}

/** As it goes from thread to thread: a refused input is an answer too. */
export type SolverReply<Kind extends keyof SolverResults> =
	{ result: SolverResults[Kind] } | { problems: InputError['problems'] }

/** Decisions of one search where no thread takes it and a page waits. */
const NODES_WITHOUT_THREAD = 600
/** Each way out has at least so long. */
const LEAST_WAY_MS = 400
const EXPECTED_WAYS = 6

/** @param now - a clock in ms; undefined: the work is limited by nodes instead, so that a page does not wait long */
export function performJob(job: SolverJob, now: (() => number) | undefined): SolverReply<typeof job.kind> {
	try {
		return { result: resultOf(job, now) }
	} catch (error) {
		if (error instanceof InputError) return { problems: error.problems }
		throw error
	}
}

function resultOf(job: SolverJob, now: (() => number) | undefined): SolverResults[SolverJob['kind']] {
	switch (job.kind) {
		case 'plan':
			return planJob(job, now)
		case 'ways-out':
			return waysOutJob(job, now)
		case 'prepare': {
			const { tasks, terms, timeMs } = job
			const end = now && now() + timeMs
			const effort = now && end !== undefined ? { shouldStop: () => now() >= end } : { steps: 0 }
			const laid = layPreparation(tasks, terms, effort)
			return { laid, relief: findRelief(tasks, terms, laid) }
		}
		case 'rehearse': {
			const rehearsal = new Rehearsal(job.script, job.terms)
			rehearsal.play(job.classCount)
			return rehearsal.figures()
		}
		case 'what-fits': {
			const { design, slot, terms, timeMs } = job
			const end = now && now() + timeMs
			return findFits(design, slot, { terms, ...(now && end !== undefined && { shouldStop: () => now() >= end }) })
		}
	}
}

function planJob(
	{ course, designs, terms, start, timeMs }: Extract<SolverJob, { kind: 'plan' }>,
	now: (() => number) | undefined,
): CoursePlan {
	return planCourse(course, designs, terms, { ...effort(now, timeMs), ...(start && { start }) })
}

function waysOutJob(
	{ coursePlan, designs, most, timeMs }: Extract<SolverJob, { kind: 'ways-out' }>,
	now: (() => number) | undefined,
): TriedWay[] {
	const resolved = resolveCourse(coursePlan.course, designs, coursePlan.terms)
	const share = Math.max(LEAST_WAY_MS, timeMs / EXPECTED_WAYS)
	const deadline = now && now() + timeMs
	const effortOf = () => {
		const { shouldStop, ...terms } = effort(now, share)
		if (!now || deadline === undefined || !shouldStop) return terms
		return { ...terms, shouldStop: () => shouldStop() || now() >= deadline }
	}
	return rankWays([...tryWaysOut(coursePlan, resolved, { effortOf, most, documents: designs })])
}

function effort(now: (() => number) | undefined, timeMs: number): { nodes?: number; shouldStop?: () => boolean } {
	if (timeMs === 0) return { nodes: 0 }
	if (!now) return { nodes: NODES_WITHOUT_THREAD }
	const end = now() + timeMs
	return { shouldStop: () => now() >= end }
}

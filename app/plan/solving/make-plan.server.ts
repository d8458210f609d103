/** A course planned by the solver's threads, in a time that a page can wait; the rest of the search goes on behind it. */
import type { CoursePlan } from '../../../core/plan/plan-course'
import { BusyError } from '../../../core/errors'
import { isOpenPlan } from '../../../core/plan/exact/plan-exactly'
import { compareObjectives } from '../../../core/plan/problem/objective'
import type { Studio } from '../../../db/repositories/accounts.server'
import { createPlan, findNewestPlan } from '../../../db/repositories/plans.server'
import { log } from '../../shared/http/log.server'
import type { SolverJob } from './solver-job'
import { isSolverBusy, solve } from './solver-pool.server'

/** Most courses are proven in a fraction of it. */
const PLAN_TIME_MS = 1500
/** Where none that fits was found in it, the search goes on for so long behind the page. */
const OPEN_TIME_MS = 10_000

export type PlanJob = Omit<Extract<SolverJob, { kind: 'plan' }>, 'kind' | 'timeMs'>

export interface MadePlan {
	plan: CoursePlan
	/** Only the first plan that was found, since others were waiting, or none that fits yet: a better one is to be looked for. */
	isQuick: boolean
}

/**
 * The best plan found in that time, or where others wait already the first one, at once.
 *
 * @throws {InputError} by field of the course
 * @throws {BusyError} even for that there are too many
 */
export async function makePlan(studio: Studio, job: PlanJob): Promise<MadePlan> {
	const isQuick = isSolverBusy()
	const timeMs = isQuick ? 0 : PLAN_TIME_MS
	const plan = await solve<'plan'>(studio.id, { kind: 'plan', ...job, timeMs }, isQuick ? 'at once' : 'soon')
	return { plan, isQuick: isOpenPlan(plan) || (isQuick && plan.status !== 'optimal') }
}

/** Courses whose better plan is being looked for, by id. */
const improving = new Set<number>()
/** By course: the plan to improve next, once the search that is under way has ended. */
const waiting = new Map<number, Improvement>()

/** Whether a better plan than the one that stands is being looked for by itself. */
export function isImproving(courseId: number): boolean {
	return improving.has(courseId)
}

export interface QuickPlan {
	courseId: number
	planId: number
	fingerprint: string
	plan: CoursePlan
}

interface Improvement {
	studio: Studio
	job: PlanJob
	quick: QuickPlan
}

/**
 * Looks for a better plan than a quick one when there is time; it is kept unless another has been kept meanwhile, which then
 * has its turn.
 */
export function improveLater(studio: Studio, job: PlanJob, quick: QuickPlan): void {
	const { courseId } = quick
	waiting.set(courseId, { studio, job, quick })
	if (improving.has(courseId)) return
	improving.add(courseId)
	void improveInTurn(courseId).finally(() => improving.delete(courseId))
}

async function improveInTurn(courseId: number): Promise<void> {
	for (let next = waiting.get(courseId); next; next = waiting.get(courseId)) {
		waiting.delete(courseId)
		try {
			await improve(next.studio, next.job, next.quick)
		} catch (error) {
			// The quick plan stands; who wants a better one can ask for it.
			if (!(error instanceof BusyError)) log.error({ err: error }, 'a plan could not be improved')
		}
	}
}

async function improve(studio: Studio, job: PlanJob, { courseId, planId, fingerprint, plan }: QuickPlan) {
	const start = plan.plan && { start: plan.plan }
	const timeMs = isOpenPlan(plan) ? OPEN_TIME_MS : PLAN_TIME_MS
	const better = await solve<'plan'>(studio.id, { kind: 'plan', ...job, ...start, timeMs }, 'later')
	const newest = await findNewestPlan(studio.id, courseId)
	if (newest?.id !== planId) return
	const isBetter = better.objective && (!plan.objective || compareObjectives(better.objective, plan.objective) < 0)
	if (isBetter || better.status !== plan.status || isOpenPlan(better) !== isOpenPlan(plan))
		await createPlan(studio.id, { courseId, fingerprint, document: better })
}

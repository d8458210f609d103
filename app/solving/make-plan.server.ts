/** A course planned by the solver's threads, in a time that a page can wait. */
import type { CoursePlan } from '../../core/courses/plan-course'
import type { Studio } from '../../db/repositories/accounts.server'
import type { SolverJob } from './solver-job'
import { solve } from './solver-pool.server'

/** Most courses are proven in a fraction of it. */
const PLAN_TIME_MS = 1500

/**
 * The best plan found in that time.
 *
 * @throws {InputError} by field of the course
 * @throws {BusyError} the studio has too many courses being planned
 */
export function makePlan(
	studio: Studio,
	job: Omit<Extract<SolverJob, { kind: 'plan' }>, 'kind' | 'timeMs'>,
): Promise<CoursePlan> {
	return solve<'plan'>(studio.id, { kind: 'plan', ...job, timeMs: PLAN_TIME_MS })
}

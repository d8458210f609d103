/** Plans that come from outside the server's own search. */
import { InputError } from '../../core/errors'
import { carryProof } from '../../core/plan/exact/carry-proof'
import type { NamedPlan } from '../../core/plan/named-plan'
import { adoptPlan, type CoursePlan } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import type { Studio } from '../../db/repositories/accounts.server'
import { makePlan, type PlanJob } from './solving/make-plan.server'

/**
 * A plan that somebody brings, as one of the course: what it is worth, and what is proven of it, is found out here.
 *
 * @throws {InputError} it is no plan of this course
 * @throws {BusyError} too many ask at once
 */
export async function judgePlan(studio: Studio, job: PlanJob, brought: Plan | NamedPlan): Promise<CoursePlan> {
	const { course, designs, terms } = job
	const adopted = adoptPlan(course, designs, terms, brought)
	if (!adopted) throw new InputError([{ path: 'plan', message: 'This is no plan of the course as it is.' }])
	const { compiled, objective, plan } = adopted
	const { plan: searched } = await makePlan(studio, { ...job, start: plan })
	const { conflicts, nodes } = searched
	// A proof is of the problem that was searched: with other steps in halves it is another.
	const isSame = JSON.stringify(Object.keys(searched.compiled.tasks)) === JSON.stringify(Object.keys(compiled.tasks))
	const proof = carryProof(isSame ? searched : { proven: {}, bounds: {} }, objective)
	return { course, terms, compiled, conflicts, nodes, plan, objective, ...proof }
}

/** What is proven of the best plan, said of another plan of the same instance. */
import { OBJECTIVE_LEVELS, type Objective } from '../problem/objective'
import type { ExactPlan, FoundPlan } from './plan-exactly'

type Proof = Pick<ExactPlan, 'proven' | 'bounds'> & Pick<FoundPlan, 'status'>

/**
 * The proof that holds for a plan: levels in turn, each for as long as the plan has the value that was proven the
 * least; then the bound of the first level where it has more.
 *
 * @param searched - of a search without pins and limits
 */
export function carryProof({ proven, bounds }: Omit<Proof, 'status'>, objective: Objective): Proof {
	const carried: Proof = { status: objective.shortfall > 0 ? 'infeasible' : 'feasible', proven: {}, bounds: {} }
	for (const level of OBJECTIVE_LEVELS) {
		const value = objective[level]
		if (value === undefined) return carried
		const bound = proven[level] ?? bounds[level]
		if (bound !== undefined) carried.bounds[level] = bound
		if (proven[level] !== value) return carried
		carried.proven[level] = value
	}
	return { ...carried, status: 'optimal' }
}

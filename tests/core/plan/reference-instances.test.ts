import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../core/plan/checker/check-plan'
import { planExactly } from '../../../core/plan/exact/plan-exactly'
import { compareObjectives, FIRST_LEVELS, type Objective } from '../../../core/plan/problem/objective'
import { planQuickly } from '../../../core/plan/quick/plan-quickly'
import ownInstances from '../../fixtures/planning.json'
import { readInstance, readPlan } from '../../../exchange/read-document'
import { listReferenceInstances } from '../../support/reference-instances'

const references = listReferenceInstances()

// Vectors proven by a lazy-clause-generation solver of a general package; see the checks' own README.
describe('the reference instances', () => {
	test.each(references)('$file: the checker gives the reference plan its stored vector', ({ instance, reference }) => {
		const report = checkPlan(instance, reference.plan)

		expect(report.errors).toEqual([])
		expect(report.objective).toMatchObject(reference.best)
	})

	test.each(references)(
		'$file: the quick plan passes the checker, and beats no proven level',
		({ instance, reference, levels }) => {
			const quick = planQuickly(instance, { levels })

			// Where it finds none at all, the search has to.
			if (!quick.plan) return
			const report = checkPlan(instance, quick.plan)
			expect(report.errors).toEqual([])
			expect(report.objective).toEqual(quick.objective)
			expect(
				compareObjectives(report.objective as Objective, reference.proven as Objective, levels),
			).toBeGreaterThanOrEqual(0)
		},
	)
})

// Old instances keep their meaning but for the levels of today; no vectors of them are proven elsewhere.
describe('instances of 26 to 40 tasks, by the levels of today', () => {
	const large = references.filter(({ levels, instance: { tasks } }) => levels === FIRST_LEVELS && tasks.length > 25)
	const soonest = large.filter(({ file }) =>
		['37', '41', '47', '51', '59'].some((name) => file.endsWith(`/${name}.json`)),
	)

	test.each(soonest)('$file is proven in all levels', ({ instance, reference }) => {
		const { status, objective, plan } = planExactly(instance, { nodes: 20_000 })

		expect(status).toBe('optimal')
		expect(plan && checkPlan(instance, plan)).toEqual({ ok: true, errors: [], objective })
		const known = checkPlan(instance, reference.plan).objective as Objective
		expect(compareObjectives(objective as Objective, known)).toBeLessThanOrEqual(0)
	})
})

// A small set of our own, solved by hand: the reason of each optimum stands beside it.
describe('own instances, optimum by hand', () => {
	test.each(ownInstances)('$instance.name: $why', ({ instance, best, plan }) => {
		const read = readInstance(instance)

		expect(checkPlan(read, readPlan(plan)).objective).toMatchObject(best)
		expect(planQuickly(read, { levels: FIRST_LEVELS }).objective).toMatchObject(best)
		expect(planExactly(read, { levels: FIRST_LEVELS })).toMatchObject({
			status: (best as Objective).shortfall > 0 ? 'infeasible' : 'optimal',
			objective: best,
			proven: best,
		})
	})
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { findAlternatives } from '../../../../core/plan/exact/find-alternatives'
import { planExactly, type ExactPlan } from '../../../../core/plan/exact/plan-exactly'
import type { Instance } from '../../../../core/plan/problem/instance'
import {
	compareObjectives,
	FIRST_LEVELS,
	OBJECTIVE_LEVELS,
	type Objective,
} from '../../../../core/plan/problem/objective'
import { betterPlanModel } from '../../../support/better-plan-model'
import { classInstance } from '../../../support/class-instance'
import { askMiniZinc } from '../../../support/minizinc'
import { checkAgainstChuffed, checkAgainstEnumeration } from '../../../support/planning-truth'
import { randomFullInstance, randomInstance } from '../../../support/random-instance'
import { listReferenceInstances } from '../../../support/reference-instances'

const MIDDLE = { taskCount: 12, maxMinutes: 15, sessionCount: 3, windowMinutes: 60, sessionGap: 1440 }

describe('against checks that know nothing of it', () => {
	test('equals the best of all plans (tiny instances; many more in check:planning)', () => {
		const wrong: string[] = []

		// Most of the time goes into those with too many plans to try: sixty of each form take 25 s on a quiet machine.
		const [first, full] = (['first', 'full'] as const).map((form) =>
			checkAgainstEnumeration({ firstSeed: 1, count: 24, form, report: (line) => wrong.push(line) }),
		)

		expect(wrong).toEqual([])
		expect(first?.checked).toBeGreaterThanOrEqual(24)
		expect(full?.checked).toBeGreaterThanOrEqual(24)
	})

	// Chuffed 0.14, a general lazy-clause solver, in the `minizinc` package.
	test('a general solver finds nothing better (middle-sized instances)', { timeout: 120_000 }, async () => {
		const wrong: string[] = []

		for (const form of ['first', 'full'] as const) {
			const { confirmed } = await checkAgainstChuffed({
				firstSeed: 1,
				count: 2,
				limitMs: 60_000,
				form,
				report: (line) => wrong.push(line),
			})
			expect(confirmed, form).toBeGreaterThan(0)
		}

		expect(wrong).toEqual([])
	})

	test('the general solver would find something better, if there were', { timeout: 60_000 }, async () => {
		const shape = { ...MIDDLE, taskCount: 5, windowMinutes: 12, maxMinutes: 6, sessionGap: 60 }
		const [first, full] = [randomInstance(1, shape), randomFullInstance(1, shape)]
		const [{ objective: best }, { objective: fullBest }] = [
			planExactly(first, { levels: FIRST_LEVELS }),
			planExactly(full),
		]
		const worse = best && { ...best, splits: (best.splits ?? 0) + 1 }
		const fullWorse = fullBest && { ...fullBest, soon: (fullBest.soon ?? 0) + 1 }

		expect(await askMiniZinc(betterPlanModel(first, 0, worse), 30_000)).toBe('satisfiable')
		expect(await askMiniZinc(betterPlanModel(full, 0, fullWorse, OBJECTIVE_LEVELS), 30_000)).toBe('satisfiable')
	})
})

const references = listReferenceInstances()
describe('on the reference instances', () => {
	// Those of 16 tasks and more are checked by `npm run bench`, which has the time.
	test.each(references.filter(({ instance }) => instance.tasks.length <= 14))(
		'$file: what is proven is the same',
		({ instance, reference, levels }) => {
			const { objective, proven, plan } = planExactly(instance, { nodes: 16_000, levels })

			expect(checkPlan(instance, plan ?? { placements: {}, swaps: [], extension: 0 }).objective).toEqual(objective)
			for (const level of levels) {
				if (proven[level] !== undefined) expect(proven[level]).toBe(objective?.[level])
				if (proven[level] !== undefined && reference.proven[level] !== undefined) {
					expect(proven[level], level).toBe(reference.proven[level])
				}
			}
			expect(
				compareObjectives(objective ?? { shortfall: Infinity }, reference.proven as Objective, levels),
			).toBeLessThanOrEqual(0)
		},
	)
})

describe('on random instances of a class’s size', () => {
	test('every plan passes the checker, and no bound is above it', () => {
		let planned = 0
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
				const instance = randomInstance(seed, MIDDLE)
				const { plan, objective, proven, bounds } = planExactly(instance, { nodes: 3000 })
				if (!plan) return
				planned++

				expect(checkPlan(instance, plan)).toEqual({ ok: true, errors: [], objective })
				for (const level of OBJECTIVE_LEVELS) {
					expect(bounds[level] ?? 0, level).toBeLessThanOrEqual(objective?.[level] ?? Infinity)
					if (proven[level] !== undefined) expect(proven[level]).toBe(objective?.[level])
				}
			}),
			{ numRuns: 12, seed: 5 },
		)
		// Some of these instances have no plan; most have.
		expect(planned).toBeGreaterThan(6)
	})

	test('the same seed and nodes give the same plan', () => {
		const instance = classInstance(3, 30)
		const terms = { seed: 4, nodes: 1500 }

		const first = planExactly(instance, terms)
		planExactly(classInstance(2, 20), terms)

		expect(planExactly(instance, terms)).toEqual(first)
	})

	test('better plans and bounds are told as they come, each no worse than the one before', () => {
		const told: ExactPlan[] = []

		const { plan } = planExactly(classInstance(5, 35), { nodes: 3000, onProgress: (progress) => told.push(progress) })

		expect(told.length).toBeGreaterThan(1)
		expect(told.at(-1)?.plan).toEqual(plan)
		told.slice(1).forEach(({ objective }, k) => {
			const before = told[k]?.objective
			if (objective && before) expect(compareObjectives(objective, before)).toBeLessThanOrEqual(0)
		})
	})

	test('stops when told to, with the best plan so far', () => {
		const { plan, status } = planExactly(classInstance(1, 60), { shouldStop: () => true })

		expect(plan).toBeDefined()
		expect(status).toBe('feasible')
	})
})

describe('what does not fit', () => {
	const narrow: Instance = {
		name: 'narrow',
		windows: [{ open: 0, close: 30, session: 1 }],
		tasks: [
			{ id: 'cut', minutes: 20 },
			{ id: 'paint', minutes: 15 },
		],
		arcs: [{ from: 'cut', to: 'paint', lag: 10 }],
	}

	test('says the least that the last session must be longer', () => {
		const { status, objective, proven } = planExactly(narrow)

		expect({ status, objective, proven }).toEqual({
			status: 'infeasible',
			objective: { shortfall: 15 },
			proven: { shortfall: 15 },
		})
	})

	test('says so where no extension helps', () => {
		const hasty: Instance = {
			...narrow,
			windows: [
				{ open: 0, close: 30, session: 1 },
				{ open: 2000, close: 2100, session: 2 },
			],
			tasks: [
				{ id: 'cut', minutes: 30 },
				{ id: 'shape', minutes: 40 },
				{ id: 'paint', minutes: 70 },
			],
			arcs: [
				{ from: 'cut', to: 'shape', lag: 0, maxLag: 5 },
				{ from: 'shape', to: 'paint', lag: 0, maxLag: 5 },
				{ from: 'cut', to: 'paint', lag: 100 },
			],
		}

		expect(planExactly(hasty).status).toBe('impossible')
	})

	test('keeps within limits, or says that nothing does', () => {
		const instance = classInstance(4, 20)
		const { objective } = planExactly(instance)
		const { finish = 0 } = objective ?? {}

		expect(planExactly(instance, { limits: { finish } }).objective).toEqual(objective)
		expect(planExactly(instance, { limits: { finish: 10 } }).status).toBe('impossible')
	})
})

test('alternatives: none is worse than another in every respect, and the best plan is among them', () => {
	const reference = classInstance(4, 20)
	const { objective, plan } = planExactly(reference)

	const alternatives = findAlternatives(reference, plan, { nodes: 4000 })

	expect(alternatives.map((alternative) => alternative.objective)).toContainEqual(objective)
	for (const one of alternatives) {
		expect(checkPlan(reference, one.plan).objective).toEqual(one.objective)
		for (const other of alternatives) {
			if (one === other) continue
			const respects = ['valueLost', 'prepMinutes', 'finish', 'waiting'] as const
			const differences = respects.map((level) => (one.objective[level] ?? 0) - (other.objective[level] ?? 0))
			expect(differences.some((difference) => difference < 0)).toBe(true)
		}
	}
})

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { compareObjectives } from '../../../../core/plan/problem/objective'
import { planQuickly } from '../../../../core/plan/quick/plan-quickly'
import { bestByEnumeration } from '../../../support/brute-force'
import { randomInstance } from '../../../support/random-instance'

const TINY = { taskCount: 3, maxMinutes: 3, sessionCount: 2, windowMinutes: 4, sessionGap: 12 }
const MIDDLE = { taskCount: 14, maxMinutes: 15, sessionCount: 3, windowMinutes: 60, sessionGap: 1440 }

describe('against every plan there is', () => {
	test('is never better than the best, and mostly finds it (tiny instances)', () => {
		let found = 0
		let total = 0
		for (let seed = 1; seed <= 120; seed++) {
			const instance = randomInstance(seed, TINY)
			const best = bestByEnumeration(instance)
			if (best === 'too many') continue
			const { objective } = planQuickly(instance)

			if (best && objective) {
				expect(compareObjectives(objective, best), `seed ${seed}`).toBeGreaterThanOrEqual(0)
			}
			if (!best) expect(objective?.shortfall ?? Infinity, `seed ${seed}`).toBeGreaterThan(0)
			total++
			if (best ? objective && compareObjectives(objective, best) === 0 : true) found++
		}
		// A heuristic: the share found is a snapshot, kept from falling.
		expect(total).toBeGreaterThan(30)
		expect(found / total).toBeGreaterThan(0.9)
	})
})

describe('on random instances of a class’s size', () => {
	test('every plan passes the checker with the objective that it claims', () => {
		let planned = 0
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
				const instance = randomInstance(seed, MIDDLE)
				const { plan, objective } = planQuickly(instance, { schedules: 150 })
				if (!plan) return
				planned++

				expect(checkPlan(instance, plan)).toEqual({ ok: true, errors: [], objective })
			}),
			{ numRuns: 60, seed: 7 },
		)
		// Some of these instances have no plan; most have.
		expect(planned).toBeGreaterThan(30)
	})

	// 1765: a swap was kept although the task after it had vanished.
	test.each([1765])('every plan passes the checker: instance %i, once planned wrongly', (seed) => {
		const instance = randomInstance(seed, MIDDLE)
		const { plan, objective } = planQuickly(instance)

		expect(checkPlan(instance, plan ?? { placements: {}, swaps: [], extension: 0 })).toEqual({
			ok: true,
			errors: [],
			objective,
		})
	})

	test('the same seed gives the same plan, whatever was planned before', () => {
		const instance = randomInstance(5, MIDDLE)

		const first = planQuickly(instance, { seed: 3 })
		planQuickly(randomInstance(6, MIDDLE))

		expect(planQuickly(instance, { seed: 3 })).toEqual(first)
	})
})

test('shows a technique right before it is first used, where that costs nothing', () => {
	const { plan } = planQuickly({
		name: 'show',
		windows: [
			{ open: 0, close: 60, session: 1 },
			{ open: 1000, close: 1060, session: 2 },
		],
		tasks: [
			{ id: 'show/dusting', minutes: 5 },
			{ id: 'cut', minutes: 40 },
			{ id: 'dust', minutes: 20 },
		],
		arcs: [
			{ from: 'show/dusting', to: 'dust', lag: 0 },
			{ from: 'cut', to: 'dust', lag: 700 },
		],
	})

	// Shown in the first session, the second could end at 1020; right before its use it ends at 1025.
	expect(plan?.placements['dust']).toMatchObject({ runs: [{ start: 1000 }] })
	expect(plan?.placements['show/dusting']).toMatchObject({ runs: [{ start: 40 }] })
})

test('refuses an instance that means nothing, by the place of the mistake', () => {
	const task = { id: 'a', minutes: 5 }

	expect(() =>
		planQuickly({ name: 'x', windows: [{ open: 0, close: 0, session: 1 }], tasks: [task], arcs: [] }),
	).toThrow(/windows\/0: must close after/)
})

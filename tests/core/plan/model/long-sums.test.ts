import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { Solver } from '../../../../core/plan/kernel/solver'
import { ModelBuilder } from '../../../../core/plan/model/model-builder'
import type { Instance } from '../../../../core/plan/problem/instance'

describe('a sum of more parts than one rule holds', () => {
	/** That many choices, of which the first `taken` must be taken and at most `most` may be. */
	function solveChoices(count: number, { taken, most }: { taken: number; most: number }): string {
		const builder = new ModelBuilder()
		const choices = Array.from({ length: count }, () => builder.addChoice())
		builder.limit(
			choices.map((of) => ({ of, factor: 1 })),
			most,
		)
		for (const choice of choices.slice(0, taken)) builder.solver.require(...choice)
		return builder.solver.solve().status
	}

	test.each([
		{ count: 5000, taken: 4000, most: 4000, status: 'satisfied' },
		{ count: 5000, taken: 4000, most: 3999, status: 'refuted' },
		{ count: 3, taken: 2, most: 1, status: 'refuted' },
	])('of $count choices with $taken taken and at most $most: $status', ({ count, status, ...range }) => {
		expect(solveChoices(count, range)).toBe(status)
	})

	test(
		'keeps no class from being planned: 190 tasks that may be taken up again and again',
		{ timeout: 120_000 },
		() => {
			const instance: Instance = {
				name: 'long',
				windows: Array.from({ length: 12 }, (_, s) => ({ open: 10_080 * s, close: 10_080 * s + 400, session: s + 1 })),
				tasks: Array.from({ length: 190 }, (_, t) => ({ id: `t${t}`, units: 14, unitMinutes: 1, minChunk: 1 })),
				arcs: [],
			}

			const { plan, objective } = planExactly(instance, { nodes: 5 })

			expect(plan && checkPlan(instance, plan)).toEqual({ ok: true, errors: [], objective })
		},
	)
})

test('a 32nd propagator is refused, since the bits of one number say whom a change wakes', () => {
	const solver = new Solver()
	const add = () => solver.addPropagator({ sides: [], propagate: () => true, explain: () => undefined } as never)
	for (let k = 0; k < 31; k++) add()

	expect(add).toThrow(RangeError)
})

/** What is known of a level before any decision is made; values by hand. */
import { describe, expect, test } from 'vitest'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import type { Level } from '../../../../core/plan/model/level-rules'
import { PlanModel } from '../../../../core/plan/model/plan-model'
import type { Instance } from '../../../../core/plan/problem/instance'
import { normalise } from '../../../../core/plan/problem/normal-form'
import { evenings } from '../../../support/evenings'

/** The least that the level can be without any decision. */
function leastOf(instance: Instance, level: Level): number {
	const model = new PlanModel(normalise(instance))
	const variable = model.level(level)
	model.solver.reset()
	return model.solver.trail.min(variable)
}

const cases: { why: string; level: Level; value: number; terms: Omit<Instance, 'name'> }[] = [
	{
		why: 'a wait of 30 min, of which 12 can be filled',
		level: 'strain',
		value: 18,
		terms: {
			windows: evenings(100),
			tasks: [
				{ id: 'shape', minutes: 10 },
				{ id: 'dust', minutes: 10 },
				{ id: 'leaf', minutes: 12 },
			],
			arcs: [{ from: 'shape', to: 'dust', lag: 30 }],
		},
	},
	{
		why: 'what comes before the first step fills no wait behind it',
		level: 'strain',
		value: 30,
		terms: {
			windows: evenings(100),
			tasks: [
				{ id: 'cut', minutes: 20 },
				{ id: 'shape', minutes: 10 },
				{ id: 'dust', minutes: 10 },
				{ id: 'tape', minutes: 5 },
			],
			arcs: [
				{ from: 'cut', to: 'shape', lag: 0 },
				{ from: 'shape', to: 'dust', lag: 30 },
				{ from: 'dust', to: 'tape', lag: 0 },
			],
		},
	},
	{
		why: 'three pieces that each wait 30 min: while the last one does, two are done',
		level: 'strain',
		value: 20,
		terms: {
			windows: evenings(100),
			tasks: [
				{ id: 'shape', units: 3, unitMinutes: 5 },
				{ id: 'dust', units: 3, unitMinutes: 5 },
			],
			arcs: [{ from: 'shape', to: 'dust', lag: 30, piecewise: true }],
		},
	},
	{
		why: 'tea of 10 min lies in the wait',
		level: 'strain',
		value: 20,
		terms: {
			windows: evenings(100),
			breaks: [{ session: 1, minutes: 10, earliest: 10, latest: 50 }],
			tasks: [
				{ id: 'shape', minutes: 10 },
				{ id: 'dust', minutes: 10 },
			],
			arcs: [{ from: 'shape', to: 'dust', lag: 30 }],
		},
	},
	{
		why: 'two evenings hold 108 min beside what should be spare, and there is work for 116',
		level: 'strain',
		value: 8,
		terms: {
			windows: evenings(60, 60),
			sessions: [1, 2].map((session) => ({ session, bufferMinutes: 6 })),
			tasks: ['a', 'b', 'c', 'd'].map((id) => ({ id, minutes: 29 })),
			arcs: [],
		},
	},
	{
		why: 'work of 100 min cannot end before tea, so that tea is held and takes of what should be spare',
		level: 'strain',
		value: 2,
		terms: {
			windows: evenings(120),
			sessions: [{ session: 1, bufferMinutes: 12 }],
			breaks: [{ session: 1, minutes: 10, earliest: 50, latest: 70 }],
			tasks: [
				{ id: 'shape', minutes: 60 },
				{ id: 'dust', minutes: 40 },
			],
			arcs: [],
		},
	},
	{
		why: 'work that ends before tea loses nothing to it',
		level: 'strain',
		value: 0,
		terms: {
			windows: evenings(60),
			sessions: [{ session: 1, bufferMinutes: 12 }],
			breaks: [{ session: 1, minutes: 10, earliest: 48, latest: 50 }],
			tasks: [{ id: 'shape', minutes: 48 }],
			arcs: [],
		},
	},
	{
		why: 'the first evening holds 60 of 100 min, so that 40 come a session later',
		level: 'late',
		value: 40,
		terms: {
			windows: evenings(60, 60),
			tasks: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, minutes: 20 })),
			arcs: [],
		},
	},
]

describe('before any decision', () => {
	test.each(cases)('$level is at least $value: $why', ({ level, value, terms }) => {
		const instance = { name: 'bound', ...terms }

		expect(leastOf(instance, level)).toBe(value)
		expect(planExactly(instance)).toMatchObject({ status: 'optimal', objective: { [level]: value } })
	})
})

import { describe, expect, test } from 'vitest'
import type { Instance } from '../../../../core/plan/problem/instance'
import type { Plan } from '../../../../core/plan/problem/plan'
import { explainStart } from '../../../../core/plan/why/explain-start'
import { planWithoutWait } from '../../../../core/plan/why/free-wait'

const instance: Instance = {
	name: 'two evenings',
	windows: [
		{ open: 0, close: 60, session: 1 },
		{ open: 1440, close: 1500, session: 2 },
	],
	tasks: [
		{ id: 'cut', minutes: 20 },
		{ id: 'leaf', minutes: 10 },
		{ id: 'paint', minutes: 10 },
		{ id: 'join', minutes: 15 },
	],
	arcs: [
		{ from: 'cut', to: 'paint', lag: 25, maxLag: 40 },
		{ from: 'paint', to: 'join', lag: 600 },
	],
}

const plan: Plan = {
	placements: {
		cut: { place: 'class', runs: [{ start: 0, units: 1 }] },
		leaf: { place: 'class', runs: [{ start: 20, units: 1 }] },
		paint: { place: 'class', runs: [{ start: 45, units: 1 }] },
		join: { place: 'class', runs: [{ start: 1440, units: 1 }] },
	},
	swaps: [],
	extension: 0,
}

describe('why here', () => {
	test.each([
		{ task: 'cut', holds: [{ kind: 'opening', session: 1 }], earlier: 0, later: 0 },
		{ task: 'leaf', holds: [{ kind: 'hands', task: 'cut' }], earlier: 0, later: 15 },
		{ task: 'paint', holds: [{ kind: 'wait', task: 'cut', arc: 0, minutes: 25 }], earlier: 0, later: 0 },
		{ task: 'join', holds: [{ kind: 'opening', session: 2 }], earlier: 0, later: 0 },
	])('$task', ({ task, holds, earlier, later }) => {
		expect(explainStart(instance, plan, task)).toEqual({ holds, earlierMinutes: earlier, laterMinutes: later })
	})

	test('a task that must not wait too long is held by what follows', () => {
		const late: Plan = {
			...plan,
			placements: {
				...plan.placements,
				cut: { place: 'class', runs: [{ start: 0, units: 1 }] },
				leaf: { place: 'class', runs: [{ start: 45, units: 1 }] },
				paint: { place: 'class', runs: [{ start: 1455, units: 1 }] },
				join: { place: 'class', runs: [{ start: 1480, units: 1 }] },
			},
		}
		const patient: Instance = { ...instance, arcs: [{ from: 'cut', to: 'paint', lag: 25, maxLag: 1435 }] }

		expect(explainStart(patient, late, 'cut').holds).toContainEqual({
			kind: 'limit',
			task: 'paint',
			arc: 0,
			minutes: 1435,
		})
	})

	test('a task that is not there is refused', () => {
		expect(() => explainStart(instance, plan, 'petal')).toThrow('no run 0 of "petal"')
	})
})

test('what would change without a wait', () => {
	const freed = planWithoutWait(instance, 0, plan)

	expect(freed).toMatchObject({
		objective: { shortfall: 0, valueLost: 0, prepMinutes: 0, finish: 1455, waiting: 0, splits: 0 },
		isProven: true,
	})
})

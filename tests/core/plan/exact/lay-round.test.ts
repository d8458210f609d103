/** A plan laid round what has been settled: it keeps the pins and every rule, and moves no more than it must. */
import { describe, expect, test } from 'vitest'
import { checkPlan } from '../../../../core/plan/checker/check-plan'
import { layRound } from '../../../../core/plan/exact/lay-round'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import { findPinConflict } from '../../../../core/plan/pins/find-pin-conflict'
import { findBrokenPins, type Pin } from '../../../../core/plan/pins/pin'
import type { Instance } from '../../../../core/plan/problem/instance'
import type { Plan } from '../../../../core/plan/problem/plan'
import { runsOf } from '../../../../core/plan/problem/plan-times'
import { sessionAt } from '../../../../core/plan/problem/session-at'
import { classInstance } from '../../../support/class-instance'
import { randomInstance } from '../../../support/random-instance'

/** The first of the classes of that size that fits, with a plan of it. */
function fittingClass(count: number): { instance: Instance; before: Plan } {
	for (let seed = 4; ; seed++) {
		const instance = classInstance(seed, count)
		const { plan, objective } = planExactly(instance, { nodes: 800 })
		if (plan && objective?.shortfall === 0) return { instance, before: plan }
	}
}

/** Sessions in which each task lies, by id. */
function sessionsOf(instance: Instance, plan: Plan): Map<string, string> {
	return new Map(
		instance.tasks.map(({ id }) => {
			return [
				id,
				runsOf(plan, id)
					.map(({ start }) => sessionAt(instance.windows, start))
					.join(),
			] as const
		}),
	)
}

describe.each([20, 40])('a class of %i steps', (count) => {
	test('keeps each pin that can be kept, and most steps keep their session', () => {
		const { instance, before } = fittingClass(count)
		const movable = instance.tasks.filter(({ id }) => before.placements[id]?.place === 'class')
		const changes: number[] = []
		for (const { id } of movable.filter((_, k) => k % 4 === 0)) {
			const here = sessionAt(instance.windows, runsOf(before, id)[0]?.start ?? 0) ?? 1
			for (const session of [here - 1, here + 1]) {
				const pins: Pin[] = [{ kind: 'session', task: id, session }]
				const laid = layRound(instance, before, pins)
				if (!laid) continue
				expect(checkPlan(instance, laid).errors).toEqual([])
				expect(findBrokenPins(instance, laid, pins)).toEqual([])
				const [then, now] = [sessionsOf(instance, before), sessionsOf(instance, laid)]
				changes.push([...then].filter(([task, where]) => now.get(task) !== where).length)
			}
		}
		expect(changes.length).toBeGreaterThan(3)
		// Of these full classes some moves turn everything round; the one in the middle does not.
		const middle = changes.toSorted((a, b) => a - b)[Math.floor(changes.length / 2)]
		expect(middle).toBeLessThanOrEqual(instance.tasks.length / 8)
	})

	test('is the same plan again where nothing is broken', () => {
		const { instance, before } = fittingClass(count)
		const [task] = instance.tasks.filter(({ id }) => before.placements[id]?.place === 'class')
		const session = sessionAt(instance.windows, runsOf(before, task!.id)[0]?.start ?? 0) ?? 1

		const laid = layRound(instance, before, [{ kind: 'session', task: task!.id, session }])

		expect(laid && sessionsOf(instance, laid)).toEqual(sessionsOf(instance, before))
	})
})

test('what is asked for is found wherever the search finds it, on small instances of every kind', () => {
	const shape = { taskCount: 6, maxMinutes: 6, sessionCount: 2, windowMinutes: 14, sessionGap: 60 }
	let [kept, refused] = [0, 0]
	for (let seed = 1; seed <= 60; seed++) {
		const instance = randomInstance(seed, shape)
		const { plan: before } = planExactly(instance, { nodes: 300 })
		const ids = instance.tasks.map(({ id }) => id)
		if (!before) continue
		const pins: Pin[] = [{ kind: 'beside', first: ids[1]!, second: ids[4]! }]
		const laid = layRound(instance, before, pins)
		if (laid) {
			kept++
			expect(checkPlan(instance, laid).errors, `seed ${seed}`).toEqual([])
			expect(findBrokenPins(instance, laid, pins), `seed ${seed}`).toEqual([])
		} else {
			refused++
			expect(findPinConflict(instance, pins).status, `seed ${seed}`).not.toBe('fits')
		}
	}
	expect([kept, refused].every((count) => count > 3)).toBe(true)
})

test('an older plan of what the course was before is a beginning too', () => {
	const { instance, before } = fittingClass(20)
	const longer: Instance = {
		...instance,
		windows: instance.windows.map((window) => ({ ...window, close: window.close + 20 })),
		tasks: [...instance.tasks, { id: 'new', minutes: 9 }],
	}

	const laid = layRound(longer, before, [])

	expect(laid?.placements['new']?.place).toBe('class')
	expect(laid && checkPlan(longer, laid).errors).toEqual([])
})

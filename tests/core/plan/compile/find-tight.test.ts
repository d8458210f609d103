import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { listTooTight } from '../../../../core/plan/compile/find-tight'
import { planExactly } from '../../../../core/plan/exact/plan-exactly'
import type { Arc, Instance, Task } from '../../../../core/plan/problem/instance'

const instance = (arc: Partial<Arc>, tasks: [Task, Task]): Instance => ({
	name: 'two steps',
	windows: [{ open: 0, close: 400, session: 1 }],
	tasks,
	arcs: [{ from: 'cut', to: 'vein', lag: 0, ...arc }],
})
const cut: Task = { id: 'cut', units: 30, unitMinutes: 2 }
const vein: Task = { id: 'vein', units: 30, unitMinutes: 3 }

describe('a limit on a whole arc', () => {
	// Worked example: cut 30 × 2 min, then vein 30 × 3 min, each piece within U: the last one waits 29 × 3 min.
	test('can be kept from 87 minutes on, and 86 are too few', () => {
		const limited = (maxLag: number) => instance({ maxLag, limit: 'each' }, [cut, vein])

		expect(listTooTight(limited(87))).toEqual([])
		expect(listTooTight(limited(86))).toEqual([{ arc: 0, limitMinutes: 86, leastMinutes: 87 }])
	})

	test('that counts from the last piece is a matter of the later step alone', () => {
		expect(listTooTight(instance({ maxLag: 86, limit: 'last', lag: 5 }, [cut, vein]))).toMatchObject([
			{ leastMinutes: 92 },
		])
		expect(listTooTight(instance({ maxLag: 0 }, [cut, { id: 'vein', minutes: 90 }]))).toEqual([])
	})

	test('may be as short as it likes where there is a way round', () => {
		const open = [
			instance({ maxLag: 1, limit: 'each', piecewise: true }, [cut, vein]),
			instance({ maxLag: 1, limit: 'each', lag: 1, swapPrep: 10 }, [cut, vein]),
			instance({ maxLag: 1, limit: 'each' }, [cut, { ...vein, dropValue: 1 }]),
			instance({ maxLag: 1, limit: 'each' }, [{ ...cut, places: ['class', 'ahead'] }, vein]),
		]

		expect(open.flatMap(listTooTight)).toEqual([])
	})

	test('is refused exactly where no plan keeps it, however long the session', () => {
		const task = (id: string) =>
			fc.record({
				id: fc.constant(id),
				units: fc.integer({ min: 1, max: 5 }),
				unitMinutes: fc.integer({ min: 1, max: 4 }),
			})
		fc.assert(
			fc.property(
				task('cut'),
				task('vein'),
				fc.record({ lag: fc.nat(5), slack: fc.nat(15), limit: fc.constantFrom('each' as const, 'last' as const) }),
				(first, second, { slack, ...terms }) => {
					const limited = instance({ ...terms, maxLag: terms.lag + slack }, [first, second])
					const isRefused = listTooTight(limited).length > 0

					expect(planExactly(limited, { nodes: 3000 }).status === 'impossible').toBe(isRefused)
				},
			),
			{ numRuns: 150 },
		)
	})
})

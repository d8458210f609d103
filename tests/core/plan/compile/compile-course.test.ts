import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { batchSizes, groupIntoBatches } from '../../../../core/plan/compile/batches'
import { compileCourse } from '../../../../core/plan/compile/compile-course'
import type { Course } from '../../../../core/course/course'
import { PACES, PLAN_FOR } from '../../../../core/course/course'
import { paceFactor } from '../../../../core/course/pace'
import { planCourse } from '../../../../core/plan/plan-course'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { InputError } from '../../../../core/errors'
import type { Task } from '../../../../core/plan/problem/instance'
import { normalise } from '../../../../core/plan/problem/normal-form'
import { demoCourse, demoDesign } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const minutesOf = (task: Task) => ('units' in task ? task.units * task.unitMinutes : task.minutes)

describe('batches', () => {
	test('are alike for tasks of the same pieces, and exact in sum to within a minute', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 0.2, max: 300, noNaN: true }), { minLength: 1, maxLength: 3 }),
				fc.integer({ min: 1, max: 400 }),
				(totals, pieceCount) => {
					const grouped = groupIntoBatches(totals, pieceCount)

					expect(new Set(grouped.map(({ units }) => units)).size).toBe(1)
					grouped.forEach(({ units, unitMinutes }, t) => {
						expect(units).toBeLessThanOrEqual(Math.min(12, pieceCount))
						expect(Number.isInteger(unitMinutes) && unitMinutes >= 1).toBe(true)
						expect(Math.abs(units * unitMinutes - Math.max(1, Math.round(totals[t] ?? 0)))).toBeLessThanOrEqual(1)
					})
				},
			),
		)
	})

	test('lose no piece, and differ by one at most', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 12 }), (pieceCount, units) => {
				const sizes = batchSizes(pieceCount, units)

				expect(sizes.reduce((sum, size) => sum + size, 0)).toBe(pieceCount)
				expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
			}),
		)
	})
})

const magnolia = demoDesign('magnolia')
const course = demoCourse('Magnolia on Thursdays')
const compile = (change: Partial<Course> = {}) =>
	compileCourse({ ...course, ...change }, [{ design: resolveDesign(magnolia, {}), flowersPerStudent: 1 }])

describe('a compiled course', () => {
	test('has one task a step and one a technique, each with its words, and can be planned', () => {
		const { instance, tasks, arcs } = compile()

		expect(instance.tasks).toHaveLength(magnolia.steps.length + magnolia.techniques.length)
		expect(Object.keys(tasks).toSorted()).toEqual(instance.tasks.map(({ id }) => id).toSorted())
		expect(arcs).toHaveLength(instance.arcs.length)
		expect(() => normalise(instance)).not.toThrow()
	})

	test('keeps every piece, spares included, in its batches', () => {
		const { tasks } = compile()

		for (const source of Object.values(tasks)) {
			if (source.type === 'step') expect(source.batchSizes.reduce((sum, size) => sum + size, 0)).toBe(source.pieceCount)
		}
		// Six outer petals at p = 0.08 · 1.1 and 90 %: eight are made.
		expect(tasks['magnolia/outer-shape']).toMatchObject({ pieceCount: 8 })
	})

	test('takes longer at a slower pace, and no step less', () => {
		const byPace = PACES.flatMap((pace) => PLAN_FOR.map((planFor) => ({ pace, planFor }))).toSorted(
			(a, b) => paceFactor(a.pace, a.planFor) - paceFactor(b.pace, b.planFor),
		)
		// Spares follow the pace too: without breakage the times alone are compared.
		const steady = resolveDesign({ ...magnolia, parts: magnolia.parts.map((part) => ({ ...part, breakage: 0 })) }, {})
		const minutes = byPace.map((terms) =>
			compileCourse({ ...course, ...terms }, [{ design: steady, flowersPerStudent: 1 }]).instance.tasks.map(minutesOf),
		)

		minutes.slice(1).forEach((row, r) => {
			// A minute of grouping either way.
			row.forEach((value, t) => expect(value).toBeGreaterThanOrEqual((minutes[r]?.[t] ?? 0) - 2))
			expect(row.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual((minutes[r] ?? []).reduce((a, b) => a + b, 0) - 4)
		})
	})

	test('shows each technique before every step that uses it', () => {
		const { instance } = compile()

		for (const step of magnolia.steps.filter(({ technique }) => technique)) {
			expect(instance.arcs).toContainEqual({ from: `show/${step.technique}`, to: `magnolia/${step.id}`, lag: 0 })
		}
	})

	test('prices a set of dried pieces by all that leads up to it, done by the instructor alone for all students', () => {
		const { instance } = compile()
		const arc = instance.arcs.find(({ from, to }) => from === 'magnolia/centre-snip' && to === 'magnolia/tape-inner')

		// Half of (2 + 8·6) and half of 8·7, at half a practised student's time.
		expect(instance.prepared?.find(({ id }) => id === arc?.swap)).toMatchObject({ minutes: 25 + 28 })
	})

	test('gives homework only where it is allowed', () => {
		expect(compile().instance.homeWindows).toEqual([])
		expect(compile({ homeworkMinutes: 30 }).instance.homeWindows).toHaveLength(2)
		expect(compile().instance.tasks.every(({ places }) => !places?.includes('home'))).toBe(true)
	})

	test('groups piece-by-piece steps alike, so that they can follow one another', () => {
		const units = new Map(compile().instance.tasks.map((task) => [task.id, 'units' in task ? task.units : 1]))

		expect(units.get('magnolia/inner-shape')).toBe(units.get('magnolia/inner-dust'))
	})
})

test('an extra is dropped as a whole, its value counted once', () => {
	const design = makeDesign({
		extras: [{ id: 'bud', name: 'Bud', value: 9 }],
		parts: [makePart('bud', { piecesPerFlower: 1 })],
		steps: [makeStep('a', 'bud', [], { extra: 'bud' }), makeStep('b', 'bud', [{ after: 'a' }], { extra: 'bud' })],
	})

	const { instance } = compileCourse(course, [{ design: resolveDesign(design, {}), flowersPerStudent: 2 }])

	expect(instance.tasks.map(({ dropValue, optionGroup }) => [dropValue, optionGroup])).toEqual([
		[9, 'test/bud'],
		[0, 'test/bud'],
	])
})

test('a wrong choice is a problem of its field', () => {
	const wrong = { ...course, designs: [{ designId: 'magnolia', flowersPerStudent: 1, picks: { leaves: 'many' } }] }

	expect(() => planCourse(wrong, [magnolia])).toThrow(InputError)
	expect(() => planCourse(wrong, [magnolia])).toThrow(/designs\[0\]\.picks\.leaves/)
})

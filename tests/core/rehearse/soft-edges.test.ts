import fc from 'fast-check'
import { expect, test } from 'vitest'
import { layEdges, whenDone } from '../../../core/rehearse/soft-edges'

const item = (plannedStart: number, plannedEnd: number, p10: number, p90: number) => ({
	...{ taskId: 'petals', session: 0, plannedStart, plannedEnd },
	end: { p10, p50: (p10 + p90) / 2, p90 },
})

test('an evening ends with its close where all is done by then', () => {
	const { edges, close } = layEdges([item(10, 40, 35, 60)], { open: 0, close: 100 })
	expect(close).toBe(1)
	expect(edges).toEqual([{ plannedStart: 0.1, plannedEnd: 0.4, firmUntil: 0.35, softUntil: 0.6 }])
})

test('the picture goes on for three quarters of an hour, and no further', () => {
	expect(layEdges([item(10, 90, 95, 125)], { open: 0, close: 100 }).close).toBe(0.8)
	const { edges, close } = layEdges([item(10, 90, 200, Infinity)], { open: 0, close: 135 })
	expect(close).toBe(0.75)
	expect(edges[0]).toMatchObject({ firmUntil: 1, softUntil: 1 })
})

test('edges stay inside of the picture, and in their order', () => {
	const moment = fc.integer({ min: -50, max: 400 })
	fc.assert(
		fc.property(
			moment,
			moment,
			moment,
			moment,
			fc.integer({ min: 1, max: 240 }),
			(start, minutes, p10, more, close) => {
				const { edges } = layEdges([item(start, start + Math.abs(minutes), p10, p10 + Math.abs(more))], {
					open: 0,
					close,
				})
				const { plannedStart, plannedEnd, firmUntil, softUntil } = edges[0]!
				for (const share of [plannedStart, plannedEnd, firmUntil, softUntil])
					expect(share >= 0 && share <= 1).toBe(true)
				expect(plannedStart <= plannedEnd && plannedStart <= firmUntil && firmUntil <= softUntil).toBe(true)
			},
		),
	)
})

test('what comes after the close comes another time', () => {
	expect(whenDone({ p10: 20, p50: 30, p90: 40 }, 60)).toBe('this evening')
	expect(whenDone({ p10: 20, p50: 30, p90: 61 }, 60)).toBe('perhaps later')
	expect(whenDone({ p10: 61, p50: 70, p90: Infinity }, 60)).toBe('another time')
})

/** Where stages stand over the clock. */
import { describe, expect, test } from 'vitest'
import { CHART, scaleStages } from '../../../app/drying/routes/drying/stage-scale'
import type { DryingAnswer } from '../../../core/drying/answer-drying'

const stages: DryingAnswer['stages'] = {
	skin: { claim: 'sure', p50: 0.1, plan: 0.15 },
	touch: { claim: 'sure', p50: 0.5, plan: 1 },
	set: { claim: 'sure', p50: 3, plan: 5 },
	firm: { claim: 'sure', p50: 4, plan: 7 },
	hard: { claim: 'never', p50: undefined, plan: undefined },
	settled: { claim: 'sure', p50: 9, plan: 14 },
	through: { claim: 'sure', p50: 8, plan: 12 },
}

describe('the scale of the stages', () => {
	const scale = scaleStages(stages, 18 * 60, 6)

	test('has a bar from even odds to 9 in 10 for each stage that is ever reached', () => {
		expect(scale.bars.map(({ stage }) => stage)).toEqual(['skin', 'touch', 'set', 'firm', 'settled'])
		const [, , set, firm] = scale.bars
		expect((set?.x ?? 0) + (set?.width ?? 0)).toBeGreaterThan(firm?.x ?? 0)
	})

	test('tells what is sure only after it is wanted', () => {
		expect(scale.bars.filter(({ isLate }) => isLate).map(({ stage }) => stage)).toEqual(['firm', 'settled'])
	})

	test('stays inside the drawing, the moment when it is wanted too', () => {
		for (const { x, width } of scale.bars) {
			expect(x).toBeGreaterThanOrEqual(CHART.left)
			expect(x + width).toBeLessThanOrEqual(CHART.right + 5)
		}
		expect(scale.wantedX).toBeLessThanOrEqual(CHART.right)
	})

	test('has a clock that can be read: at most ten ticks, days counted', () => {
		const long = scaleStages(stages, 18 * 60, 400)

		expect(scale.ticks[0]).toMatchObject({ x: CHART.left, label: '18:00' })
		expect(long.ticks.length).toBeLessThanOrEqual(10)
		expect(long.ticks.at(-1)?.label).toMatch(/ \+\d+$/)
	})

	test('cuts off what comes much later than it is wanted', () => {
		const { bars } = scaleStages({ ...stages, firm: { claim: 'sure', p50: 200, plan: 300 } }, 0, 2)
		const firm = bars.find(({ stage }) => stage === 'firm')

		expect(firm?.x).toBeLessThanOrEqual(CHART.right)
	})
})

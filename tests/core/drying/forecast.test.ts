import { describe, expect, test } from 'vitest'
import { shiftPath, type DryingPath } from '../../../core/drying/climate'
import { dayCourse } from '../../../core/drying/climate-presets'
import { forecast } from '../../../core/drying/forecast'
import { FIRST_BELIEF, learn } from '../../../core/drying/pace-belief'
import { predictStages } from '../../../core/drying/predict-stages'
import { room, sheet } from '../../support/dry-piece'

const byDay: DryingPath = {
	startMinuteOfDay: 20 * 60,
	stays: [
		{
			hours: Infinity,
			climate: { type: 'day', hours: dayCourse({ low: 15, high: 21, wettest: 0.68, driest: 0.5 }) },
			movement: 'still',
		},
	],
}

describe('a forecast', () => {
	test('in a dry room is the model at even odds and 1.735 times that to be sure', () => {
		const { stages } = forecast(sheet(0.6), room(), FIRST_BELIEF)
		const model = predictStages(sheet(0.6), room())

		expect(stages.firm.p50).toBeCloseTo(model.firm ?? 0, 6)
		expect((stages.firm.p90 ?? 0) / (stages.firm.p50 ?? 1)).toBeCloseTo(1.735, 2)
		expect(stages.firm.isGuarded).toBe(false)
	})

	test('near the cut-off is decided by the hygrometer', () => {
		const { stages } = forecast(sheet(1.2), room(0.7), FIRST_BELIEF)
		const damper = predictStages(sheet(1.2), shiftPath(room(0.7), { humidity: 0.03 }))

		expect(stages.firm.isGuarded).toBe(true)
		expect(stages.firm.p90).toBeCloseTo(damper.firm ?? 0, 6)
	})

	test('so near that 3 % decide between dry and never, nothing is promised', () => {
		const { stages, sureWithin } = forecast(sheet(0.6), room(0.72), FIRST_BELIEF)

		expect(stages.firm.p50).toBeGreaterThan(0)
		expect(stages.firm.p90).toBeUndefined()
		expect(sureWithin('firm', 1000)).toBeLessThanOrEqual(0.5)
	})

	test.each([
		{ name: 'a steady room', path: room() },
		{ name: 'a room near the cut-off', path: room(0.69) },
		{ name: 'a room that follows the day', path: byDay },
	])('how sure and when are inverse in $name', ({ path }) => {
		const looked = forecast(sheet(0.8, 'tissue'), path, FIRST_BELIEF, 'firm')
		const p90 = looked.stages.firm.p90 ?? NaN

		expect(looked.sureWithin('firm', p90)).toBeCloseTo(0.9, 1)
		expect(looked.sureWithin('firm', p90 * 0.98)).toBeLessThanOrEqual(0.9)
		expect(looked.sureWithin('firm', looked.stages.firm.p50 ?? NaN)).toBeCloseTo(0.5, 1)
		const hours = Array.from({ length: 12 }, (_, i) => ((i + 1) * p90) / 8)
		const sure = hours.map((at) => looked.sureWithin('firm', at))
		for (const [i, value] of sure.slice(1).entries()) expect(value).toBeGreaterThanOrEqual((sure[i] ?? 0) - 1e-9)
	})

	test('a paste that the log shows to be slow is forecast slow', () => {
		const slow = learn(Array.from({ length: 6 }, () => ({ modelHours: 3, notReadyHours: 4, readyHours: 5 })))

		const [usual, learnt] = [FIRST_BELIEF, slow].map((belief) => forecast(sheet(0.6), room(), belief).stages.firm)

		expect(learnt?.p50).toBeGreaterThan((usual?.p50 ?? 0) * 1.3)
		expect((learnt?.p90 ?? 0) / (learnt?.p50 ?? 1)).toBeLessThan((usual?.p90 ?? 0) / (usual?.p50 ?? 1))
	})

	test('says nothing of stages beyond the one asked for', () => {
		expect(forecast(sheet(0.6), room(), FIRST_BELIEF, 'touch').stages.hard.p50).toBeUndefined()
	})
})

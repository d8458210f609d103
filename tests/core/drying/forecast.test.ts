import { describe, expect, test } from 'vitest'
import { shiftPath, type DryingPath } from '../../../core/drying/climate'
import { dayCourse } from '../../../core/drying/climate-presets'
import { forecast } from '../../../core/drying/forecast'
import { FIRST_BELIEF, learn } from '../../../core/drying/pace-belief'
import { predictStages } from '../../../core/drying/predict-stages'
import { ball, piece, room, sheet } from '../../support/dry-piece'

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
	test('in a dry room is the model at even odds, and sure at 1.554 times that', () => {
		const { stages } = forecast(sheet(0.6), room(), FIRST_BELIEF)
		const model = predictStages(sheet(0.6), room())

		expect(stages.firm.claim).toBe('sure')
		expect(stages.firm.p50).toBeCloseTo(model.firm ?? 0, 6)
		expect((stages.firm.plan ?? 0) / (stages.firm.p50 ?? 1)).toBeCloseTo(1.554, 2)
		expect(stages.firm.chance).toBeUndefined()
	})

	test('near the cut-off allows for a hygrometer that is 3 % off', () => {
		const { stages } = forecast(ball(10), room(0.6), FIRST_BELIEF)
		const damper = predictStages(ball(10), shiftPath(room(0.6), { humidity: 0.03 }))

		expect(stages.hard.claim).toBe('sure')
		expect(stages.hard.plan).toBeCloseTo(damper.hard ?? 0, 6)
	})

	test('so near that 3 % decide between dry and never it hangs on the room, and says what air would make it sure', () => {
		const { stages, sureWithin, sureBelow } = forecast(sheet(0.6), room(0.72), FIRST_BELIEF)
		const { claim, plan = NaN, chance = NaN } = stages.firm

		expect(claim).toBe('if the room holds')
		expect(chance).toBeGreaterThan(0.5)
		expect(chance).toBeLessThan(0.9)
		expect(sureWithin('firm', plan)).toBeCloseTo(chance, 9)
		// Waiting longer does not make a damp room dry.
		expect(sureWithin('firm', 100 * plan)).toBeLessThanOrEqual(0.9)
		const sure = sureBelow('firm') ?? NaN
		expect(sure).toBeLessThan(0.72)
		expect(forecast(sheet(0.6), room(sure), FIRST_BELIEF, 'firm').stages.firm.claim).toBe('sure')
		expect(forecast(sheet(0.6), room(sure + 0.01), FIRST_BELIEF, 'firm').stages.firm.claim).not.toBe('sure')
	})

	test('a stage beyond the room is unlikely just above its cut-off, and never well above it; drier air would do', () => {
		const [near, far] = [room(0.75), room(0.78)].map((path) => forecast(sheet(0.6), path, FIRST_BELIEF, 'firm'))

		expect(near?.stages.firm).toMatchObject({ claim: 'unlikely', p50: undefined, plan: undefined })
		expect(far?.stages.firm).toMatchObject({ claim: 'never', p50: undefined, plan: undefined })
		for (const looked of [near, far]) {
			expect(looked?.sureWithin('firm', 1000)).toBeLessThanOrEqual(0.5)
			expect(looked?.hoursAt('firm', 0.8)).toBeUndefined()
			expect(looked?.sureBelow('firm')).toBeLessThan(0.72)
		}
	})

	test('a wait of more than two weeks is not planned with', () => {
		const { claim, p50, plan } = forecast(ball(10), room(0.68), FIRST_BELIEF, 'hard').stages.hard

		expect(claim).toBe('unlikely')
		expect(p50).toBeGreaterThan(200)
		expect(plan).toBeUndefined()
	})

	test('sugarpaste rods settle from one class to the next, and never get hard', () => {
		const rod = piece({ type: 'cylinder', radiusMm: 4.5, wireRadiusMm: 0.5 }, 'sugarpaste')
		const { stages } = forecast(rod, room(), FIRST_BELIEF)

		expect(stages.settled).toMatchObject({ claim: 'sure' })
		expect(stages.settled.plan).toBeLessThan(168)
		expect(stages.hard.claim).toBe('never')
		// Asked for by itself it is the same: its place among the others varies.
		expect(forecast(rod, room(), FIRST_BELIEF, 'settled').stages.settled.plan).toBeCloseTo(stages.settled.plan ?? 0, 6)
	})

	test.each([
		{ name: 'a steady room', path: room() },
		{ name: 'a room near the cut-off', path: room(0.66) },
		{ name: 'a room that follows the day', path: byDay },
	])('how sure and when belong together in $name', ({ path }) => {
		const looked = forecast(sheet(0.8, 'tissue'), path, FIRST_BELIEF, 'firm')
		const { claim, plan = NaN, p50 = NaN } = looked.stages.firm

		expect(claim).toBe('sure')
		expect(looked.sureWithin('firm', plan)).toBeGreaterThanOrEqual(0.9)
		expect(looked.sureWithin('firm', plan * 0.98)).toBeLessThanOrEqual(0.9)
		expect(looked.sureWithin('firm', p50)).toBeCloseTo(0.5, 1)
		const hours = Array.from({ length: 12 }, (_, i) => ((i + 1) * plan) / 8)
		const sure = hours.map((at) => looked.sureWithin('firm', at))
		for (const [i, value] of sure.slice(1).entries()) expect(value).toBeGreaterThanOrEqual((sure[i] ?? 0) - 1e-9)
	})

	test('a paste that the log shows to be slow is forecast slow', () => {
		const slow = learn(Array.from({ length: 6 }, () => ({ modelHours: 3, notReadyHours: 4, readyHours: 5 })))

		const [usual, learnt] = [FIRST_BELIEF, slow].map((belief) => forecast(sheet(0.6), room(), belief).stages.firm)

		expect(learnt?.p50).toBeGreaterThan((usual?.p50 ?? 0) * 1.3)
		expect((learnt?.plan ?? 0) / (learnt?.p50 ?? 1)).toBeLessThan((usual?.plan ?? 0) / (usual?.p50 ?? 1))
	})

	test('says nothing of stages beyond the one asked for', () => {
		expect(forecast(sheet(0.6), room(), FIRST_BELIEF, 'touch').stages.hard.p50).toBeUndefined()
	})
})

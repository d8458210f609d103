import { describe, expect, test } from 'vitest'
import type { DryingPath } from '../../../core/drying/climate'
import { followDrying } from '../../../core/drying/follow-drying'
import { PASTE_TERMS } from '../../../core/drying/paste-terms'
import { predictStages } from '../../../core/drying/predict-stages'
import { cutOffHumidity } from '../../../core/drying/stages'
import { ball, room, sheet } from '../../support/dry-piece'

/** Dried at 50 % for so long, then somewhere damper. */
function movedTo(humidity: number, afterHours = 100): DryingPath {
	const at = (rh: number) => ({ type: 'steady' as const, temperatureC: 21, humidity: rh })
	return {
		startMinuteOfDay: 0,
		stays: [
			{ hours: afterHours, climate: at(0.5), movement: 'still' },
			{ hours: Infinity, climate: at(humidity), movement: 'still' },
		],
	}
}

describe('softening again', () => {
	test('a dry petal is firm no longer in damp air, the sooner the damper; above its cut-off only', () => {
		const lostAfter = [0.7, 0.75, 0.8, 0.84].map((humidity) => {
			const { holds } = followDrying(sheet(0.5, 'free'), movedTo(humidity), { untilHours: 120 })
			const lost = holds.find(({ stage }) => stage === 'firm')?.toHours
			return lost === undefined ? Infinity : lost - 100
		})

		expect(cutOffHumidity(PASTE_TERMS['gum paste'], 'firm')).toBeGreaterThan(0.7)
		expect(lostAfter[0]).toBe(Infinity)
		expect(lostAfter[1]).toBeLessThan(6)
		expect(lostAfter).toEqual(lostAfter.toSorted((a, b) => b - a))
		expect(lostAfter[3]).toBeGreaterThan(0.25)
	})

	test('a petal moved to a room as dry keeps what it has', () => {
		const { holds } = followDrying(sheet(0.5, 'free'), movedTo(0.45), { untilHours: 150 })

		expect(holds.every(({ toHours }) => toHours === undefined)).toBe(true)
	})

	test('what a damp hall took comes back in the dry room', () => {
		const damp = movedTo(0.82, 30)
		const path: DryingPath = {
			...damp,
			stays: [
				...damp.stays.slice(0, 1),
				{ ...damp.stays[1], hours: 6 } as DryingPath['stays'][number],
				...room().stays,
			],
		}

		const { holds } = followDrying(sheet(0.5, 'free'), path, { untilHours: 90 })

		const firm = holds.filter(({ stage }) => stage === 'firm')
		expect(firm).toHaveLength(2)
		expect(firm[0]?.toHours).toBeGreaterThan(30)
		expect(firm[1]?.fromHours).toBeGreaterThan(36)
		expect(firm[1]?.toHours).toBeUndefined()
	})

	test('a ball whose shell is firm softens from inside in a closed box', () => {
		const path: DryingPath = {
			startMinuteOfDay: 0,
			stays: [
				{ hours: 9, climate: { type: 'steady', temperatureC: 21, humidity: 0.45 }, movement: 'still' },
				{ hours: Infinity, climate: { type: 'steady', temperatureC: 21, humidity: 0.45 }, movement: 'sealed' },
			],
		}

		const { holds } = followDrying(ball(8), path, { untilHours: 60 })

		const firm = holds.find(({ stage }) => stage === 'firm')
		expect(firm?.fromHours).toBeLessThan(9)
		expect(firm?.toHours).toBeGreaterThan(9)
	})
})

describe('a course of drying', () => {
	test('first holds are the times of the prediction', () => {
		const { holds } = followDrying(sheet(0.9, 'foam'), room(), { untilHours: 20 })
		const predicted = predictStages(sheet(0.9, 'foam'), room())

		for (const { stage, fromHours } of holds) expect(fromHours / (predicted[stage] ?? NaN)).toBeCloseTo(1, 1)
		expect(holds.map(({ stage }) => stage)).toEqual(['skin', 'touch', 'set', 'firm', 'hard', 'settled', 'through'])
	})

	test('its mean falls in dry air, and its profile is driest at the open face', () => {
		const { samples, depthsMm } = followDrying(sheet(1, 'board'), room(), { untilHours: 12 })

		expect(depthsMm[0]).toBe(0)
		expect(depthsMm.at(-1)).toBeCloseTo(1, 9)
		for (const [i, { mean, moisture }] of samples.slice(1).entries()) {
			expect(mean).toBeLessThan(samples[i]?.mean ?? 0)
			expect(moisture[0]).toBeLessThanOrEqual(moisture.at(-1) ?? 0)
		}
		expect(samples.length).toBeLessThanOrEqual(120)
	})

	test('a sheet that dries alike from both faces is shown whole', () => {
		const { depthsMm, samples } = followDrying(sheet(0.8, 'free'), room(), { untilHours: 4 })

		expect(depthsMm.at(-1)).toBeCloseTo(0.8, 9)
		const last = samples.at(-1)?.moisture ?? []
		expect(last[0]).toBeCloseTo(last.at(-1) ?? NaN, 12)
	})
})

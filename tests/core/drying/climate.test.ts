import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
	airAt,
	arePathsAlike,
	isSteady,
	meanAir,
	shiftPath,
	type Climate,
	type DryingPath,
} from '../../../core/drying/climate'
import { predictStages } from '../../../core/drying/predict-stages'
import { room, sheet } from '../../support/dry-piece'

const day: Climate = {
	type: 'day',
	hours: Array.from({ length: 24 }, (_, hour) => ({ temperatureC: hour, humidity: 0.3 + hour / 100 })),
}
const stay = (hours: number, humidity: number): DryingPath['stays'][number] => {
	return { hours, climate: { type: 'steady', temperatureC: 21, humidity }, movement: 'still' }
}

describe('a climate by the hour', () => {
	test.each([
		[0, 0],
		[90, 1.5],
		[23 * 60 + 30, 11.5],
		[1440 + 90, 1.5],
		[-60, 23],
	])('goes in straight lines between full hours: minute %s is %s °C', (minute, temperatureC) => {
		expect(airAt(day, minute).temperatureC).toBeCloseTo(temperatureC, 9)
	})

	test('has the mean of its hours', () => {
		expect(meanAir(day).temperatureC).toBeCloseTo(11.5, 9)
		expect(meanAir(day).humidity).toBeCloseTo(0.415, 9)
	})

	test('without its hours is refused', () => {
		expect(() => airAt({ type: 'day', hours: [] }, 5)).toThrow('needs its hours')
	})
})

test('shifted air stays air that can be', () => {
	const { climate } = shiftPath(room(0.97), { humidity: 0.3, temperatureC: 2 }).stays[0] ?? {}

	expect(climate).toEqual({ type: 'steady', temperatureC: 23, humidity: 0.98 })
	expect(isSteady(room())).toBe(true)
	expect(isSteady({ startMinuteOfDay: 0, stays: [{ hours: Infinity, climate: day, movement: 'still' }] })).toBe(false)
})

describe('paths alike for some hours', () => {
	const path = (...stays: DryingPath['stays']): DryingPath => ({ startMinuteOfDay: 0, stays })

	test.each([
		{ name: 'the same to the second stay', hours: 5, alike: true },
		{ name: 'into what differs', hours: 7, alike: false },
		{ name: 'for good', hours: Infinity, alike: false },
	])('$name', ({ hours, alike }) => {
		const one = path(stay(2, 0.5), stay(4, 0.4), stay(Infinity, 0.5))
		const other = path(stay(2, 0.5), stay(4, 0.4), stay(Infinity, 0.6))

		expect(arePathsAlike(one, other, hours)).toBe(alike)
	})

	test('tell the time of day only where the climate follows it', () => {
		const at = (minute: number, climate: Climate): DryingPath => {
			return { startMinuteOfDay: minute, stays: [{ hours: Infinity, climate, movement: 'still' }] }
		}
		const steady: Climate = { type: 'steady', temperatureC: 21, humidity: 0.5 }

		expect(arePathsAlike(at(0, steady), at(600, steady), 9)).toBe(true)
		expect(arePathsAlike(at(0, day), at(600, day), 9)).toBe(false)
	})

	test('dry a piece alike, as far as they are', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 3, max: 20, noNaN: true }),
				fc.double({ min: 0.35, max: 0.7, noNaN: true }),
				(hours, humidity) => {
					const one = path(stay(hours, 0.5), stay(Infinity, 0.5))
					const other = path(stay(hours, 0.5), stay(Infinity, humidity))
					const firm = predictStages(sheet(0.6), one).firm ?? Infinity

					expect(arePathsAlike(one, other, hours)).toBe(true)
					if (firm <= hours) expect(predictStages(sheet(0.6), other).firm).toBe(firm)
				},
			),
			{ numRuns: 20 },
		)
	})
})

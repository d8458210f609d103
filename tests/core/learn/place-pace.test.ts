/** Drying by place: told apart from the paste, against plain integration, and exact in the drying model itself. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { normalDistribution } from '../../../core/drying/normal-distribution'
import { PASTE_TERMS } from '../../../core/drying/paste-terms'
import { predictStages } from '../../../core/drying/predict-stages'
import { learnPlacePaces, type PlacedObservation } from '../../../core/learn/place-pace'
import { createRng } from '../../../core/random'
import { DRYING_PIECE_SD, PASTE_PACE_SD, PLACE_PACE_SD } from '../../../core/vocabulary/spreads'

const seen = (paste: string, placeId: number | undefined, hours: number): PlacedObservation => ({
	...{ paste, modelHours: 10, notReadyHours: hours * 0.95, readyHours: hours * 1.05 },
	...(placeId !== undefined && { placeId }),
})

describe('a place', () => {
	test('of which nothing was seen is not among them', () => {
		expect(learnPlacePaces([seen('gum paste', undefined, 9)])).toEqual([])
	})

	test('where both pastes are slow is slow; a paste that is slow in both places makes neither so', () => {
		const slowPlace = learnPlacePaces(
			['gum paste', 'flower paste'].flatMap((paste) => [
				...Array.from({ length: 6 }, () => seen(paste, 1, 14)),
				...Array.from({ length: 6 }, () => seen(paste, 2, 10)),
			]),
		)
		expect(slowPlace[0]!.pace.at).toBeLessThan(0.85)
		expect(slowPlace[1]!.pace.at).toBeGreaterThan(0.9)
		expect(slowPlace[0]!.pace.ninety[1]).toBeLessThan(slowPlace[1]!.pace.at)
		const slowPaste = learnPlacePaces(
			[1, 2].flatMap((place) => Array.from({ length: 8 }, () => seen('gum paste', place, 14))),
		)
		for (const { pace } of slowPaste) expect(pace.at).toBeGreaterThan(0.9)
	})

	test('is believed as by integration over paste and place', () => {
		const observations: PlacedObservation[] = [
			{ paste: 'gum paste', placeId: 1, modelHours: 10, notReadyHours: 8, readyHours: 15 },
			{ paste: 'gum paste', placeId: 1, modelHours: 4, notReadyHours: 5 },
			{ paste: 'gum paste', modelHours: 6, notReadyHours: 0, readyHours: 6 },
		]
		const chanceOf = (
			{ modelHours, notReadyHours, readyHours = Infinity, placeId }: PlacedObservation,
			u: number,
			v: number,
		) => {
			const at = (hours: number) => {
				const pace = u + (placeId === undefined ? 0 : v)
				return normalDistribution((Math.log(hours / modelHours) + pace) / DRYING_PIECE_SD)
			}
			return at(readyHours) - (notReadyHours === 0 ? 0 : at(notReadyHours))
		}
		let [mass, first, second] = [0, 0, 0]
		const steps = 241
		for (let i = 0; i < steps; i++)
			for (let k = 0; k < steps; k++) {
				const u = PASTE_PACE_SD * (-6 + (12 * i) / (steps - 1))
				const v = PLACE_PACE_SD * (-6 + (12 * k) / (steps - 1))
				const prior = Math.exp(-(u * u) / (2 * PASTE_PACE_SD ** 2) - (v * v) / (2 * PLACE_PACE_SD ** 2))
				const weight = observations.reduce((product, own) => product * chanceOf(own, u, v), prior)
				mass += weight
				first += weight * v
				second += weight * v * v
			}
		const mean = first / mass
		const sd = Math.sqrt(second / mass - mean * mean)
		const [{ pace }] = learnPlacePaces(observations) as [ReturnType<typeof learnPlacePaces>[number]]
		// Expectation propagation is not exact where values lie in intervals.
		expect(Math.log(pace.at)).toBeCloseTo(mean, 2)
		expect(Math.log(pace.ninety[1] / pace.at) / 1.6449).toBeCloseTo(sd, 2)
	})

	test('is believed the same whatever came first', () => {
		const rng = createRng(3)
		const all = Array.from({ length: 12 }, (_, k) =>
			seen(k % 2 ? 'gum paste' : 'flower paste', 1 + (k % 3), 6 + 8 * rng()),
		)
		const told = learnPlacePaces(all)
		fc.assert(
			fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (other) => {
				const again = learnPlacePaces(other)
				for (const [k, { placeId, pace }] of again.entries()) {
					expect(placeId).toBe(told[k]!.placeId)
					expect(pace.at).toBeCloseTo(told[k]!.pace.at, 8)
				}
			}),
			{ numRuns: 20 },
		)
	})
})

test('in a steady room that is so many times as fast, every stage comes so many times as soon', () => {
	const piece = {
		paste: PASTE_TERMS['gum paste'],
		body: { type: 'sheet' as const, thicknessMm: 0.7, back: 'ventilated' as const },
	}
	const stay = {
		hours: Infinity,
		climate: { type: 'steady' as const, temperatureC: 21, humidity: 0.5 },
		movement: 'still' as const,
	}
	const [usual, slow] = [undefined, 0.8].map((pace) =>
		predictStages(piece, { startMinuteOfDay: 0, stays: [{ ...stay, ...(pace !== undefined && { pace }) }] }),
	)
	expect(slow!.firm! * 0.8).toBeCloseTo(usual!.firm!, 1)
	expect(slow!.hard! / usual!.hard!).toBeCloseTo(1 / 0.8, 2)
})

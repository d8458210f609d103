import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, test } from 'vitest'
import { normalDistribution } from '../../../core/drying/normal-distribution'
import {
	chanceWithin,
	FIRST_BELIEF,
	learn,
	summariseBelief,
	timesModel,
	widen,
	type DryingObservation,
} from '../../../core/drying/pace-belief'
import checks from '../../fixtures/drying-2.json'

// jStat, a general statistics library.
test('the normal distribution function equals that of a statistics library', () => {
	for (let z = -6; z <= 6; z += 0.37) expect(normalDistribution(z)).toBeCloseTo(jstat.normal.cdf(z, 0, 1), 6)
	expect([normalDistribution(-Infinity), normalDistribution(Infinity)]).toEqual([0, 1])
})

// The worked example of the model's description: entries in order, and a new piece of 4.2 h.
const ENTRIES: DryingObservation[] = [
	{ modelHours: 2.9, notReadyHours: 3, readyHours: 5 },
	{ modelHours: 5.6, notReadyHours: 0, readyHours: 8 },
	{ modelHours: 4.2, notReadyHours: 6 },
	{ modelHours: 8, notReadyHours: 9, readyHours: 14 },
]

describe('the worked example', () => {
	test.each([
		{ count: 0, mean: 0, sd: 0.28, p10: 2.7023, p50: 4.2, p90: 6.5277 },
		{ count: 1, mean: -0.15628, sd: 0.19027, p10: 3.4501, p50: 4.9107, p90: 6.9925 },
		{ count: 2, mean: -0.10612, sd: 0.17014, p10: 3.3358, p50: 4.6777, p90: 6.5281 },
		{ count: 3, mean: -0.2481, sd: 0.14643, p10: 3.9185, p50: 5.3929, p90: 7.3793 },
		{ count: 4, mean: -0.27375, sd: 0.12174, p10: 4.0908, p50: 5.5248, p90: 7.4517 },
	])('after $count entries', ({ count, mean, sd, p10, p50, p90 }) => {
		const belief = learn(ENTRIES.slice(0, count))

		const summary = summariseBelief(belief)

		expect(summary.mean).toBeCloseTo(mean, 4)
		expect(summary.sd).toBeCloseTo(sd, 4)
		expect(4.2 * timesModel(belief, 0.1)).toBeCloseTo(p10, 3)
		expect(4.2 * timesModel(belief, 0.5)).toBeCloseTo(p50, 3)
		expect(4.2 * timesModel(belief, 0.9)).toBeCloseTo(p90, 3)
	})

	test('an absurd entry hardly moves it', () => {
		const belief = learn([...ENTRIES, { modelHours: 3, notReadyHours: 20, readyHours: 30 }])

		expect(summariseBelief(belief).mean).toBeCloseTo(-0.27375, 3)
	})

	test('equals the check values', () => {
		const { observations, after, predictFor_tm } = checks.bayes
		for (const { n, mean_u, sd_u, P90 } of after) {
			const entries = observations.slice(0, n).map(({ tm, lo, hi }) => {
				return { modelHours: tm, notReadyHours: lo, readyHours: hi ?? Infinity }
			})
			const belief = learn(entries)
			expect(summariseBelief(belief).mean).toBeCloseTo(mean_u, 4)
			expect(summariseBelief(belief).sd).toBeCloseTo(sd_u, 4)
			expect(predictFor_tm * timesModel(belief, 0.9)).toBeCloseTo(P90, 3)
		}
	})
})

// Closed form before any entry: P90/P50 = exp(1.28155 √(0.28² + 0.2²)) = 1.554.
test('a new paste has a P90 of 1.554 times its P50', () => {
	expect(timesModel(FIRST_BELIEF, 0.9)).toBeCloseTo(1.554, 2)
	expect(timesModel(FIRST_BELIEF, 0.5)).toBeCloseTo(1, 9)
})

test('chance and time are inverse, whatever was learnt', () => {
	const anyEntry = fc
		.record({
			modelHours: fc.double({ min: 0.5, max: 40, noNaN: true }),
			notReadyHours: fc.double({ min: 0, max: 30, noNaN: true }),
			gap: fc.double({ min: 0.1, max: 30, noNaN: true }),
		})
		.map(({ gap, ...entry }) => ({ ...entry, readyHours: entry.notReadyHours + gap }))
	fc.assert(
		fc.property(
			fc.array(anyEntry, { maxLength: 8 }),
			fc.double({ min: 0.05, max: 0.95, noNaN: true }),
			(entries, q) => {
				const belief = learn(entries)

				expect(chanceWithin(belief, timesModel(belief, q))).toBeCloseTo(q, 6)
				expect(belief.weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 9)
			},
		),
		{ numRuns: 40 },
	)
})

test('pieces of one batch count as one entry together', () => {
	const [entry] = ENTRIES
	if (!entry) throw new Error('no entry')
	const four = Array.from({ length: 4 }, () => ({ ...entry, batchSize: 4 }))

	expect(summariseBelief(learn(four)).sd).toBeCloseTo(summariseBelief(learn([entry])).sd, 9)
})

test('a new brand leaves the mean and widens the rest', () => {
	const before = summariseBelief(learn(ENTRIES))

	const after = summariseBelief(widen(learn(ENTRIES)))

	expect(after.mean).toBeCloseTo(before.mean, 4)
	expect(after.sd).toBeCloseTo(Math.hypot(before.sd, 0.15), 3)
})

test.each([
	{ entry: { modelHours: 0, notReadyHours: 1, readyHours: 2 }, message: 'modelHours must be > 0, got 0' },
	{ entry: { modelHours: 1, notReadyHours: 3, readyHours: 2 }, message: '0 <= notReadyHours < readyHours, got 3 to 2' },
])('refuses $message', ({ entry, message }) => {
	expect(() => learn([entry])).toThrow(message)
})

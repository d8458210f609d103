/** The normal distribution against jStat in the middle, and against tables far out. */
import fc from 'fast-check'
import jStat from 'jstat'
import { expect, test } from 'vitest'
import { normalDistribution, normalQuantile } from '../../../core/drying/normal-distribution'

test('is the one of jStat', () => {
	fc.assert(
		fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (z) => {
			expect(normalDistribution(z)).toBeCloseTo(jStat.normal.cdf(z, 0, 1), 12)
		}),
	)
})

// Handbook of Mathematical Functions, tables 26.1 and 26.2 (from memory).
test.each([
	{ z: -3, share: 1.349898031630095e-3 },
	{ z: -5, share: 2.866515718791939e-7 },
	{ z: -10, share: 7.619853024160527e-24 },
	{ z: 0, share: 0.5 },
	{ z: -Infinity, share: 0 },
	{ z: Infinity, share: 1 },
])('at $z is $share', ({ z, share }) => {
	expect(Math.abs(normalDistribution(z) - share)).toBeLessThanOrEqual(1e-11 * share)
})

test('its inverse is the one of jStat, and takes back what it did', () => {
	for (const share of [1e-12, 1e-6, 0.001, 0.05, 0.25, 0.5, 0.6, 0.75, 0.95, 0.999, 1 - 1e-6]) {
		expect(normalDistribution(normalQuantile(share)) / share).toBeCloseTo(1, 9)
		if (share > 1e-7) expect(normalQuantile(share)).toBeCloseTo(jStat.normal.inv(share, 0, 1), 6)
	}
})

import fc from 'fast-check'
import jStat from 'jstat'
import { expect, test } from 'vitest'
import { piecesToMake } from '../../../core/materials/spares'

// Common practice, no source: "5 needed: cut 6-7; 7 needed: cut 8-9", here at p = 0.08 and 90 %.
test.each([
	{ needed: 5, made: 6 },
	{ needed: 7, made: 9 },
	{ needed: 0, made: 0 },
])('for $needed pieces makes $made', ({ needed, made }) => {
	expect(piecesToMake(needed, 0.08, 0.9)).toBe(made)
})

// The reference is the binomial distribution of the package jStat.
test('is the least count whose binomial tail reaches the confidence', () => {
	const chanceOfEnough = (made: number, needed: number, breakage: number) => {
		return 1 - (needed === 0 ? 0 : jStat.binomial.cdf(needed - 1, made, 1 - breakage))
	}
	fc.assert(
		fc.property(
			fc.integer({ min: 1, max: 60 }),
			fc.double({ min: 0.01, max: 0.6, noNaN: true }),
			fc.constantFrom(0.8, 0.9, 0.95, 0.99),
			(needed, breakage, confidence) => {
				const made = piecesToMake(needed, breakage, confidence)

				// 1e-9 for the sums of both sides, far below a piece.
				expect(chanceOfEnough(made, needed, breakage)).toBeGreaterThanOrEqual(confidence - 1e-9)
				if (made > needed) expect(chanceOfEnough(made - 1, needed, breakage)).toBeLessThan(confidence + 1e-9)
			},
		),
	)
})

test('needs no spares where nothing breaks, and does not fall with fragility', () => {
	expect(piecesToMake(40, 0, 0.99)).toBe(40)
	const counts = [0.02, 0.1, 0.2, 0.4].map((breakage) => piecesToMake(30, breakage, 0.9))
	expect(counts).toEqual(counts.toSorted((a, b) => a - b))
})

test('manages thousands of fragile pieces, where the plain power would underflow', () => {
	// Mean 4000 survivors at 8000 made; 90 % takes a little more: 1.2816 standard deviations of about 63.
	expect(piecesToMake(4000, 0.5, 0.9)).toBeGreaterThan(8100)
	expect(piecesToMake(4000, 0.5, 0.9)).toBeLessThan(8200)
})

test.each([
	[-1, 0.1, 0.9],
	[1.5, 0.1, 0.9],
	[3, 1, 0.9],
	[3, NaN, 0.9],
	[3, 0.1, 1],
])('refuses %d pieces at %d and %d', (needed, breakage, confidence) => {
	expect(() => piecesToMake(needed, breakage, confidence)).toThrow(RangeError)
})

/** What breaks, and how much paste is used: against plain integration, and what an instructor would say of it. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { groupBreakage } from '../../../core/course/pace'
import { chanceOfAtMost, learnBreakage, meanBreakage, sparesFor } from '../../../core/learn/breakage-belief'
import { PasteBelief } from '../../../core/learn/paste-belief'

describe('breakage', () => {
	test('before any class is what the design says', () => {
		expect(meanBreakage(learnBreakage(0.1, []))).toBeCloseTo(0.1, 12)
	})

	test('is worth twenty pieces before, and each piece as much as one after', () => {
		// Of a practised adult: 2 of the 20 that are worth nothing more, and 9 of 30.
		const belief = learnBreakage(0.1, [{ level: 'practised', made: 30, broken: 9 }])
		expect(meanBreakage(belief)).toBeCloseTo((2 + 9) / (20 + 30), 12)
	})

	test('of beginners says less of a practised adult', () => {
		const made = { made: 50, broken: 10 }
		const [practised, beginners] = (['practised', 'beginners'] as const).map((level) => {
			return meanBreakage(learnBreakage(0.1, [{ level, ...made }]))
		})
		expect(beginners).toBeLessThan(practised!)
	})

	test('is spread over classes as by integration of the Poisson over the Gamma', () => {
		const stated = 0.08
		const belief = learnBreakage(stated, [{ level: 'improvers', made: 40, broken: 5 }])
		const exposure = (60 * groupBreakage(stated, 'improvers')) / stated
		const steps = 40_000
		for (const most of [0, 2, 5, 9]) {
			let [mass, below] = [0, 0]
			for (let i = 0; i < steps; i++) {
				const rate = (0.8 * (i + 0.5)) / steps
				const weight = rate ** (belief.shape - 1) * Math.exp(-belief.rate * rate)
				let [term, sum] = [Math.exp(-rate * exposure), 0]
				for (let k = 0; k <= most; k++) {
					sum += term
					term *= (rate * exposure) / (k + 1)
				}
				mass += weight
				below += weight * sum
			}
			expect(chanceOfAtMost(belief, { pieces: 60, level: 'improvers', stated }, most)).toBeCloseTo(below / mass, 5)
		}
	})

	test('asks for the fewest spares that suffice, and for more the surer one wants to be', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.01, max: 0.15, noNaN: true }),
				fc.integer({ min: 1, max: 80 }),
				fc.double({ min: 0.5, max: 0.99, noNaN: true }),
				(stated, pieces, confidence) => {
					const belief = learnBreakage(stated, [])
					const wanted = { pieces, level: 'beginners' as const, stated }
					const spares = sparesFor(belief, wanted, confidence)
					const sure = (count: number) => chanceOfAtMost(belief, { ...wanted, pieces: pieces + count }, count)
					expect(sure(spares)).toBeGreaterThanOrEqual(confidence)
					if (spares > 0) expect(sure(spares - 1)).toBeLessThan(confidence)
					expect(sparesFor(belief, wanted, 0.5)).toBeLessThanOrEqual(spares)
				},
			),
		)
	})

	test('asks for ten times as many at most where so many break that none are enough', () => {
		const belief = learnBreakage(0.5, [{ level: 'practised', made: 40, broken: 38 }])
		expect(sparesFor(belief, { pieces: 4, level: 'children', stated: 0.5 }, 0.99)).toBe(50)
	})

	test('of more than were made is refused', () => {
		expect(() => learnBreakage(0.1, [{ level: 'mixed', made: 3, broken: 4 }])).toThrow(RangeError)
	})
})

describe('paste', () => {
	const use = (id: string, usedG: number, kind?: string) => ({
		...{ id, paste: 'gum paste', reckonedG: 100, usedG },
		...(kind !== undefined && { kind }),
	})

	test('before anything is weighed is what is reckoned', () => {
		const { mean, variance } = new PasteBelief([]).ratioOf({ paste: 'gum paste', kind: 'petals' })
		expect(mean).toBe(0)
		expect(Math.sqrt(variance)).toBeCloseTo(Math.hypot(0.15, 0.1), 12)
	})

	test('that is always over is believed less and less', () => {
		const some = Array.from({ length: 6 }, (_, k) => use(String(k), 80, 'petals'))
		const [once, often] = [new PasteBelief(some.slice(0, 1)), new PasteBelief(some)]
		const petals = { paste: 'gum paste', kind: 'petals' }
		expect(often.ratioOf(petals).mean).toBeLessThan(once.ratioOf(petals).mean)
		expect(often.ratioOf(petals).mean).toBeGreaterThan(Math.log(0.8))
		expect(often.ratioOf(petals).variance).toBeLessThan(once.ratioOf(petals).variance)
		// Leaves of the same paste are likely over too, but less so.
		const leaves = often.ratioOf({ paste: 'gum paste', kind: 'leaves' }).mean
		expect(leaves).toBeLessThan(0)
		expect(leaves).toBeGreaterThan(often.ratioOf(petals).mean)
		expect(often.ratioOf({ paste: 'flower paste' }).mean).toBe(0)
	})

	test('without a weight is refused', () => {
		expect(() => new PasteBelief([use('1', 0)])).toThrow(RangeError)
	})
})

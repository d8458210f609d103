/** The linear model with normal effects, against textbooks, plain integration, and itself in another order. */
import fc from 'fast-check'
import jStat from 'jstat'
import { describe, expect, test } from 'vitest'
import { inferEffects, type Effect, type Value } from '../../../core/learn/linear-gaussian'
import { truncatedMoments } from '../../../core/learn/truncated-normal'

const exact = (effects: number[], value: number, sd: number, group?: string): Value => {
	return { effects, low: value, high: value, sd, ...(group !== undefined && { group }) }
}

describe('eight schools (Rubin 1981, as in textbooks, from memory)', () => {
	const EFFECTS = [28, 8, -3, 7, -1, 1, 18, 12]
	const ERRORS = [15, 10, 16, 11, 9, 11, 10, 18]
	/** The mean of all schools, and what each adds. */
	const schools = (tau: number) => {
		const effects: Effect[] = [{ mean: 0, sd: 1e4 }, ...EFFECTS.map(() => ({ mean: 0, sd: tau }))]
		const values = EFFECTS.map((value, k) => exact([0, k + 1], value, ERRORS[k]!))
		return inferEffects(effects, values, { groupSd: 0 })
	}

	test('are one where they do not differ: 7.69, sd 4.07', () => {
		const { mean, variance } = schools(1e-4).sumOf([0, 3])
		expect(mean).toBeCloseTo(7.69, 2)
		expect(Math.sqrt(variance)).toBeCloseTo(4.07, 2)
	})

	test('are each by itself where they may differ as they like', () => {
		const apart = schools(1e5)
		for (const [k, effect] of EFFECTS.entries()) {
			const { mean, variance } = apart.sumOf([0, k + 1])
			expect(mean).toBeCloseTo(effect, 1)
			expect(Math.sqrt(variance)).toBeCloseTo(ERRORS[k]!, 2)
		}
	})
})

/** By the midpoints of a grid: the posterior of one effect, and of a value's sum, straight from Bayes' rule. */
function integrate({ mean, sd }: Effect, likelihood: (effect: number) => number) {
	const [steps, width] = [40_000, 10]
	let [mass, first, second] = [0, 0, 0]
	for (let i = 0; i < steps; i++) {
		const x = mean + sd * width * ((2 * (i + 0.5)) / steps - 1)
		const weight = Math.exp(-(((x - mean) / sd) ** 2) / 2) * likelihood(x)
		mass += weight
		first += weight * x
		second += weight * x * x
	}
	return { mean: first / mass, sd: Math.sqrt(second / mass - (first / mass) ** 2) }
}

const within = (low: number, high: number, mean: number, sd: number) => {
	const at = (x: number) => (x === Infinity ? 1 : x === -Infinity ? 0 : jStat.normal.cdf(x, mean, sd))
	return at(high) - at(low)
}

describe('one effect', () => {
	const prior = { mean: 0.2, sd: 0.5 }

	test.each<{ name: string; values: Value[] }>([
		{ name: 'known values', values: [exact([0], 0.9, 0.3), exact([0], 0.4, 0.6)] },
		{ name: 'one that was cut off', values: [{ effects: [0], low: 0.7, high: Infinity, sd: 0.3 }] },
		{ name: 'one that lies between', values: [{ effects: [0], low: -0.1, high: 0.2, sd: 0.25 }] },
		{ name: 'one that lies far out', values: [{ effects: [0], low: 3, high: Infinity, sd: 0.2 }] },
		{
			name: 'known ones and one that was cut off',
			values: [exact([0], 0.3, 0.3), exact([0], 0.5, 0.3), { effects: [0], low: 0.6, high: Infinity, sd: 0.3 }],
		},
	])('with $name is as by integration', ({ values }) => {
		const { mean, variance } = inferEffects([prior], values, { groupSd: 0 }).sumOf([0])
		const whole = integrate(prior, (x) => {
			return values.reduce((product, { low, high, sd }) => {
				return product * (low === high ? jStat.normal.pdf(low, x, sd) : within(low, high, x, sd))
			}, 1)
		})
		expect(Math.abs(mean - whole.mean)).toBeLessThan(1e-3)
		expect(Math.abs(Math.sqrt(variance) - whole.sd)).toBeLessThan(1e-3)
	})
})

test('one effect with several that were cut off is as by integration, with the spreads of a studio', () => {
	// Expectation propagation is exact for one; of several it is as close as this.
	const prior = { mean: 0, sd: 0.2 }
	const values = [0.1, 0.3, -0.1].map((low) => ({ effects: [0], low, high: Infinity, sd: 0.3 }))
	const { mean, variance } = inferEffects([prior], values, { groupSd: 0 }).sumOf([0])
	const whole = integrate(prior, (x) => values.reduce((all, { low, sd }) => all * within(low, Infinity, x, sd), 1))
	expect(Math.abs(mean - whole.mean)).toBeLessThan(1e-3)
	expect(Math.abs(Math.sqrt(variance) - whole.sd)).toBeLessThan(1e-3)
})

test('the effects of groups, eliminated first, are what they are as effects among the others', () => {
	const someValue = fc.record({
		effect: fc.integer({ min: 0, max: 2 }),
		group: fc.integer({ min: 0, max: 2 }),
		value: fc.double({ min: -1, max: 1, noNaN: true }),
	})
	fc.assert(
		fc.property(fc.array(someValue, { minLength: 1, maxLength: 20 }), (rows) => {
			const priors = [0.3, 0.5, 0.2].map((sd) => ({ mean: 0.1, sd }))
			const apart = inferEffects(
				priors,
				rows.map(({ effect, group, value }) => exact([effect], value, 0.25, String(group))),
				{ groupSd: 0.4 },
			)
			const among = inferEffects(
				[...priors, ...[0, 1, 2].map(() => ({ mean: 0, sd: 0.4 }))],
				rows.map(({ effect, group, value }) => exact([effect, 3 + group], value, 0.25)),
				{ groupSd: 0 },
			)
			for (const effect of [0, 1, 2]) {
				expect(apart.sumOf([effect]).mean).toBeCloseTo(among.sumOf([effect]).mean, 9)
				expect(apart.sumOf([effect]).variance).toBeCloseTo(among.sumOf([effect]).variance, 9)
				for (const group of [0, 1, 2]) {
					const [one, other] = [apart.sumInGroup([effect], String(group)), among.sumOf([effect, 3 + group])]
					expect(one.mean).toBeCloseTo(other.mean, 9)
					expect(one.variance).toBeCloseTo(other.variance, 9)
				}
			}
		}),
		{ numRuns: 60 },
	)
})

test('what was cut off together with others of its group is as by integration over both', () => {
	// A known value and one that was cut off, of one effect and one group: the two sums lie on a grid.
	const [effectSd, groupSd, sd] = [0.3, 0.2, 0.25]
	const values: Value[] = [exact([0], 0.1, sd, 'a'), { effects: [0], group: 'a', low: 0.4, high: Infinity, sd }]
	const posterior = inferEffects([{ mean: 0, sd: effectSd }], values, { groupSd })
	let [mass, first] = [0, 0]
	const steps = 600
	for (let i = 0; i < steps; i++)
		for (let j = 0; j < steps; j++) {
			const x = 2 * ((2 * (i + 0.5)) / steps - 1)
			const g = 1.5 * ((2 * (j + 0.5)) / steps - 1)
			const weight =
				jStat.normal.pdf(x, 0, effectSd) *
				jStat.normal.pdf(g, 0, groupSd) *
				jStat.normal.pdf(0.1, x + g, sd) *
				within(0.4, Infinity, x + g, sd)
			mass += weight
			first += weight * x
		}
	expect(posterior.sumOf([0]).mean).toBeCloseTo(first / mass, 3)
})

test('the order of the values does not matter, and it comes to its fixed point', () => {
	fc.assert(
		fc.property(
			fc.array(
				fc.record({
					effects: fc.uniqueArray(fc.integer({ min: 0, max: 3 }), { minLength: 1, maxLength: 3 }),
					group: fc.constantFrom('a', 'b'),
					low: fc.double({ min: -2, max: 2, noNaN: true }),
					width: fc.constantFrom(0, 0, 0.3, Infinity),
				}),
				{ minLength: 2, maxLength: 15 },
			),
			(rows) => {
				const priors = [0.3, 0.4, 0.2, 0.5].map((sd) => ({ mean: 0, sd }))
				const values = rows.map(({ effects, group, low, width }) => ({
					effects,
					group,
					low,
					high: low + width,
					sd: 0.3,
				}))
				const one = inferEffects(priors, values, { groupSd: 0.15 })
				const other = inferEffects(priors, values.toReversed(), { groupSd: 0.15 })
				expect(one.rounds).toBeLessThan(500)
				for (const effect of [0, 1, 2, 3]) {
					expect(one.sumOf([effect]).mean).toBeCloseTo(other.sumOf([effect]).mean, 8)
					expect(one.sumOf([effect]).variance).toBeCloseTo(other.sumOf([effect]).variance, 8)
				}
			},
		),
		{ numRuns: 60 },
	)
})

test.each([
	{ low: -Infinity, high: 0.3 },
	{ low: 0.5, high: Infinity },
	{ low: -0.2, high: 0.1 },
	{ low: 2, high: 2.5 },
	{ low: -9, high: -7 },
])('a normal value between $low and $high has the moments that integration gives', ({ low, high }) => {
	const { mean, variance } = truncatedMoments({ mean: 0, variance: 1 }, low, high)
	const [from, to] = [Math.max(low, -12), Math.min(high, 12)]
	const steps = 200_000
	let [mass, first, second] = [0, 0, 0]
	for (let i = 0; i < steps; i++) {
		const x = from + ((to - from) * (i + 0.5)) / steps
		const weight = Math.exp((-x * x) / 2)
		mass += weight
		first += weight * x
		second += weight * x * x
	}
	expect(mean).toBeCloseTo(first / mass, 4)
	expect(variance).toBeCloseTo(second / mass - (first / mass) ** 2, 4)
})

import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { leastWireCount, type Demand } from '../../../core/materials/cutting-bounds'
import { cutWires, type CuttingPlan } from '../../../core/materials/cutting-plan'

let highs: Awaited<ReturnType<typeof highsLoader>>
beforeAll(async () => {
	highs = await highsLoader()
})

const anyDemands = fc.uniqueArray(
	fc.record({ lengthMm: fc.integer({ min: 30, max: 340 }), count: fc.integer({ min: 1, max: 5 }) }),
	{
		minLength: 1,
		maxLength: 4,
		selector: ({ lengthMm }) => lengthMm,
	},
)

function piecesOf({ wires }: CuttingPlan): number[] {
	return wires.flatMap(({ piecesMm }) => piecesMm).toSorted((a, b) => a - b)
}

describe('every plan', () => {
	test('cuts just the pieces demanded, none longer than its wire, and accounts for the waste', () => {
		fc.assert(
			fc.property(anyDemands, fc.constantFrom([360], [360, 300], [460, 360, 250]), (demands, stock) => {
				const usable = demands.filter(({ lengthMm }) => lengthMm <= Math.max(...stock))
				const plan = cutWires(usable, stock)

				expect(piecesOf(plan)).toEqual(
					usable.flatMap(({ lengthMm, count }) => Array<number>(count).fill(lengthMm)).toSorted((a, b) => a - b),
				)
				for (const { stockLengthMm, piecesMm } of plan.wires) {
					expect(stock).toContain(stockLengthMm)
					expect(piecesMm.reduce((sum, length) => sum + length, 0)).toBeLessThanOrEqual(stockLengthMm)
				}
				const used = plan.wires.reduce((sum, { stockLengthMm }) => sum + stockLengthMm, 0)
				expect(plan.wasteMm).toBe(used - piecesOf(plan).reduce((sum, length) => sum + length, 0))
				expect(plan.minWireCount).toBeLessThanOrEqual(plan.wires.length)
			}),
		)
	})
})

/**
 * The optimum by the general MIP solver HiGHS on the assignment formulation: wires j of each stock length, pieces i;
 * least wires first (weight 10 000 a wire), then least stock length.
 */
function optimumByMip(
	demands: readonly Demand[],
	stock: readonly number[],
	mostWires: number,
): { wires: number; length: number } {
	const slots = stock.flatMap((length, k) =>
		Array.from({ length: mostWires }, (_, j) => ({ length, name: `${k}_${j}` })),
	)
	const weight = 10_000
	const cover = demands.map(
		({ count }, d) => `c${d}: ${slots.map(({ name }) => `x${d}_${name}`).join(' + ')} = ${count}`,
	)
	const room = slots.map(
		({ length, name }) =>
			`r${name}: ${demands.map(({ lengthMm }, d) => `${lengthMm} x${d}_${name}`).join(' + ')} - ${length} y${name} <= 0`,
	)
	const inOrder = slots
		.slice(1)
		.flatMap(({ name, length }, s) =>
			slots[s]?.length === length ? [`o${name}: y${slots[s]?.name} - y${name} >= 0`] : [],
		)
	const solution = highs.solve(`Minimize
 obj: ${slots.map(({ length, name }) => `${weight + length} y${name}`).join(' + ')}
Subject To
 ${[...cover, ...room, ...inOrder].join('\n ')}
Bounds
 ${demands.flatMap(({ count }, d) => slots.map(({ name }) => `x${d}_${name} <= ${count}`)).join('\n ')}
General
 ${demands.flatMap((_, d) => slots.map(({ name }) => `x${d}_${name}`)).join(' ')}
Binary
 ${slots.map(({ name }) => `y${name}`).join(' ')}
End`)
	expect(solution.Status).toBe('Optimal')
	const value = Math.round(solution.ObjectiveValue)
	const wires = Math.floor(value / weight)
	return { wires, length: value - wires * weight }
}

describe('against a general MIP solver (HiGHS)', () => {
	test('a proven plan has the least wires and then the least length (random instances)', () => {
		let provenCount = 0
		fc.assert(
			fc.property(anyDemands, fc.constantFrom([360], [400, 300], [460, 360]), (demands, stock) => {
				const plan = cutWires(demands, stock)
				const optimum = optimumByMip(demands, stock, plan.wires.length)
				const length = plan.wires.reduce((sum, { stockLengthMm }) => sum + stockLengthMm, 0)

				expect(plan.wires.length).toBeGreaterThanOrEqual(optimum.wires)
				expect(plan.minWireCount).toBeLessThanOrEqual(optimum.wires)
				if (plan.isProven) {
					provenCount++
					expect({ wires: plan.wires.length, length }).toEqual(optimum)
				}
			}),
			{ numRuns: 25, seed: 11 },
		)
		// Of a kit's size, all are proven.
		expect(provenCount).toBe(25)
	})
})

describe('known cases', () => {
	// Wikipedia, "Cutting stock problem" (from memory): 5600 mm rolls, 13 widths, 219 pieces: 73 rolls, trim loss 0.401 %.
	test('meets the published paper-mill optimum', () => {
		const widths = [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200]
		const counts = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20]

		const plan = cutWires(
			widths.map((lengthMm, i) => ({ lengthMm, count: counts[i] ?? 0 })),
			[5600],
		)

		expect(plan).toMatchObject({ isProven: true, minWireCount: 73 })
		expect(plan.wires.length).toBe(73)
		expect(plan.wasteMm / (73 * 5600)).toBeCloseTo(0.00401, 5)
	})

	// Common practice, no source: four petal wires of 9 cm (3.5 in) from one of 36 cm (14 in).
	test('cuts four petals’ wires from one', () => {
		expect(cutWires([{ lengthMm: 90, count: 12 }], [360])).toMatchObject({
			wasteMm: 0,
			isProven: true,
			minWireCount: 3,
		})
	})

	test('takes fewer wires pooled than kit by kit', () => {
		const ofOneKit = cutWires([{ lengthMm: 120, count: 4 }], [360]).wires.length
		const pooled = cutWires([{ lengthMm: 120, count: 4 * 8 }], [360]).wires.length

		expect([8 * ofOneKit, pooled]).toEqual([16, 11])
	})

	test('takes the shorter stock where it is enough, but never more wires for it', () => {
		const { wires } = cutWires([{ lengthMm: 170, count: 3 }], [360, 180])

		expect(wires.map(({ stockLengthMm }) => stockLengthMm)).toEqual([360, 180])
	})

	test('has nothing to cut for nothing', () => {
		expect(cutWires([], [360])).toEqual({ wires: [], wasteMm: 0, minWireCount: 0, isProven: true })
	})
})

test('the bound counts long pieces one a wire, and thirds by rounding', () => {
	// Three pieces over half the stock: the length alone would say two wires.
	expect(leastWireCount([{ lengthMm: 200, count: 3 }], 360)).toBe(3)
	// Two of 130 fit a wire, never three: six need three, while their length fits 2.17 wires.
	expect(leastWireCount([{ lengthMm: 130, count: 6 }], 360)).toBe(3)
})

test.each([
	{
		name: 'a piece longer than the stock',
		demands: [{ lengthMm: 400, count: 1 }],
		stock: [360],
		message: /longer than the longest wire of 360/,
	},
	{ name: 'no stock', demands: [{ lengthMm: 40, count: 1 }], stock: [], message: /stock lengths/ },
	{ name: 'half a millimetre', demands: [{ lengthMm: 40.5, count: 1 }], stock: [360], message: /whole mm/ },
	{ name: 'a negative count', demands: [{ lengthMm: 40, count: -1 }], stock: [360], message: /count/ },
])('refuses $name', ({ demands, stock, message }) => {
	expect(() => cutWires(demands, stock)).toThrow(message)
})

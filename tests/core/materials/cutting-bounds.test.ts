/** Bounds and off-cuts of cutting plans against the general MIP solver HiGHS. */
import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Demand } from '../../../core/materials/cutting-bounds'
import { relaxCutting } from '../../../core/materials/cutting-columns'
import { cutWithOffcuts } from '../../../core/materials/cut-with-offcuts'

let highs: Awaited<ReturnType<typeof highsLoader>>
beforeAll(async () => {
	highs = await highsLoader()
})

const anyDemands = fc.uniqueArray(
	fc.record({ lengthMm: fc.integer({ min: 40, max: 340 }), count: fc.integer({ min: 1, max: 6 }) }),
	{ minLength: 1, maxLength: 4, selector: ({ lengthMm }) => lengthMm },
)

/** Every way to cut one wire, with at most as many pieces as are wanted. */
function allPatterns(demands: readonly Demand[], stockMm: number): number[][] {
	return demands.reduce<number[][]>(
		(patterns, { lengthMm, count }, d) =>
			patterns.flatMap((pattern) => {
				const used = pattern.reduce((sum, n, i) => sum + n * (demands[i]?.lengthMm ?? 0), 0)
				const most = Math.min(count, Math.floor((stockMm - used) / lengthMm))
				return Array.from({ length: most + 1 }, (_, n) => [...pattern.slice(0, d), n])
			}),
		[[]],
	)
}

/** Least wires with fractions of patterns allowed. */
function relaxationByHighs(demands: readonly Demand[], stockMm: number): number {
	const patterns = allPatterns(demands, stockMm).filter((pattern) => pattern.some((n) => n > 0))
	const rows = demands.map(({ count }, d) => {
		const terms = patterns.flatMap((pattern, p) => (pattern[d] ? [`${pattern[d]} x${p}`] : []))
		return `d${d}: ${terms.join(' + ')} >= ${count}`
	})
	const { Status, ObjectiveValue } = highs.solve(`Minimize
 obj: ${patterns.map((_, p) => `x${p}`).join(' + ')}
Subject To
 ${rows.join('\n ')}
End`)
	expect(Status).toBe('Optimal')
	return ObjectiveValue
}

describe('the linear relaxation', () => {
	test('has the value of the same problem over all patterns', () => {
		fc.assert(
			fc.property(anyDemands, (demands) => {
				const relaxed = relaxCutting(demands, 360)
				const value = relaxationByHighs(demands, 360)

				expect(relaxed?.patterns.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(value, 6)
				expect(relaxed?.bound).toBe(Math.ceil(value - 1e-6))
			}),
			{ numRuns: 40, seed: 12 },
		)
	})

	test('cuts what is wanted, from patterns that fit', () => {
		fc.assert(
			fc.property(anyDemands, (demands) => {
				const { patterns = [] } = relaxCutting(demands, 360) ?? {}

				demands.forEach(({ count }, d) => {
					const cut = patterns.reduce((sum, { counts, share }) => sum + share * (counts[d] ?? 0), 0)
					expect(cut).toBeCloseTo(count, 6)
				})
				for (const { counts } of patterns)
					expect(counts.reduce((sum, n, d) => sum + n * (demands[d]?.lengthMm ?? 0), 0)).toBeLessThanOrEqual(360)
			}),
			{ numRuns: 60, seed: 13 },
		)
	})
})

/** Least new wires with every off-cut free: pieces assigned to off-cuts and wires. */
function optimumWithOffcuts(demands: readonly Demand[], offcuts: readonly number[], mostWires: number): number {
	const bins = [
		...offcuts.map((length) => ({ length, isFree: true })),
		...Array.from({ length: mostWires }, () => ({ length: 360, isFree: false })),
	]
	const cover = demands.map(({ count }, d) => `c${d}: ${bins.map((_, b) => `x${d}_${b}`).join(' + ')} = ${count}`)
	const room = bins.map(({ length, isFree }, b) => {
		const used = demands.map(({ lengthMm }, d) => `${lengthMm} x${d}_${b}`).join(' + ')
		return isFree ? `r${b}: ${used} <= ${length}` : `r${b}: ${used} - 360 y${b} <= 0`
	})
	const wires = bins.flatMap(({ isFree }, b) => (isFree ? [] : [`y${b}`]))
	if (wires.length === 0) return 0
	const { Status, ObjectiveValue } = highs.solve(`Minimize
 obj: ${wires.join(' + ')}
Subject To
 ${[...cover, ...room].join('\n ')}
Bounds
 ${demands.flatMap(({ count }, d) => bins.map((_, b) => `x${d}_${b} <= ${count}`)).join('\n ')}
General
 ${demands.flatMap((_, d) => bins.map((__, b) => `x${d}_${b}`)).join(' ')}
Binary
 ${wires.join(' ')}
End`)
	expect(Status).toBe('Optimal')
	return Math.round(ObjectiveValue)
}

describe('off-cuts', () => {
	const anyOffcuts = fc.array(fc.integer({ min: 60, max: 300 }), { maxLength: 3 })

	test('are filled with pieces that are wanted, and nothing is cut twice', () => {
		fc.assert(
			fc.property(anyDemands, anyOffcuts, (demands, lengths) => {
				const offcuts = lengths.map((lengthMm) => ({ lengthMm, count: 1 }))
				const plan = cutWithOffcuts(demands, [360], offcuts)
				const cut = [...plan.wires, ...plan.offcuts].flatMap(({ piecesMm }) => piecesMm)

				expect(cut.toSorted((a, b) => a - b)).toEqual(
					demands.flatMap(({ lengthMm, count }) => Array<number>(count).fill(lengthMm)).toSorted((a, b) => a - b),
				)
				for (const { stockLengthMm, piecesMm } of plan.offcuts) {
					expect(lengths).toContain(stockLengthMm)
					expect(piecesMm.reduce((sum, piece) => sum + piece, 0)).toBeLessThanOrEqual(stockLengthMm)
				}
				expect(plan.offcuts.length).toBeLessThanOrEqual(lengths.length)
			}),
			{ seed: 14 },
		)
	})

	test('leave as few new wires as a MIP finds where that is proven, and the bound never lies above', () => {
		let provenCount = 0
		fc.assert(
			fc.property(anyDemands, anyOffcuts, (demands, lengths) => {
				const plan = cutWithOffcuts(
					demands,
					[360],
					lengths.map((lengthMm) => ({ lengthMm, count: 1 })),
				)
				const optimum = optimumWithOffcuts(demands, lengths, plan.wires.length)

				expect(plan.minWireCount).toBeLessThanOrEqual(optimum)
				expect(plan.wires.length).toBeGreaterThanOrEqual(optimum)
				if (plan.isProven) {
					provenCount++
					expect(plan.wires.length).toBe(optimum)
				}
			}),
			{ numRuns: 25, seed: 15 },
		)
		expect(provenCount).toBeGreaterThan(12)
	})
})

import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, test } from 'vitest'
import { OUTLINE_FAMILIES } from '../../../core/vocabulary/piece-form'
import {
	HEXAGONAL_DENSITY,
	nestOutline,
	toCutPiece,
	type PlacedPiece,
} from '../../../core/materials/sheets/nest-pieces'
import { rollOut } from '../../../core/materials/sheets/roll-out'
import { cutOutline } from '../../../core/outlines/families'

const anyOutline = fc.record({
	outline: fc.constantFrom(...OUTLINE_FAMILIES),
	widthMm: fc.integer({ min: 8, max: 60 }),
	lengthMm: fc.integer({ min: 8, max: 90 }),
})

function cutPiece(
	{ outline, widthMm, lengthMm }: { outline: (typeof OUTLINE_FAMILIES)[number]; widthMm: number; lengthMm: number },
	gapMm = 0,
) {
	const form = { type: 'cut' as const, outline, widthMm, lengthMm, thicknessMm: 1 }
	return toCutPiece(outline, cutOutline(form), { key: `${outline} ${widthMm} ${lengthMm}`, gapMm })
}

type Ring = [number, number][]

function ringOf({ points, xMm, yMm }: PlacedPiece): Ring {
	return points.map(({ x, y }) => [x + xMm, y + yMm])
}

/** Area that pieces have in common, by the independent library polygon-clipping. */
function overlapMm2(pieces: readonly PlacedPiece[]): number {
	const areaOf = (rings: Ring[]) =>
		rings.reduce((sum, ring) => {
			return (
				sum +
				ring.reduce((twice, [x, y], p) => {
					const [nextX, nextY] = ring[(p + 1) % ring.length] ?? [x, y]
					return twice + x * nextY - nextX * y
				}, 0) /
					2
			)
		}, 0)
	let overlap = 0
	pieces.forEach((a, i) => {
		for (const b of pieces.slice(i + 1)) {
			if (Math.abs(a.xMm - b.xMm) > 110 || Math.abs(a.yMm - b.yMm) > 110) continue
			for (const polygon of polygonClipping.intersection([ringOf(a)], [ringOf(b)]))
				overlap += Math.abs(areaOf(polygon as Ring[]))
		}
	})
	return overlap
}

describe('nested pieces', () => {
	test('never overlap, and lie on their sheet', () => {
		fc.assert(
			fc.property(
				anyOutline,
				fc.integer({ min: 90, max: 320 }),
				fc.integer({ min: 1, max: 30 }),
				(form, widthMm, most) => {
					const { count, heightMm, place } = nestOutline(cutPiece(form), { widthMm, heightMm: 9000, mostPieces: most })
					const pieces = place()

					expect(pieces).toHaveLength(count)
					expect(count).toBe(most)
					expect(overlapMm2(pieces)).toBeLessThan(1e-6)
					for (const ring of pieces.map(ringOf)) {
						for (const [x, y] of ring) {
							expect(x).toBeGreaterThan(-1e-6)
							expect(x).toBeLessThan(widthMm + 1e-6)
							expect(y).toBeGreaterThan(-1e-6)
							expect(y).toBeLessThan(heightMm + 1e-6)
						}
					}
				},
			),
			{ numRuns: 40, seed: 5 },
		)
	})

	test('are at least as many as plain rows of their boxes hold', () => {
		fc.assert(
			fc.property(anyOutline, fc.constantFrom(0, 2), (form, gapMm) => {
				const sheet = { widthMm: 300, heightMm: 250 }
				const inRows = (across: number, along: number) => {
					const room = 0.0025 * Math.max(across, along) + gapMm
					return (
						Math.floor((sheet.widthMm + room) / (across + room)) * Math.floor((sheet.heightMm + room) / (along + room))
					)
				}
				const { count } = nestOutline(cutPiece(form, gapMm), { ...sheet, mostPieces: 5000 })

				expect(count).toBeGreaterThanOrEqual(
					Math.max(inRows(form.widthMm, form.lengthMm), inRows(form.lengthMm, form.widthMm)),
				)
			}),
			{ numRuns: 40, seed: 6 },
		)
	})

	// The bound: Lagrange 1773 and Thue 1890, π/(2·√3); no layout of equal circles covers more of the plane.
	test('of circles come close to the hexagonal bound, and endless rows of them never pass it', () => {
		const circle = cutPiece({ outline: 'circle', widthMm: 30, lengthMm: 30 })
		const yields = Array.from({ length: 51 }, (_, k) => {
			const widthMm = 100 + 4 * k
			const { count, heightMm } = nestOutline(circle, { widthMm, heightMm: 2000, mostPieces: 60 })
			return (count * circle.areaMm2) / (widthMm * heightMm)
		})

		expect(Math.max(...yields) / HEXAGONAL_DENSITY).toBeGreaterThan(0.85)
		for (const { density } of circle.layouts) expect(density).toBeLessThanOrEqual(HEXAGONAL_DENSITY)
		expect(circle.layouts[0]?.density).toBeGreaterThan(0.95 * HEXAGONAL_DENSITY)
	})

	test('tile a sheet of strips', () => {
		const { count } = nestOutline(cutPiece({ outline: 'strip', widthMm: 20, lengthMm: 50 }), {
			widthMm: 210,
			heightMm: 205,
			mostPieces: 500,
		})

		expect(count).toBe(40)
	})
})

describe('rolling out', () => {
	const terms = { thicknessMm: 0.9, boardWidthMm: 300, boardHeightMm: 250, loss: 0.05, densityGPerCm3: 1.38 }
	const large = cutPiece({ outline: 'petal', widthMm: 54, lengthMm: 80 }, 2)
	const small = cutPiece({ outline: 'heart', widthMm: 26, lengthMm: 24 }, 2)

	test('cuts just what is wanted, from no more paste than there is', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 }), (a, b) => {
				const { massG, pieceMassG, sheets } = rollOut(
					[
						{ piece: large, count: a },
						{ piece: small, count: b },
					],
					terms,
				)
				const cut = sheets.flatMap(({ pieces }) => pieces.map(({ id }) => id))

				expect(cut.filter((id) => id === 'petal')).toHaveLength(a)
				expect(cut.filter((id) => id === 'heart')).toHaveLength(b)
				// The paste, followed from sheet to sheet: each is rolled from what is left, and what is kneaded back loses its share.
				let left = massG
				for (const { widthMm, heightMm, yield: share } of sheets) {
					const sheetG = (widthMm * heightMm * terms.thicknessMm * terms.densityGPerCm3) / 1000
					expect(sheetG).toBeLessThanOrEqual(left + 1e-6)
					left = left - sheetG + sheetG * (1 - share) * (1 - terms.loss)
				}
				expect(left).toBeGreaterThanOrEqual(-1e-6)
				expect(pieceMassG).toBeCloseTo((a * large.areaMm2 + b * small.areaMm2) * 0.9 * 1.38e-3, 6)
				expect(massG).toBeGreaterThanOrEqual(pieceMassG - 1e-9)
			}),
			{ numRuns: 25, seed: 7 },
		)
	})

	test('takes more where kneading loses more, and no piece for nothing', () => {
		const wanted = [{ piece: large, count: 20 }]
		const massAt = (loss: number) => rollOut(wanted, { ...terms, loss }).massG

		expect(massAt(0)).toBeLessThanOrEqual(massAt(0.05))
		expect(massAt(0.05)).toBeLessThan(massAt(0.3))
		expect(rollOut([{ piece: large, count: 0 }], terms)).toEqual({ massG: 0, pieceMassG: 0, sheets: [] })
	})

	test('nests the pieces of a sheet without overlap, whatever their parts', () => {
		const { sheets } = rollOut(
			[
				{ piece: large, count: 9 },
				{ piece: small, count: 30 },
			],
			terms,
		)

		for (const { pieces } of sheets) expect(overlapMm2(pieces)).toBeLessThan(1e-6)
	})

	test.each([
		{
			name: 'a board smaller than the piece',
			change: { boardWidthMm: 40, boardHeightMm: 40 },
			says: /larger than the board/,
		},
		{ name: 'no thickness', change: { thicknessMm: 0 }, says: /thicknessMm must be > 0/ },
		{ name: 'all of it lost', change: { loss: 1 }, says: /loss must be in/ },
	])('refuses $name', ({ change, says }) => {
		expect(() => rollOut([{ piece: large, count: 1 }], { ...terms, ...change })).toThrow(says)
	})
})

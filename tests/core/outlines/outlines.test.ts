import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, test } from 'vitest'
import { OUTLINE_FAMILIES } from '../../../core/vocabulary/piece-form'
import { cutOutline } from '../../../core/outlines/families'
import { outlineAreaMm2, outlineBounds } from '../../../core/outlines/measure-outline'
import { flatten } from '../../../core/outlines/outline'
import { parsePath, PathError } from '../../../core/outlines/parse-path'
import { fitOutline, stretchOutline } from '../../../core/outlines/transform-outline'
import { writePath } from '../../../core/outlines/write-path'

const areaOf = (path: string) => outlineAreaMm2(parsePath(path))

describe('areas', () => {
	// Plane geometry; the Bézier by its closed form: a quadratic arch over a chord has two thirds of its triangle.
	test.each([
		{ name: 'a square', path: 'M0 0H10V10H0Z', area: 100 },
		{ name: 'a triangle', path: 'M0 0L8 0L0 6Z', area: 24 },
		{ name: 'a circle', path: 'M-10 0A10 10 0 0 1 10 0A10 10 0 0 1 -10 0Z', area: Math.PI * 100 },
		{ name: 'an ellipse', path: 'M-20 0A20 5 0 0 0 20 0A20 5 0 0 0 -20 0Z', area: Math.PI * 100 },
		{
			name: 'a turned ellipse',
			path: 'M-14.142135623731 -14.142135623731A20 5 45 0 0 14.142135623731 14.142135623731A20 5 45 0 0 -14.142135623731 -14.142135623731Z',
			area: Math.PI * 100,
		},
		{ name: 'a half circle', path: 'M-10 0A10 10 0 0 1 10 0Z', area: Math.PI * 50 },
		{ name: 'a quadratic arch', path: 'M0 0Q5 12 10 0Z', area: ((2 / 3) * 10 * 12) / 2 },
		{ name: 'the same arch, smooth and relative', path: 'm0 0q5 12 10 0z', area: 40 },
		{ name: 'two arches by reflection', path: 'M0 0Q5 12 10 0T20 0L20 -20H0Z', area: 400 },
		{ name: 'a large arc', path: 'M0 -10A10 10 0 1 1 -10 0L0 0Z', area: Math.PI * 75 },
	])('$name', ({ path, area }) => {
		expect(areaOf(path)).toBeCloseTo(area, 9)
	})

	test.each(OUTLINE_FAMILIES)('of the family "%s" agree with an independent polygon library', (outline) => {
		const shape = cutOutline({ outline, widthMm: 37, lengthMm: 53 })
		const ring = flatten(shape, 400).map(({ x, y }): [number, number] => [x, y])
		// Its union with itself: the library's own reading of the ring.
		const [polygon] = polygonClipping.union([ring])
		const shoelace = (points: readonly (readonly [number, number])[]) =>
			Math.abs(
				points.reduce(
					(sum, [x, y], k) =>
						sum + x * (points[(k + 1) % points.length]?.[1] ?? 0) - (points[(k + 1) % points.length]?.[0] ?? 0) * y,
					0,
				),
			) / 2

		// 400 chords a curve fall short of it by less than a part in ten thousand.
		expect(outlineAreaMm2(shape) / shoelace(polygon?.[0] ?? [])).toBeCloseTo(1, 4)
	})

	test.each(OUTLINE_FAMILIES)('"%s" has just the width and length asked for, its foot at the origin', (outline) => {
		const { minX, minY, maxX, maxY } = outlineBounds(cutOutline({ outline, widthMm: 37, lengthMm: 53 }))

		expect([minX, maxX, minY, maxY].map((value) => Math.round(value * 1e6) / 1e6 + 0)).toEqual([-18.5, 18.5, -53, 0])
	})

	test('grow with the square of the size, and by each stretch', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...OUTLINE_FAMILIES),
				fc.double({ min: 0.2, max: 5, noNaN: true }),
				fc.double({ min: 0.2, max: 5, noNaN: true }),
				(outline, sx, sy) => {
					const shape = cutOutline({ outline, widthMm: 20, lengthMm: 30 })

					const stretched = outlineAreaMm2(stretchOutline(shape, { sx, sy, dx: 7, dy: -3 }))

					expect(stretched / outlineAreaMm2(shape)).toBeCloseTo(sx * sy, 6)
				},
			),
		)
	})

	test('of a turned ellipse survive unequal stretching to within a part in a million', () => {
		const turned = parsePath(
			'M-14.142135623731 -14.142135623731A20 5 45 0 0 14.142135623731 14.142135623731A20 5 45 0 0 -14.142135623731 -14.142135623731Z',
		)

		expect(outlineAreaMm2(stretchOutline(turned, { sx: 3, sy: 0.5, dx: 0, dy: 0 })) / (Math.PI * 150)).toBeCloseTo(1, 6)
	})
})

describe('paths', () => {
	test.each(OUTLINE_FAMILIES)('of "%s" come back as they were written', (outline) => {
		const shape = cutOutline({ outline, widthMm: 37, lengthMm: 53 })

		const again = parsePath(writePath(shape, 6))

		expect(outlineAreaMm2(again)).toBeCloseTo(outlineAreaMm2(shape), 3)
		expect(fitOutline(again, 37, 53)).toHaveLength(shape.length)
	})

	// SVG 1.1, 8.3.9: separators may be left out where nothing is ambiguous; from memory.
	test.each([
		{ name: 'signs and points as separators', path: 'M.5.5L-1-1L1-1z', same: 'M0.5 0.5 L-1 -1 L1 -1 Z' },
		{ name: 'flags run together', path: 'M0 0a5 5 0 1110 0z', same: 'M0 0 A5 5 0 1 1 10 0 Z' },
		{ name: 'lines after a move', path: 'M0 0 10 0 10 10z', same: 'M0 0L10 0L10 10Z' },
		{ name: 'exponents', path: 'M0 0L1e1 0L1E+1 10z', same: 'M0 0L10 0L10 10Z' },
	])('are read with $name', ({ path, same }) => {
		expect(parsePath(path)).toEqual(parsePath(same))
	})

	test.each([
		{ name: 'nothing', path: '', says: /draws nothing|no path data/ },
		{ name: 'no move', path: 'L10 10', says: /should start with `M`/ },
		{ name: 'strange letters', path: 'M0 0 script', says: /no path data/ },
		{ name: 'too few numbers', path: 'M0 0L10', says: /missed param/ },
		{ name: 'a flag that is none', path: 'M0 0A5 5 0 2 1 10 0Z', says: /arc flag can be 0 or 1/ },
		{ name: 'two lines', path: 'M0 0H5V5ZM9 9H12V12Z', says: /one closed line/ },
		{ name: 'a line without inside', path: 'M0 0L10 0Z', says: /encloses nothing/ },
		{ name: 'a bow tie', path: 'M0 0L10 10L10 0L0 10Z', says: /crosses itself near 5, 5/ },
		{ name: 'numbers beyond reason', path: 'M0 0L1e9 0L0 5Z', says: /too far away/ },
		{ name: 'endless lines', path: `M0 0${'l1 1l0 -1'.repeat(400)}V50H0Z`, says: /at most 500/ },
	])('with $name are refused with the reason', ({ path, says }) => {
		expect(() => parsePath(path)).toThrow(PathError)
		expect(() => parsePath(path)).toThrow(says)
	})

	test('never throw anything but a PathError, whatever is typed', () => {
		const words = fc.array(
			fc.constantFrom('M', 'l', 'A', 'z', 'C', 'q', 'T', '0', '5', '-3.5', '1e2', ' ', ',', '1', '.', 'x'),
			{ maxLength: 40 },
		)
		fc.assert(
			fc.property(words, (parts) => {
				try {
					parsePath(parts.join(''))
				} catch (error) {
					expect(error).toBeInstanceOf(PathError)
				}
			}),
			{ numRuns: 1000 },
		)
	})
})

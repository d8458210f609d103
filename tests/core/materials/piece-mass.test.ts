import { describe, expect, test } from 'vitest'
import { bodyVolumeMm3, pasteMassG, pieceMassG } from '../../../core/materials/piece-mass'
import { spiralLengthMm, turnsLengthMm } from '../../../core/materials/tape-length'
import { bendingStressMpa, finestHoldingGauge, holds } from '../../../core/materials/wire-strength'

describe('masses', () => {
	// Any table of solids.
	test.each([
		{ body: 'ball' as const, d: 20, l: undefined, volume: (Math.PI / 6) * 8000 },
		{ body: 'cone' as const, d: 12, l: 30, volume: (Math.PI * 36 * 30) / 3 },
		{ body: 'cylinder' as const, d: 8, l: 60, volume: Math.PI * 16 * 60 },
		{ body: 'drop' as const, d: 10, l: 25, volume: (2 / 3) * Math.PI * 125 + (Math.PI * 25 * 20) / 3 },
	])('of a $body', ({ body, d, l, volume }) => {
		expect(bodyVolumeMm3(body, d, l)).toBeCloseTo(volume, 6)
	})

	test('of a cut piece are area times thickness times density', () => {
		// A strip of 50 x 20 x 2 mm is 2 cm³; 1.38 g/cm³ from memory.
		expect(pasteMassG({ type: 'cut', outline: 'strip', widthMm: 20, lengthMm: 50, thicknessMm: 2 })).toBeCloseTo(
			2.76,
			9,
		)
	})

	test('go by the square for cut pieces and by the cube for bodies', () => {
		const cut = (k: number) =>
			pasteMassG({ type: 'cut', outline: 'petal', widthMm: 30 * k, lengthMm: 40 * k, thicknessMm: 1 })
		const ball = (k: number) => pasteMassG({ type: 'formed', body: 'ball', diameterMm: 20 * k })

		expect(cut(1.5) / cut(1)).toBeCloseTo(2.25, 9)
		expect(ball(1.5) / ball(1)).toBeCloseTo(3.375, 9)
	})

	test('of what is bought count on the wire, not as paste', () => {
		const form = { type: 'bought', item: 'polystyrene ball', massG: 1.2 } as const

		expect([pasteMassG(form), pieceMassG(form)]).toEqual([0, 1.2])
	})
})

describe('wires under load', () => {
	const petal = { massG: 2, lengthMm: 60, wireCount: 1 }

	// Strength of materials, worked by hand: 2 g · 9.81 m/s² · 40 mm = 0.7848 N·mm; π·0.5³/32 = 0.012272 mm³.
	test('bend by the textbook', () => {
		expect(bendingStressMpa(petal, 0.5)).toBeCloseTo(63.95, 2)
	})

	test('hold better the thicker they are and the more there are', () => {
		expect(bendingStressMpa(petal, 0.25)).toBeCloseTo(8 * bendingStressMpa(petal, 0.5), 9)
		expect(bendingStressMpa({ ...petal, wireCount: 2 }, 0.5)).toBeCloseTo(bendingStressMpa(petal, 0.5) / 2, 9)
	})

	// Common practice, no source: 26 to 28 for petals of 5 to 6 cm, 20 for a ball of 4 cm.
	test('are found as practice has them', () => {
		expect(holds(petal, 28, 'swg')).toBe(true)
		expect(holds(petal, 33, 'swg')).toBe(false)
		expect(finestHoldingGauge({ massG: 500, lengthMm: 300, wireCount: 1 }, 'swg')).toBeUndefined()
	})
})

describe('tape', () => {
	// A helix unrolled: at 45 degrees √2 of the stem, over the stretch.
	test('follows the helix, whatever the stem is thick', () => {
		expect(spiralLengthMm(100, Math.PI / 4, 1)).toBeCloseTo(141.4, 1)
		expect(turnsLengthMm(2, 5, 2)).toBeCloseTo(Math.PI * 5, 9)
		expect(() => spiralLengthMm(100, Math.PI / 2)).toThrow(RangeError)
	})
})

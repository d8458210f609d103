/** Contrast of both lights, by the formula of WCAG 2.2, "relative luminance" and "contrast ratio". */
import { describe, expect, test } from 'vitest'
import { makeTheme, PALETTES, REACHES } from '../../../app/shared/theme/theme'
import { NIGHT_TINTS, NO_TINT, TINT_COLOURS } from '../../../app/shared/theme/tints'

/** AA of the same standard: text, and what can be pressed or must be seen. */
const TEXT = 4.5
const MARK = 3

function luminance(colour: string): number {
	const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
		const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255
		return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
	})
	return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

function contrast(one: string, other: string): number {
	const [dark = 0, light = 0] = [luminance(one), luminance(other)].toSorted((a, b) => a - b)
	return (light + 0.05) / (dark + 0.05)
}

test('the formula gives what the standard says: 21 for black on white, 4.48 for #777777 on white', () => {
	expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 6)
	expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2)
})

describe.each(Object.entries(PALETTES))('by %s', (light, palette) => {
	const grounds = ['paper', 'surface', 'hover'] as const

	test.each(grounds)('words can be read on %s', (ground) => {
		for (const ink of ['ink', 'soft-ink', 'plum', 'persimmon-ink', 'leaf'] as const)
			expect(contrast(palette[ink], palette[ground]), ink).toBeGreaterThanOrEqual(TEXT)
	})

	test.each([
		['ink', 'sage'],
		['sage-ink', 'sage'],
		['ink', 'plum-wash'],
		['plum', 'plum-wash'],
		['ink', 'persimmon-wash'],
		['persimmon-ink', 'persimmon-wash'],
		['ink', 'straw-wash'],
		['on-plum', 'plum'],
		['ink', 'never'],
	] as const)('%s can be read on %s', (ink, ground) => {
		expect(contrast(palette[ink], palette[ground])).toBeGreaterThanOrEqual(TEXT)
	})

	test('what warns, what grows and what is chosen can be seen', () => {
		for (const mark of ['persimmon', 'leaf', 'plum'] as const)
			expect(contrast(palette[mark], palette.surface), mark).toBeGreaterThanOrEqual(MARK)
	})

	test('words can be read on the tint of every part, and its edge can be seen', () => {
		const tints = light === 'night' ? { ...NIGHT_TINTS, none: NO_TINT.night } : { ...TINT_COLOURS, none: NO_TINT.day }
		for (const [name, { fill, edge }] of Object.entries(tints)) {
			expect(contrast(palette.ink, fill), name).toBeGreaterThanOrEqual(TEXT)
			expect(contrast(edge, palette.surface), name).toBeGreaterThanOrEqual(MARK)
		}
	})
})

test('a finger has at least 44 px for whatever it presses', () => {
	expect(REACHES.touch.small).toBeGreaterThanOrEqual(44)
	expect(makeTheme('day', 'touch').token?.controlHeight).toBe(REACHES.touch.control)
})

test('both lights name the same variables', () => {
	expect(Object.keys(PALETTES.night)).toEqual(Object.keys(PALETTES.day))
	expect(Object.keys(NIGHT_TINTS)).toEqual(Object.keys(TINT_COLOURS))
})

/** How papers say and lay out what stands on them: times for a home, words that hold together, columns, mirrors. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shareWidths } from '../../../app/prepare/papers/draw/column-widths'
import { heldTogether, holdTogether } from '../../../app/prepare/papers/draw/hold-together'
import { readAskedPaper, readSheetSize } from '../../../app/prepare/schemas/paper-address'
import { dayPart, readyWords, waitWords } from '../../../app/prepare/words/home-times'
import { mirrored, type Figure } from '../../../app/shared/figure/figure'

describe('times for a home', () => {
	// 12 March 2026 is a Thursday.
	const left = { date: '2026-03-12', minuteOfDay: 21 * 60 }

	test('are parts of days', () => {
		expect(dayPart('2026-03-15T12:10')).toBe('Sunday noon')
		expect(dayPart('2026-03-15T04:00')).toBe('Sunday night')
		expect(dayPart('2026-03-16T19:30')).toBe('Monday evening')
	})

	test('tell a dry room and a damp one apart, and say where it never dries', () => {
		expect(readyWords('firm', left, { dry: 15, damp: 40 })).toBe(
			'firm by Friday noon in a dry room, by Saturday noon in a damp one',
		)
		expect(readyWords('firm', left, { dry: 15, damp: 15.5 })).toBe('firm by Friday noon')
		expect(readyWords('hard', left, { dry: 20, damp: undefined })).toBe(
			'hard by Friday afternoon in a dry room; in a damp one it stays soft',
		)
		expect(readyWords('hard', left, { dry: undefined, damp: undefined })).toMatch(/drier air/)
		expect(waitWords('firm', { dry: 10, damp: 20 })).toBe('until firm: about 10 h in a dry room, 20 h in a damp one')
		expect(waitWords(undefined, { dry: 0.25, damp: 0.25 })).toBe('a while: about 15 min')
	})
})

describe('words hold together', () => {
	test.each([
		['on Thu 12 Mar, 19:00', 'on Thu\u00A012\u00A0Mar,\u00A019:00'],
		['3 × 12 cm wire, 24 gauge', '3\u00A0×\u00A012\u00A0cm wire, 24\u00A0gauge'],
		['2 h 05 for all', '2\u00A0h\u00A005 for all'],
		['€ 12.40 each', '€\u00A012.40 each'],
		['7½ h in a dry room', '7½\u00A0h in a dry room'],
		['12 petals', '12 petals'],
	])('%s', (words, held) => expect(holdTogether(words)).toBe(held))

	test('and drawings stay as they are', () => {
		const block = { type: 'figures', figures: [{ figure: { path: 'M0 5 h 3' } }], text: '5 h' }
		expect(heldTogether(block)).toEqual({ ...block, text: '5\u00A0h' })
	})
})

test('columns fill the room; what is short is never broken where there is room for it', () => {
	const word = fc.string({ unit: fc.constantFrom(...'abcdef '), minLength: 1, maxLength: 60 })
	fc.assert(
		fc.property(
			fc.integer({ min: 1, max: 5 }),
			fc.integer({ min: 60, max: 900 }),
			fc.infiniteStream(word),
			(columns, room, words) => {
				const rows = Array.from({ length: 4 }, () =>
					Array.from({ length: columns }, () => words.next().value as string),
				)
				const widths = shareWidths(rows, room, (text) => 5 * text.length)
				expect(widths.reduce((sum, width) => sum + width, 0)).toBeCloseTo(room, 6)
				const least = rows[0]!.map((_, c) =>
					Math.max(...rows.map((row) => (row[c]!.length <= 16 ? 5 * row[c]!.length : 0))),
				)
				const needed = rows[0]!.map((_, c) =>
					Math.max(
						...rows
							.flatMap((row) => (row[c]!.length <= 16 ? [row[c]!] : row[c]!.split(' ')))
							.map((text) => 5 * text.length + 9),
					),
				)
				if (needed.reduce((sum, own) => sum + own, 0) <= room)
					widths.forEach((width, c) => expect(width).toBeGreaterThanOrEqual(least[c]! - 1e-6))
			},
		),
	)
})

test('a mirrored figure mirrored again is as it was, and its words are still read from the left', () => {
	const figure: Figure = {
		box: [-10, 0, 40, 20],
		label: 'a leaf',
		shapes: [
			{ type: 'path', path: 'M0 0L3 4', matrix: [1, 2, 3, 4, 5, 6], fill: '#fff' },
			{ type: 'path', path: 'M1 1L2 2', matrix: [1, 0, 0, 1, 0, 0] },
			{ type: 'words', text: '12 min', x: -4, y: 3, size: 5, anchor: 'start' },
		],
	}
	expect(mirrored(mirrored(figure))).toEqual(figure)
	expect(mirrored(figure).shapes[2]).toEqual({ type: 'words', text: '12 min', x: 24, y: 3, size: 5, anchor: 'end' })
})

test('an address asks only for what there is', () => {
	const known = { sessionCount: 3, leftHanded: [false, true] }
	const asked = (query: string) => readAskedPaper(new URLSearchParams(query), known)

	expect(asked('session=9&student=0&missed=x')).toEqual({
		session: 0,
		handOut: { isLeftHanded: false, isLarge: false, hasStudioName: true },
	})
	expect(asked('student=2&letters=large&studio=no&missed=3').handOut).toEqual({
		...{ seat: 1, missed: 2, isLeftHanded: true, isLarge: true, hasStudioName: false },
	})
	expect(asked('student=2&hand=right').handOut.isLeftHanded).toBe(false)
	expect([
		readSheetSize(new URLSearchParams(), 'letter'),
		readSheetSize(new URLSearchParams('paper=a4'), 'letter'),
	]).toEqual(['letter', 'a4'])
})

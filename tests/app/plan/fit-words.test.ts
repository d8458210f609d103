import { expect, test } from 'vitest'
import { fitWords, measureWords } from '../../../app/plan/components/plan-bands/fit-words'

const face = { sizePx: 13 }

test('words that fit stay whole, others end in an ellipsis within the width', () => {
	const words = 'Cut, wire, vein and cup'
	const width = measureWords(words, face)

	expect(fitWords(words, width, face)).toBe(words)
	for (const room of [width - 1, 60, 30]) {
		const cut = fitWords(words, room, face)
		expect(cut.endsWith('…')).toBe(true)
		expect(measureWords(cut, face)).toBeLessThanOrEqual(room)
	}
})

test('a width for nothing still gets a letter', () => {
	expect(fitWords('Centre', 2, face)).toBe('C…')
})

test('wide letters take more than narrow ones', () => {
	expect(measureWords('mmm', face)).toBeGreaterThan(measureWords('iii', face))
	expect(measureWords('mmm', { ...face, isBold: true })).toBeGreaterThan(measureWords('mmm', face))
})

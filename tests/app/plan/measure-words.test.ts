import fc from 'fast-check'
import { expect, test } from 'vitest'
import { measureWords } from '../../../app/plan/components/plan-bands/measure-words'

const face = { sizePx: 13, isBold: true }

test('more words are wider, and a larger face too', () => {
	fc.assert(
		fc.property(
			fc.string({ minLength: 1, maxLength: 40 }),
			fc.string({ minLength: 1, maxLength: 10 }),
			(words, more) => {
				expect(measureWords(words + more, face)).toBeGreaterThan(measureWords(words, face))
				expect(measureWords(words, { ...face, sizePx: 26 })).toBeCloseTo(2 * measureWords(words, face), 8)
			},
		),
	)
})

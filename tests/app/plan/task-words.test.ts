import { expect, test } from 'vitest'
import { piecesWords, halvesWords } from '../../../app/plan/words/tasks'
import type { StepSource } from '../../../core/plan/compile/compiled-course'

const petals: StepSource = {
	...{ type: 'step', designId: 'bell', designName: 'Bell', stepId: 'vein', partId: 'petals', partName: 'Petals' },
	...{ tint: undefined, label: 'Vein', sentence: 'Vein each.', pieceCount: 5, batchSizes: [5] },
}
const inHalves = (ferns: number): StepSource => ({
	...petals,
	halves: {
		first: petals,
		second: { ...petals, designId: 'fern', partName: 'Fern leaves', label: 'Press', pieceCount: ferns },
		changeAfterMinutes: 20,
	},
})

test('pieces are told of both steps that the halves of a class do by turns', () => {
	expect(piecesWords(petals, 1)).toBe('1 piece')
	expect(piecesWords({ ...petals, partId: undefined } as StepSource, 2)).toBe('2 flowers')
	expect(piecesWords(inHalves(3), 5)).toBe('5 and 3 pieces')
	expect(piecesWords(inHalves(5), 5)).toBe('5 pieces')
})

test('which half does what, and when they change over', () => {
	expect(halvesWords(inHalves(3).halves!, 1089)).toBe(
		'The left half does petals: vein, while the right half does fern leaves: press; change over at 18:29.',
	)
})

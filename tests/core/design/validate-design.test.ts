import { expect, test } from 'vitest'
import type { Design } from '../../../core/design/design'
import { validateDesign } from '../../../core/design/validate-design'
import { makeDesign, makePart, makeStep } from '../../support/make-design'

const petals = makePart('petals')

test.each<{ name: string; design: Design; path: string; message: RegExp }>([
	{
		name: 'two parts of one id',
		design: makeDesign({ parts: [petals, petals], steps: [] }),
		path: '/parts/1/id',
		message: /used twice/,
	},
	{
		name: 'a step of no part',
		design: makeDesign({ parts: [petals], steps: [makeStep('cut', 'leaves')] }),
		path: '/steps/0/part',
		message: /no part "leaves"/,
	},
	{
		name: 'an unknown technique',
		design: makeDesign({ parts: [petals], steps: [makeStep('cut', 'petals', [], { technique: 'weaving' })] }),
		path: '/steps/0/technique',
		message: /weaving/,
	},
	{
		name: 'an unknown extra',
		design: makeDesign({ parts: [petals], steps: [makeStep('cut', 'petals', [], { extra: 'bud' })] }),
		path: '/steps/0/extra',
		message: /bud/,
	},
	{
		name: 'a need of no step',
		design: makeDesign({ parts: [petals], steps: [makeStep('cut', 'petals', [{ after: 'roll' }])] }),
		path: '/steps/0/needs/0/after',
		message: /roll/,
	},
	{
		name: 'a circle',
		design: makeDesign({
			parts: [petals],
			steps: [makeStep('a', 'petals', [{ after: 'b' }]), makeStep('b', 'petals', [{ after: 'a' }])],
		}),
		path: '/steps',
		message: /circle through a, b/,
	},
	{
		name: 'a limit below the wait',
		design: makeDesign({
			parts: [petals],
			steps: [
				makeStep('a', 'petals'),
				makeStep('b', 'petals', [{ after: 'a', wait: { stage: 'firm', usualMinutes: 60 }, withinMinutes: 30 }]),
			],
		}),
		path: '/steps/1/needs/0/withinMinutes',
		message: />= the usual wait of 60, got 30/,
	},
	{
		name: 'piece by piece across parts',
		design: makeDesign({
			parts: [petals, makePart('leaves')],
			steps: [makeStep('a', 'petals'), makeStep('b', 'leaves', [{ after: 'a', isPieceByPiece: true }])],
		}),
		path: '/steps/1/needs/0',
		message: /same part/,
	},
	{
		name: 'a condition on no choice',
		design: makeDesign({ parts: [{ ...petals, when: { size: ['big'] } }], steps: [] }),
		path: '/parts/0/when',
		message: /no choice "size"/,
	},
	{
		name: 'a variant on no option',
		design: makeDesign({
			choices: [{ id: 'size', name: 'Size', options: [{ id: 'big', name: 'Big' }] }],
			parts: [{ ...petals, variants: [{ when: { size: ['tiny'] }, set: {} }] }],
			steps: [],
		}),
		path: '/parts/0/variants/0/when',
		message: /no option "tiny"/,
	},
	{
		name: 'pieces derived from nothing',
		design: makeDesign({
			parts: [makePart('halves', { form: { type: 'derived', fromPart: 'wholes', piecesEach: 2 } })],
			steps: [],
		}),
		path: '/parts/0/form/fromPart',
		message: /wholes/,
	},
	{
		name: 'a layer of nothing',
		design: makeDesign({
			parts: [petals],
			steps: [],
			layers: [{ part: 'sepals', pieceCount: 3, radiusMm: 2, arrangement: 'free' }],
		}),
		path: '/layers/0/part',
		message: /sepals/,
	},
])('finds $name', ({ design, path, message }) => {
	const [problem, ...others] = validateDesign(design)

	expect(others).toEqual([])
	expect(problem).toEqual({ path, message: expect.stringMatching(message) as string })
})

test('finds nothing in a sound design', () => {
	expect(
		validateDesign(
			makeDesign({
				parts: [petals],
				steps: [makeStep('cut', 'petals'), makeStep('dust', 'petals', [{ after: 'cut', isPieceByPiece: true }])],
			}),
		),
	).toEqual([])
})

import { expect, test } from 'vitest'
import { cautionsOf } from '../../../core/design/cautions'
import { measureEffort } from '../../../core/design/design-effort'
import { resolveDesign } from '../../../core/design/resolve-design'
import { makeDesign, makePart, makeStep } from '../../support/make-design'

const design = makeDesign({
	choices: [
		{
			id: 'extent',
			name: 'How far',
			options: [
				{ id: 'full', name: 'Full' },
				{ id: 'bud', name: 'Bud' },
			],
		},
		{
			id: 'leaves',
			name: 'Leaves',
			options: [
				{ id: 'two', name: 'Two' },
				{ id: 'none', name: 'None' },
			],
		},
	],
	parts: [
		makePart('petals', {
			variants: [{ when: { extent: ['bud'] }, set: { piecesPerFlower: 3 } }],
			wire: { gauge: 26, lengthMm: 90, colour: 'white', insertedFraction: 0.4 },
		}),
		makePart('leaves', { when: { leaves: ['two'] }, piecesPerFlower: 2 }),
	],
	steps: [
		makeStep('cut', 'petals', [], {
			variants: [{ when: { extent: ['bud'], leaves: ['none'] }, set: { minutesPerPiece: 9 } }],
		}),
		makeStep('leaf', 'leaves', [{ after: 'cut', wait: { stage: 'firm', usualMinutes: 100 } }]),
		makeStep('leaf-dust', 'leaves', [{ after: 'leaf', wait: { stage: 'hard', usualMinutes: 500 } }], {
			hazards: ['dust'],
		}),
		makeStep('tape', undefined, [{ after: 'leaf-dust', withinMinutes: 9 }]),
	],
	layers: [{ part: 'leaves', pieceCount: 2, radiusMm: 4, arrangement: 'free' }],
})

test('takes the first option of a choice that is not made', () => {
	expect(resolveDesign(design, {}).picks).toEqual({ extent: 'full', leaves: 'two' })
})

test('changes numbers under their options alone, all of a condition to hold', () => {
	const bud = resolveDesign(design, { extent: 'bud' })

	expect(bud.parts[0]).toMatchObject({ piecesPerFlower: 3 })
	expect(bud.steps[0]).toMatchObject({ minutesPerPiece: 3 })
	expect(resolveDesign(design, { extent: 'bud', leaves: 'none' }).steps[0]).toMatchObject({ minutesPerPiece: 9 })
})

test('leaves no condition behind', () => {
	expect(JSON.stringify(resolveDesign(design, {}))).not.toMatch(/"when"|"variants"|"choices"/)
})

test('takes the steps and layers of a part that is left out, and keeps the order and the first wait round them', () => {
	const plain = resolveDesign(design, { leaves: 'none' })

	expect(plain.layers).toEqual([])
	expect(plain.steps.map(({ id }) => id)).toEqual(['cut', 'tape'])
	expect(plain.steps[1]?.needs).toMatchObject([{ after: 'cut', wait: { stage: 'firm', usualMinutes: 100 } }])
	expect(plain.steps[1]?.needs[0]).not.toHaveProperty('withinMinutes')
})

test.each([
	[{ extent: 'half' }, /How far cannot be "half"/],
	[{ colour: 'red' }, /no choice "colour"/],
])('refuses %o', (picks, message) => {
	expect(() => resolveDesign(design, picks as unknown as Record<string, string>)).toThrow(message)
})

test('derives cautions from wires, steps and what is bought, each once', () => {
	const hazards = (picks: Record<string, string>) =>
		cautionsOf(resolveDesign(design, picks)).map(({ hazard }) => hazard)

	expect(hazards({})).toEqual(['not food', 'wire', 'dust'])
	expect(hazards({ leaves: 'none' })).toEqual(['not food', 'wire'])
})

test('measures the work of one flower, and the longest chain with its waits', () => {
	// Petals 1 + 5·3, leaves twice 1 + 2·3, taping 1 + 3; waits 100 and 500 lie on the one chain.
	expect(measureEffort(resolveDesign(design, {}))).toEqual({ handsOnMinutes: 16 + 7 + 7 + 4, elapsedMinutes: 34 + 600 })
})

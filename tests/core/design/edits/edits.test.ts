import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Design } from '../../../../core/design/design'
import { recordChange, redo, startHistory, undo } from '../../../../core/design/edit-history'
import { addChoice, addOption, removeOption, renameOption } from '../../../../core/design/edits/edit-choices'
import {
	addLayer,
	addPart,
	changeLayer,
	changePart,
	changeSizes,
	duplicatePart,
	moveLayer,
	movePart,
	removePart,
} from '../../../../core/design/edits/edit-parts'
import { addStep, changeStep, duplicateStep, moveStep, removeSteps } from '../../../../core/design/edits/edit-steps'
import { freshId, slugOf } from '../../../../core/design/edits/fresh-id'
import { compareDesigns } from '../../../../core/design/design-differences'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { validateDesign } from '../../../../core/design/validate-design'
import { listWires } from '../../../../core/design/wires-of-design'
import { readDesign } from '../../../../exchange/read-document'
import { demoDesign, demoDesignIds } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const wired = { gauge: 28, lengthMm: 90, colour: 'white', insertedFraction: 0.4 }
const design = makeDesign({
	choices: [
		{
			id: 'size',
			name: 'Size',
			options: [
				{ id: 'usual', name: 'Usual' },
				{ id: 'small', name: 'Small' },
				{ id: 'tiny', name: 'Tiny' },
			],
		},
	],
	parts: [
		makePart('petals', { variants: [{ when: { size: ['small'] }, set: { piecesPerFlower: 3 } }], wire: wired }),
		makePart('halves', { form: { type: 'derived', fromPart: 'petals', piecesEach: 2 } }),
		makePart('leaf', { when: { size: ['usual', 'small'] } }),
	],
	steps: [
		makeStep('cut', 'petals'),
		makeStep('dry', 'petals', [{ after: 'cut', wait: { stage: 'hard', usualMinutes: 600 } }]),
		makeStep('dust', 'petals', [{ after: 'dry' }]),
		makeStep('halve', 'halves', [{ after: 'cut', withinMinutes: 20 }]),
		makeStep('leaf', 'leaf'),
		makeStep('tape', undefined, [{ after: 'dust' }, { after: 'leaf' }, { after: 'halve' }]),
	],
	layers: [
		{ part: 'petals', pieceCount: 5, radiusMm: 3, arrangement: 'over gaps' },
		{ part: 'leaf', pieceCount: 2, radiusMm: 9, arrangement: 'free' },
	],
})
const usual = { picks: { size: 'usual' } }
const small = { picks: { size: 'small' } }
const partOf = (changed: Design, id: string) => changed.parts.find((part) => part.id === id)
const needsOf = (changed: Design, id: string) => changed.steps.find((step) => step.id === id)?.needs

describe('a value that is changed', () => {
	test('goes where the value shown comes from', () => {
		const [inUsual, inSmall] = [
			changePart(design, 'petals', { piecesPerFlower: 7 }, usual),
			changePart(design, 'petals', { piecesPerFlower: 7 }, small),
		]

		expect(resolveDesign(inUsual, { size: 'usual' }).parts[0]?.piecesPerFlower).toBe(7)
		expect(resolveDesign(inUsual, { size: 'small' }).parts[0]?.piecesPerFlower).toBe(3)
		expect(resolveDesign(inSmall, { size: 'usual' }).parts[0]?.piecesPerFlower).toBe(5)
		expect(resolveDesign(inSmall, { size: 'small' }).parts[0]?.piecesPerFlower).toBe(7)
	})

	test('within an option holds for that option alone', () => {
		const changed = changeStep(
			design,
			'cut',
			{ minutesPerPiece: 9 },
			{ picks: { size: 'tiny' }, only: { choice: 'size', option: 'tiny' } },
		)

		expect(
			['usual', 'small', 'tiny'].map((size) => resolveDesign(changed, { size }).steps[0]?.minutesPerPiece),
		).toEqual([3, 3, 9])
	})

	test('is taken away by being undefined, and leaves the design as it was given', () => {
		const before = structuredClone(design)

		const changed = changePart(design, 'petals', { wire: undefined }, usual)

		expect(partOf(changed, 'petals')).not.toHaveProperty('wire')
		expect(design).toEqual(before)
	})
})

describe('the chain of a part', () => {
	test('in another order keeps each wait behind the step that is waited for', () => {
		const changed = moveStep(design, 'dust', 1)

		expect(changed.steps.filter(({ part }) => part === 'petals').map(({ id }) => id)).toEqual(['cut', 'dust', 'dry'])
		expect(needsOf(changed, 'dust')).toEqual([{ after: 'cut', wait: { stage: 'hard', usualMinutes: 600 } }])
		expect(needsOf(changed, 'dry')).toEqual([{ after: 'dust' }])
	})

	test('takes a new step at its end or after another, and a copy right after itself', () => {
		const atEnd = addStep(design, 'petals')
		const between = addStep(design, 'petals', 'cut')
		const copied = duplicateStep(design, 'cut')
		const chain = (changed: Design) => changed.steps.filter(({ part }) => part === 'petals').map(({ id }) => id)

		expect(chain(atEnd)).toEqual(['cut', 'dry', 'dust', 'petals-step'])
		expect(chain(between)).toEqual(['cut', 'petals-step', 'dry', 'dust'])
		expect(needsOf(between, 'dry')).toEqual([{ after: 'petals-step' }])
		expect(chain(copied)).toEqual(['cut', 'cut-2', 'dry', 'dust'])
	})

	test('without a step leads past it', () => {
		const changed = removeSteps(design, new Set(['dry']))

		expect(needsOf(changed, 'dust')).toEqual([{ after: 'cut', wait: { stage: 'hard', usualMinutes: 600 } }])
	})
})

describe('parts and layers', () => {
	test('go with what hangs on them', () => {
		const changed = removePart(design, 'petals')

		expect(changed.parts.map(({ id }) => id)).toEqual(['leaf'])
		expect(changed.steps.map(({ id }) => id)).toEqual(['leaf', 'tape'])
		expect(needsOf(changed, 'tape')).toEqual([{ after: 'leaf' }])
		expect(changed.layers.map(({ part }) => part)).toEqual(['leaf'])
	})

	test('are duplicated with their steps, whose needs stay among themselves', () => {
		const changed = duplicatePart(design, 'petals')

		expect(changed.parts.map(({ name }) => name)).toEqual(['petals', 'petals again', 'halves', 'leaf'])
		expect(needsOf(changed, 'dry-2')).toEqual([{ after: 'cut-2', wait: { stage: 'hard', usualMinutes: 600 } }])
	})

	test('are put into another order', () => {
		expect(movePart(design, 'leaf', 0).parts.map(({ id }) => id)).toEqual(['leaf', 'petals', 'halves'])
		expect(moveLayer(design, 1, 0).layers.map(({ part }) => part)).toEqual(['leaf', 'petals'])
		expect(changeLayer(design, 0, { pieceCount: 6 }).layers[0]?.pieceCount).toBe(6)
	})
})

describe('options', () => {
	test('that are taken off take what existed only under them, and hold nothing else back', () => {
		const onlyTiny = changePart(design, 'leaf', { when: { size: ['tiny'] } }, usual)

		const changed = removeOption(onlyTiny, 'size', 'tiny')

		expect(changed.choices[0]?.options.map(({ id }) => id)).toEqual(['usual', 'small'])
		expect(partOf(changed, 'leaf')).toBeUndefined()
		expect(changed.steps.some(({ part }) => part === 'leaf')).toBe(false)
		expect(validateDesign(changed)).toEqual([])
	})

	test('down to one are no choice any more: what held under it holds always', () => {
		const two = removeOption(design, 'size', 'tiny')

		const changed = removeOption(two, 'size', 'usual')

		expect(changed.choices).toEqual([])
		expect(partOf(changed, 'petals')?.piecesPerFlower).toBe(3)
		expect(partOf(changed, 'leaf')).not.toHaveProperty('when')
		expect(validateDesign(changed)).toEqual([])
	})

	test('are added and renamed', () => {
		const changed = renameOption(
			addOption(addChoice(design, 'Way', ['By hand', 'By mould']), 'way', 'By press'),
			'way',
			'by-hand',
			'By fingers',
		)

		expect(changed.choices[1]).toEqual({
			id: 'way',
			name: 'Way',
			options: [
				{ id: 'by-hand', name: 'By fingers' },
				{ id: 'by-mould', name: 'By mould' },
				{ id: 'by-press', name: 'By press' },
			],
		})
	})
})

describe('sizes of a part', () => {
	const sized = changeSizes(
		makeDesign({
			parts: [makePart('petals')],
			steps: [
				makeStep('cut', 'petals'),
				makeStep('vein', 'petals', [], { sizes: ['small', 'large'], minutesBySize: { large: 4 } }),
				makeStep('cup', 'petals', [], { sizes: ['small'] }),
			],
			layers: [{ part: 'petals', sizes: ['large'], pieceCount: 5, radiusMm: 4, arrangement: 'free' }],
		}),
		'petals',
		[
			{ name: 'small', pieces: 8 },
			{ name: 'large', pieces: 5 },
		],
		{ picks: {} },
	)

	test('make its number', () => {
		expect(sized.parts[0]?.piecesPerFlower).toBe(13)
		expect(validateDesign(sized)).toEqual([])
	})

	test('called otherwise are named so in steps and layers', () => {
		const renamed = changeSizes(
			sized,
			'petals',
			[
				{ name: 'small', pieces: 8 },
				{ name: 'big', pieces: 5 },
			],
			{ picks: {} },
		)

		expect(renamed.steps[1]).toMatchObject({ sizes: ['small', 'big'], minutesBySize: { big: 4 } })
		expect(renamed.layers[0]?.sizes).toEqual(['big'])
		expect(validateDesign(renamed)).toEqual([])
	})

	test('taken off are forgotten there', () => {
		const one = changeSizes(sized, 'petals', [{ name: 'small', pieces: 8 }], { picks: {} })
		const none = changeSizes(one, 'petals', [], { picks: {} })

		expect(one.steps[1]).toMatchObject({ sizes: ['small'] })
		expect(one.steps[1]).not.toHaveProperty('minutesBySize')
		expect(one.layers[0]).not.toHaveProperty('sizes')
		expect(none.parts[0]).not.toHaveProperty('sizes')
		expect(none.steps[2]).not.toHaveProperty('sizes')
		expect(validateDesign(none)).toEqual([])
	})
})

describe('whatever is done, in whatever order', () => {
	type Edit = (before: Design, pick: (count: number) => number) => Design
	const edits: Edit[] = [
		(d, pick) => moveStep(d, d.steps[pick(d.steps.length)]?.id ?? '', pick(3)),
		(d, pick) => duplicateStep(d, d.steps[pick(d.steps.length)]?.id ?? ''),
		(d, pick) => (d.steps.length > 2 ? removeSteps(d, new Set([d.steps[pick(d.steps.length)]?.id ?? ''])) : d),
		(d, pick) => addStep(d, d.parts[pick(d.parts.length)]?.id),
		(d, pick) => duplicatePart(d, d.parts[pick(d.parts.length)]?.id ?? ''),
		(d, pick) => (d.parts.length > 2 ? removePart(d, d.parts[pick(d.parts.length)]?.id ?? '') : d),
		(d, pick) => movePart(d, d.parts[pick(d.parts.length)]?.id ?? '', pick(d.parts.length)),
		(d, pick) => {
			// Taking the last option off takes the parts that existed only under it: there may be none left.
			const part = d.parts[pick(d.parts.length)]?.id
			return part ? addLayer(d, { part, pieceCount: 3, radiusMm: 2, arrangement: 'aligned' }) : d
		},
		(d, pick) => {
			const choice = d.choices[pick(Math.max(1, d.choices.length))]
			return choice ? removeOption(d, choice.id, choice.options[pick(choice.options.length)]?.id ?? '') : d
		},
		(d) => addPart(d, makePart('x', { name: 'Fresh' })),
	]

	test('a design stays one that can be planned, and undoing all of it gives the first one back', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...demoDesignIds()),
				fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(1000)), { maxLength: 12 }),
				(id, steps) => {
					const first = demoDesign(id)
					let history = startHistory(first)
					for (const [e, seed] of steps) {
						const next = edits[e]?.(history.present, (count) => seed % Math.max(1, count))
						if (next && next.steps.length > 0) history = recordChange(history, next)
					}

					expect(validateDesign(history.present)).toEqual([])
					expect(() => resolveDesign(history.present, {})).not.toThrow()
					const last = history.present
					while (history.past.length > 0) history = undo(history)
					expect(history.present).toBe(first)
					while (history.future.length > 0) history = redo(history)
					expect(history.present).toBe(last)
				},
			),
			{
				numRuns: 150,
				examples: [
					[
						'eucalyptus-and-ivy',
						[
							[8, 0],
							[5, 218],
							[8, 0],
							[7, 0],
						],
					],
				],
			},
		)
	})
})

describe('a history', () => {
	test('takes letters typed into one field as one change', () => {
		const typed = ['a', 'ab', 'abc'].reduce((history, text) => recordChange(history, text, 'name'), startHistory(''))
		const further = recordChange(typed, 'other', 'notes')

		expect(undo(typed).present).toBe('')
		expect(undo(further).present).toBe('abc')
		expect(undo(undo(undo(further))).present).toBe('')
	})

	test('forgets what was undone once something else is done', () => {
		const history = recordChange(undo(recordChange(startHistory(1), 2)), 3)

		expect(redo(history).present).toBe(3)
	})
})

test('ids are short, readable and new', () => {
	expect(slugOf('  Æther & Pétale d’été! ')).toBe('ther-petale-d-ete')
	expect(slugOf('***')).toBe('item')
	expect(freshId('petal', [{ id: 'petal' }, { id: 'petal-2' }])).toBe('petal-3')
})

describe('differences', () => {
	test('of a design to itself are none, whatever it is', () => {
		for (const id of demoDesignIds())
			expect(compareDesigns(demoDesign(id), structuredClone(demoDesign(id)))).toEqual([])
	})

	test('are told by part and field', () => {
		const changed = changePart(
			changeStep(removePart(design, 'leaf'), 'cut', { minutesPerPiece: 4 }, usual),
			'petals',
			{ wire: { ...wired, gauge: 26 } },
			usual,
		)

		expect(compareDesigns(design, changed)).toEqual([
			{ kind: 'part', name: 'petals', change: 'changed', fields: [{ field: 'wire.gauge', before: '28', after: '26' }] },
			{ kind: 'part', name: 'leaf', change: 'removed', fields: [] },
			{
				kind: 'step',
				name: 'petals: cut',
				change: 'changed',
				fields: [{ field: 'minutesPerPiece', before: '3', after: '4' }],
			},
			{
				kind: 'step',
				name: 'Putting together: tape',
				change: 'changed',
				fields: [{ field: 'needs', before: 'after dust, after leaf, after halve', after: 'after dust, after halve' }],
			},
			{ kind: 'step', name: 'leaf: leaf', change: 'removed', fields: [] },
			{ kind: 'layer', name: 'leaf', change: 'removed', fields: [] },
		])
	})
})

test('what edits make is still in the exchange form', () => {
	const changed = addChoice(duplicatePart(addStep(demoDesign('hellebore'), 'sepals'), 'sepals'), 'Way', [
		'One',
		'Other',
	])

	expect(readDesign(JSON.parse(JSON.stringify(changed)))).toEqual(changed)
})

test('a part or a step that goes takes the uses of its off-cuts along, in sizes and bundles too', () => {
	const wire = { gauge: 26, lengthMm: 100, colour: 'green', insertedFraction: 0.3 }
	const fromStems = { ...wire, fromOffcutsOf: 'stems' }
	const design = makeDesign({
		parts: [
			makePart('stems', { wire: { ...wire, trimmedToMm: 60, trimmedIn: 'trim' } }),
			makePart('hooks', { wire: fromStems, sizes: [{ name: 'small', pieces: 5, wire: fromStems }] }),
		],
		bundles: [{ id: 'bunch', name: 'bunch', of: [{ part: 'hooks', pieces: 5 }], count: 1, wire: fromStems }],
		steps: [makeStep('make', 'stems'), makeStep('trim', 'stems'), makeStep('hook', 'hooks')],
	})
	const wiresOf = (one: Design) => listWires(one).map((found) => found.wire)
	const lost = { ...design, steps: design.steps.filter(({ id }) => id !== 'trim') }

	expect(validateDesign(design)).toEqual([])
	expect(validateDesign(lost)).toMatchObject([{ path: '/parts/0/wire/trimmedIn' }])
	expect(wiresOf(removeSteps(design, new Set(['trim'])))[0]).toEqual({ ...wire, trimmedToMm: 60 })
	expect(wiresOf(removePart(design, 'stems'))).toEqual([wire, wire, wire])
	expect(validateDesign(removePart(design, 'stems'))).toEqual([])
})

test('a layer that holds all pieces of its part goes on holding all; one that shares them is left alone', () => {
	const layer = { part: 'petals', radiusMm: 3, arrangement: 'over gaps' as const }
	const changed = (...counts: number[]) => {
		const layers = counts.map((pieceCount) => ({ ...layer, pieceCount }))
		return changePart({ ...design, layers }, 'petals', { piecesPerFlower: 8 }, usual).layers.map(
			({ pieceCount }) => pieceCount,
		)
	}

	expect(changed(5)).toEqual([8])
	expect(changed(2)).toEqual([2])
	expect(changed(3, 2)).toEqual([3, 2])
	expect(changePart(design, 'petals', { piecesPerFlower: 7 }, small).layers[0]?.pieceCount).toBe(5)
})

import { describe, expect, test } from 'vitest'
import { allergensOf } from '../../../../core/design/allergens'
import { cautionsOf } from '../../../../core/design/cautions'
import type { Design, PartWire, Step } from '../../../../core/design/design'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { reviewDesign } from '../../../../core/design/review/review-design'
import { demoDesign, demoDesignIds } from '../../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'

const wire = (gauge: number): PartWire => ({ gauge, lengthMm: 90, colour: 'white', insertedFraction: 0.4 })
const cut = (widthMm: number, lengthMm: number) => ({
	type: 'cut' as const,
	outline: 'round petal' as const,
	widthMm,
	lengthMm,
	thicknessMm: 1,
})
const petals = makePart('petals', { form: cut(50, 60), wire: wire(26), piecesPerFlower: 5 })
const shape = makeStep('shape', 'petals')

/** Findings whose id begins so, and what is left of them once the fix is accepted. */
function findingsOf(design: Design, rule: string) {
	const find = (one: Design) => reviewDesign(one, {}, 'swg').filter(({ id }) => id.startsWith(rule))
	const found = find(design)
	const fixed = found.reduce((changed, { fix }) => fix?.apply(changed) ?? changed, design)
	return { found, afterFix: find(fixed), fixed }
}

describe('a review finds, and its fix mends', () => {
	test.each<{ name: string; rule: string; design: Design; says: RegExp }>([
		{
			name: 'a stage that its paste never reaches',
			rule: 'never-reached',
			says: /waits until .* is firm: its paste does not get there/,
			design: makeDesign({
				parts: [makePart('discs', { paste: 'sugarpaste', form: { ...cut(60, 60), thicknessMm: 4 } })],
				steps: [
					makeStep('roll', 'discs'),
					makeStep('paint', 'discs', [{ after: 'roll', wait: { stage: 'firm', usualMinutes: 600 } }]),
				],
			}),
		},
		{
			name: 'a wire too thin for its piece',
			rule: 'thin-wire',
			says: /33 gauge wire is thin/,
			design: makeDesign({ parts: [{ ...petals, wire: wire(33) }], steps: [shape] }),
		},
		{
			name: 'a base too large for the petal',
			rule: 'large-base',
			says: /40 mm high, the first petal .* 30 mm/,
			design: makeDesign({
				parts: [
					makePart('base', { role: 'base', form: { type: 'formed', body: 'cone', diameterMm: 20, lengthMm: 40 } }),
					makePart('petals', { form: cut(25, 30) }),
				],
				steps: [makeStep('a', 'base'), makeStep('b', 'petals')],
				layers: [
					{ part: 'base', pieceCount: 1, radiusMm: 0, arrangement: 'aligned' },
					{ part: 'petals', pieceCount: 5, radiusMm: 3, arrangement: 'over gaps' },
				],
			}),
		},
		{
			name: 'gaps between petals',
			rule: 'gap',
			says: /leave gaps of \d+ mm/,
			design: makeDesign({
				parts: [petals],
				steps: [shape],
				layers: [{ part: 'petals', pieceCount: 3, radiusMm: 5, arrangement: 'aligned', opennessDeg: 85 }],
			}),
		},
		{
			name: 'colours that do not alternate',
			rule: 'uneven',
			says: /2 colours do not alternate round 5/,
			design: makeDesign({
				parts: [petals],
				steps: [shape],
				layers: [{ part: 'petals', pieceCount: 5, radiusMm: 3, arrangement: 'aligned', tints: ['plum', 'iris'] }],
			}),
		},
		{
			name: 'pieces that the layers do not hold',
			rule: 'count',
			says: /5 are made, 7 are put/,
			design: makeDesign({
				parts: [petals],
				steps: [shape],
				layers: [{ part: 'petals', pieceCount: 7, radiusMm: 3, arrangement: 'aligned' }],
			}),
		},
		{
			name: 'a step nobody has time for',
			rule: 'no-time',
			says: /takes no time/,
			design: makeDesign({
				parts: [petals],
				steps: [makeStep('shape', 'petals', [], { minutesPerPiece: 0, fixedMinutes: 0 })],
			}),
		},
		{
			name: 'a step longer than a session',
			rule: 'too-long',
			says: /in one go/,
			design: makeDesign({
				parts: [{ ...petals, piecesPerFlower: 40 }],
				steps: [makeStep('shape', 'petals', [], { minutesPerPiece: 4 })],
			}),
		},
		{
			name: 'wires in a children’s design',
			rule: 'child-wire',
			says: /wired, and this is for children/,
			design: makeDesign({ audience: 'children', parts: [petals], steps: [shape] }),
		},
		{
			name: 'an allergen in an otherwise free design',
			rule: 'allergen',
			says: /Only gum paste brings egg/,
			design: makeDesign({
				parts: [makePart('a', { paste: 'gum paste' }), makePart('b', { paste: 'sugarpaste' })],
				steps: [makeStep('a', 'a'), makeStep('b', 'b')],
			}),
		},
	])('$name', ({ design, rule, says }) => {
		const { found, afterFix } = findingsOf(design, rule)

		expect(found).toHaveLength(1)
		expect(found[0]?.message).toMatch(says)
		expect(found[0]?.reason.length).toBeGreaterThan(20)
		expect(afterFix).toEqual([])
	})

	test('heat and solvents in a children’s design, without a fix of its own', () => {
		const steps = [
			makeStep('shape', 'petals', [], { materials: [{ name: 'steam', kind: 'steam' }], tools: ['craft knife'] }),
		]
		const { found } = findingsOf(
			makeDesign({ audience: 'children', parts: [{ ...makePart('petals'), form: cut(20, 20) }], steps }),
			'child-hazard',
		)

		expect(found[0]?.message).toMatch(/brings steam/)
		expect(found[0]?.fix).toBeUndefined()
	})

	test('nothing blocking: every demo design can be reviewed under every option', () => {
		for (const id of demoDesignIds()) {
			const design = demoDesign(id)
			for (const { id: choice, options } of design.choices) {
				for (const option of options) expect(() => reviewDesign(design, { [choice]: option.id }, 'awg')).not.toThrow()
			}
		}
	})

	test('a fix goes where the value under the shown option comes from', () => {
		const design = makeDesign({
			choices: [
				{
					id: 'size',
					name: 'Size',
					options: [
						{ id: 'usual', name: 'Usual' },
						{ id: 'fine', name: 'Fine' },
					],
				},
			],
			parts: [{ ...petals, wire: wire(22), variants: [{ when: { size: ['fine'] }, set: { wire: wire(34) } }] }],
			steps: [shape],
		})
		const [finding] = reviewDesign(design, { size: 'fine' }, 'swg')

		const fixed = finding?.fix?.apply(design) ?? design

		expect(resolveDesign(fixed, {}).parts[0]?.wire?.gauge).toBe(22)
		expect(resolveDesign(fixed, { size: 'fine' }).parts[0]?.wire?.gauge).toBeLessThan(34)
	})
})

// Usual cautions of common practice, no source.
describe('cautions follow from materials, tools, wires and what is bought', () => {
	test.each<{ name: string; design: Partial<Design>; hazards: string[] }>([
		{ name: 'wires', design: { parts: [petals] }, hazards: ['not food', 'wire'] },
		{
			name: 'bought stamens',
			design: { parts: [makePart('petals', { form: { type: 'bought', item: 'stamens' } })] },
			hazards: ['not food'],
		},
		{
			name: 'dust and alcohol',
			design: {
				steps: [
					makeStep('shape', 'petals', [], {
						materials: [
							{ name: 'dust', kind: 'dust' },
							{ name: 'spirit', kind: 'strong alcohol' },
						],
					}),
				],
			},
			hazards: ['dust', 'alcohol'],
		},
		{
			name: 'hot glue and a knife',
			design: {
				steps: [
					makeStep('shape', 'petals', [], { materials: [{ name: 'glue', kind: 'hot glue' }], tools: ['craft knife'] }),
				],
			},
			hazards: ['not food', 'sharp', 'hot glue'],
		},
		{ name: 'many pieces', design: { parts: [makePart('petals', { piecesPerFlower: 50 })] }, hazards: ['strain'] },
		{ name: 'nothing of the kind', design: {}, hazards: [] },
	])('$name', ({ design, hazards }) => {
		const resolved = resolveDesign(
			makeDesign({ parts: [makePart('petals')], steps: [makeStep('shape', 'petals')], ...design }),
			{},
		)

		expect(cautionsOf(resolved).map(({ hazard }) => hazard)).toEqual(hazards)
	})

	test('and are collected over several designs, each once', () => {
		const designs = ['magnolia', 'toadstools', 'hellebore'].map((id) => resolveDesign(demoDesign(id), {}))
		const hazards = cautionsOf(...designs).map(({ hazard }) => hazard)

		expect(new Set(hazards).size).toBe(hazards.length)
		for (const design of designs) for (const { hazard } of cautionsOf(design)) expect(hazards).toContain(hazard)
	})
})

test('allergens say where they come from', () => {
	const design = resolveDesign(
		makeDesign({
			mixtures: [
				{
					id: 'glue',
					name: 'Glue',
					unit: 'ml',
					ingredients: [{ name: 'egg white', amount: 1, unit: 'ml', allergens: ['egg'] }],
				},
			],
			parts: [makePart('petals', { paste: 'sugarpaste', allergens: ['milk'] })],
			steps: [makeStep('shape', 'petals', [], { uses: [{ mixture: 'glue', amountPerPiece: 1 }] })],
		}),
		{},
	)

	expect(allergensOf(design)).toEqual([
		{ allergen: 'egg', sources: ['glue'] },
		{ allergen: 'milk', sources: ['petals'] },
	])
})

describe('a fix for an allergen', () => {
	// Two parts: one of the only paste with egg, the other of a paste without.
	const design = (terms: Partial<Step>, stage: 'skin' | 'hard') =>
		makeDesign({
			parts: [
				makePart('petals', { paste: 'gum paste' }),
				makePart('base', { paste: 'sugarpaste', form: { type: 'formed', body: 'ball', diameterMm: 20 } }),
			],
			steps: [
				makeStep('shape', 'petals', [], terms),
				makeStep('dust', 'petals', [{ after: 'shape', wait: { stage, usualMinutes: 60 } }]),
				makeStep('base', 'base'),
			],
		})
	const fixOf = (made: Design) => reviewDesign(made, {}, 'swg').find(({ id }) => id.startsWith('allergen'))?.fix?.label

	test('takes another paste where that can be worked and dries', () => {
		expect(fixOf(design({}, 'skin'))).toBe('Use sugarpaste there')
	})

	test('is none by a paste that a ball tool tears, for a petal that is thinned', () => {
		expect(fixOf(design({ tools: ['ball tool'] }, 'skin'))).toBeUndefined()
	})

	test('is none that makes a wait endless', () => {
		expect(fixOf(design({}, 'hard'))).toBeUndefined()
	})
})

/** Pieces that are not all alike: sizes, colours, spares, and pieces made from others. */
import { lagMinutes } from '../../../../core/plan/problem/instance'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Part } from '../../../../core/design/design'
import { placePieces } from '../../../../core/design/flower-geometry'
import { countOfStep } from '../../../../core/design/step-work'
import { countPieces } from '../../../../core/design/piece-counts'
import { resolveDesign, type ResolvedDesign } from '../../../../core/design/resolve-design'
import { reviewDesign } from '../../../../core/design/review/review-design'
import { countProblems } from '../../../../core/design/count-problems'
import { validateDesign } from '../../../../core/design/validate-design'
import { piecesToMake } from '../../../../core/materials/spares'
import { piecesOfGroup } from '../../../../core/learn/pieces-to-make'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'
import { packDesign } from '../../../support/pack-design'

const sizes: Part['sizes'] = [
	{ name: 'small', pieces: 8, widthMm: 20, lengthMm: 25 },
	{ name: 'middle', pieces: 7, widthMm: 30, lengthMm: 35 },
	{ name: 'large', pieces: 5, widthMm: 40, lengthMm: 45, breakage: 0 },
]
const gum = { paste: 'gum paste' as const }
const countsOf = (design: ResolvedDesign, flowers = 1, terms = {}) =>
	Object.fromEntries(
		countPieces(design, flowers, { toMake: piecesOfGroup('practised', 0.9), ...terms }).map((count) => [
			count.part.id,
			count,
		]),
	)

describe('sizes within a part', () => {
	const design = makeDesign({
		parts: [makePart('petals', { ...gum, piecesPerFlower: 20, sizes })],
		steps: [
			makeStep('cut', 'petals', [], { minutesPerPiece: 1, fixedMinutes: 0 }),
			makeStep('vein', 'petals', [{ after: 'cut' }], {
				fixedMinutes: 0,
				minutesPerPiece: 2,
				minutesBySize: { large: 4 },
				sizes: ['middle', 'large'],
			}),
		],
	})
	const resolved = resolveDesign(design, {})

	test('are kinds of pieces with their own outlines, under one chain of steps', () => {
		expect(resolved.parts.map(({ id, name, form }) => [id, name, form.type === 'cut' && form.widthMm])).toEqual([
			['petals: small', 'petals, small', 20],
			['petals: middle', 'petals, middle', 30],
			['petals: large', 'petals, large', 40],
		])
		expect(resolved.steps.map(({ part }) => part)).toEqual(['petals', 'petals'])
		expect(validateDesign(design)).toEqual([])
	})

	test('have spares each by itself, as often as each breaks', () => {
		const counts = countsOf(resolved)

		expect(counts['petals: small']?.made).toBe(piecesToMake(8, 0.08, 0.9))
		expect(counts['petals: large']?.made).toBe(5)
	})

	test('take their own minutes: 20 cut, 7 of 2 and 5 of 4 minutes veined', () => {
		const counts = countsOf(resolved)
		const { compiled } = packDesign(design)
		const minutesOf = (id: string) => {
			const task = compiled.instance.tasks.find((one) => one.id === `test/${id}`)
			return task && ('minutes' in task ? task.minutes : task.units * task.unitMinutes)
		}
		const [small, middle, large] = ['small', 'middle', 'large'].map((size) => counts[`petals: ${size}`]?.made ?? 0)

		expect(minutesOf('cut')).toBe((small ?? 0) + (middle ?? 0) + (large ?? 0))
		expect(minutesOf('vein')).toBe(2 * (middle ?? 0) + 4 * (large ?? 0))
	})

	test('laid by a step that takes only them are all taken', () => {
		const laying = resolveDesign(
			{
				...design,
				steps: [makeStep('glue', 'petals', [], { sizes: ['small'], lays: ['inner'] })],
				layers: [{ id: 'inner', part: 'petals', sizes: ['small'], pieceCount: 8, radiusMm: 4, arrangement: 'aligned' }],
			},
			{},
		)
		const [glue] = laying.steps

		expect(laying.layers[0]?.kinds).toEqual(Array(8).fill('petals: small'))
		expect(glue && countOfStep(laying, glue, { flowers: 3 })).toBe(24)
	})

	test('lie on their formers each once: nine rods of three lengths are nine', () => {
		const rods = makeDesign({
			parts: [
				makePart('rods', {
					...gum,
					piecesPerFlower: 6,
					spares: { type: 'more', pieces: 1 },
					form: { type: 'formed', body: 'cylinder', diameterMm: 6, lengthMm: 60 },
					sizes: [
						{ name: 'short', pieces: 3 },
						{ name: 'long', pieces: 3, lengthMm: 90 },
					],
					drying: { backFace: 'foam', former: 'tray' },
				}),
			],
			steps: [
				makeStep('roll', 'rods'),
				makeStep('dust', 'rods', [{ after: 'roll', wait: { stage: 'hard', usualMinutes: 900 } }]),
			],
		})

		expect(packDesign(rods).kit.formers).toMatchObject([{ former: 'tray', peakCount: 4 * 8 }])
	})

	test('are refused where they do not make the part, or are named and not there', () => {
		const [petals] = design.parts
		const wrong = makeDesign({
			parts: [{ ...petals!, piecesPerFlower: 19 }],
			steps: [makeStep('cut', 'petals', [], { sizes: ['huge'] })],
		})

		expect(validateDesign(wrong)).toEqual([
			{ path: '/parts/0/piecesPerFlower', message: 'must be the 20 of its sizes, got 19' },
			{ path: '/steps/0/sizes/0', message: 'there is no size "huge"' },
		])
	})

	test('wait as long as the slowest of them', () => {
		const thick = makeDesign({
			parts: [
				makePart('canes', {
					...gum,
					piecesPerFlower: 2,
					form: { type: 'formed', body: 'cylinder', diameterMm: 4, lengthMm: 50 },
					sizes: [
						{ name: 'thin', pieces: 1 },
						{ name: 'thick', pieces: 1, diameterMm: 9 },
					],
				}),
			],
			steps: [
				makeStep('roll', 'canes'),
				makeStep('paint', 'canes', [{ after: 'roll', wait: { stage: 'hard', usualMinutes: 600 } }]),
			],
		})
		const lagOf = (only: 'thin' | 'thick' | undefined) => {
			const [roll, paint] = thick.steps
			const steps =
				only === undefined
					? thick.steps
					: [
							{ ...roll!, sizes: [only] },
							{ ...paint!, sizes: [only] },
						]
			const { arcs } = packDesign({ ...thick, steps }).compiled.instance
			return lagMinutes(arcs.find(({ to }) => to === 'test/paint') ?? { lag: 0 })
		}

		expect(lagOf(undefined)).toBe(lagOf('thick'))
		expect(lagOf('thin')).toBeLessThan(lagOf('thick'))
	})
})

describe('colours within a part', () => {
	// Loop bow (common practice, no source): 24 loops in all, two colours alternating in three layers of 5, 5 and 7.
	const bow = makeDesign({
		parts: [
			makePart('loops', {
				...gum,
				piecesPerFlower: 17,
				spares: { type: 'in all', pieces: 24 },
				alternating: [
					{ colour: 'red', pieces: 1 },
					{ colour: 'ivory', pieces: 1, tint: 'straw' },
				],
			}),
		],
		steps: [makeStep('cut', 'loops')],
		layers: [5, 5, 7].map((pieceCount) => ({
			part: 'loops',
			pieceCount,
			radiusMm: 10,
			arrangement: 'over gaps' as const,
		})),
	})

	test('alternate, and the row runs on from layer to layer', () => {
		const { layers } = resolveDesign(bow, {})
		const row = layers.flatMap(({ kinds }) => kinds)

		expect(row).toEqual(row.map((_, index) => (index % 2 === 0 ? 'loops: red' : 'loops: ivory')))
	})

	test('are drawn by the same data', () => {
		const { parts, layers } = resolveDesign(bow, {})

		expect(
			placePieces(parts, layers)
				.slice(0, 3)
				.map(({ tint }) => tint),
		).toEqual(['blush', 'straw', 'blush'])
	})

	test('share the number to cut: 24 loops are 13 red and 12 ivory', () => {
		const counts = countsOf(resolveDesign(bow, {}))

		// 24 · 9/17 = 12.7 and 24 · 8/17 = 11.3, each rounded up.
		expect([counts['loops: red']?.made, counts['loops: ivory']?.made]).toEqual([13, 12])
	})

	test('get a remark where they do not go round evenly, never an error', () => {
		expect(validateDesign(bow)).toEqual([])
		expect(reviewDesign(bow, {}, 'swg').some(({ id }) => id.startsWith('uneven'))).toBe(true)
	})

	test('of a marble are weighed each by its share, and gel is for them alone', () => {
		const marbled: Part['marbled'] = [
			{ colour: 'white', share: 0.6 },
			{ colour: 'deep red', share: 0.4 },
		]
		const design = makeDesign({
			parts: [
				makePart('shells', {
					...gum,
					colour: 'marble',
					breakage: 0,
					piecesPerFlower: 5,
					form: { type: 'moulded', massG: 10 },
					marbled,
				}),
			],
			steps: [makeStep('press', 'shells')],
		})
		const { kit } = packDesign(design)

		expect(kit.paste.map(({ item, shares }) => [item.colour, shares.usual])).toEqual([
			['white', 30_000],
			['deep red', 20_000],
		])
		expect(kit.colours.map(({ colour }) => colour)).not.toContain('marble')
		expect(
			validateDesign(
				makeDesign({
					parts: [
						makePart('a', {
							marbled: [
								{ colour: 'x', share: 0.5 },
								{ colour: 'y', share: 0.4 },
							],
						}),
					],
					steps: [],
				}),
			),
		).toMatchObject([{ path: '/parts/0/marbled' }])
	})
})

describe('pieces made from others', () => {
	// Many-petalled flower (common practice, no source): 35 small petals, of which 5 are halved to 10.
	const halved = makeDesign({
		parts: [
			makePart('small', { piecesPerFlower: 35, breakage: 0.05 }),
			makePart('halves', {
				piecesPerFlower: 10,
				breakage: 0,
				form: { type: 'derived', fromPart: 'small', piecesEach: 2 },
			}),
		],
		steps: [makeStep('cut', 'small'), makeStep('halve', 'halves', [{ after: 'cut' }])],
		layers: [
			{ part: 'halves', pieceCount: 10, radiusMm: 5, arrangement: 'aligned' },
			{ part: 'small', pieceCount: 30, radiusMm: 9, arrangement: 'over gaps' },
		],
	})

	test('are cut with their source: 35 are 30 used and 5 halved, spares are of the 30', () => {
		const counts = countsOf(resolveDesign(halved, {}))

		expect(counts['small']).toMatchObject({ needed: 35, made: piecesToMake(30, 0.05, 0.9) + 5 })
		expect(counts['halves']?.made).toBe(10)
		expect(reviewDesign(halved, {}, 'swg').filter(({ id }) => id.startsWith('count'))).toEqual([])
	})

	test('with spares of their own take more of their source', () => {
		const [small, halves] = halved.parts
		const counts = countsOf(resolveDesign({ ...halved, parts: [small!, { ...halves!, breakage: 0.2 }] }, {}))
		const made = piecesToMake(10, 0.2, 0.9)

		expect(counts['halves']?.made).toBe(made)
		expect(counts['small']?.needed).toBe(30 + Math.ceil(made / 2))
	})

	// Small cabbage-type rose (common practice, no source): half of a 5 cm ball each.
	test.each([
		['kit', 7, [1, 1, 1, 1, 1, 1, 1]],
		['class', 4, [1, 1, 1, 1, 0, 0, 0]],
	] as const)('shared by the %s: seven students halve %i balls', (shared, total, kits) => {
		const rose = makeDesign({
			parts: [
				makePart('ball', {
					piecesPerFlower: 1,
					breakage: 0,
					form: { type: 'bought', item: 'polystyrene ball', diameterMm: 50 },
				}),
				makePart('base', {
					piecesPerFlower: 1,
					breakage: 0,
					form: { type: 'derived', fromPart: 'ball', piecesEach: 2, shared },
				}),
			],
			steps: [
				makeStep('halve', 'ball', [], { minutesPerPiece: 5, fixedMinutes: 0 }),
				makeStep('wire', 'base', [{ after: 'halve' }]),
			],
		})
		const { kit, compiled } = packDesign(rose, { studentCount: 7 })

		expect(kit.lines.find(({ part }) => part.id === 'ball')?.shares).toMatchObject({ total, kits })
		// Work on a piece of the class takes each student the minutes of ⌈pieces / students⌉: one ball.
		expect(compiled.instance.tasks.find(({ id }) => id === 'test/halve')).toMatchObject({ minutes: 5 })
	})

	test('are refused where they take more than there is, or come from themselves', () => {
		const [small, halves] = halved.parts
		const tooMany = { ...halved, parts: [{ ...small!, piecesPerFlower: 4 }, halves!], layers: [] }
		const ofItself = {
			...halved,
			parts: [small!, { ...halves!, form: { type: 'derived' as const, fromPart: 'halves', piecesEach: 2 } }],
		}

		expect(countProblems(tooMany)).toEqual([
			{ path: '/parts/1/piecesPerFlower', message: '10 pieces take 5 of "small", which has 4' },
		])
		expect(validateDesign(ofItself)).toEqual([
			{ path: '/parts/1/form/fromPart', message: 'a part cannot be made from itself' },
		])
	})
})

describe('spares', () => {
	test('by the instructor’s own rule: two more of every size, for every flower', () => {
		const design = makeDesign({
			parts: [makePart('petals', { piecesPerFlower: 20, sizes, spares: { type: 'more', pieces: 2 } })],
			steps: [makeStep('cut', 'petals')],
		})

		expect(Object.values(countsOf(resolveDesign(design, {}), 3)).map(({ spares }) => spares)).toEqual([6, 6, 6])
	})

	test('are never fewer than none, and what is made is what is needed and they', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 30 }),
				fc.integer({ min: 1, max: 30 }),
				fc.integer({ min: 1, max: 5 }),
				(small, large, flowers) => {
					const design = makeDesign({
						parts: [
							makePart('petals', {
								piecesPerFlower: small + large,
								sizes: [
									{ name: 'small', pieces: small },
									{ name: 'large', pieces: large },
								],
								alternating: [
									{ colour: 'red', pieces: 2 },
									{ colour: 'white', pieces: 1 },
								],
								spares: { type: 'in all', pieces: small + large + 3 },
							}),
						],
						steps: [makeStep('cut', 'petals')],
					})
					const counts = Object.values(countsOf(resolveDesign(design, {}), flowers))

					expect(counts.reduce((sum, { needed }) => sum + needed, 0)).toBe(flowers * (small + large))
					for (const { needed, spares, made } of counts) {
						expect(spares).toBeGreaterThanOrEqual(0)
						expect(made).toBe(needed + spares)
					}
				},
			),
		)
	})
})

test('a layer of more pieces than there are is refused at its place', () => {
	const design = makeDesign({
		parts: [makePart('petals', { piecesPerFlower: 8 })],
		steps: [],
		layers: [5, 4].map((pieceCount) => ({ part: 'petals', pieceCount, radiusMm: 3, arrangement: 'free' as const })),
	})

	expect(countProblems(design)).toEqual([
		{ path: '/layers/1/pieceCount', message: 'there are only 3 of "petals" left, got 4' },
	])
})

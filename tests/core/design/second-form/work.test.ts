/** Steps, bundles, lengths, wires and mixtures as instructors mean them. */
import { lagMinutes } from '../../../../core/plan/problem/instance'
import { describe, expect, test } from 'vitest'
import { passOn } from '../../../../core/design/bypass-steps'
import { countProblems } from '../../../../core/design/count-problems'
import type { Design } from '../../../../core/design/design'
import { tapeOfFlower } from '../../../../core/design/design-figures'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { validateDesign } from '../../../../core/design/validate-design'
import { subjectsOfWait } from '../../../../core/design/wait-subject'
import { turnsLengthMm, USUAL_STRETCH } from '../../../../core/materials/tape-length'
import { makeStudent } from '../../../support/demo-kit'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'
import { packDesign } from '../../../support/pack-design'

const gum = { paste: 'gum paste' as const, breakage: 0 }
const supplyOf = (kit: ReturnType<typeof packDesign>['kit'], name: string) =>
	kit.supplies.find(({ item }) => item.name === name)

describe('a step that is not chosen', () => {
	const colouring = {
		id: 'colour',
		name: 'Colour',
		options: [
			{ id: 'dusted', name: 'Dusted' },
			{ id: 'plain', name: 'Plain' },
		],
	}
	const design = makeDesign({
		choices: [colouring],
		parts: [makePart('petals', gum)],
		steps: [
			makeStep('shape', 'petals'),
			makeStep('dust', 'petals', [{ after: 'shape', wait: { stage: 'skin', usualMinutes: 5 } }], {
				when: { colour: ['dusted'] },
			}),
			makeStep('tape', undefined, [
				{ after: 'dust', wait: { stage: 'firm', usualMinutes: 300 }, withinMinutes: 500, withinCoveredMinutes: 900 },
			]),
		],
	})
	const tapeNeeds = (changed: Partial<Design>, picks = { colour: 'plain' }) =>
		resolveDesign({ ...design, ...changed }, picks).steps.find(({ id }) => id === 'tape')?.needs

	test('hands on the later of the two stages round it, and no limit, also not the covered one', () => {
		expect(tapeNeeds({})).toEqual([{ after: 'shape', wait: { stage: 'firm', usualMinutes: 300 } }])
	})

	test('takes along the film that it puts on, and its own stated minutes', () => {
		const [shape, dust, tape] = design.steps
		const glazed = { ...dust!, materials: [{ name: 'glaze', kind: 'glaze' as const }] }
		const timed = { ...tape!, needs: [{ after: 'dust', wait: { usualMinutes: 30 } }] }

		expect(tapeNeeds({ steps: [shape!, glazed, tape!] })).toEqual([
			{ after: 'shape', wait: { stage: 'skin', usualMinutes: 5 } },
		])
		expect(tapeNeeds({ steps: [shape!, dust!, timed] })).toEqual([
			{ after: 'shape', wait: { stage: 'skin', usualMinutes: 5 } },
		])
	})

	test('a need holds under its own condition alone', () => {
		const [shape, dust, tape] = design.steps
		const needs = [
			{ after: 'dust' },
			{ after: 'shape', when: { colour: ['plain'] }, wait: { stage: 'set' as const, usualMinutes: 60 } },
		]
		const steps = [shape!, dust!, { ...tape!, needs }]

		expect(tapeNeeds({ steps }, { colour: 'dusted' })).toEqual([{ after: 'dust' }])
		expect(tapeNeeds({ steps })).toContainEqual({ after: 'shape', wait: { stage: 'set', usualMinutes: 60 } })
	})

	test('of two stated times the longer, of two pieces the one that is left', () => {
		const wait = (stage: 'skin' | 'firm', usualMinutes: number) => ({ after: 'a', wait: { stage, usualMinutes } })
		const past = passOn(wait('firm', 20), wait('skin', 90), { puts: [], isSamePiece: true })

		expect(past.wait).toEqual({ stage: 'firm', usualMinutes: 90 })
		expect(passOn(wait('firm', 20), wait('skin', 90), { puts: [], isSamePiece: false }).wait?.stage).toBe('skin')
	})

	test('an extra that is dropped leaves the piece as dry as what follows needs it', () => {
		const extra = {
			...design,
			choices: [],
			extras: [{ id: 'shade', name: 'Shading', value: 1 }],
			steps: design.steps.map(({ when: _, ...step }) => (step.id === 'dust' ? { ...step, extra: 'shade' } : step)),
		}
		const { instance } = packDesign(extra).compiled
		const lagOf = (from: string, to: string) =>
			lagMinutes(instance.arcs.find((arc) => arc.from === `test/${from}` && arc.to === `test/${to}`) ?? { lag: 0 })

		expect(lagOf('shape', 'tape')).toBeGreaterThan(3 * lagOf('shape', 'dust'))
	})
})

describe('steps and layers', () => {
	const layers: Design['layers'] = [
		{ id: 'inner', part: 'petals', pieceCount: 4, radiusMm: 4, arrangement: 'aligned', joining: 'taped', tapeTurns: 2 },
		{
			id: 'outer',
			part: 'petals',
			pieceCount: 5,
			radiusMm: 8,
			arrangement: 'over gaps',
			joining: 'taped',
			lockTurns: 6,
		},
	]
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
		],
		parts: [makePart('petals', { ...gum, piecesPerFlower: 9 })],
		steps: [
			makeStep('cut', 'petals', [], { minutesPerPiece: 1, fixedMinutes: 0 }),
			makeStep('four', undefined, [{ after: 'cut' }], {
				lays: ['inner'],
				per: 'piece',
				minutesPerPiece: 2,
				fixedMinutes: 0,
			}),
			makeStep('five', undefined, [{ after: 'four' }], {
				lays: ['outer'],
				per: 'piece',
				minutesPerPiece: 3,
				fixedMinutes: 0,
				when: { extent: ['full'] },
			}),
		],
		layers,
	})

	test('a step takes the pieces of the layers that it lays: four, then five', () => {
		const { compiled } = packDesign(design, { flowers: 2 })
		const counts = ['four', 'five'].map((id) => {
			const source = compiled.tasks[`test/${id}`]
			return source?.type === 'step' ? source.pieceCount : 0
		})

		expect(counts).toEqual([8, 10])
	})

	test('turns belong to the layer, the stem is taped once', () => {
		const [inner, outer, stem, ...more] = tapeOfFlower(resolveDesign(design, {}))

		expect(inner?.tapeMm).toBeCloseTo(turnsLengthMm(8, 4, USUAL_STRETCH), 9)
		expect(outer?.tapeMm).toBeCloseTo(turnsLengthMm(6, 4, USUAL_STRETCH), 9)
		expect(stem?.name).toBe('stem')
		expect(more).toEqual([])
	})

	test('what is not chosen takes its layers and their tape with it', () => {
		const bud = resolveDesign(design, { extent: 'bud' })

		expect(bud.layers.map(({ id }) => id)).toEqual(['inner'])
		expect(tapeOfFlower(bud)).toHaveLength(2)
	})

	test('a dropped extra costs no tape, wire, tool or time', () => {
		const extra = {
			...design,
			choices: [],
			extras: [{ id: 'more', name: 'Outer ring', value: 1 }],
			steps: design.steps.map(({ when: _, ...step }) =>
				step.id === 'five' ? { ...step, extra: 'more', tools: ['pliers'] } : step,
			),
		}
		const full = packDesign(extra)
		const placements = { ...full.plan.placements, 'test/five': { place: 'dropped' as const } }
		const taped = supplyOf(full.kit, 'floral tape')?.shares.usual ?? 0
		const packed = packDesign(extra, { placements })

		expect(supplyOf(packed.kit, 'floral tape')?.shares.usual).toBeLessThan(taped)
		expect(packed.kit.tools.map(({ tool }) => tool)).not.toContain('pliers')
	})

	test('names that lead nowhere are told at their place', () => {
		const lost = { ...design, steps: [makeStep('a', 'petals', [], { lays: ['none'], bundle: 'b', follows: 'c' })] }

		expect(validateDesign(lost).map(({ path }) => path)).toEqual([
			'/steps/0/lays/0',
			'/steps/0/bundle',
			'/steps/0/follows',
		])
	})
})

describe('amounts', () => {
	test('once a student: a palette, whatever the number of pieces', () => {
		const design = makeDesign({
			parts: [makePart('petals', { ...gum, piecesPerFlower: 7 })],
			steps: [
				makeStep('mix', 'petals', [], {
					per: 'student',
					minutesPerPiece: 4,
					fixedMinutes: 0,
					materials: [{ name: 'gel on a palette', kind: 'gel colour', gPerPiece: 2 }],
				}),
				makeStep('paint', 'petals', [{ after: 'mix' }], {
					materials: [{ name: 'brush soap', kind: 'other', gPerPiece: 1, per: 'student' }],
				}),
			],
		})
		const { kit, compiled } = packDesign(design)

		expect(supplyOf(kit, 'gel on a palette')?.shares.kits).toEqual([2000, 2000, 2000, 2000])
		expect(supplyOf(kit, 'brush soap')?.shares.usual).toBe(1000)
		expect(compiled.instance.tasks.find(({ id }) => id === 'test/mix')).toMatchObject({ minutes: 4 })
	})

	test('a length is cut from the roll that is bought: 7 leaves of 60 mm of tape', () => {
		const design = makeDesign({
			parts: [
				makePart('leaves', {
					breakage: 0,
					piecesPerFlower: 7,
					form: { type: 'bought', item: 'floral tape', lengthMm: 60 },
				}),
			],
			steps: [makeStep('twist', 'leaves')],
		})

		expect(supplyOf(packDesign(design).kit, 'floral tape')).toMatchObject({
			item: { unit: 'mm' },
			shares: { usual: 420 },
		})
	})

	// Common practice, no source: sixty stamens in six bunches of ten, each folded over a 24 wire.
	test('bundles are tied whole: their work, wires and tape are for the bundles, spares lie loose beside them', () => {
		const wire = { gauge: 24, lengthMm: 90, colour: 'white', insertedFraction: 0 }
		const design = makeDesign({
			parts: [
				makePart('stamens', {
					breakage: 0,
					piecesPerFlower: 60,
					spares: { type: 'more', pieces: 4 },
					form: { type: 'bought', item: 'stamen' },
				}),
			],
			bundles: [{ id: 'bunch', name: 'bunches', of: [{ part: 'stamens', pieces: 10 }], count: 6, wire, turns: 5 }],
			steps: [makeStep('tie', undefined, [], { bundle: 'bunch', minutesPerPiece: 2, fixedMinutes: 0 })],
		})
		const { kit, compiled } = packDesign(design)

		expect(compiled.tasks['test/tie']).toMatchObject({ pieceCount: 6 })
		expect(kit.wires[0]?.lines).toMatchObject([{ partName: 'bunches', shares: { usual: 6 } }])
		expect(supplyOf(kit, 'stamen')?.shares.usual).toBe(64)
		expect(supplyOf(kit, 'floral tape')?.shares.usual).toBe(Math.ceil(turnsLengthMm(30, 4, USUAL_STRETCH)))
	})
})

test('bundles that need more than there is are refused at their place', () => {
	const design = makeDesign({
		parts: [makePart('buds', { piecesPerFlower: 12 })],
		bundles: [{ id: 'bunch', name: 'bunches', of: [{ part: 'buds', pieces: 5 }], count: 3 }],
		steps: [],
	})

	expect(countProblems(design)).toEqual([
		{ path: '/bundles/0/of/0/pieces', message: '3 bundles of 5 need 15, there are 12 of "buds" left' },
	])
})

describe('wires', () => {
	const wire = { gauge: 20, lengthMm: 180, colour: 'green', insertedFraction: 0.3, trimmedToMm: 110 }
	const design = (stub: object, order: 'trim first' | 'stub first' = 'trim first') =>
		makeDesign({
			parts: [
				makePart('stems', { ...gum, piecesPerFlower: 2, wire }),
				makePart('hooks', {
					...gum,
					piecesPerFlower: 3,
					wire: { gauge: 20, lengthMm: 60, colour: 'green', insertedFraction: 0.5, ...stub },
				}),
			],
			steps: [
				makeStep('stem', 'stems', order === 'trim first' ? [] : [{ after: 'hook' }]),
				makeStep('hook', 'hooks', order === 'trim first' ? [{ after: 'stem' }] : []),
			],
		})
	const hooksOf = (made: Design) =>
		packDesign(made).kit.wires[0]?.lines.find(({ partName }) => partName === 'hooks')?.shares.usual

	test('the off-cut of a trimmed wire is used, and what is lacking is cut from stock: two off-cuts for three', () => {
		expect(hooksOf(design({}))).toBe(3)
		expect(hooksOf(design({ fromOffcutsOf: 'stems' }))).toBe(1)
	})

	test('an off-cut that comes only later helps nobody', () => {
		expect(hooksOf(design({ fromOffcutsOf: 'stems' }, 'stub first'))).toBe(3)
	})
})

describe('mixtures', () => {
	const design = makeDesign({
		mixtures: [
			{
				id: 'glue',
				name: 'sugar glue',
				kind: 'edible glue',
				unit: 'ml',
				ingredients: [
					{ name: 'warm water', amount: 30, unit: 'ml' },
					{ name: 'CMC powder', amount: 1, unit: 'g' },
				],
			},
			{
				id: 'mix',
				name: 'berry mix',
				unit: 'g',
				yields: 12,
				ingredients: [
					{ name: 'gum paste', amount: 8, unit: 'g', paste: 'gum paste', colour: 'deep red' },
					{ name: 'glue', amount: 4, unit: 'ml', mixture: 'glue' },
				],
			},
		],
		parts: [
			makePart('berries', { ...gum, colour: 'deep red', piecesPerFlower: 3, form: { type: 'moulded', massG: 2 } }),
		],
		steps: [
			makeStep('dip', 'berries', [], { uses: [{ mixture: 'mix', amountPerPiece: 1.2 }] }),
			makeStep('stick', 'berries', [{ after: 'dip' }], {
				materials: [{ name: 'edible glue', kind: 'edible glue', gPerPiece: 0.5 }],
			}),
		],
	})

	test('hold mixtures: the glue in the mix and the glue that sticks are one line', () => {
		const { kit } = packDesign(design)

		// 3 · 1.2 g of the mix take 1.2 g of glue, and 3 · 0.5 g stick.
		expect(supplyOf(kit, 'sugar glue')?.shares.usual).toBe(1200 + 1500)
		expect(kit.supplies.filter(({ item }) => /glue/.test(item.name))).toHaveLength(1)
	})

	test('hold paste, which joins the bill of that paste and colour', () => {
		const { kit } = packDesign(design)

		expect(kit.paste.map(({ item, shares }) => [item.colour, shares.usual])).toEqual([['deep red', 6000 + 2400]])
		// Whoever asks why is told all of it.
		expect(kit.paste[0]?.sources.map(({ type, mg }) => [type, mg])).toEqual([
			['formed', 6000],
			['mixture', 2400],
		])
	})

	test('of a kind leave the film of that kind: glue by recipe is glue', () => {
		const glued = makeDesign({
			mixtures: design.mixtures ?? [],
			parts: [makePart('petals', gum)],
			steps: [
				makeStep('shape', 'petals'),
				makeStep('stick', 'petals', [{ after: 'shape', wait: { stage: 'firm', usualMinutes: 300 } }], {
					uses: [{ mixture: 'glue', amountPerPiece: 0.1 }],
				}),
				makeStep('dust', 'petals', [{ after: 'stick', wait: { stage: 'firm', usualMinutes: 60 } }]),
			],
		})
		const resolved = resolveDesign(glued, {})

		expect(subjectsOfWait(resolved, resolved.steps[1]!, 'firm', 'swg')).toEqual([
			{ type: 'films', films: ['glue holds'] },
		])
	})

	test('never hold themselves', () => {
		const [glue, mix] = design.mixtures ?? []
		const circle = {
			...design,
			mixtures: [{ ...glue!, ingredients: [{ name: 'mix', amount: 1, unit: 'g' as const, mixture: 'mix' }] }, mix!],
		}

		expect(validateDesign(circle).map(({ path }) => path)).toEqual([
			'/mixtures/0/ingredients/0/mixture',
			'/mixtures/1/ingredients/1/mixture',
		])
	})

	test('an exchange says what replaces which part, and nothing keeps the name of what it no longer holds', () => {
		const pollen = {
			...design,
			mixtures: [
				{
					id: 'pollen',
					name: 'gelatine pollen',
					unit: 'g' as const,
					ingredients: [
						{ name: 'gelatine', amount: 1, unit: 'g' as const, allergens: ['gelatine' as const] },
						{ name: 'dust', amount: 1, unit: 'g' as const },
					],
				},
			],
			steps: [makeStep('dip', 'berries', [], { uses: [{ mixture: 'pollen', amountPerPiece: 1 }] })],
		}
		const { kit } = packDesign(pollen, { roster: [makeStudent({ diet: 'vegan' })] })

		expect(kit.exchanges).toContainEqual({
			seatNumber: 1,
			what: 'gelatine in gelatine pollen',
			instead: 'cornmeal',
			reason: 'gelatine',
		})
		expect(supplyOf(kit, 'Cornmeal pollen')?.shares.kits).toEqual([3000, 0, 0, 0])
		expect(kit.recipes.find(({ name }) => name === 'Cornmeal pollen')?.ingredients.map(({ name }) => name)).toEqual([
			'cornmeal',
			'dust',
		])
	})
})

test('what must be done in class is done nowhere else, and says so at its place', () => {
	const design = makeDesign({
		parts: [makePart('p')],
		steps: [makeStep('a', 'p', [], { teaching: 'must', places: ['class', 'home'] })],
	})

	expect(validateDesign(design)).toMatchObject([{ path: '/steps/0/places' }])
})

describe('formers', () => {
	const tray = { backFace: 'foam' as const, former: 'apple tray' }
	const firm = { stage: 'firm' as const, usualMinutes: 300 }
	const skin = { stage: 'skin' as const, usualMinutes: 10 }

	test('a piece that two steps wait for lies on one thing at a time', () => {
		const design = makeDesign({
			parts: [makePart('petals', { ...gum, piecesPerFlower: 6, drying: tray })],
			steps: [
				makeStep('shape', 'petals'),
				makeStep('dust', 'petals', [{ after: 'shape', wait: skin }]),
				makeStep('tape', undefined, [{ after: 'dust' }, { after: 'shape', wait: firm }]),
			],
		})

		expect(packDesign(design).kit.formers).toMatchObject([{ former: 'apple tray', peakCount: 24 }])
	})

	test('what is glued together hangs as one', () => {
		const design = makeDesign({
			parts: [
				makePart('ball', {
					...gum,
					role: 'centre',
					piecesPerFlower: 1,
					form: { type: 'formed', body: 'ball', diameterMm: 16 },
				}),
				makePart('petals', { ...gum, piecesPerFlower: 6, drying: tray }),
			],
			steps: [
				makeStep('ball', 'ball'),
				makeStep('glue', 'petals', [{ after: 'ball' }], { lays: ['ring'], restsOn: 'hook' }),
				makeStep('dust', undefined, [{ after: 'glue', wait: firm }]),
			],
			layers: [
				{ part: 'ball', pieceCount: 1, radiusMm: 0, arrangement: 'free' },
				{ id: 'ring', part: 'petals', pieceCount: 6, radiusMm: 8, arrangement: 'aligned', joining: 'glued' },
			],
		})

		expect(packDesign(design).kit.formers).toMatchObject([{ former: 'hook', peakCount: 4 }])
	})
})

describe('steps that follow at each piece', () => {
	const petals = (need: object, press: object = {}) =>
		makeDesign({
			techniques: [{ id: 'pressing', name: 'Pressing', demoMinutes: 5 }],
			parts: [makePart('petals', { ...gum, piecesPerFlower: 36 })],
			steps: [
				makeStep('pinch', 'petals', [], { minutesPerPiece: 1.25, fixedMinutes: 0 }),
				makeStep('press', 'petals', [{ after: 'pinch', isPieceByPiece: true, ...need }], {
					minutesPerPiece: 0.75,
					fixedMinutes: 2,
					technique: 'pressing',
					materials: [{ name: 'starch', kind: 'starch' }],
					...press,
				}),
				makeStep('tape', undefined, [{ after: 'press', wait: { stage: 'firm', usualMinutes: 300 } }]),
			],
		})
	const minutesOf = (design: Design) => {
		const { instance } = packDesign(design).compiled
		return Object.fromEntries(
			instance.tasks.map((task) => [task.id, 'minutes' in task ? task.minutes : task.units * task.unitMinutes]),
		)
	}

	test('within less than a batch takes are one task: both times and the wait between, rounded as a whole', () => {
		const design = petals({ withinMinutes: 2 })
		const { compiled, kit } = packDesign(design)

		expect(compiled.tasks['test/pinch']).toMatchObject({
			label: 'pinch and press',
			alsoSteps: ['press'],
			pieceCount: 36,
		})
		expect(compiled.tasks['test/press']).toBeUndefined()
		// 36 · (1.25 + 0.75) + 2 min.
		expect(Math.abs((minutesOf(design)['test/pinch'] ?? 0) - 74)).toBeLessThanOrEqual(1)
		expect(compiled.instance.arcs.map(({ from, to }) => `${from}>${to}`)).toEqual(
			expect.arrayContaining(['show/pressing>test/pinch', 'test/pinch>test/tape']),
		)
		expect(supplyOf(kit, 'starch')?.shares.usual).toBeGreaterThan(0)
	})

	test('with time to spare stay two', () => {
		expect(Object.keys(minutesOf(petals({ withinMinutes: 60 })))).toEqual(
			expect.arrayContaining(['test/pinch', 'test/press']),
		)
	})

	test('are done where all of them may be', () => {
		const { instance } = packDesign(petals({ withinMinutes: 2 }, { places: ['class', 'ahead'] })).compiled

		expect(instance.tasks.find(({ id }) => id === 'test/pinch')?.places).toEqual(['class'])
	})
})

/** What is built dries as a body, bodies and outlines of all kinds, and limits that are computed. */
import { lagMinutes } from '../../../../core/plan/problem/instance'
import { describe, expect, test } from 'vitest'
import { bodySoFar } from '../../../../core/design/body-so-far'
import type { Design, Part } from '../../../../core/design/design'
import { pieceOfPart } from '../../../../core/design/piece-of-part'
import { resolveDesign } from '../../../../core/design/resolve-design'
import { subjectsOfWait } from '../../../../core/design/wait-subject'
import { layersAtFoot, toBodies } from '../../../../core/drying/built-flower'
import { cutAreaMm2, pasteMassG } from '../../../../core/materials/piece-mass'
import { ORDINARY_TERMS } from '../../../../core/plan/compile/drying-terms'
import type { PartForm } from '../../../../core/vocabulary/piece-form'
import { makeDesign, makePart, makeStep } from '../../../support/make-design'
import { packDesign } from '../../../support/pack-design'

const gum = { paste: 'gum paste' as const, breakage: 0 }
const petal = { type: 'cut' as const, outline: 'round petal' as const, widthMm: 30, lengthMm: 35, thicknessMm: 0.8 }

/** Petals glued round a core of paste, layer on layer. */
function rose({
	core = {},
	petals = {},
	openness = 75,
	waited = false,
}: { core?: Partial<Part>; petals?: Partial<Part>; openness?: number; waited?: boolean } = {}): Design {
	return makeDesign({
		parts: [
			makePart('core', {
				...gum,
				role: 'centre',
				piecesPerFlower: 1,
				form: { type: 'formed', body: 'ball', diameterMm: 16 },
				...core,
			}),
			makePart('petals', { ...gum, piecesPerFlower: 9, form: petal, ...petals }),
		],
		steps: [
			makeStep('ball', 'core'),
			makeStep(
				'first',
				'petals',
				[{ after: 'ball', ...(waited && { wait: { stage: 'firm' as const, usualMinutes: 900 } }) }],
				{ lays: ['inner'], pieces: 4 },
			),
			makeStep('second', 'petals', [{ after: 'first' }], { lays: ['outer'], pieces: 5 }),
			makeStep('pack', undefined, [{ after: 'second', wait: { stage: 'hard', usualMinutes: 700 } }]),
		],
		layers: [
			{ part: 'core', pieceCount: 1, radiusMm: 0, arrangement: 'free' },
			{
				id: 'inner',
				part: 'petals',
				pieceCount: 4,
				radiusMm: 8,
				arrangement: 'aligned',
				joining: 'glued',
				opennessDeg: 20,
			},
			{
				id: 'outer',
				part: 'petals',
				pieceCount: 5,
				radiusMm: 10,
				arrangement: 'over gaps',
				joining: 'glued',
				opennessDeg: openness,
			},
		],
	})
}

function bodyAfter(design: Design, stepId: string) {
	const resolved = resolveDesign(design, {})
	const step = resolved.steps.find(({ id }) => id === stepId)
	return step && bodySoFar(resolved, step)
}

describe('a flower that is glued together', () => {
	test('is the body so far: four petals after the first layer, nine after the second', () => {
		const [four, nine] = ['first', 'second'].map((id) => bodyAfter(rose(), id)?.flower)

		expect(four?.layers).toBeCloseTo(layersAtFoot(4, 15, 8), 9)
		expect(nine?.layers).toBeCloseTo(layersAtFoot(9, 15, 8), 9)
		expect(nine).toMatchObject({ core: { radiusMm: 8, isDry: false }, petalMm: 0.8, openness: 'open' })
	})

	test('is closed below 30° and open from 60°, by the layer laid last', () => {
		expect([20, 30, 59, 60].map((openness) => bodyAfter(rose({ openness }), 'second')?.flower.openness)).toEqual([
			'closed',
			'half',
			'half',
			'open',
		])
		expect(bodyAfter(rose(), 'first')?.flower.openness).toBe('closed')
	})

	test('has a dry core if that was bought, or waited for until firm on the way', () => {
		const bought = { form: { type: 'bought' as const, item: 'polystyrene ball', diameterMm: 16 } }

		expect(bodyAfter(rose(), 'second')?.flower.core.isDry).toBe(false)
		expect(bodyAfter(rose({ waited: true }), 'second')?.flower.core.isDry).toBe(true)
		expect(bodyAfter(rose({ core: bought }), 'second')?.flower.core.isDry).toBe(true)
	})

	test('takes the slowest of its pastes for its foot', () => {
		expect(bodyAfter(rose({ core: { paste: 'sugarpaste' } }), 'second')?.paste).toBe('sugarpaste')
		expect(bodyAfter(rose({ core: { paste: 'sugarpaste' }, waited: true }), 'second')?.paste).toBe('gum paste')
	})

	test('a blossom counts as its lobes', () => {
		const blossom = {
			form: {
				type: 'cut' as const,
				outline: 'blossom' as const,
				lobes: 5,
				widthMm: 40,
				lengthMm: 40,
				thicknessMm: 0.8,
			},
		}
		const lobes = bodyAfter(rose({ petals: blossom }), 'first')?.flower.layers

		expect(lobes).toBeCloseTo(layersAtFoot(4 * 5, (40 * Math.sin(Math.PI / 5)) / 2, 8), 9)
	})

	test('makes the wait after its last petal, not the petal alone', () => {
		const design = resolveDesign(rose(), {})
		const last = design.steps.find(({ id }) => id === 'second')!
		const [subject, ...others] = subjectsOfWait(design, last, 'firm', 'swg')
		const body = bodyAfter(rose(), 'second')!

		expect(others).toEqual([])
		expect(subject).toMatchObject({ type: 'piece', what: 'body', piece: toBodies(body.flower) })
		const waitBeforePacking = ({ compiled }: ReturnType<typeof packDesign>) =>
			lagMinutes(compiled.instance.arcs.find(({ to }) => to === 'test/pack') ?? { lag: 0 })
		const lag = waitBeforePacking(packDesign(rose()))
		const alone = waitBeforePacking(
			packDesign({
				...rose(),
				layers: [],
				steps: rose().steps.map(({ lays: _, pieces: __, ...step }) => step),
			}),
		)
		expect(lag).toBeGreaterThan(alone)
	})

	test('of petals that dried before waits for its glue alone', () => {
		const design = rose()
		const steps = design.steps.map((step) =>
			step.id === 'first'
				? {
						...step,
						materials: [{ name: 'glue', kind: 'edible glue' as const }],
						needs: [...step.needs, { after: 'shape', wait: { stage: 'firm' as const, usualMinutes: 600 } }],
					}
				: step,
		)
		const dried = resolveDesign({ ...design, steps: [makeStep('shape', 'petals'), ...steps] }, {})

		expect(
			subjectsOfWait(
				dried,
				dried.steps.find(({ id }) => id === 'first')!,
				'firm',
				'swg',
			),
		).toEqual([{ type: 'films', films: ['glue holds'] }])
	})

	test('forty balls on each of three cones are three closed bodies', () => {
		const fruit = makeDesign({
			parts: [
				makePart('cones', {
					...gum,
					role: 'base',
					piecesPerFlower: 3,
					form: { type: 'formed', body: 'cone', diameterMm: 14, lengthMm: 18 },
				}),
				makePart('balls', {
					...gum,
					role: 'decoration',
					piecesPerFlower: 120,
					on: 'cones',
					form: { type: 'formed', body: 'ball', diameterMm: 3 },
				}),
			],
			steps: [
				makeStep('cone', 'cones'),
				makeStep('stick', 'balls', [{ after: 'cone', wait: { stage: 'hard', usualMinutes: 900 } }], {
					materials: [{ name: 'glue', kind: 'edible glue' }],
				}),
			],
		})

		expect(bodyAfter(fruit, 'stick')).toMatchObject({
			perFlower: 3,
			corePart: 'cones',
			flower: { layers: 1, petalMm: 3, openness: 'closed', core: { baseRadiusMm: 7, heightMm: 18, isDry: true } },
		})
	})
})

test('what dried to an earlier stage goes on drying to a later one, whatever is put on it meanwhile', () => {
	const petals = (first: 'skin' | 'hard') =>
		resolveDesign(
			makeDesign({
				parts: [makePart('petals', gum)],
				steps: [
					makeStep('shape', 'petals'),
					makeStep('paint', 'petals', [{ after: 'shape', wait: { stage: first, usualMinutes: 5 } }], {
						materials: [{ name: 'spirit', kind: 'strong alcohol' }],
					}),
					makeStep('tape', undefined, [{ after: 'paint', wait: { stage: 'firm', usualMinutes: 300 } }]),
				],
			}),
			{},
		)
	const kindsOf = (first: 'skin' | 'hard') => {
		const design = petals(first)
		return subjectsOfWait(design, design.steps[1]!, 'firm', 'swg').map(({ type }) => type)
	}

	expect(kindsOf('skin')).toEqual(['piece', 'films'])
	expect(kindsOf('hard')).toEqual(['films'])
})

describe('bodies and outlines', () => {
	const pieceOf = (form: PartForm) =>
		pieceOfPart({ ...makePart('p', gum), form, drying: { backFace: 'tissue', former: 'tissue' } }, [], 'swg')?.body

	test('a flattened ball has the mass of the ball and dries as a disc of its thickness', () => {
		const ball = { type: 'formed' as const, body: 'ball' as const, diameterMm: 20 }
		const flat = { ...ball, body: 'flattened ball' as const, thicknessMm: 3 }

		expect(pasteMassG(flat)).toBe(pasteMassG(ball))
		// π/6 · 20³ = π/4 · d² · 3.
		expect(pieceOf(flat)).toMatchObject({
			type: 'sheet',
			thicknessMm: 3,
			back: 'tissue',
			sizeMm: expect.closeTo(Math.sqrt((4 * 20 ** 3) / (6 * 3)), 9),
		})
	})

	test('a half ball has half of its mass', () => {
		expect(pasteMassG({ type: 'formed', body: 'half ball', diameterMm: 20 })).toBeCloseTo(
			pasteMassG({ type: 'formed', body: 'ball', diameterMm: 20 }) / 2,
			12,
		)
	})

	test('a rolled strip dries as a cylinder of its width and mass', () => {
		const strip = {
			type: 'cut' as const,
			outline: 'strip' as const,
			widthMm: 12,
			lengthMm: 100,
			thicknessMm: 1,
			shaping: 'rolled up' as const,
		}

		expect(pieceOf(strip)).toMatchObject({
			type: 'cylinder',
			radiusMm: expect.closeTo(Math.sqrt(cutAreaMm2(strip) / (Math.PI * 12)), 9),
		})
	})

	test('a folded piece dries as two walls, and weighs what it weighed flat', () => {
		const flat = { type: 'cut' as const, outline: 'circle' as const, widthMm: 60, lengthMm: 60, thicknessMm: 1.5 }

		expect(pieceOf({ ...flat, shaping: 'folded' })).toMatchObject({ thicknessMm: 3 })
		expect(pasteMassG({ ...flat, shaping: 'folded' })).toBe(pasteMassG(flat))
	})

	test('holes and a removed middle are exact: a ring of 40 and 20 mm has three quarters of its disc', () => {
		const disc = { type: 'cut' as const, outline: 'circle' as const, widthMm: 40, lengthMm: 40, thicknessMm: 1 }
		const ring = { ...disc, holes: [{ outline: 'circle' as const, widthMm: 20, lengthMm: 20 }] }

		expect(cutAreaMm2(ring) / cutAreaMm2(disc)).toBeCloseTo(3 / 4, 6)
		const design = makeDesign({
			parts: [makePart('rings', { ...gum, piecesPerFlower: 4, form: ring })],
			steps: [makeStep('cut', 'rings')],
		})
		const source = packDesign(design).kit.paste[0]?.sources.find(({ type }) => type === 'cut')
		expect(source).toMatchObject({ areaMm2: expect.closeTo(cutAreaMm2(ring), 6) })
	})
})

describe('limits that are computed', () => {
	const strips = (need: object) =>
		makeDesign({
			parts: [
				makePart('strips', {
					...gum,
					piecesPerFlower: 2,
					form: { type: 'cut', outline: 'strip', widthMm: 20, lengthMm: 90, thicknessMm: 1 },
				}),
			],
			steps: [
				makeStep('cut', 'strips', [], {
					minutesPerPiece: 0.4,
					materials: [{ name: 'spirit', kind: 'strong alcohol' }],
				}),
				makeStep('fold', 'strips', [{ after: 'cut', ...need }], { minutesPerPiece: 0.4 }),
			],
		})
	const arcOf = (need: object) =>
		packDesign(strips(need), { terms: ORDINARY_TERMS }).compiled.instance.arcs.find(({ to }) => to === 'test/fold')

	test('before a stage: by the time at which one piece in ten has it, the later the stage the longer', () => {
		const [skin, hard] = [arcOf({ beforeStage: 'skin' }), arcOf({ beforeStage: 'hard' })]

		expect(skin?.maxLag).toBeGreaterThan(0)
		expect(hard?.maxLag).toBeGreaterThan(3 * (skin?.maxLag ?? Infinity))
	})

	test('while damp: some minutes after the paint, no more', () => {
		const { lag = Infinity, maxLag } = arcOf({ whileDamp: true }) ?? {}

		expect(maxLag).toBeGreaterThanOrEqual(lagMinutes({ lag }))
		expect(maxLag).toBeLessThan(5)
	})

	test('beside a stated one the tighter holds', () => {
		expect(arcOf({ beforeStage: 'hard', withinMinutes: 20 })?.maxLag).toBe(20)
	})
})

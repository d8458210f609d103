/** Paste, wires and supplies of designs made for the purpose. */
import { describe, expect, test } from 'vitest'
import { claimsOf } from '../../../core/plan/compile/tool-claims'
import { compileCourse } from '../../../core/plan/compile/compile-course'
import { ORDINARY_TERMS } from '../../../core/plan/compile/drying-terms'
import { planCourse, resolveCourse } from '../../../core/plan/plan-course'
import type { Design } from '../../../core/design/design'
import { validateDesign } from '../../../core/design/validate-design'
import { packClassKit } from '../../../core/kit/class-kit'
import { depthOf, USUAL_KIT_TERMS } from '../../../core/kit/kit-terms'
import { listPackingLines } from '../../../core/kit/packing-lines'
import type { Student } from '../../../core/kit/student'
import { demoCourse } from '../../support/demo-designs'
import { makeStudent } from '../../support/demo-kit'
import { makeDesign, makePart, makeStep } from '../../support/make-design'

const NO_BREAKAGE = { breakage: 0, paste: 'gum paste' as const }

function pack(design: Design, { roster = [] as Student[], studentCount = 4, terms = USUAL_KIT_TERMS } = {}) {
	const course = {
		...demoCourse('Magnolia on Thursdays'),
		studentCount,
		designs: [{ designId: design.id, flowersPerStudent: 1, picks: {} }],
	}
	const { compiled, plan } = planCourse(course, [design])
	if (!plan) throw new Error('no plan')
	const studio = { stockLengthsMm: [360], terms }
	return packClassKit(course, resolveCourse(course, [design]), { compiled, plan, studio, roster })
}

describe('paste', () => {
	test('of formed and moulded pieces is their mass, to the milligram', () => {
		const design = makeDesign({
			parts: [
				makePart('shells', { ...NO_BREAKAGE, piecesPerFlower: 3, form: { type: 'moulded', massG: 12 } }),
				// π/6 · 2³ cm³ · 1.38 g/cm³ = 5.781 g.
				makePart('balls', {
					...NO_BREAKAGE,
					piecesPerFlower: 1,
					form: { type: 'formed', body: 'ball', diameterMm: 20 },
				}),
			],
			steps: [makeStep('press', 'shells'), makeStep('roll', 'balls')],
		})

		const [line] = pack(design).paste

		expect(line?.shares.usual).toBe(36_000 + Math.ceil((Math.PI / 6) * 8 * 1.38 * 1000))
	})

	test('of a piece larger than the board is that of its rectangle, and says so', () => {
		const form = { type: 'cut' as const, outline: 'circle' as const, widthMm: 400, lengthMm: 400, thicknessMm: 2 }
		const design = makeDesign({
			parts: [makePart('plaque', { ...NO_BREAKAGE, piecesPerFlower: 1, form })],
			steps: [makeStep('cut', 'plaque')],
		})

		const { paste, sheets } = pack(design)

		expect(sheets[0]).toMatchObject({ tooLarge: ['plaque'], sheets: [] })
		expect((paste[0]?.shares.usual ?? 0) / 1000).toBeCloseTo(40 * 40 * 0.2 * 1.38, 1)
	})

	test('of parts of one colour and thickness comes from the same sheets', () => {
		const small = { type: 'cut' as const, outline: 'petal' as const, widthMm: 20, lengthMm: 30, thicknessMm: 1 }
		const together = makeDesign({
			parts: [makePart('large', NO_BREAKAGE), makePart('small', { ...NO_BREAKAGE, form: small })],
			steps: [makeStep('a', 'large'), makeStep('b', 'small')],
		})
		const apart = makeDesign({
			...together,
			parts: together.parts.map((part, p) => ({ ...part, colour: `colour ${p}` })),
		})
		const sumOf = (design: Design) => pack(design).paste.reduce((sum, { shares }) => sum + shares.usual, 0)

		expect(pack(together).sheets.filter(({ maker }) => maker === 'kit')).toHaveLength(1)
		expect(sumOf(together)).toBeLessThanOrEqual(sumOf(apart))
	})

	test('of what the instructor makes ahead is hers, not the students’', () => {
		const design = makeDesign({
			parts: [makePart('petals', NO_BREAKAGE)],
			// Two hundred minutes a piece fit no class: it is made ahead.
			steps: [
				makeStep('shape', 'petals', [], { minutesPerPiece: 200, places: ['class', 'ahead'], teaching: 'routine' }),
			],
		})

		const { paste, lines, dates, colours } = pack(design)

		expect(lines[0]).toMatchObject({ maker: 'instructor', isMadeAhead: true })
		expect(paste[0]?.shares).toMatchObject({ usual: 0, kits: [0, 0, 0, 0] })
		expect(paste[0]?.shares.ahead).toBeGreaterThan(0)
		expect(colours[0]?.colourBy).toBe(dates.beforeAhead)
		expect(dates.beforeAhead < dates.ahead && dates.ahead < dates.beforeClass).toBe(true)
	})
})

describe('wires', () => {
	test('of bundles are counted by the bundle: fifteen buds in threes of five', () => {
		const wire = { gauge: 26, lengthMm: 120, colour: 'green', insertedFraction: 0 }
		const design = makeDesign({
			parts: [makePart('buds', { ...NO_BREAKAGE, piecesPerFlower: 15, bundles: { pieces: 5, wire } })],
			steps: [makeStep('form', 'buds', [], { minutesPerPiece: 0.5 })],
		})

		const [group] = pack(design).wires

		expect(group?.lines).toMatchObject([{ partName: 'buds, bundles', shares: { usual: 3, kits: [3, 3, 3, 3] } }])
		expect(group?.kitPlan.wires).toHaveLength(1)
	})
})

describe('supplies', () => {
	const design = makeDesign({
		mixtures: [
			{
				id: 'pollen',
				name: 'Pollen',
				unit: 'g',
				ingredients: [
					{ name: 'gelatine', amount: 1, unit: 'g', allergens: ['gelatine'] },
					{ name: 'dust', amount: 1, unit: 'g' },
				],
			},
		],
		parts: [makePart('petals', { ...NO_BREAKAGE, piecesPerFlower: 4 })],
		steps: [
			makeStep('dip', 'petals', [], {
				uses: [{ mixture: 'pollen', amountPerPiece: 0.25 }],
				materials: [
					{ name: 'edging dust', kind: 'dust' },
					{ name: 'cocoa', kind: 'other', gPerPiece: 0.5 },
					{ name: 'a wet cloth', kind: 'other' },
				],
			}),
		],
		layers: [{ part: 'petals', pieceCount: 4, radiusMm: 5, arrangement: 'aligned', joining: 'taped', tapeTurns: 2 }],
	})

	test('are by piece, as the design says or as usual for their kind', () => {
		const { supplies, atHand } = pack(design)
		const usualOf = (name: string) => supplies.find(({ item }) => item.name === name)?.shares.usual

		expect(usualOf('Pollen')).toBe(1000)
		expect(usualOf('edging dust')).toBe(80)
		expect(usualOf('cocoa')).toBe(2000)
		expect(atHand).toEqual(['a wet cloth'])
	})

	// Geometry of the helix: k turns round d are k·π·d/s, a stem of l at 45° takes l·√2/s of tape.
	test('have tape by the helix', () => {
		const tape = pack(design).supplies.find(({ item }) => item.kind === 'tape')
		const [round, down] = [(2 * 4 * Math.PI * 4) / 1.5, (120 * Math.SQRT2) / 1.5]
		const millimetres = round + down

		expect(tape?.shares.usual).toBe(Math.ceil(round) + Math.ceil(down))
		const loose = pack(design, { terms: { ...USUAL_KIT_TERMS, tapeStretch: 1 } })
		expect(loose.supplies.find(({ item }) => item.kind === 'tape')?.shares.usual).toBeGreaterThan(millimetres)
	})

	test('exchange gelatine for cornmeal where a diet asks for it', () => {
		const kit = pack(design, { roster: [makeStudent({ diet: 'vegetarian' })] })
		const kitsOf = (name: string) => kit.supplies.find(({ item }) => item.name === name)?.shares.kits

		expect(kit.exchanges).toEqual([
			{ seatNumber: 1, what: 'gelatine in Pollen', instead: 'cornmeal', reason: 'gelatine' },
		])
		expect(kitsOf('Pollen')).toEqual([0, 1000, 1000, 1000])
		expect(kitsOf('Pollen, cornmeal instead of gelatine')).toEqual([1000, 0, 0, 0])
	})

	test('warn of an allergen on a label, for which nothing is known', () => {
		const nutty = { ...design, parts: design.parts.map((part) => ({ ...part, allergens: ['nuts' as const] })) }

		const { exchanges } = pack(nutty, { roster: [makeStudent({ avoids: ['nuts'] })] })

		expect(exchanges).toEqual([{ seatNumber: 1, what: 'petals', reason: 'nuts' }])
	})

	test('are packed line by line, the instructor’s own first', () => {
		const kit = pack(design)
		const lines = listPackingLines(kit)

		expect(new Set(lines.map(({ key }) => key)).size).toBe(lines.length)
		for (const { amounts } of lines) expect(amounts).toHaveLength(5)
		expect(lines.find(({ name }) => name === 'Pollen')?.amounts).toEqual([1000, 1000, 1000, 1000, 1000])
	})
})

describe('shares of tools', () => {
	const step = (toolShares?: Record<string, number>) =>
		makeStep('shape', 'petals', [], {
			tools: ['veiner', 'spoon'],
			minutesPerPiece: 6,
			...(toolShares && { toolShares }),
		})
	const design = (toolShares?: Record<string, number>) =>
		makeDesign({ parts: [makePart('petals', NO_BREAKAGE)], steps: [step(toolShares)] })
	const minutesWith = (owned: Record<string, number>, toolShares?: Record<string, number>) => {
		const course = { ...demoCourse('Magnolia on Thursdays'), studentCount: 8 }
		const picked = { ...course, designs: [{ designId: 'test', flowersPerStudent: 1, picks: {} }] }
		const compiled = compileCourse(picked, resolveCourse(picked, [design(toolShares)]), {
			...ORDINARY_TERMS,
			ownedTools: owned,
		})
		const task = compiled.instance.tasks.find(({ id }) => id === 'test/shape')
		return task && 'units' in task ? task.units * task.unitMinutes : (task?.minutes ?? 0)
	}

	test('are the design’s own, or the usual ones', () => {
		expect(claimsOf(step({ veiner: 0.4, spoon: 0 }))).toEqual([{ tool: 'veiner', share: 0.4 }])
		expect(claimsOf(step())).toEqual([
			{ tool: 'veiner', share: 0.2 },
			{ tool: 'spoon', share: 0.5 },
		])
	})

	test('lengthen the planned step the more, the fewer tools there are and the longer each is in the hand', () => {
		const minutes = [8, 4, 2, 1].map((count) => minutesWith({ veiner: count }, { veiner: 0.4 }))

		expect(minutes).toEqual(minutes.toSorted((a, b) => a - b))
		expect(minutes[3]).toBeGreaterThan(minutes[0] ?? Infinity)
		expect(minutesWith({ veiner: 1 }, { veiner: 0.8 })).toBeGreaterThan(minutesWith({ veiner: 1 }, { veiner: 0.2 }))
		expect(minutesWith({ veiner: 8 }, { veiner: 0.4 })).toBe(minutesWith({}, { veiner: 0.4 }))
	})

	test('of a tool that the step does not name are refused', () => {
		expect(validateDesign(design({ tongs: 0.5 }))).toEqual([
			{ path: '/steps/0/toolShares', message: 'there is no tool of the step "tongs"' },
		])
		expect(validateDesign(design({ veiner: 0.5 }))).toEqual([])
	})
})

test.each([
	{ colour: 'white', depth: 'white' },
	{ colour: 'pale green', depth: 'pastel' },
	{ colour: 'leaf green', depth: 'mid' },
	{ colour: 'deep red', depth: 'deep' },
])('$colour is $depth', ({ colour, depth }) => {
	expect(depthOf(colour)).toBe(depth)
})

describe('paste to hand out', () => {
	const design = makeDesign({
		parts: [
			makePart('shells', { ...NO_BREAKAGE, piecesPerFlower: 4, form: { type: 'moulded', massG: 10 } }),
			makePart('eyes', { ...NO_BREAKAGE, colour: 'black', piecesPerFlower: 2, form: { type: 'moulded', massG: 0.1 } }),
		],
		steps: [makeStep('press', 'shells'), makeStep('roll', 'eyes')],
	})
	const [white, black] = pack(design).paste

	test('can be worked: a share more, and never less than a lump, in whole grams', () => {
		expect([white?.shares.usual, black?.shares.usual]).toEqual([40_000, 200])
		expect([white?.handOut.usual, black?.handOut.usual]).toEqual([46_000, 20_000])
	})

	test('is what is packed and bought; the reserve of the exact need stays with the instructor', () => {
		const { kits, demo, reserve, total } = white?.handOut ?? { kits: [], demo: 0, reserve: 0, total: 0 }

		expect(reserve).toBe(white?.shares.reserve)
		expect(total).toBe(kits.reduce((sum, one) => sum + one, 0) + demo + reserve)
	})
})

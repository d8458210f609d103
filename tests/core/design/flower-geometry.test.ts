import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { measureRings, placePieces } from '../../../core/design/flower-geometry'
import { drawPieces } from '../../../core/design/flower-views'
import { resolveDesign, type ResolvedLayer, type ResolvedPart } from '../../../core/design/resolve-design'
import { SKELETONS } from '../../../core/design/skeletons/skeletons'
import type { Layer } from '../../../core/design/design'
import { demoDesign, demoDesignIds } from '../../support/demo-designs'
import { makeDesign, makePart, makeStep } from '../../support/make-design'

const circle = (diameterMm: number): ResolvedPart => ({
	...makePart('p', {
		form: { type: 'cut', outline: 'circle', widthMm: diameterMm, lengthMm: diameterMm, thicknessMm: 1 },
	}),
	of: 'p',
	partName: 'p',
	piecesOfPart: 1,
})
const ring = (pieceCount: number, terms: Partial<Omit<Layer, 'when'>> = {}): ResolvedLayer => ({
	part: 'p',
	kinds: Array<string>(pieceCount).fill('p'),
	pieceCount,
	radiusMm: 0,
	arrangement: 'over gaps',
	opennessDeg: 90,
	...terms,
})

describe('rings', () => {
	// Circles of 20 mm lying flat, feet at 10 mm: widest at 20 mm. Each spans 2·asin(1/2) = 60°: six just close.
	test('of six circles round a seventh of their size close without overlap', () => {
		const [cover] = measureRings([circle(20)], [ring(6, { radiusMm: 10 })])

		expect(cover?.radiusMm).toBeCloseTo(20, 2)
		expect(cover?.coverage).toBeCloseTo(1, 3)
		expect(cover?.overlapMm).toBeCloseTo(0, 1)
	})

	test('say the least number that closes them', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 2, max: 20 }),
				fc.double({ min: 5, max: 40, noNaN: true }),
				fc.double({ min: 10, max: 60, noNaN: true }),
				(count, size, radiusMm) => {
					const cover = (pieceCount: number) => measureRings([circle(size)], [ring(pieceCount, { radiusMm })])[0]
					const closing = cover(count)?.closingCount ?? 0

					expect(cover(Math.max(2, closing))?.overlapMm).toBeGreaterThan(-1e-6)
					if (closing > 2) expect(cover(closing - 1)?.overlapMm).toBeLessThan(1e-6)
				},
			),
		)
	})

	test('stand over the gaps of the ring before by half its pitch', () => {
		const pieces = placePieces([circle(20)], [ring(5, { arrangement: 'aligned' }), ring(5)])
		const [inner, outer] = [pieces[0]?.azimuthRad ?? 0, pieces[5]?.azimuthRad ?? 0]

		expect(outer - inner).toBeCloseTo(Math.PI / 5, 9)
	})

	test('alternate their colours', () => {
		const pieces = placePieces([circle(20)], [ring(6, { tints: ['plum', 'iris'] })])

		expect(pieces.map(({ tint }) => tint)).toEqual(['plum', 'iris', 'plum', 'iris', 'plum', 'iris'])
	})
})

describe('natural variation', () => {
	const layers = [ring(12, { radiusMm: 10 })]

	test('is the same for the same seed, and another for another', () => {
		const place = (seed?: number) => placePieces([circle(20)], layers, seed)

		expect(place(3)).toEqual(place(3))
		expect(place(3)).not.toEqual(place(4))
		expect(new Set(place().map(({ scale }) => scale))).toEqual(new Set([1]))
	})

	test('never moves a piece past its neighbour', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 10_000 }), (seed) => {
				const azimuths = placePieces([circle(20)], layers, seed).map(({ azimuthRad }) => azimuthRad)

				expect(azimuths).toEqual(azimuths.toSorted((a, b) => a - b))
			}),
		)
	})
})

describe.each(['above', 'side'] as const)('seen from %s', (view) => {
	const designs = [
		...demoDesignIds().map((id) => demoDesign(id)),
		...SKELETONS.map(({ id, name, design }) => ({
			format: 'calycine-design' as const,
			formatVersion: 2 as const,
			id,
			name,
			...design,
		})),
	]

	test.each(designs.map((design) => [design.id, design] as const))(
		'%s is drawn whole, every piece once, in numbers',
		(_, design) => {
			const { parts, layers } = resolveDesign(design, {})

			const drawn = drawPieces(placePieces(parts, layers, 1), layers, view)

			expect(drawn).toHaveLength(layers.reduce((sum, { pieceCount }) => sum + pieceCount, 0))
			for (const { matrix } of drawn) expect(matrix.every(Number.isFinite)).toBe(true)
		},
	)
})

test('from the side what stands in front is drawn last', () => {
	const pieces = placePieces([circle(20)], [ring(4, { radiusMm: 30, arrangement: 'aligned', opennessDeg: 45 })])

	const drawn = drawPieces(pieces, [ring(4)], 'side')

	// Azimuth 0 is the back, half a turn the front.
	expect(drawn.map(({ index }) => index)).toEqual([0, expect.any(Number), expect.any(Number), 2])
})

test('a layer of bundles shows every piece of each, close to where its bundle stands', () => {
	const ball = (diameterMm: number) => ({ type: 'formed' as const, body: 'ball' as const, diameterMm })
	const { parts, layers } = resolveDesign(
		makeDesign({
			parts: [
				makePart('closed', { form: ball(5), piecesPerFlower: 12 }),
				makePart('open', { form: ball(8), piecesPerFlower: 6 }),
			],
			steps: [makeStep('tie', undefined, [], { bundle: 'bunch' })],
			bundles: [
				{
					id: 'bunch',
					name: 'bunches',
					count: 3,
					of: [
						{ part: 'closed', pieces: 4 },
						{ part: 'open', pieces: 2 },
					],
				},
			],
			layers: [{ part: 'closed', bundle: 'bunch', pieceCount: 3, radiusMm: 40, arrangement: 'over gaps' }],
		}),
		{},
	)
	const placed = placePieces(parts, layers)
	const footOf = ({ radiusMm, azimuthRad }: { radiusMm: number; azimuthRad: number }) => [
		radiusMm * Math.sin(azimuthRad),
		radiusMm * Math.cos(azimuthRad),
	]

	expect(placed.map(({ part }) => part.id).join()).toBe(
		Array<string>(3).fill('closed,closed,closed,closed,open,open').join(),
	)
	expect(new Set(placed.map(({ index }) => index)).size).toBe(18)
	for (let bunch = 0; bunch < 3; bunch++) {
		const [first, ...others] = placed.slice(6 * bunch, 6 * bunch + 6)
		const [x = 0, y = 0] = first ? footOf(first) : []
		expect(first?.radiusMm).toBeCloseTo(40)
		for (const other of others) {
			const [ox = 0, oy = 0] = footOf(other)
			expect(Math.hypot(ox - x, oy - y)).toBeGreaterThan(1)
			expect(Math.hypot(ox - x, oy - y)).toBeLessThan(6)
		}
	}
})

/**
 * A flower seen from above and from the side: for every placed piece the affine map from its own outline (foot at the
 * origin, pointing up) to the drawing, in mm, y downwards, and the order of drawing.
 */
import { cutOutline } from '../outlines/families'
import type { Outline } from '../outlines/outline'
import { parsePath } from '../outlines/parse-path'
import { fitOutline } from '../outlines/transform-outline'
import type { Tint } from './design'
import type { PartForm } from '../vocabulary/piece-form'
import { isCentral, pieceSize, type PlacedPiece } from './flower-geometry'
import type { ResolvedLayer } from './resolve-design'

export type FlowerView = 'above' | 'side'

/** `matrix(a b c d e f)` as in SVG. */
export type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]

export interface DrawnPiece {
	layer: number
	index: number
	partId: string
	tint: Tint
	/** From the outline's own mm, foot at the origin, to the drawing's. */
	matrix: Matrix
	/** A flat piece has a vein and a shaded foot; a body has neither. */
	isFlat: boolean
}

/** A piece edge-on or end-on still shows so much of itself: petals are cupped, bodies are round. */
const LEAST_FORESHORTENING = 0.24

/** Pieces in the order of drawing: what lies on top, or in front, comes last. */
export function drawPieces(
	pieces: readonly PlacedPiece[],
	layers: readonly Pick<ResolvedLayer, 'pieceCount' | 'radiusMm' | 'cluster'>[],
	view: FlowerView,
): DrawnPiece[] {
	const placed = pieces.map((piece) => {
		const layer = layers[piece.layer]
		const isMiddle = layer !== undefined && isCentral(layer) && !layer.cluster
		const { matrix, depth } = view === 'above' ? seenFromAbove(piece, isMiddle) : seenFromTheSide(piece, isMiddle)
		const isFlat = piece.part.form.type === 'cut' && !isMiddle
		return {
			drawn: { layer: piece.layer, index: piece.index, partId: piece.part.id, tint: piece.tint, matrix, isFlat },
			depth,
		}
	})
	return placed.toSorted((a, b) => a.depth - b.depth).map(({ drawn }) => drawn)
}

/** A middle piece that leans further lies flat. */
const FLAT_RAD = (80 * Math.PI) / 180

interface Seen {
	matrix: Matrix
	/** The more, the nearer. */
	depth: number
}

/** A body that leans less than this is seen end-on from above: as round as it is. */
const END_ON_RAD = Math.PI / 4

/**
 * The piece in the plane of the bench: leaning pieces are foreshortened.
 *
 * @param isMiddle - of the innermost layer, which is seen from its end
 */
function seenFromAbove(piece: PlacedPiece, isMiddle: boolean): Seen {
	const { part, azimuthRad, opennessRad, radiusMm, scale, layer, index } = piece
	const { lengthMm, widthMm } = pieceSize(part.form)
	const [sin, cos] = [Math.sin(azimuthRad), Math.cos(azimuthRad)]
	// Inner layers lie on the outer ones; within a ring each piece lies on the one before it.
	const depth = -layer + index / 1000
	const [x, y] = [radiusMm * sin, -radiusMm * cos]
	const isBody = part.form.type === 'formed' || part.form.type === 'bought'
	const isEndOn = isBody && (isMiddle || opennessRad < END_ON_RAD || lengthMm === widthMm)
	if (isEndOn || isMiddle) {
		const down = isEndOn ? (scale * widthMm) / lengthMm : scale
		return { matrix: [scale, 0, 0, down, x, y + (down * lengthMm) / 2], depth }
	}
	if (piece.isAlong) {
		const half = (scale * lengthMm) / 2
		return { matrix: [sin * scale, -cos * scale, -cos * scale, -sin * scale, x - half * cos, y - half * sin], depth }
	}
	const reach = scale * Math.max(LEAST_FORESHORTENING, Math.sin(opennessRad))
	return { matrix: [cos * scale, sin * scale, -sin * reach, cos * reach, x, y], depth }
}

/** The piece in a vertical plane: what stands behind lies deeper and is drawn first. */
function seenFromTheSide(piece: PlacedPiece, isMiddle: boolean): Seen {
	const { part, azimuthRad, opennessRad, radiusMm, heightMm, scale } = piece
	if (isMiddle && part.form.type !== 'cut') return { matrix: [scale, 0, 0, scale, 0, -heightMm], depth: 0 }
	const [sin, cos] = [Math.sin(azimuthRad), Math.cos(azimuthRad)]
	const { lengthMm, widthMm } = pieceSize(part.form)
	const x = radiusMm * sin
	if (isMiddle && opennessRad > FLAT_RAD) {
		// A disc that all else stands on.
		const flat = scale * LEAST_FORESHORTENING
		return { matrix: [scale, 0, 0, flat, 0, -heightMm + (flat * lengthMm) / 2], depth: -Infinity }
	}
	if (part.form.type === 'formed' && lengthMm === widthMm) {
		return { matrix: [scale, 0, 0, scale, x, -heightMm], depth: -cos * radiusMm }
	}
	const facing = Math.sign(cos || 1) * Math.max(LEAST_FORESHORTENING, Math.abs(cos)) * scale
	if (piece.isAlong) {
		return { matrix: [0, scale, -facing, 0, x - (facing * lengthMm) / 2, -heightMm], depth: -cos * radiusMm }
	}
	const out = Math.sin(opennessRad) * scale
	const up = Math.cos(opennessRad) * scale
	// Lying flat it would be a line: cupped edges still show.
	const rise = Math.sign(up || 1) * Math.max(LEAST_FORESHORTENING / 2, Math.abs(up))
	return { matrix: [facing, 0, -out * sin, rise, x, -heightMm], depth: -cos * (radiusMm + (out * lengthMm) / 2) }
}

/** Outlines of formed bodies in a box of 100 × 100, foot below. */
const BODY_SHAPES = {
	ball: 'M0 0A50 50 0 0 1 0 -100A50 50 0 0 1 0 0Z',
	cylinder: 'M-50 -12C-50 4 50 4 50 -12L50 -88C50 -104 -50 -104 -50 -88Z',
	cone: 'M-50 -10C-50 3 50 3 50 -10Q34 -62 0 -100Q-34 -62 -50 -10Z',
	drop: 'M0 0C-66 0 -58 -44 -30 -66Q-8 -82 0 -100Q8 -82 30 -66C58 -44 66 0 0 0Z',
	'flattened ball': 'M0 0A50 50 0 0 1 0 -100A50 50 0 0 1 0 0Z',
	'half ball': 'M-50 0Q-50 -100 0 -100Q50 -100 50 0Z',
	moulded: 'M0 0L-50 -60Q0 -125 50 -60Z',
} as const

/** What a piece looks like by itself, foot at the origin, pointing up. */
export function pieceOutline(form: PartForm): Outline {
	if (form.type === 'cut') return cutOutline(form)
	const { widthMm, lengthMm } = pieceSize(form)
	const shape =
		form.type === 'formed' ? BODY_SHAPES[form.body] : form.type === 'moulded' ? BODY_SHAPES.moulded : BODY_SHAPES.ball
	return fitOutline(parsePath(shape), widthMm, lengthMm)
}

/** Upright rectangle that holds all drawn pieces, from the corners of their outlines' boxes. */
export function drawingBounds(
	drawn: readonly DrawnPiece[],
	sizeOf: (partId: string) => { widthMm: number; lengthMm: number },
) {
	const corners = drawn.flatMap(({ partId, matrix: [a, b, c, d, e, f] }) => {
		const { widthMm, lengthMm } = sizeOf(partId)
		return [-widthMm / 2, widthMm / 2].flatMap((x) =>
			[0, -lengthMm].map((y) => ({ x: a * x + c * y + e, y: b * x + d * y + f })),
		)
	})
	const xs = corners.map(({ x }) => x)
	const ys = corners.map(({ y }) => y)
	return { minX: Math.min(-1, ...xs), minY: Math.min(-1, ...ys), maxX: Math.max(1, ...xs), maxY: Math.max(1, ...ys) }
}

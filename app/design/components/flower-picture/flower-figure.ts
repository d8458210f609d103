/** A design drawn from its parts and layers, from above or from the side: flat tints with one soft shade. */
import { placePieces, pieceSize, type PlacedPiece } from '../../../../core/design/flower-geometry'
import {
	drawingBounds,
	drawPieces,
	pieceOutline,
	type DrawnPiece,
	type FlowerView,
} from '../../../../core/design/flower-views'
import type { Tint } from '../../../../core/design/design'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { writePath } from '../../../../core/outlines/write-path'
import type { PartForm } from '../../../../core/vocabulary/piece-form'
import type { Figure, FigureShape, PathShape } from '../../../shared/figure/figure'
import { NO_TINT, TINT_COLOURS } from '../../../shared/theme/tints'

interface FlowerTerms {
	/** Undefined: the one that shows it best. */
	view?: FlowerView | undefined
	/** Of natural variation; undefined: every piece alike. */
	seed?: number | undefined
	/** Draws the layers up to this many, for teaching. */
	layerCount?: number | undefined
}

const MARGIN = 0.05
/** The shaded foot is the outline again, shrunk to its foot. */
const SHADE_SCALE = 0.58

/** The frame is that of the whole design, so that slides of fewer layers do not jump. */
export function flowerFigure(
	design: Pick<ResolvedDesign, 'name' | 'parts' | 'layers' | 'bestView'>,
	{ view = design.bestView ?? 'above', seed, layerCount }: FlowerTerms = {},
): Figure {
	const byId = new Map(design.parts.map((part) => [part.id, part]))
	const pieces = placePieces(design.parts, design.layers, seed)
	const drawn = drawPieces(pieces, design.layers, view)
	const box = squareBox(
		drawingBounds(drawn, (id) => {
			const part = byId.get(id)
			return part ? pieceSize(part.form) : { widthMm: 0, lengthMm: 0 }
		}),
	)
	const outlines = new Map(
		[...new Set(drawn.map(({ partId }) => partId))].map((id) => {
			const form = byId.get(id)?.form
			return [id, form ? writePath(pieceOutline(form)) : ''] as const
		}),
	)
	const shown = layerCount === undefined ? drawn : drawn.filter(({ layer }) => layer < layerCount)
	return {
		box,
		label: `${design.name} ${view === 'above' ? 'from above' : 'from the side'}`,
		shapes: [
			...(view === 'side' && hasStem(design) ? [stem(pieces, box)] : []),
			...shown.flatMap((piece) => {
				const { lengthMm } = pieceSize(byId.get(piece.partId)?.form ?? { type: 'moulded', massG: 1 })
				return shapesOf(piece, outlines.get(piece.partId) ?? '', lengthMm)
			}),
		],
	}
}

/** One piece of a part by itself. */
export function pieceFigure(form: PartForm, label: string, tint?: Tint): Figure {
	const { widthMm, lengthMm } = pieceSize(form)
	const reach = Math.max(widthMm, lengthMm) * 1.15
	const { fill, edge } = tint ? TINT_COLOURS[tint] : NO_TINT.day
	return {
		box: [-reach / 2, -lengthMm / 2 - reach / 2, reach, reach],
		label,
		shapes: [{ type: 'path', path: writePath(pieceOutline(form)), fill, line: { colour: edge, width: 1.1 } }],
	}
}

function shapesOf({ matrix, tint, isFlat }: DrawnPiece, path: string, lengthMm: number): FigureShape[] {
	const { fill, edge } = TINT_COLOURS[tint]
	const body: PathShape = { type: 'path', path, matrix, fill, line: { colour: edge, width: 1.1 } }
	if (!isFlat) return [body]
	const [a, b, c, d, e, f] = matrix
	const shrunk = [a * SHADE_SCALE, b * SHADE_SCALE, c * SHADE_SCALE, d * SHADE_SCALE, e, f] as const
	return [
		body,
		{ type: 'path', path, matrix: shrunk, fill: edge, opacity: 0.16 },
		{
			type: 'path',
			path: `M0 ${round(-lengthMm * 0.06)}V${round(-lengthMm * 0.7)}`,
			matrix,
			line: { colour: edge, width: 0.7 },
			opacity: 0.45,
		},
	]
}

function hasStem({ parts }: Pick<ResolvedDesign, 'parts'>): boolean {
	return parts.some(({ wire, bundles }) => wire ?? bundles?.wire)
}

/** The taped stem, from the highest piece down out of the picture; what hangs is held from above. */
function stem(pieces: readonly PlacedPiece[], [, y, , side]: Figure['box']): PathShape {
	const hanging = pieces.filter(({ opennessRad }) => opennessRad > Math.PI / 2).length
	const top = -Math.max(0, ...pieces.map(({ heightMm }) => heightMm))
	const end = 2 * hanging > pieces.length ? y : y + side
	const half = side / 120
	return {
		type: 'path',
		path: `M${round(-half)} ${round(top)}H${round(half)}V${round(end)}H${round(-half)}Z`,
		fill: TINT_COLOURS.fern.edge,
	}
}

function squareBox({ minX, minY, maxX, maxY }: ReturnType<typeof drawingBounds>): Figure['box'] {
	const side = Math.max(maxX - minX, maxY - minY) * (1 + 2 * MARGIN)
	return [round((minX + maxX - side) / 2), round((minY + maxY - side) / 2), round(side), round(side)]
}

function round(value: number): number {
	return Math.round(value * 1000) / 1000
}

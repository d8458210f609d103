/** A design drawn from its parts and layers, from above or from the side: flat tints with one soft shade. */
import { placePieces, pieceSize, type PlacedPiece, type RingCover } from '../../../../core/design/flower-geometry'
import {
	drawingBounds,
	drawPieces,
	pieceOutline,
	type DrawnPiece,
	type FlowerView,
} from '../../../../core/design/flower-views'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { writePath } from '../../../../core/outlines/write-path'
import { TINT_COLOURS } from '../../../shared/theme/tints'
import './flower-picture.css'

interface FlowerPictureProps {
	design: Pick<ResolvedDesign, 'name' | 'parts' | 'layers' | 'bestView'>
	/** Undefined: the one that shows it best. */
	view?: FlowerView | undefined
	/** Width and height in px; undefined: as large as its place. */
	size?: number
	/** Of natural variation; undefined: every piece alike. */
	seed?: number | undefined
	/** Draws the layers up to this many, for teaching. */
	layerCount?: number | undefined
	/** Rings whose gaps are marked. */
	rings?: readonly RingCover[]
}

const MARGIN = 0.05
/** The shaded foot is the outline again, shrunk to its foot. */
const SHADE_SCALE = 0.58

/** The frame is that of the whole design, so that slides of fewer layers do not jump. */
export function FlowerPicture({
	design,
	view = design.bestView ?? 'above',
	size,
	seed,
	layerCount,
	rings = [],
}: FlowerPictureProps) {
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
	return (
		<svg
			xmlns="http://www.w3.org/2000/svg"
			className="flower-picture"
			viewBox={box.join(' ')}
			{...(size !== undefined && { width: size, height: size })}
			role="img"
			aria-label={`${design.name} ${view === 'above' ? 'from above' : 'from the side'}`}
		>
			{view === 'side' && hasStem(design) && <Stem pieces={pieces} box={box} />}
			{shown.map((piece) => (
				<Piece
					key={`${piece.layer} ${piece.index}`}
					piece={piece}
					path={outlines.get(piece.partId) ?? ''}
					lengthMm={pieceSize(byId.get(piece.partId)?.form ?? { type: 'moulded', massG: 1 }).lengthMm}
				/>
			))}
			{view === 'above' &&
				rings
					.filter(
						({ overlapMm, isMeantToClose, layer }) =>
							overlapMm < 0 && isMeantToClose && layer < (layerCount ?? Infinity),
					)
					.map((ring) => <GapMark key={ring.layer} ring={ring} size={box[2]} />)}
		</svg>
	)
}

function Piece({
	piece: { matrix, tint, isFlat },
	path,
	lengthMm,
}: {
	piece: DrawnPiece
	path: string
	lengthMm: number
}) {
	const { fill, edge } = TINT_COLOURS[tint]
	const line = { stroke: edge, vectorEffect: 'non-scaling-stroke' as const }
	return (
		<g transform={`matrix(${matrix.map(round).join(' ')})`}>
			<path d={path} fill={fill} strokeWidth={1.1} strokeLinejoin="round" {...line} />
			{isFlat && (
				<>
					<path d={path} fill={edge} opacity={0.16} transform={`scale(${SHADE_SCALE})`} />
					<path
						d={`M0 ${round(-lengthMm * 0.06)}V${round(-lengthMm * 0.7)}`}
						fill="none"
						strokeWidth={0.7}
						opacity={0.45}
						{...line}
					/>
				</>
			)}
		</g>
	)
}

/** A dashed ring where neighbours do not meet. */
function GapMark({
	ring: { radiusMm, pieceCount, coverage, firstAzimuthRad },
	size,
}: {
	ring: RingCover
	size: number
}) {
	const pitch = (2 * Math.PI * radiusMm) / pieceCount
	const gap = pitch * (1 - coverage)
	return (
		<circle
			r={radiusMm}
			transform={`rotate(${round((firstAzimuthRad * 180) / Math.PI - 90)})`}
			fill="none"
			stroke="#c8502a"
			strokeWidth={size / 70}
			strokeDasharray={`${round(gap)} ${round(pitch - gap)}`}
			// Dashes begin at the middle of the first piece; the first gap lies half a pitch on.
			strokeDashoffset={round(gap / 2 - pitch / 2)}
		/>
	)
}

function hasStem({ parts }: Pick<ResolvedDesign, 'parts'>): boolean {
	return parts.some(({ wire, bundles }) => wire ?? bundles?.wire)
}

/** The taped stem, from the highest piece down out of the picture; what hangs is held from above. */
function Stem({ pieces, box }: { pieces: readonly PlacedPiece[]; box: readonly number[] }) {
	const [, y = 0, , side = 0] = box
	const hanging = pieces.filter(({ opennessRad }) => opennessRad > Math.PI / 2).length
	const top = Math.max(0, ...pieces.map(({ heightMm }) => heightMm))
	return (
		<path
			d={`M0 ${round(-top)}V${round(2 * hanging > pieces.length ? y : y + side)}`}
			stroke={TINT_COLOURS.fern.edge}
			strokeWidth={round(side / 60)}
			strokeLinecap="round"
		/>
	)
}

function squareBox({ minX, minY, maxX, maxY }: ReturnType<typeof drawingBounds>): [number, number, number, number] {
	const side = Math.max(maxX - minX, maxY - minY) * (1 + 2 * MARGIN)
	return [round((minX + maxX - side) / 2), round((minY + maxY - side) / 2), round(side), round(side)]
}

function round(value: number): number {
	return Math.round(value * 1000) / 1000
}

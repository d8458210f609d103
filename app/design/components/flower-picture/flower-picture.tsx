/** A design as a picture, with the gaps of its rings marked where that is asked for. */
import type { RingCover } from '../../../../core/design/flower-geometry'
import type { FlowerView } from '../../../../core/design/flower-views'
import type { ResolvedDesign } from '../../../../core/design/resolve-design'
import { FigureView } from '../../../shared/figure/figure-view'
import { flowerFigure } from './flower-figure'
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

export function FlowerPicture({
	design,
	view = design.bestView ?? 'above',
	size,
	rings = [],
	...terms
}: FlowerPictureProps) {
	const figure = flowerFigure(design, { view, ...terms })
	const marked = rings.filter(
		({ overlapMm, isMeantToClose, layer }) => overlapMm < 0 && isMeantToClose && layer < (terms.layerCount ?? Infinity),
	)
	return (
		<FigureView figure={figure} className="flower-picture" {...(size !== undefined && { size })}>
			{view === 'above' && marked.map((ring) => <GapMark key={ring.layer} ring={ring} size={figure.box[2]} />)}
		</FigureView>
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

function round(value: number): number {
	return Math.round(value * 1000) / 1000
}

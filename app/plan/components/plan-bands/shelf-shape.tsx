import { duration } from '../../../shared/words/times'
import { BAND_HEIGHT, LEFT, SPARE_WIDTH, TILE_INSET, type BandLayout } from './band-layout'
import { HeldPiece } from './hands/held-piece'
import { useBench } from './hands/bench-hands'
import { SHELF_ITEM_HEIGHT, type PlacedShelf, type ShelfItem } from './shelf-layout'

/** What stands ready before the first bench; a step that is laid here is made before the course. */
export function ShelfGround({ shelf, width, minutes }: { shelf: PlacedShelf; width: number; minutes: number }) {
	const hasHands = useBench() !== undefined
	const middle = shelf.y + shelf.height / 2
	return (
		<g>
			<text x={0} y={middle - 2} className="plan-session">
				Before
			</text>
			<text x={0} y={middle + 15} className="plan-session-date">
				you, {duration(minutes)}
			</text>
			<rect
				x={LEFT}
				y={shelf.y + 1}
				width={width - SPARE_WIDTH - LEFT}
				height={shelf.height - 2}
				rx={12}
				className="plan-shelf"
			/>
			{shelf.items.length === 0 && (
				<text x={LEFT + 16} y={middle + 4} className="plan-shelf-empty">
					{hasHands
						? 'nothing to make ahead; a step that you lay here is made before the course'
						: 'nothing to make ahead'}
				</text>
			)}
		</g>
	)
}

/** From what stands ready to the bench on which the class goes on with it. */
export function ShelfThread({ item, layout }: { item: ShelfItem; layout: BandLayout }) {
	const { neededAt } = item
	const band = neededAt && layout.bands[neededAt.session]
	if (!band) return null
	const { fromMinute, pxPerMinute } = layout.clock
	const start = { x: item.x + 18, y: item.y + SHELF_ITEM_HEIGHT }
	const end = { x: LEFT + (neededAt.minute - fromMinute) * pxPerMinute + 6, y: band.y + TILE_INSET }
	const bend = Math.min(BAND_HEIGHT, (end.y - start.y) * 0.5)
	return (
		<path
			d={`M${start.x} ${start.y} C${start.x} ${start.y + bend} ${end.x} ${end.y - bend} ${end.x} ${end.y}`}
			className="plan-shelf-thread"
		/>
	)
}

/** One thing that stands ready; what is made ahead can be taken up and laid into a session. */
export function ShelfPiece({ item }: { item: ShelfItem }) {
	const { taskId, isBrought, title, note, x, y, width } = item
	const words = `${title}: ${note}`
	const shape = (
		<>
			<title>{words}</title>
			<rect x={x} y={y} width={width} height={SHELF_ITEM_HEIGHT} rx={10} className="plan-shelf-item" />
			<text x={x + 12} y={y + 17} className="plan-tile-title">
				{title}
			</text>
			<text x={x + 12} y={y + 33} className="plan-tile-minutes">
				{note}
			</text>
		</>
	)
	if (isBrought) return <g>{shape}</g>
	return (
		<HeldPiece
			id={`ahead ${taskId}`}
			item={{ kind: 'step', taskId, words, x, y: y + SHELF_ITEM_HEIGHT / 2, minutes: 0 }}
		>
			{(handle) => (
				<g className="plan-handle" {...(handle && { ...handle, role: 'button', tabIndex: 0, 'aria-label': words })}>
					{shape}
				</g>
			)}
		</HeldPiece>
	)
}

import { useDraggable } from '@dnd-kit/core'
import { placeOf, placeWords, useBench, type HeldItem } from './bench-hands'

/** What the piece's own control takes, so that it can be taken up by keys. */
export interface HandleProps {
	ref: (element: Element | null) => void
	'aria-describedby': string
}

interface HeldPieceProps {
	id: string
	item: HeldItem
	className?: string
	children: (handle: HandleProps | undefined) => React.ReactNode
}

/** A piece of the picture that can be taken up where the picture has hands; while it is held it says where it would lie. */
export function HeldPiece(props: HeldPieceProps) {
	return useBench() ? <TakenUp {...props} /> : <g className={props.className}>{props.children(undefined)}</g>
}

function TakenUp({ id, item, className = '', children }: HeldPieceProps) {
	const bench = useBench()
	const { setNodeRef, setActivatorNodeRef, listeners, attributes, transform, isDragging } = useDraggable({
		id,
		data: item,
	})
	// The library types its elements as of HTML; it asks nothing of them that those of a picture have not.
	const toHtml = (element: Element | null) => element as HTMLElement | null
	if (!bench) return null
	const { factor } = bench.picture
	const place = transform && placeOf(item, transform, bench)
	return (
		<g
			ref={(element) => setNodeRef(toHtml(element))}
			className={`held-piece ${className} ${isDragging ? 'is-held' : ''}`}
			{...(transform && {
				style: {
					transform: `translate(${transform.x * factor}px, ${transform.y * factor}px)`,
					willChange: 'transform',
				},
			})}
			{...listeners}
		>
			{children({
				ref: (element) => setActivatorNodeRef(toHtml(element)),
				'aria-describedby': attributes['aria-describedby'],
			})}
			{place && (
				<g className="held-words" aria-hidden>
					<rect x={item.x} y={item.y - 56} width={HINT_WIDTH} height={22} rx={6} />
					<text x={item.x + 8} y={item.y - 40}>
						{placeWords(place, bench)}
					</text>
				</g>
			)}
		</g>
	)
}

/** Of the words beside a piece in hand, px. */
const HINT_WIDTH = 190

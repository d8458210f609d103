import { useDraggable } from '@dnd-kit/core'
import { useBench, type HeldItem } from './bench-hands'

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

/** A piece of the picture that can be taken up where the picture has hands; what is held is drawn by `HeldCopy`. */
export function HeldPiece(props: HeldPieceProps) {
	return useBench() ? <TakenUp {...props} /> : <g className={props.className}>{props.children(undefined)}</g>
}

function TakenUp({ id, item, className = '', children }: HeldPieceProps) {
	const { setNodeRef, setActivatorNodeRef, listeners, attributes, isDragging } = useDraggable({ id, data: item })
	// The library types its elements as of HTML; it asks nothing of them that those of a picture have not.
	const toHtml = (element: Element | null) => element as HTMLElement | null
	return (
		<g
			ref={(element) => setNodeRef(toHtml(element))}
			className={`held-piece ${className} ${isDragging ? 'is-held' : ''}`}
			{...listeners}
		>
			{children({
				ref: (element) => setActivatorNodeRef(toHtml(element)),
				'aria-describedby': attributes['aria-describedby'],
			})}
		</g>
	)
}

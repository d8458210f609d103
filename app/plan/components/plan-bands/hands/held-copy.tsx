/**
 * The piece in hand, drawn by itself above the picture: while it moves, the picture below need not be painted anew, however much
 * lies on it.
 */
import { DragOverlay, useDndContext, useDndMonitor } from '@dnd-kit/core'
import { useCallback, useState } from 'react'
import { placeOf, placeWords, useBench, type HeldItem } from './bench-hands'

export function HeldCopy() {
	const { active, activeNode } = useDndContext()
	const item = active?.data.current as HeldItem | undefined
	return (
		<>
			{item && <div className="held-cover" aria-hidden />}
			<DragOverlay dropAnimation={null}>
				{item && activeNode instanceof SVGGraphicsElement && <Copy node={activeNode} item={item} />}
			</DragOverlay>
		</>
	)
}

function Copy({ node, item }: { node: SVGGraphicsElement; item: HeldItem }) {
	const [{ x, y, width, height }] = useState(() => node.getBBox())
	const draw = useCallback(
		(svg: SVGSVGElement | null) => {
			const copy = node.cloneNode(true) as SVGGraphicsElement
			copy.classList.remove('is-held', 'is-pale')
			svg?.replaceChildren(copy)
		},
		[node],
	)
	return (
		<div className="held-copy" aria-hidden>
			<svg ref={draw} className="plan-bands" viewBox={`${x} ${y} ${width} ${height}`} />
			<WouldLie item={item} />
		</div>
	)
}

/** Where it would lie, as it moves. */
function WouldLie({ item }: { item: HeldItem }) {
	const bench = useBench()
	const [delta, setDelta] = useState({ x: 0, y: 0 })
	useDndMonitor({ onDragMove: (event) => setDelta(event.delta) })
	return bench && <span className="held-words">{placeWords(placeOf(item, delta, bench), bench)}</span>
}

import type { RingCover } from '../../../../core/design/flower-geometry'
import { count } from '../../../shared/words/times'

/** Overlap and gaps of each ring in words, and what closes a gap. */
export function RingList({ rings }: { rings: readonly RingCover[] }) {
	if (rings.length === 0) return null
	return (
		<ul className="ring-list">
			{rings.map(({ layer, partName, isMeantToClose, pieceCount, overlapMm, coverage, closingCount }) => (
				<li key={layer} className={overlapMm < 0 && isMeantToClose ? 'has-gap' : ''}>
					<strong>
						Layer {layer + 1}, {pieceCount} × {partName.toLowerCase()}
					</strong>{' '}
					{overlapMm < 0 && !isMeantToClose
						? `stand ${(-overlapMm).toFixed(0)} mm apart`
						: overlapMm < 0
							? `leave gaps of ${(-overlapMm).toFixed(0)} mm; ${count(closingCount, 'piece')} close them`
							: `overlap by ${overlapMm.toFixed(0)} mm`}{' '}
					<span className="soft">({Math.round(coverage * 100)} % of the ring)</span>
				</li>
			))}
		</ul>
	)
}

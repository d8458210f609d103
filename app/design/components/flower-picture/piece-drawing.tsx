import type { PartForm } from '../../../../core/vocabulary/piece-form'
import { pieceSize } from '../../../../core/design/flower-geometry'
import { pieceOutline } from '../../../../core/design/flower-views'
import { writePath } from '../../../../core/outlines/write-path'

/** One piece of a part by itself, in the tint of whatever holds it. */
export function PieceDrawing({ form, size = 56 }: { form: PartForm; size?: number }) {
	const { widthMm, lengthMm } = pieceSize(form)
	const reach = Math.max(widthMm, lengthMm) * 1.15
	return (
		<svg
			className="piece-drawing"
			viewBox={`${-reach / 2} ${-lengthMm / 2 - reach / 2} ${reach} ${reach}`}
			width={size}
			height={size}
			aria-hidden="true"
		>
			<path d={writePath(pieceOutline(form))} vectorEffect="non-scaling-stroke" />
		</svg>
	)
}

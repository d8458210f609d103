import { clock } from '../../../shared/words/times'
import { BAND_HEIGHT, TILE_INSET, type PlacedTile } from './band-layout'

interface TileShapeProps {
	placed: PlacedTile
	/** Top of its band. */
	y: number
	textureId: string
	isSelected: boolean
}

const LINE_HEIGHT = 17

/** One step in its session: tinted by its part, dashed where the instructor shows it. */
export function TileShape({ placed, y, textureId, isSelected }: TileShapeProps) {
	const { tile, x, width } = placed
	const isDemo = tile.source.type === 'demo'
	const tint = tile.source.type === 'step' ? (tile.source.tint ?? 'none') : 'none'
	const top = y + TILE_INSET
	const height = BAND_HEIGHT - 2 * TILE_INSET
	const states = [isDemo && 'is-demo', tile.isOver && 'is-over', isSelected && 'is-selected'].filter(Boolean)
	return (
		<g className={`plan-tile tint-${tint} ${states.join(' ')}`}>
			<title>{nameOfTile(placed)}</title>
			<rect x={x + 0.75} y={top} width={Math.max(2, width - 1.5)} height={height} rx={6} className="plan-tile-body" />
			{!isDemo && width > 14 && (
				<rect x={x + 2} y={top + 2} width={6} height={height - 4} rx={2} fill={`url(#${textureId}-${tint})`} />
			)}
			<TileText placed={placed} top={top} height={height} />
		</g>
	)
}

function TileText({ placed, top, height }: { placed: PlacedTile; top: number; height: number }) {
	const { tile, x, width, lines, number } = placed
	const isDemo = tile.source.type === 'demo'
	if (lines.length === 1) {
		return (
			<text
				x={x + width / 2 + (isDemo ? 0 : 2)}
				y={top + height / 2 + 4}
				className="plan-tile-number"
				textAnchor="middle"
			>
				{number}
			</text>
		)
	}
	return lines.map(({ text, kind }, l) => (
		<text key={l} x={x + (isDemo ? 6 : 12)} y={top + 19 + l * LINE_HEIGHT} className={`plan-tile-${kind}`}>
			{text}
		</text>
	))
}

/** '2: Leaves, Dust and glaze, 19:05 to 19:17'. */
export function nameOfTile({ tile, number }: PlacedTile): string {
	const { source } = tile
	const what = source.type === 'demo' ? `show ${source.label}` : `${source.partName}, ${source.label}`
	return `${number}: ${what}, ${clock(tile.startMin)} to ${clock(tile.endMin)}`
}

import { clock } from '../../../shared/words/times'
import { measureWords } from './measure-words'
import { FACES } from './tile-words'
import { BAND_HEIGHT, TILE_INSET, type PlacedTile } from './band-layout'

interface TileShapeProps {
	placed: PlacedTile
	textureId: string
	isSelected: boolean
	/** Something about it is settled. */
	isPinned: boolean
}

const LINE_HEIGHT = 17
/** A strip, and air on both sides of what stands beside it. */
const STRIP_PX = 14
const TOP = TILE_INSET
const HEIGHT = BAND_HEIGHT - 2 * TILE_INSET

/** One step in its session, from its own corner: tinted by its part, dashed where the instructor shows it. */
export function TileShape({ placed, textureId, isSelected, isPinned }: TileShapeProps) {
	const { tile, width } = placed
	const isDemo = tile.source.type === 'demo'
	const tint = tile.source.type === 'step' ? (tile.source.tint ?? 'none') : 'none'
	const states = [isDemo && 'is-demo', tile.isOver && 'is-over', isSelected && 'is-selected'].filter(Boolean)
	return (
		<g className={`plan-tile tint-${tint} ${states.join(' ')}`}>
			<title>{`${nameOfTile(placed)}${isPinned ? ', settled' : ''}`}</title>
			<rect x={0.75} y={TOP} width={Math.max(2, width - 1.5)} height={HEIGHT} rx={6} className="plan-tile-body" />
			{hasStrip(placed) && (
				<rect x={2} y={TOP + 2} width={6} height={HEIGHT - 4} rx={2} fill={`url(#${textureId}-${tint})`} />
			)}
			<TileText placed={placed} />
			{isPinned && <PinMark x={width / 2} />}
		</g>
	)
}

/** The texture of its part at the left edge, where the number still has room beside it. */
function hasStrip({ tile, width, lines, number }: PlacedTile): boolean {
	const words = lines.length === 1 ? measureWords(String(number), FACES.number) : 0
	return tile.source.type !== 'demo' && width >= STRIP_PX + words
}

/** A pin's head on the upper edge. */
function PinMark({ x }: { x: number }) {
	return (
		<g className="plan-pin">
			<path d={`M${x} ${TOP + 3}v7`} />
			<circle cx={x} cy={TOP} r={4.5} />
		</g>
	)
}

function TileText({ placed }: { placed: PlacedTile }) {
	const { tile, width, lines, number } = placed
	const isDemo = tile.source.type === 'demo'
	if (lines.length === 1) {
		return (
			<text
				x={width / 2 + (hasStrip(placed) ? 3 : 0)}
				y={TOP + HEIGHT / 2 + 4}
				className="plan-tile-number"
				textAnchor="middle"
			>
				{number}
			</text>
		)
	}
	return lines.map(({ text, kind }, l) => (
		<text key={l} x={isDemo ? 6 : 12} y={TOP + 19 + l * LINE_HEIGHT} className={`plan-tile-${kind}`}>
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

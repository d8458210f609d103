import type { PlanStory, Tile } from '../../../../core/plan/tell/plan-story'
import { BAND_HEIGHT, LEFT, TILE_INSET, type BandLayout } from './band-layout'

/** Where a step lay before it was moved. */
export interface Ghost {
	key: string
	/** From 0, among the bands of the picture. */
	band: number
	startMin: number
	endMin: number
}

/** Runs of the earlier plan that do not lie where they were; of sessions that there are no longer none is told. */
export function listGhosts(now: PlanStory, before: PlanStory): Ghost[] {
	const keyOf = ({ taskId, run, startMin, endMin }: Tile, band: number) =>
		`${taskId} ${run} ${band} ${startMin} ${endMin}`
	const here = new Set(now.sessions.flatMap(({ tiles }, band) => tiles.map((tile) => keyOf(tile, band))))
	return before.sessions.slice(0, now.sessions.length).flatMap(({ tiles }, band) =>
		tiles.flatMap((tile): Ghost[] => {
			const key = keyOf(tile, band)
			const { startMin, endMin } = tile
			return here.has(key) ? [] : [{ key, band, startMin, endMin }]
		}),
	)
}

/** An outline below the band's edge, so that it is seen under what lies there now. */
export function GhostShape({ ghost, layout }: { ghost: Ghost; layout: BandLayout }) {
	const band = layout.bands[ghost.band]
	if (!band) return null
	const { fromMinute, pxPerMinute } = layout.clock
	const x = LEFT + (ghost.startMin - fromMinute) * pxPerMinute
	const width = Math.max(2, (ghost.endMin - ghost.startMin) * pxPerMinute - 2)
	return (
		<rect
			x={x + 1}
			y={band.y + TILE_INSET - 2}
			width={width}
			height={BAND_HEIGHT - 2 * TILE_INSET + 4}
			rx={7}
			className="plan-ghost"
			aria-hidden
		/>
	)
}

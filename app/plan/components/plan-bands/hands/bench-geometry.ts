/** From where a hand lets go of something on the picture to a session and a minute of its clock. Pure. */
import { handsOnSpan } from '../../../../../core/course/session-hours'
import { BAND_HEIGHT, LEFT, type BandLayout, type PlacedBand } from '../band-layout'

/** A place on the benches, or on the shelf before them. */
export type BenchPlace = SessionPlace | { isBefore: true }

export interface SessionPlace {
	isBefore?: false
	/** From 0, among the bands of the picture. */
	band: number
	/** Minutes after midnight. */
	minuteOfDay: number
}

/** A hand is no surer than this, min. */
const GRID_MINUTES = 5
/** Nearer than this it is laid against what lies there already, px of the picture. */
const SNAP_PX = 7

/**
 * @param at - of the left edge and the middle of what is held, px of the picture
 * @param held - how long it takes, min, and what it is called where it lies now, so that it is not laid against itself
 */
export function placeAt(
	layout: BandLayout,
	at: { x: number; y: number },
	held: { minutes: number; taskId?: string },
): SessionPlace {
	const band = bandAt(layout, at.y)
	const { fromMinute, pxPerMinute } = layout.clock
	const minute = fromMinute + (at.x - LEFT) / pxPerMinute
	const placed = layout.bands[band]
	const near = placed ? edgesOf(placed, held).filter((edge) => Math.abs(edge - minute) * pxPerMinute <= SNAP_PX) : []
	const [nearest] = near.toSorted((a, b) => Math.abs(a - minute) - Math.abs(b - minute))
	const minuteOfDay = nearest ?? Math.round(minute / GRID_MINUTES) * GRID_MINUTES
	return { band, minuteOfDay: clampTo(placed, minuteOfDay, held.minutes) }
}

/** Above the clock: what is laid there is made before the course. */
export function isOnShelf({ shelf }: BandLayout, y: number): boolean {
	return shelf !== undefined && y < shelf.y + shelf.height
}

/** Heights of what can be laid on, from the top: the shelf, and the middle of every band. */
export function rowsOf({ shelf, bands }: BandLayout): number[] {
	const middles = bands.map(({ y }) => y + BAND_HEIGHT / 2)
	return shelf ? [shelf.y + shelf.height / 2, ...middles] : middles
}

/** The band under a height, or the nearest. */
export function bandAt({ bands }: BandLayout, y: number): number {
	const distances = bands.map((band) => Math.abs(y - (band.y + BAND_HEIGHT / 2)))
	return distances.indexOf(Math.min(...distances))
}

/** Minutes at which something could begin that is laid against its neighbours. */
function edgesOf({ session, tiles, breaks }: PlacedBand, { minutes, taskId }: { minutes: number; taskId?: string }) {
	const others = tiles.filter(({ tile }) => tile.taskId !== taskId).map(({ tile }) => tile)
	const { open, close } = handsOnSpan(session.session)
	return [
		open,
		close - minutes,
		...others.flatMap(({ startMin, endMin }) => [endMin, startMin - minutes]),
		...breaks.flatMap(({ pause }) => [pause.startMin + pause.minutes, pause.startMin - minutes]),
	]
}

function clampTo(band: PlacedBand | undefined, minute: number, minutes: number): number {
	if (!band) return minute
	const { open, close } = handsOnSpan(band.session.session)
	return Math.max(open, Math.min(Math.max(open, close - minutes), minute))
}

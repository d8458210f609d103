/** Where everything of the plan's picture stands, in px of its view box. Pure: from a told plan to coordinates. */
import type { BreakStory, PlanStory, SessionStory, Tile } from '../../../../core/plan/tell/plan-story'
import type { Thread } from '../../../../core/plan/tell/threads'
import { handsOnSpan } from '../../../../core/course/session-hours'
import { nameOfTask } from '../../words/tasks'
import { layOutShelf, type PlacedShelf } from './shelf-layout'
import { layOutLegend, tileWords, type LegendItem, type TileLine } from './tile-words'

/** Of the whole picture; one session alone has a wider clock. */
export const WIDTH = 920
export const WIDE = 1760
export const LEFT = 138
/** Right of the clock stands what is to spare. */
export const SPARE_WIDTH = 94
const TOP = 26
export const BAND_HEIGHT = 70
export const TILE_INSET = 4
const THREAD_ROW = 23
const HOME_ROW = 20
const MIN_GAP = 40
/** A clock with more has a plan behind it that is none: it must not cost the server its memory. */
const MOST_TICKS = 60
export const LEGEND_ROW = 17
const MIN_TICK_PX = 90
/** Between the shelf and the clock. */
const SHELF_GAP = 10

export interface PlacedTile {
	tile: Tile
	/** 1-based over the whole plan, as in the list below the picture. */
	number: number
	x: number
	width: number
	/** What has room, whole. */
	lines: TileLine[]
}

export interface PlacedThread {
	thread: Thread
	path: string
	label: { x: number; y: number; isAtEnd: boolean }
	/** At even odds, and where it is sure; the latter only where it is known. */
	beads: { even: Point; sure?: Point }
	fromY: number
	toY: number
	start: { x: number; y: number }
	end: { x: number; y: number }
}

/** A break where it lies, and the span in which it may lie. */
export interface PlacedBreak {
	pause: BreakStory
	x: number
	width: number
	spanX: number
	spanWidth: number
}

export interface PlacedBand {
	session: SessionStory
	y: number
	x: number
	width: number
	/** Setting up and clearing away: no hands-on time. */
	closed: { x: number; width: number }[]
	breaks: PlacedBreak[]
	/** Hands-on time in which everybody waits for the next step. */
	idle: { x: number; width: number; minutes: number }[]
	tiles: PlacedTile[]
	/** What has no room on its tile, under the band. */
	legend: LegendItem[]
	/** Where the first row of the legend stands. */
	legendY: number
	/** The folded time until the next band, and what students do at home in it. */
	gap?: { y: number; height: number; home: { y: number; text: string }[] }
}

export interface BandLayout {
	width: number
	height: number
	/** The clock under every band. */
	clock: { fromMinute: number; toMinute: number; pxPerMinute: number }
	/** Under the shelf, above the first band. */
	ticks: { x: number; minute: number }[]
	ticksY: number
	/** Absent where one session is shown by itself. */
	shelf?: PlacedShelf
	bands: PlacedBand[]
	threads: PlacedThread[]
}

/**
 * Sessions one under another on the same clock, so that 19:30 stands under 19:30.
 *
 * @param terms.width - of the picture, px
 * @param terms.firstNumber - of the first tile, as in the list below the picture
 * @param terms.hasShelf - what stands ready before the first session is shown
 */
export function layOutBands(
	story: PlanStory,
	{
		width = WIDTH,
		firstNumber = 1,
		hasShelf = true,
	}: { width?: number; firstNumber?: number; hasShelf?: boolean } = {},
): BandLayout {
	const { sessions, threads, home } = story
	const scale = clockScale(sessions, width - SPARE_WIDTH)
	const shelf = hasShelf ? layOutShelf(story, LEFT, width - SPARE_WIDTH - LEFT) : undefined
	const ticksY = shelf ? shelf.height + SHELF_GAP : 0
	let y = ticksY + TOP
	let number = firstNumber - 1
	const bands = sessions.map((session, s): PlacedBand => {
		const rows = threads.filter(({ from }) => from.session === s).length
		const placed = session.tiles.map((tile) => placeTile(tile, ++number, scale))
		const legend = layOutLegend(
			placed.flatMap(({ legend: text, number: own }) => (text === undefined ? [] : [{ number: own, text }])),
			width - SPARE_WIDTH - LEFT,
		)
		const legendHeight = legend.length === 0 ? 0 : 8 + LEGEND_ROW * (1 + (legend.at(-1)?.row ?? 0))
		const atHome = home.filter(({ afterSession = 0 }) => afterSession === s)
		const homeHeight = atHome.length * HOME_ROW
		const gapHeight = Math.max(MIN_GAP, 22 + rows * THREAD_ROW + homeHeight)
		const band = {
			session,
			y,
			x: scale.toX(session.session.startMin),
			width: scale.toX(session.session.endMin) - scale.toX(session.session.startMin),
			closed: closedStretches(session, scale),
			breaks: session.breaks.map((pause) => placeBreak(pause, scale)),
			idle: idleStretches(session).map(({ from, to }) => {
				return { x: scale.toX(from), width: scale.toX(to) - scale.toX(from), minutes: to - from }
			}),
			tiles: placed,
			legend,
			legendY: y + BAND_HEIGHT + LEGEND_ROW,
		}
		const isLast = s === sessions.length - 1
		const gapY = y + BAND_HEIGHT + legendHeight
		const gap = {
			y: gapY,
			height: isLast && rows === 0 ? 8 + homeHeight : gapHeight,
			home: atHome.map(({ source, minutes }, row) => {
				return { y: gapY + 20 + row * HOME_ROW, text: `at home: ${nameOfTask(source)}, ${minutes} min` }
			}),
		}
		y = gap.y + gap.height
		return { ...band, gap }
	})
	const { clock, ticks } = scale
	return {
		width,
		height: y + 4,
		clock,
		ticks,
		ticksY,
		...(shelf && { shelf }),
		bands,
		threads: placeThreads(threads, bands, scale),
	}
}

interface ClockScale {
	/** Where the clock ends, px. */
	right: number
	toX: (minute: number) => number
	clock: BandLayout['clock']
	ticks: { x: number; minute: number }[]
}

function clockScale(sessions: readonly SessionStory[], right: number): ClockScale {
	const starts = sessions.map(({ session }) => session.startMin)
	const ends = sessions.flatMap(({ session, tiles }) => [session.endMin, ...tiles.map(({ endMin }) => endMin)])
	const from = Math.floor(Math.min(...starts) / 15) * 15
	const to = Math.ceil(Math.max(...ends) / 15) * 15
	const pxPerMinute = (right - LEFT) / Math.max(15, to - from)
	const toX = (minute: number) => LEFT + (minute - from) * pxPerMinute
	const step = tickStep(to - from, right)
	const first = Math.ceil(from / step) * step
	const count = Math.min(MOST_TICKS, Math.floor((to - first) / step) + 1)
	const ticks = Array.from({ length: Math.max(0, count) }, (_, t) => first + t * step)
	const clock = { fromMinute: from, toMinute: to, pxPerMinute }
	return { right, toX, clock, ticks: ticks.map((minute) => ({ minute, x: toX(minute) })) }
}

/** Minutes between ticks: as close as they can be read. */
function tickStep(minutes: number, right: number): number {
	const steps = [10, 15, 30, 60]
	return steps.find((step) => ((right - LEFT) * step) / minutes >= MIN_TICK_PX) ?? 120
}

function closedStretches({ session }: SessionStory, { toX }: ClockScale): { x: number; width: number }[] {
	const { startMin, endMin, setUpMinutes, clearAwayMinutes } = session
	const stretches = [
		{ from: startMin, to: startMin + setUpMinutes },
		{ from: endMin - clearAwayMinutes, to: endMin },
	]
	return stretches
		.filter(({ from, to }) => to > from)
		.map(({ from, to }) => ({ x: toX(from), width: toX(to) - toX(from) }))
}

/** Between the first opening and the last step, what is neither work nor a break; minutes of the day. */
function idleStretches({ session, tiles, breaks }: SessionStory): { from: number; to: number }[] {
	const busy = [
		...tiles.map(({ startMin, endMin }) => ({ startMin, endMin })),
		...breaks.map(({ startMin, minutes }) => ({ startMin, endMin: startMin + minutes })),
	].toSorted((a, b) => a.startMin - b.startMin)
	const lastEnd = tiles.at(-1)?.endMin ?? 0
	let until = handsOnSpan(session).open
	return busy.flatMap(({ startMin, endMin }) => {
		const idle = startMin > until && startMin <= lastEnd ? [{ from: until, to: startMin }] : []
		until = Math.max(until, endMin)
		return idle
	})
}

function placeBreak(pause: BreakStory, { toX }: ClockScale): PlacedBreak {
	const { startMin, minutes, earliestMin, latestMin } = pause
	const [x, spanX] = [toX(startMin), toX(earliestMin)]
	return { pause, x, width: toX(startMin + minutes) - x, spanX, spanWidth: toX(latestMin + minutes) - spanX }
}

function placeTile(tile: Tile, number: number, { toX }: ClockScale): PlacedTile & { legend?: string } {
	const x = toX(tile.startMin)
	const width = toX(tile.endMin) - x
	return { tile, number, x, width, ...tileWords(tile, number, width) }
}

function placeThreads(
	threads: readonly Thread[],
	bands: readonly PlacedBand[],
	{ toX, right }: ClockScale,
): PlacedThread[] {
	const rowsTaken = bands.map(() => 0)
	const sorted = threads.toSorted((a, b) => a.from.session - b.from.session || a.from.minute - b.from.minute)
	return sorted.flatMap((thread) => {
		const [from, to] = [bands[thread.from.session], bands[thread.to.session]]
		if (!from?.gap || !to) return []
		const row = rowsTaken[thread.from.session] ?? 0
		rowsTaken[thread.from.session] = row + 1
		const start = { x: clamp(toX(thread.from.minute), right), y: from.y + BAND_HEIGHT - TILE_INSET }
		const isSameBand = from === to
		const end = { x: clamp(toX(thread.to.minute), right), y: isSameBand ? start.y : to.y + TILE_INSET }
		const rowY = from.gap.y + 18 + from.gap.home.length * HOME_ROW + row * THREAD_ROW
		const curve = isSameBand ? archBelow(start, end, rowY, toBeadX(thread, toX)) : hangTo(start, end, rowY, thread)
		const isAtEnd = !isSameBand && start.x > right - 190
		const label = isSameBand
			? { x: start.x + 12, y: rowY - 8, isAtEnd }
			: { x: start.x + (isAtEnd ? -10 : 10), y: rowY + (isAtEnd ? -4 : 4), isAtEnd }
		return [
			{
				thread,
				...curve,
				label,
				fromY: start.y,
				toY: Math.max(end.y, rowY),
				start,
				end,
			},
		]
	})
}

interface Point {
	x: number
	y: number
}

/** A thread hanging from a tile to a later band: straight down to its row, then over to where it is needed. */
function hangTo(start: Point, end: Point, rowY: number, thread: Thread): Pick<PlacedThread, 'path' | 'beads'> {
	const bend = (end.y - rowY) * 0.5
	const path = `M${start.x} ${start.y} L${start.x} ${rowY} C${start.x} ${rowY + bend} ${end.x} ${end.y - bend} ${end.x} ${end.y}`
	const { p50Minutes, p90Minutes } = thread.wait
	const even = { x: start.x, y: rowY }
	if (p50Minutes === undefined || p90Minutes === undefined) return { path, beads: { even } }
	// The days between are folded: the beads keep their order, and a gap between them that shows how unsure it is.
	const share = Math.min(0.6, 0.16 + (p90Minutes - p50Minutes) / Math.max(1, thread.hangsMinutes))
	const rest = 1 - share
	const along = (from: number, first: number, second: number, to: number) => {
		return rest ** 3 * from + 3 * rest ** 2 * share * first + 3 * rest * share ** 2 * second + share ** 3 * to
	}
	const sure = { x: along(start.x, start.x, end.x, end.x), y: along(rowY, rowY + bend, end.y - bend, end.y) }
	return { path, beads: { even, sure } }
}

/** Where the clock stands at even odds and where it is sure. */
function toBeadX({ from, wait }: Thread, toX: (minute: number) => number): { even: number; sure?: number } {
	const { p50Minutes, p90Minutes, plannedMinutes } = wait
	const even = toX(from.minute + (p50Minutes ?? plannedMinutes ?? 0))
	return p50Minutes === undefined || p90Minutes === undefined ? { even } : { even, sure: toX(from.minute + p90Minutes) }
}

/** A wait within the session: down to its row, along, and up again. Beads stand at their times of the clock. */
function archBelow(
	start: Point,
	end: Point,
	rowY: number,
	beadX: { even: number; sure?: number },
): Pick<PlacedThread, 'path' | 'beads'> {
	const radius = Math.min(10, Math.abs(end.x - start.x) / 2)
	const path = `M${start.x} ${start.y} L${start.x} ${rowY - radius} Q${start.x} ${rowY} ${start.x + radius} ${rowY} L${end.x - radius} ${rowY} Q${end.x} ${rowY} ${end.x} ${rowY - radius} L${end.x} ${end.y}`
	const onRow = (x: number): Point => ({ x: Math.min(end.x - radius, Math.max(start.x + radius, x)), y: rowY })
	return { path, beads: { even: onRow(beadX.even), ...(beadX.sure !== undefined && { sure: onRow(beadX.sure) }) } }
}

function clamp(x: number, right: number): number {
	return Math.min(right + 6, Math.max(LEFT, x))
}

/** The plan's picture on paper: benches on one clock, steps in them, and the threads of what dries. */
import {
	BAND_HEIGHT,
	LEFT,
	LEGEND_ROW,
	TILE_INSET,
	type BandLayout,
	type PlacedTile,
} from '../../../plan/components/plan-bands/band-layout'
import { threadWords } from '../../../plan/components/plan-bands/thread-shape'
import type { TileLine } from '../../../plan/components/plan-bands/tile-words'
import type { Figure, FigureShape } from '../../../shared/figure/figure'
import { NO_TINT, TINT_COLOURS } from '../../../shared/theme/tints'
import { clock, duration, sessionName, shortDay } from '../../../shared/words/times'

const INK = '#2b2430'
const SOFT = '#6b6370'
const THREAD = '#9a5a80'
/** Baselines of a tile's lines. */
const FIRST_LINE = TILE_INSET + 19
const LINE_HEIGHT = 17
const SIZES: Record<TileLine['kind'], number> = { title: 13, label: 13, minutes: 12, number: 12 }

/** @param isAlone - one session by itself, whose name stands above the picture anyway */
export function bandsFigure(layout: BandLayout, isAlone: boolean): Figure {
	const { bands, threads, ticks, ticksY, width, height, shelf } = layout
	// The first time of the clock stands half to the left of it.
	const left = isAlone ? LEFT - 20 : 0
	return {
		box: [left, 0, width - left, height],
		label: 'Sessions on one clock, with the steps in them and what dries between them',
		shapes: [
			...(shelf?.items ?? []).flatMap(({ x, y, width: own, title, note }): FigureShape[] => [
				box({ x, y, width: own, height: 38 }, '#ffffff', '#b9b1bd', [4, 3]),
				words(title, x + 10, y + 16, 13, { isBold: true }),
				words(note, x + 10, y + 32, 12, { colour: SOFT }),
			]),
			...ticks.map(({ x, minute }) => words(clock(minute), x, ticksY + 16, 12, { anchor: 'middle', colour: SOFT })),
			...threads.flatMap(({ path, thread, label, end }): FigureShape[] => [
				{
					type: 'path',
					path,
					line: { colour: THREAD, width: 1.6, ...(thread.isSwapped && { dash: [4, 4] }) },
				},
				{ type: 'path', path: dot(end.x, end.y, 3.5), fill: THREAD },
				words(threadWords(thread), label.x, label.y, 12, { anchor: label.isAtEnd ? 'end' : 'start', colour: INK }),
			]),
			...bands.flatMap((band) => bandShapes(band, isAlone)),
		],
	}
}

function bandShapes(band: BandLayout['bands'][number], isAlone: boolean): FigureShape[] {
	const { session, x, y, width, closed, breaks, idle, tiles, legend, legendY, gap } = band
	const { date, startMin, endMin } = session.session
	const head = isAlone
		? []
		: [
				words(sessionName(startMin, session.number), 4, y + 22, 14, { isBold: true }),
				words(shortDay(date), 4, y + 40, 13),
				words(`${clock(startMin)} to ${clock(endMin)}`, 4, y + 58, 13, { colour: SOFT }),
			]
	return [
		...head,
		box({ x, y, width, height: BAND_HEIGHT }, '#faf7f4', '#b9b1bd'),
		...closed.map((one) => box({ ...one, y, height: BAND_HEIGHT }, '#ece8ee', undefined)),
		...breaks.flatMap(({ x: at, width: own, pause }): FigureShape[] => [
			box({ x: at, y, width: own, height: BAND_HEIGHT }, '#f3ecd2', undefined),
			...(own > 24 ? [words('tea', at + own / 2, y + 40, 12, { anchor: 'middle', colour: SOFT })] : []),
			...(own > 40
				? [words(`${pause.minutes} min`, at + own / 2, y + 56, 11, { anchor: 'middle', colour: SOFT })]
				: []),
		]),
		...idle.map(({ x: at, width: own }): FigureShape => ({
			type: 'path',
			path: `M${at} ${y + BAND_HEIGHT / 2}H${at + own}`,
			line: { colour: SOFT, width: 1, dash: [2, 4] },
		})),
		...tiles.flatMap((tile) => tileShapes(tile, y)),
		...legend.map(({ number, text, x: at, row }) =>
			words(`${number} ${text}`, LEFT + at, legendY + row * LEGEND_ROW, 12.5, { colour: INK }),
		),
		...(gap?.home ?? []).map(({ y: at, text }) => words(text, LEFT + 4, at, 12.5, { colour: INK })),
		words(`${duration(Math.max(0, session.spareMinutes))} to spare`, x + width + 6, y + 40, 12, { colour: SOFT }),
	]
}

function tileShapes({ tile, number, x, width, lines }: PlacedTile, top: number): FigureShape[] {
	const { source } = tile
	const isDemo = source.type === 'demo'
	const { fill, edge } = source.type === 'step' && source.tint ? TINT_COLOURS[source.tint] : NO_TINT.day
	const own = {
		x: x + 0.75,
		y: top + TILE_INSET,
		width: Math.max(2, width - 1.5),
		height: BAND_HEIGHT - 2 * TILE_INSET,
	}
	const body = box(own, isDemo ? '#ffffff' : fill, edge, isDemo ? [4, 3] : undefined)
	if (lines.length === 1)
		return [
			body,
			words(String(number), x + width / 2, top + BAND_HEIGHT / 2 + 4, 12, { anchor: 'middle', isBold: true }),
		]
	return [
		body,
		...lines.map(({ text, kind }, l) =>
			words(text, x + (isDemo ? 6 : 9), top + FIRST_LINE + l * LINE_HEIGHT, SIZES[kind], {
				isBold: kind === 'title' || kind === 'number',
			}),
		),
	]
}

interface Box {
	x: number
	y: number
	width: number
	height: number
}

function box({ x, y, width, height }: Box, fill: string, colour: string | undefined, dash?: number[]): FigureShape {
	return {
		type: 'path',
		path: `M${x} ${y}H${x + width}V${y + height}H${x}Z`,
		fill,
		...(colour !== undefined && { line: { colour, width: 1.1, ...(dash && { dash }) } }),
	}
}

function dot(x: number, y: number, radius: number): string {
	return `M${x - radius} ${y}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0Z`
}

function words(
	text: string,
	x: number,
	y: number,
	size: number,
	more: { anchor?: 'start' | 'middle' | 'end'; isBold?: boolean; colour?: string } = {},
): FigureShape {
	return { type: 'words', text, x, y, size, colour: INK, ...more }
}

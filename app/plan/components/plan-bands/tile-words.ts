/** What a tile says. A word is never cut: what has no room on the tile stands in the legend under its bench. */
import type { Tile } from '../../../../core/plan/tell/plan-story'
import { measureWords, type Face } from './measure-words'

export interface TileLine {
	text: string
	kind: 'title' | 'label' | 'minutes' | 'number'
}

export interface TileWords {
	lines: TileLine[]
	/** What the tile itself does not say, after its number; absent: it says all. */
	legend?: string
}

/** As the styles have them. */
export const FACES: Record<TileLine['kind'], Face> = {
	title: { sizePx: 13, isBold: true },
	label: { sizePx: 13 },
	minutes: { sizePx: 12 },
	number: { sizePx: 12, isBold: true },
}
/** Of a tile that shows all its words: the strip of its part, and air. */
const MARGIN_PX = 14
const DEMO_MARGIN_PX = 9
const MOST_LINES = 3

/**
 * @param number - of the tile, as in the list below the picture
 * @param width - of the tile, px
 */
export function tileWords(tile: Tile, number: number, width: number): TileWords {
	const isDemo = tile.source.type === 'demo'
	const room = width - (isDemo ? DEMO_MARGIN_PX : MARGIN_PX)
	const minutes: TileLine = { text: `${tile.endMin - tile.startMin} min`, kind: 'minutes' }
	const title: TileLine = { text: tile.source.type === 'demo' ? 'show' : tile.source.partName, kind: 'title' }
	const fits = ({ text, kind }: TileLine) => measureWords(text, FACES[kind]) <= room
	const label = wrapWords(tile.source.label, room, FACES.label).map((text): TileLine => ({ text, kind: 'label' }))
	const whole = [title, ...label, minutes]
	if (whole.length <= MOST_LINES && whole.every(fits)) return { lines: whole }

	const name = isDemo ? `you show ${tile.source.label}` : `${title.text}: ${tile.source.label}`
	const numbered: TileLine = { text: String(number), kind: 'number' }
	// What has room beside the number still stands there: whose step it is, and its minutes.
	if (fits(title) && fits(minutes)) return { lines: [numbered, title, minutes], legend: name }
	if (fits(minutes)) return { lines: [numbered, minutes], legend: name }
	return { lines: [numbered], legend: `${name}, ${minutes.text}` }
}

/** The words in lines that fit, none of them cut; a single word that is too wide stands by itself. */
export function wrapWords(words: string, widthPx: number, face: Face): string[] {
	return words.split(' ').reduce<string[]>((lines, word) => {
		const last = lines.at(-1)
		const longer = last === undefined ? word : `${last} ${word}`
		if (last !== undefined && measureWords(longer, face) > widthPx) return [...lines, word]
		return [...lines.slice(0, -1), longer]
	}, [])
}

export interface LegendItem {
	number: number
	text: string
	/** From the left edge of the legend, px. */
	x: number
	/** 0 is the first. */
	row: number
}

const LEGEND_FACE: Face = { sizePx: 12.5 }
const LEGEND_GAP_PX = 20

/** Entries one after the other, in as many rows as they take. */
export function layOutLegend(entries: readonly { number: number; text: string }[], widthPx: number): LegendItem[] {
	let x = 0
	let row = 0
	return entries.map(({ number, text }) => {
		const width = measureWords(`${number} ${text}`, LEGEND_FACE)
		if (x > 0 && x + width > widthPx) {
			x = 0
			row++
		}
		const item = { number, text, x, row }
		x += width + LEGEND_GAP_PX
		return item
	})
}

/**
 * True-size templates laid onto pages: rows of outlines from the top, and what is larger than a page on tiles of its own
 * that overlap for gluing. Lengths in mm, y downwards from the page's top left corner.
 */
import type { Outline } from './outline'

export interface Template {
	name: string
	/** 'how many, how large'. */
	note: string
	/** Foot at the origin, pointing up. */
	outline: Outline
	/** True size. */
	widthMm: number
	/** True size, along the piece. */
	lengthMm: number
}

export interface Paper {
	widthMm: number
	heightMm: number
}

/** ISO 216 A4, and ANSI letter of 8.5 × 11 inch. */
export const PAPERS = {
	a4: { widthMm: 210, heightMm: 297 },
	letter: { widthMm: 215.9, heightMm: 279.4 },
} as const satisfies Record<string, Paper>

export type PaperName = keyof typeof PAPERS

export interface PlacedTemplate extends Template {
	/** Of the foot. */
	x: number
	/** mm from the top of the page. */
	y: number
	/** Present on a tile: which of how many, counted from 1. */
	tile?: { column: number; row: number; columns: number; rows: number }
}

export interface TemplatePage {
	paper: Paper
	/** What may be printed on: drawings end at its edge. */
	frame: { x: number; y: number; widthMm: number; heightMm: number }
	templates: PlacedTemplate[]
}

/** Printers leave about so much white. */
const MARGIN_MM = 12
/** Below the drawings, for the scale bar and the page's words. */
const FOOT_MM = 22
/** Between templates, for the scissors. */
const GAP_MM = 8
/** Each outline's name and size stand under its foot, in a cell that has room for them. */
const LABEL_MM = 9
/** A narrow template still has room for its words. */
const MIN_CELL_MM = 44
/** Neighbouring tiles share so much. */
const TILE_OVERLAP_MM = 10

/** @returns pages in the order of the templates, whole ones first, then tiles */
export function layTemplates(templates: readonly Template[], paper: Paper): TemplatePage[] {
	const frame = {
		x: MARGIN_MM,
		y: MARGIN_MM,
		widthMm: paper.widthMm - 2 * MARGIN_MM,
		heightMm: paper.heightMm - 2 * MARGIN_MM - FOOT_MM,
	}
	const fits = ({ widthMm, lengthMm }: Template) => widthMm <= frame.widthMm && lengthMm + LABEL_MM <= frame.heightMm
	const whole = layRows(templates.filter(fits), frame)
	const tiles = templates.filter((template) => !fits(template)).flatMap((template) => tile(template, frame))
	return [...whole, ...tiles].map((page) => ({ paper, frame, templates: page }))
}

/** In rows from the longest to the shortest, so that a row wastes little height. */
function layRows(templates: readonly Template[], frame: TemplatePage['frame']): PlacedTemplate[][] {
	const pages: PlacedTemplate[][] = []
	let row: { x: number; top: number; height: number } | undefined
	for (const template of templates.toSorted((a, b) => b.lengthMm - a.lengthMm)) {
		const height = template.lengthMm + LABEL_MM
		const cell = Math.max(MIN_CELL_MM, template.widthMm)
		if (row && row.x + cell > frame.x + frame.widthMm) row = { x: frame.x, top: row.top + row.height + GAP_MM, height }
		if (!row || row.top + height > frame.y + frame.heightMm) {
			pages.push([])
			row = { x: frame.x, top: frame.y, height }
		}
		pages.at(-1)?.push({ ...template, x: row.x + cell / 2, y: row.top + template.lengthMm })
		row.x += cell + GAP_MM
		// Sorted by length: the first of a row is its tallest.
	}
	return pages
}

/** A template larger than the page goes over several, which overlap to be glued. */
function tile(template: Template, frame: TemplatePage['frame']): PlacedTemplate[][] {
	const stepX = frame.widthMm - TILE_OVERLAP_MM
	const stepY = frame.heightMm - TILE_OVERLAP_MM
	const columns = Math.max(1, Math.ceil((template.widthMm - TILE_OVERLAP_MM) / stepX))
	const rows = Math.max(1, Math.ceil((template.lengthMm - TILE_OVERLAP_MM) / stepY))
	return Array.from({ length: rows * columns }, (_, t) => {
		const [row, column] = [Math.floor(t / columns), t % columns]
		return [
			{
				...template,
				x: frame.x + template.widthMm / 2 - column * stepX,
				y: frame.y + template.lengthMm - row * stepY,
				tile: { column: column + 1, row: row + 1, columns, rows },
			},
		]
	})
}

/**
 * Cut pieces nested on a rolled rectangle: blocks of rows one under another, a block for each outline.
 * Every layout is checked against plain rows of bounding boxes and never holds fewer. Not for: the best of all nestings,
 * which is hard; the yield is told against the hexagonal bound for circles instead.
 */
import { outlineAreaMm2 } from '../../outlines/measure-outline'
import type { Outline, Point } from '../../outlines/outline'
import { findRowLayouts, type Row, type RowLayout } from './row-layout'

/** The most of a plane that circles of one size can cover, π/(2·√3). Source: Lagrange 1773, Thue 1890. */
export const HEXAGONAL_DENSITY = Math.PI / (2 * Math.sqrt(3))

/** One outline to be cut, with the ways of laying it in rows. */
export interface CutPiece {
	id: string
	outline: Outline
	/** Of the outline itself. */
	areaMm2: number
	/** Left between pieces. */
	gapMm: number
	/** Ways to lay it in rows, the densest first. */
	layouts: readonly RowLayout[]
}

/** Where one piece is cut. */
export interface PlacedPiece {
	id: string
	/** By which it is turned. */
	angleRad: number
	/** Of the piece's bounding box, from the sheet's upper left corner. */
	xMm: number
	/** From the corner of the block. */
	yMm: number
	/** Of its outline where it lies, mm. */
	points: readonly Point[]
}

/** Layouts are kept by outline: a course asks for the same ones again and again. */
const cache = new Map<string, CutPiece>()
/** Layouts kept: some designs with some outlines each. */
const MAX_CACHED = 300

/**
 * @param key - equal for equal outlines
 * @param gapMm - between pieces, >= 0
 * @throws {RangeError} an outline without area
 */
export function toCutPiece(id: string, outline: Outline, { key, gapMm }: { key: string; gapMm: number }): CutPiece {
	const full = `${key} ${gapMm}`
	const known = cache.get(full)
	if (known) return { ...known, id }
	const areaMm2 = outlineAreaMm2(outline)
	if (!(areaMm2 > 0)) throw new RangeError(`the outline of ${id} has no area`)
	if (cache.size >= MAX_CACHED) cache.clear()
	const piece = { id, outline, areaMm2, gapMm, layouts: findRowLayouts(outline, areaMm2, gapMm) }
	cache.set(full, piece)
	return piece
}

/** Least extent of a piece: a strip narrower than this holds none. */
export function leastExtentMm({ layouts }: CutPiece): number {
	return Math.min(...layouts.map(({ rows, heightMm }) => Math.min(heightMm, rows[0].pieces[0]?.piece.widthMm ?? 0)))
}

interface Block {
	layout: RowLayout
	/** Pieces in each row. */
	rowCounts: number[]
	/** Of all its rows. */
	heightMm: number
}

/**
 * Pieces of one outline on a strip, as many as fit or as are wanted, in the least height.
 *
 * @returns the places, and the height that they take; no places where not one fits
 * @complexity O(layouts · rows)
 */
export function nestOutline(
	piece: CutPiece,
	{ widthMm, heightMm, mostPieces }: { widthMm: number; heightMm: number; mostPieces: number },
): { count: number; heightMm: number; place: () => PlacedPiece[] } {
	let best: { block: Block; count: number } | undefined
	for (const layout of piece.layouts) {
		const block = fillBlock(layout, { widthMm, heightMm, mostPieces })
		const count = block.rowCounts.reduce((sum, row) => sum + row, 0)
		const isBetter =
			!best || count > best.count || (count === best.count && block.heightMm < best.block.heightMm - 1e-9)
		if (count > 0 && isBetter) best = { block, count }
	}
	if (!best) return { count: 0, heightMm: 0, place: () => [] }
	const { block, count } = best
	return { count, heightMm: block.heightMm, place: () => placeBlock(piece.id, block) }
}

/** As many rows as the height holds, each as full as the width allows, and no more pieces than wanted. */
function fillBlock(
	layout: RowLayout,
	{ widthMm, heightMm, mostPieces }: { widthMm: number; heightMm: number; mostPieces: number },
): Block {
	const rowCounts: number[] = []
	let [yMm, shiftMm, left] = [0, 0, mostPieces]
	while (left > 0) {
		const row = rowAt(layout, rowCounts.length)
		if (rowCounts.length > 0) {
			yMm += row.dropMm
			shiftMm += row.shiftMm
		}
		if (yMm + layout.heightMm > heightMm + 1e-9) break
		const count = Math.min(left, countInRow(row, shiftMm, widthMm))
		if (count === 0) break
		rowCounts.push(count)
		left -= count
	}
	return { layout, rowCounts, heightMm: heightOf(layout, rowCounts.length) }
}

/** Of so many rows, which reach into each other, mm. */
function heightOf(layout: RowLayout, rowCount: number): number {
	if (rowCount === 0) return 0
	let heightMm = layout.heightMm
	for (let r = 1; r < rowCount; r++) heightMm += rowAt(layout, r).dropMm
	return heightMm
}

/** Rows alternate: every second one is turned or shifted. */
function rowAt({ rows }: RowLayout, r: number): Row {
	return r % 2 === 0 ? rows[0] : rows[1]
}

/** How far the first piece of a shifted row stands from the sheet's edge: less than a period, and it may be any of the row's pieces. */
function rowStarts({ periodMm, pieces }: Row, shiftMm: number): number[] {
	return pieces.map(({ xMm }) => (((xMm + shiftMm) % periodMm) + periodMm) % periodMm)
}

/** Pieces of a row that lie wholly within the width. */
function countInRow(row: Row, shiftMm: number, widthMm: number): number {
	return rowStarts(row, shiftMm).reduce((sum, startMm, p) => {
		const room = widthMm - startMm - (row.pieces[p]?.piece.widthMm ?? Infinity)
		return sum + (room < -1e-9 ? 0 : Math.floor((room + 1e-9) / row.periodMm) + 1)
	}, 0)
}

/** Where each piece lies, mm from the block's corner. */
function placeBlock(id: string, { layout, rowCounts }: Block): PlacedPiece[] {
	const placed: PlacedPiece[] = []
	let [yMm, shiftMm] = [0, 0]
	rowCounts.forEach((count, r) => {
		const row = rowAt(layout, r)
		if (r > 0) {
			yMm += row.dropMm
			shiftMm += row.shiftMm
		}
		const starts = rowStarts(row, shiftMm)
		const slots = row.pieces.flatMap(({ piece }, p) =>
			Array.from({ length: count }, (_, k) => ({ piece, xMm: (starts[p] ?? 0) + k * row.periodMm })),
		)
		slots.sort((a, b) => a.xMm - b.xMm)
		for (const { piece, xMm } of slots.slice(0, count))
			placed.push({ id, angleRad: piece.angleRad, xMm, yMm, points: piece.points })
	})
	return placed
}

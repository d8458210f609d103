/**
 * Ways of laying one outline in endless rows: all alike, or head to tail, the next row shifted into the hollows of the
 * row before, or turned half round. A lattice of this kind is the densest for circles (Lagrange) and close to it for
 * petals and leaves. The plain rows of bounding boxes are always among the ways.
 */
import type { Outline } from '../../outlines/outline'
import { clearance, FLATTENING_SHARE, halfTurned, profileOf, turnPiece, widen, type TurnedPiece } from './piece-profile'

/** A piece of a row: left edge of its bounding box from the row's start. */
interface RowPiece {
	piece: TurnedPiece
	/** From the beginning of the period. */
	xMm: number
}

/** A row that repeats every `periodMm`. */
export interface Row {
	/** After which the row repeats. */
	periodMm: number
	pieces: readonly RowPiece[]
	/** So much to the right of the row before. */
	shiftMm: number
	/** So much below the row before. */
	dropMm: number
}

/** Rows that alternate; the first row's shift and drop count from the last of the cycle. */
export interface RowLayout {
	/** They alternate. */
	rows: readonly [Row, Row]
	/** Of one row. */
	heightMm: number
	/** Share of an endless sheet that becomes pieces. */
	density: number
}

/** Cells a piece while the ways are compared, and when the best of them are measured: finer gains less than a board's edge loses. */
const COARSE_CELLS = 32
/** Fineness of the search, by piece: finer finds hardly anything more, and takes longer. */
const FINE_CELLS = 128
const ANGLES = 16
/** Shifts of a row against the one before that are tried. */
const COARSE_SHIFTS = 16
const FINE_SHIFTS = 32
/** Of the ways found, so many of the densest are kept beside the plain rows. */
const KEPT = 6

/**
 * @param areaMm2 - of the piece
 * @param gapMm - left between pieces, >= 0
 * @returns the densest first; then the plain rows of bounding boxes, upright and lying
 * @complexity O(ANGLES · COARSE_SHIFTS · COARSE_CELLS + KEPT · FINE_SHIFTS · FINE_CELLS)
 */
export function findRowLayouts(outline: Outline, areaMm2: number, gapMm: number): RowLayout[] {
	const upright = turnPiece(outline, 0)
	const size = Math.max(upright.widthMm, upright.heightMm)
	const withCells = (cells: number, shifts: number): Terms => {
		return { areaMm2, gapMm: gapMm + FLATTENING_SHARE * size, cellMm: size / cells, shifts }
	}
	const [coarsely, finely] = [withCells(COARSE_CELLS, COARSE_SHIFTS), withCells(FINE_CELLS, FINE_SHIFTS)]
	const byDensity = (a: RowLayout, b: RowLayout) => b.density - a.density
	const ways = Array.from({ length: ANGLES }, (_, k) => turnPiece(outline, (Math.PI * k) / ANGLES)).flatMap((piece) => [
		[piece],
		[piece, halfTurned(piece)],
	])
	const coarse = ways.flatMap((pieces) => layoutsOf(pieces, coarsely).map((way) => ({ ...way, pieces })))
	const kept = [...new Set(coarse.toSorted(byDensity).map(({ pieces }) => pieces))].slice(0, KEPT)
	const fine = kept.flatMap((pieces) => layoutsOf(pieces, finely)).toSorted(byDensity)
	const plain = [upright, turnPiece(outline, Math.PI / 2)].map((piece) => plainRows(piece, finely))
	return [...fine.slice(0, KEPT), ...plain]
}

interface Terms {
	areaMm2: number
	/** Left between pieces, for the cutter. */
	gapMm: number
	/** Width of a strip: how finely outlines are compared. */
	cellMm: number
	/** Ways tried to move one row along the other. */
	shifts: number
}

/** Rows of bounding boxes. */
function plainRows(piece: TurnedPiece, { areaMm2, gapMm }: Terms): RowLayout {
	const row: Row = {
		periodMm: piece.widthMm + gapMm,
		pieces: [{ piece, xMm: 0 }],
		shiftMm: 0,
		dropMm: piece.heightMm + gapMm,
	}
	return { rows: [row, row], heightMm: piece.heightMm, density: areaMm2 / (row.periodMm * row.dropMm) }
}

/** The pieces in turn along a row; the next row alike, or turned half round. */
function layoutsOf(pieces: readonly TurnedPiece[], terms: Terms): RowLayout[] {
	const row = layRow(pieces, terms)
	const turned = pieces.length > 1 ? [] : [layRow(pieces.map(halfTurned), terms)]
	return [row, ...turned].flatMap((next) => joinRows(row, next, terms))
}

/** A row by itself: what it shows to the one above (low), and to the one below with the gap (wide), over one period. */
interface BareRow extends Pick<Row, 'periodMm' | 'pieces'> {
	/** Of the row downwards, by strip, mm. */
	low: Float64Array
	/** Of the row upwards, with the gap, by strip, mm. */
	wide: Float64Array
}

/** Pieces side by side, each moved up to the one before until their outlines are a gap apart. */
function layRow(pieces: readonly TurnedPiece[], terms: Terms): BareRow {
	const { gapMm, cellMm } = terms
	const sides = pieces.map((piece) => profileOf(piece, 'y', cellMm))
	const placed: RowPiece[] = []
	let xMm = 0
	pieces.forEach((piece, p) => {
		placed.push({ piece, xMm })
		const [own, next] = [sides[p], sides[(p + 1) % sides.length]]
		if (own && next) xMm += Math.max(0, clearance(widen(own.high, gapMm, cellMm), next.low))
	})
	// Whole cells, so that a row's profile repeats exactly.
	const row = { periodMm: Math.ceil(xMm / cellMm) * cellMm, pieces: placed }
	return { ...row, ...rowProfile(row, terms) }
}

/** How far down and up the row reaches along its period, which repeats. */
function rowProfile(
	{ periodMm, pieces }: Pick<Row, 'periodMm' | 'pieces'>,
	{ gapMm, cellMm }: Terms,
): Pick<BareRow, 'low' | 'wide'> {
	const cells = Math.max(1, Math.round(periodMm / cellMm))
	const low = new Float64Array(cells).fill(Infinity)
	const wide = new Float64Array(cells).fill(-Infinity)
	const inRow = (cell: number) => ((cell % cells) + cells) % cells
	const lower = (cell: number, value: number) => {
		if (value < (low[cell] ?? -Infinity)) low[cell] = value
	}
	const raise = (cell: number, value: number) => {
		if (value > (wide[cell] ?? Infinity)) wide[cell] = value
	}
	for (const { piece, xMm } of pieces) {
		const profile = profileOf(piece, 'x', cellMm)
		const offset = xMm / cellMm
		// A piece does not begin on a cell's edge: it counts in both cells that it may touch.
		profile.low.forEach((value, k) => {
			lower(inRow(Math.floor(k + offset)), value)
			lower(inRow(Math.ceil(k + offset)), value)
		})
		const { values, reach } = widen(profile.high, gapMm, cellMm)
		values.forEach((value, k) => {
			raise(inRow(Math.floor(k - reach + offset)), value)
			raise(inRow(Math.ceil(k - reach + offset)), value)
		})
	}
	return { low, wide }
}

/** Ways in which two rows lie into each other, with how far the second drops and shifts. */
function joinRows(first: BareRow, second: BareRow, terms: Terms): RowLayout[] {
	if (first.wide.length !== second.wide.length) return []
	const heightMm = Math.max(...[...first.pieces, ...second.pieces].map(({ piece }) => piece.heightMm))
	const down = bestShift(first.wide, second.low, terms)
	const back = bestShift(second.wide, first.low, terms)
	// Rows two apart must clear each other by their boxes, since only neighbours are compared.
	const short = Math.max(0, heightMm + terms.gapMm - down.dropMm - back.dropMm)
	const rows: [Row, Row] = [
		{ periodMm: first.periodMm, pieces: first.pieces, ...back, dropMm: back.dropMm + short / 2 },
		{ periodMm: second.periodMm, pieces: second.pieces, ...down, dropMm: down.dropMm + short / 2 },
	]
	const pieces = first.pieces.length + second.pieces.length
	const density = (pieces * terms.areaMm2) / (first.periodMm * (rows[0].dropMm + rows[1].dropMm))
	return [{ rows, heightMm, density }]
}

/** The shift of the lower row at which it may lie highest. */
function bestShift(
	wide: Float64Array,
	low: Float64Array,
	{ cellMm, shifts }: Terms,
): { shiftMm: number; dropMm: number } {
	const cells = wide.length
	const step = Math.max(1, Math.floor(cells / shifts))
	let best = { shift: 0, drop: Infinity }
	for (let shift = 0; shift < cells; shift += step) {
		let drop = 0
		for (let cell = 0; cell < cells && drop < best.drop; cell++) {
			const above = wide[cell] ?? -Infinity
			const below = low[(cell - shift + cells) % cells] ?? Infinity
			if (above > -Infinity && below < Infinity) drop = Math.max(drop, above - below)
		}
		if (drop < best.drop) best = { shift, drop }
	}
	return { shiftMm: best.shift * cellMm, dropMm: best.drop }
}

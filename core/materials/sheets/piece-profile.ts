/**
 * What a row of cut pieces shows to the row above and below: its upper and lower edge, sampled in cells.
 * Every cell holds the extreme of the outline within it, and the gap is added as a disc, so that two rows kept apart by
 * their profiles never come closer than the gap. Rows interlock only as far as they see each other from above.
 */
import { flatten, type Outline, type Point } from '../../outlines/outline'

/** One piece in its row, turned, its bounding box at the origin. */
export interface TurnedPiece {
	/** Turned by this from the way its outline is given, clockwise on screen. */
	angleRad: number
	/** Closed polygon; the first point is not repeated. */
	points: readonly Point[]
	widthMm: number
	heightMm: number
}

/** Lowest and highest value of a piece in each cell along one axis; empty cells hold Infinity and -Infinity. */
export interface Profile {
	/** Lowest the outline reaches in each strip, mm. */
	low: Float64Array
	/** Highest the outline reaches in each strip, mm. */
	high: Float64Array
}

/** A polygon through points of a curve lies inside it by less than this share of its size; made up for by the gap. */
export const FLATTENING_SHARE = 0.0025
/** The line between two points lies within a tenth of a millimetre of the curve of a petal. */
const POINTS_PER_CURVE = 24

/** A piece turned by an angle, as a polygon of which the upper left corner of its box is the origin. */
export function turnPiece(outline: Outline, angleRad: number): TurnedPiece {
	const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)]
	const turned = flatten(outline, POINTS_PER_CURVE).map(({ x, y }) => ({ x: x * cos - y * sin, y: x * sin + y * cos }))
	const minX = Math.min(...turned.map(({ x }) => x))
	const minY = Math.min(...turned.map(({ y }) => y))
	const points = turned.map(({ x, y }) => ({ x: x - minX, y: y - minY }))
	return {
		angleRad,
		points,
		widthMm: Math.max(...points.map(({ x }) => x)),
		heightMm: Math.max(...points.map(({ y }) => y)),
	}
}

const halves = new WeakMap<TurnedPiece, TurnedPiece>()

/** The same piece turned half round; one object for one piece, so that its profiles are found again. */
export function halfTurned(piece: TurnedPiece): TurnedPiece {
	const known = halves.get(piece)
	if (known) return known
	const { angleRad, points, widthMm, heightMm } = piece
	const half = {
		angleRad: angleRad + Math.PI,
		points: points.map(({ x, y }) => ({ x: widthMm - x, y: heightMm - y })),
		widthMm,
		heightMm,
	}
	halves.set(piece, half)
	return half
}

const profiles = new WeakMap<TurnedPiece, Map<string, Profile>>()

/**
 * Extremes of y in cells of x, or of x in cells of y; kept with the piece, and not to be changed.
 *
 * @param cellMm - > 0
 * @complexity O(points + cells)
 */
export function profileOf(piece: TurnedPiece, along: 'x' | 'y', cellMm: number): Profile {
	const known = profiles.get(piece) ?? new Map<string, Profile>()
	profiles.set(piece, known)
	const key = `${along} ${cellMm}`
	const profile = known.get(key) ?? sampleProfile(piece, along, cellMm)
	known.set(key, profile)
	return profile
}

/** How far the outline reaches in each strip across it: lowest and highest, mm; Infinity where it is not. */
function sampleProfile({ points, widthMm, heightMm }: TurnedPiece, along: 'x' | 'y', cellMm: number): Profile {
	const across = along === 'x' ? 'y' : 'x'
	const cells = Math.ceil((along === 'x' ? widthMm : heightMm) / cellMm) + 1
	const low = new Float64Array(cells).fill(Infinity)
	const high = new Float64Array(cells).fill(-Infinity)
	const note = (cell: number, value: number) => {
		if (value < (low[cell] ?? -Infinity)) low[cell] = value
		if (value > (high[cell] ?? Infinity)) high[cell] = value
	}
	let from = points.at(-1)
	for (const to of points) {
		const [a, b] = from && from[along] <= to[along] ? [from, to] : [to, from ?? to]
		from = to
		const [start, end, value] = [a[along], b[along], a[across]]
		const first = Math.floor(start / cellMm)
		const last = Math.floor(end / cellMm)
		// Both ends themselves, which also is all there is of an upright edge; between them the edges of the cells.
		note(first, value)
		note(last, b[across])
		const slope = (b[across] - value) / (end - start)
		for (let cell = first + 1; cell <= last; cell++) {
			const crossing = value + slope * (cell * cellMm - start)
			note(cell - 1, crossing)
			note(cell, crossing)
		}
	}
	return { low, high }
}

/** A profile's far edge with the gap rolled along it; the first cell lies `reach` cells before the profile's. */
export interface WideEdge {
	/** By strip, mm. */
	values: Float64Array
	/** How many strips it was widened by. */
	reach: number
}

/** The far edge of a profile with a disc of the radius rolled along it: so far the gap reaches. */
export function widen(high: Float64Array, radiusMm: number, cellMm: number): WideEdge {
	const reach = Math.ceil(radiusMm / cellMm) + 1
	// Rise of the disc at so many cells' distance; two cells next to each other may touch.
	const rises = Array.from({ length: reach + 1 }, (_, cells) => {
		const apart = Math.max(0, cells - 1) * cellMm
		return apart <= radiusMm ? Math.sqrt(radiusMm ** 2 - apart ** 2) : -Infinity
	})
	const values = new Float64Array(high.length + 2 * reach).fill(-Infinity)
	high.forEach((value, k) => {
		for (let cell = k; cell <= k + 2 * reach; cell++) {
			const raised = value + (rises[Math.abs(cell - reach - k)] ?? -Infinity)
			if (raised > (values[cell] ?? 0)) values[cell] = raised
		}
	})
	return { values, reach }
}

/** How far apart two profiles must lie so that the first, widened, never passes the second. */
export function clearance({ values, reach }: WideEdge, low: Float64Array): number {
	let needed = -Infinity
	low.forEach((other, cell) => {
		if (other < Infinity) needed = Math.max(needed, (values[cell + reach] ?? -Infinity) - other)
	})
	return needed
}

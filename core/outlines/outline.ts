/**
 * A closed outline as segments: straight lines, cubic Béziers and elliptical arcs, in mm, y downwards as in SVG.
 * Quadratic Béziers are raised to cubics when they are read, which is exact.
 */

export interface Point {
	x: number
	y: number
}

export type Segment =
	| { type: 'line'; from: Point; to: Point }
	| { type: 'cubic'; from: Point; control1: Point; control2: Point; to: Point }
	| Arc

/** An arc of an ellipse by its centre; the angle runs from `startRad` by `sweepRad` (positive: clockwise on screen). */
export interface Arc {
	type: 'arc'
	from: Point
	to: Point
	centre: Point
	/** Half axis along its rotation. */
	rx: number
	/** Half axis across it. */
	ry: number
	/** Of its axes against those of the page. */
	rotationRad: number
	/** Parameter at which it begins. */
	startRad: number
	/** How far it goes, with its sign. */
	sweepRad: number
}

/** Segments in order, each beginning where the one before ends, the last ending where the first begins. */
export type Outline = readonly Segment[]

/** The point of a segment at `t` in [0, 1]. */
export function pointAt(segment: Segment, t: number): Point {
	if (segment.type === 'line') {
		const { from, to } = segment
		return { x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t }
	}
	if (segment.type === 'arc') return arcPoint(segment, segment.startRad + t * segment.sweepRad)
	const { from, control1, control2, to } = segment
	const s = 1 - t
	const [a, b, c, d] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t]
	return {
		x: a * from.x + b * control1.x + c * control2.x + d * to.x,
		y: a * from.y + b * control1.y + c * control2.y + d * to.y,
	}
}

/** The point of the ellipse at an angle, before it is rotated about its centre. */
export function arcPoint({ centre, rx, ry, rotationRad }: Arc, angleRad: number): Point {
	const [cos, sin] = [Math.cos(rotationRad), Math.sin(rotationRad)]
	const [x, y] = [rx * Math.cos(angleRad), ry * Math.sin(angleRad)]
	return { x: centre.x + x * cos - y * sin, y: centre.y + x * sin + y * cos }
}

/** Points along the outline, close enough to draw or to compare; the first is not repeated at the end. */
export function flatten(outline: Outline, pointsPerCurve = 24): Point[] {
	return outline.flatMap((segment) => {
		const count = segment.type === 'line' ? 1 : pointsPerCurve
		return Array.from({ length: count }, (_, k) => pointAt(segment, k / count))
	})
}

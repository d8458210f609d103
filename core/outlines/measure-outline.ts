/** Area and bounds of an outline, exact for its segments. */
import { pointAt, type Arc, type Outline, type Point, type Segment } from './outline'

export interface Bounds {
	/** All in the outline's own units. */
	minX: number
	minY: number
	maxX: number
	maxY: number
}

/**
 * Area in mm² by Green's theorem, ½·∮(x·dy − y·dx), each segment integrated in closed form.
 *
 * @returns >= 0, whichever way the outline runs; where it crosses itself, the parts of opposite turn cancel
 */
export function outlineAreaMm2(outline: Outline): number {
	return Math.abs(outline.reduce((total, segment) => total + segmentIntegral(segment), 0))
}

/** The segment's share of the area, by Green's theorem, mm². */
function segmentIntegral(segment: Segment): number {
	const { from, to } = segment
	if (segment.type === 'line') return (from.x * to.y - to.x * from.y) / 2
	if (segment.type === 'arc') {
		// Rotation keeps areas: the sector of the ellipse, and the drift of its centre.
		const { centre, rx, ry, sweepRad } = segment
		return (rx * ry * sweepRad + centre.x * (to.y - from.y) - centre.y * (to.x - from.x)) / 2
	}
	const { control1: p1, control2: p2 } = segment
	const cross = (a: Point, b: Point) => a.x * b.y - b.x * a.y
	// ½·∫(x·dy − y·dx) of a cubic in Bernstein form: (6·p0×p1 + 3·p0×p2 + p0×p3 + 3·p1×p2 + 3·p1×p3 + 6·p2×p3)/20.
	const sum =
		6 * cross(from, p1) +
		3 * cross(from, p2) +
		cross(from, to) +
		3 * cross(p1, p2) +
		3 * cross(p1, to) +
		6 * cross(p2, to)
	return sum / 20
}

/** The least upright rectangle round the outline: ends of segments and the turning points of its curves. */
export function outlineBounds(outline: Outline): Bounds {
	const points = outline.flatMap((segment) => [segment.from, segment.to, ...turningPoints(segment)])
	return {
		minX: Math.min(...points.map(({ x }) => x)),
		minY: Math.min(...points.map(({ y }) => y)),
		maxX: Math.max(...points.map(({ x }) => x)),
		maxY: Math.max(...points.map(({ y }) => y)),
	}
}

/** Where the segment turns back in x or y: with its ends, all that a bounding box needs. */
function turningPoints(segment: Segment): Point[] {
	if (segment.type === 'line') return []
	if (segment.type === 'arc') return arcTurns(segment).map((t) => pointAt(segment, t))
	const { from, control1, control2, to } = segment
	const turns = (['x', 'y'] as const).flatMap((axis) =>
		cubicTurns(from[axis], control1[axis], control2[axis], to[axis]),
	)
	return turns.map((t) => pointAt(segment, t))
}

/** Roots in (0, 1) of the derivative of a cubic Bézier in one coordinate. */
function cubicTurns(p0: number, p1: number, p2: number, p3: number): number[] {
	const a = p3 - 3 * p2 + 3 * p1 - p0
	const b = 2 * (p2 - 2 * p1 + p0)
	const c = p1 - p0
	if (Math.abs(a) < 1e-12) return b === 0 ? [] : [-c / b].filter(isInside)
	const discriminant = b * b - 4 * a * c
	if (discriminant < 0) return []
	const root = Math.sqrt(discriminant)
	return [(-b + root) / (2 * a), (-b - root) / (2 * a)].filter(isInside)
}

/** Parameters in [0, 1] at which the arc turns. */
function arcTurns({ rx, ry, rotationRad, startRad, sweepRad }: Arc): number[] {
	const [cos, sin] = [Math.cos(rotationRad), Math.sin(rotationRad)]
	const ofX = Math.atan2(-ry * sin, rx * cos)
	const ofY = Math.atan2(ry * cos, rx * sin)
	const turn = 2 * Math.PI
	return [ofX, ofX + Math.PI, ofY, ofY + Math.PI].flatMap((angle) => {
		const ahead = ((((angle - startRad) * Math.sign(sweepRad)) % turn) + turn) % turn
		return [ahead / Math.abs(sweepRad)].filter(isInside)
	})
}

/** The ends are looked at anyway. */
function isInside(t: number): boolean {
	return t > 0 && t < 1
}

/** Outlines moved and stretched. */
import { outlineBounds } from './measure-outline'
import { pointAt, type Arc, type Outline, type Point, type Segment } from './outline'

/** Stretches by `sx` and `sy`, both > 0, then moves by `dx` and `dy`. */
export interface Stretch {
	/** Factors along the axes. */
	sx: number
	sy: number
	/** Shift after the stretch. */
	dx: number
	dy: number
}

/** An arc of at most this angle, as a cubic, errs by less than 1e-7 of its radius. */
const MAX_CUBIC_ARC_RAD = Math.PI / 8

/** Exact, but for arcs of a rotated ellipse under unequal stretching, which become cubics within 1e-7 of their size. */
export function stretchOutline(outline: Outline, stretch: Stretch): Outline {
	return outline.flatMap((segment) => stretchSegment(segment, stretch))
}

/**
 * The outline stretched to a size, its foot (the lowest point of its middle line) at the origin, pointing up: x from
 * −width/2 to width/2, y from −length to 0.
 */
export function fitOutline(outline: Outline, widthMm: number, lengthMm: number): Outline {
	const { minX, minY, maxX, maxY } = outlineBounds(outline)
	const [sx, sy] = [widthMm / (maxX - minX), lengthMm / (maxY - minY)]
	return stretchOutline(outline, { sx, sy, dx: (-sx * (minX + maxX)) / 2, dy: -sy * maxY })
}

/** Lines and curves follow their points; an arc that becomes another ellipse is worked out. */
function stretchSegment(segment: Segment, stretch: Stretch): Segment[] {
	const move = ({ x, y }: Point): Point => ({ x: x * stretch.sx + stretch.dx, y: y * stretch.sy + stretch.dy })
	if (segment.type === 'line') return [{ type: 'line', from: move(segment.from), to: move(segment.to) }]
	if (segment.type === 'cubic') {
		const { from, control1, control2, to } = segment
		return [{ type: 'cubic', from: move(from), control1: move(control1), control2: move(control2), to: move(to) }]
	}
	const { sx, sy } = stretch
	const isAligned = Math.abs(Math.sin(2 * segment.rotationRad)) < 1e-12 || sx === sy || segment.rx === segment.ry
	if (!isAligned) return arcToCubics(segment).flatMap((cubic) => stretchSegment(cubic, stretch))
	return [stretchAlignedArc(segment, move, stretch)]
}

/** Of an arc whose axes lie along those of the stretch. */
function stretchAlignedArc(arc: Arc, move: (point: Point) => Point, { sx, sy }: Stretch): Arc {
	const moved = { ...arc, from: move(arc.from), to: move(arc.to), centre: move(arc.centre) }
	if (sx === sy) return { ...moved, rx: arc.rx * sx, ry: arc.ry * sx }
	// A circle's rotation only shifts the angle at which it starts; a quarter turn swaps the axes.
	if (arc.rx === arc.ry) {
		return { ...moved, rx: arc.rx * sx, ry: arc.ry * sy, startRad: arc.startRad + arc.rotationRad, rotationRad: 0 }
	}
	const isQuarterTurned = Math.abs(Math.cos(arc.rotationRad)) < 0.5
	return { ...moved, rx: arc.rx * (isQuarterTurned ? sy : sx), ry: arc.ry * (isQuarterTurned ? sx : sy) }
}

/** Cubics whose ends and tangents are the arc's. */
export function arcToCubics(arc: Arc): Segment[] {
	const count = Math.max(1, Math.ceil(Math.abs(arc.sweepRad) / MAX_CUBIC_ARC_RAD))
	const stepRad = arc.sweepRad / count
	const reach = (4 / 3) * Math.tan(stepRad / 4)
	const [cos, sin] = [Math.cos(arc.rotationRad), Math.sin(arc.rotationRad)]
	const tangentAt = (angle: number): Point => {
		const [x, y] = [-arc.rx * Math.sin(angle), arc.ry * Math.cos(angle)]
		return { x: reach * (x * cos - y * sin), y: reach * (x * sin + y * cos) }
	}
	return Array.from({ length: count }, (_, k): Segment => {
		const [start, end] = [arc.startRad + k * stepRad, arc.startRad + (k + 1) * stepRad]
		const from = k === 0 ? arc.from : pointAt(arc, k / count)
		const to = k === count - 1 ? arc.to : pointAt(arc, (k + 1) / count)
		const [out, back] = [tangentAt(start), tangentAt(end)]
		return {
			type: 'cubic',
			from,
			control1: { x: from.x + out.x, y: from.y + out.y },
			control2: { x: to.x - back.x, y: to.y - back.y },
			to,
		}
	})
}

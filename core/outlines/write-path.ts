/** An outline written as an SVG path. */
import type { Outline, Point, Segment } from './outline'

/** @param digits - after the point; 2 are a hundredth of a millimetre */
export function writePath(outline: Outline, digits = 2): string {
	const [first] = outline
	if (!first) return ''
	const number = (value: number) => String(Number(value.toFixed(digits)))
	const point = ({ x, y }: Point) => `${number(x)} ${number(y)}`
	return `M${point(first.from)}${outline.map((segment) => writeSegment(segment, point, number)).join('')}Z`
}

/** As an SVG command, absolute. */
function writeSegment(segment: Segment, point: (at: Point) => string, number: (value: number) => string): string {
	switch (segment.type) {
		case 'line':
			return `L${point(segment.to)}`
		case 'cubic':
			return `C${point(segment.control1)} ${point(segment.control2)} ${point(segment.to)}`
		case 'arc': {
			const { rx, ry, rotationRad, sweepRad, to } = segment
			const flags = `${Math.abs(sweepRad) > Math.PI ? 1 : 0} ${sweepRad > 0 ? 1 : 0}`
			return `A${number(rx)} ${number(ry)} ${number((rotationRad * 180) / Math.PI)} ${flags} ${point(to)}`
		}
	}
}

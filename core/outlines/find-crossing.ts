/**
 * Whether a closed polygon crosses itself: a sweep over its edges along the axis on which they are short, so that each is
 * compared with the few that lie beside it.
 */
import type { Point } from './outline'

interface Edge {
	/** Its position in the outline. */
	k: number
	from: Point
	to: Point
}

/**
 * A point where two edges of the polygon that are not neighbours cross; touching is no crossing.
 *
 * @complexity O(n log n + pairs of edges that overlap along the axis)
 */
export function findCrossing(points: readonly Point[]): Point | undefined {
	const edges = points.map((from, k): Edge => ({ k, from, to: points[(k + 1) % points.length] ?? from }))
	const axis = lengthAlong(edges, 'x') <= lengthAlong(edges, 'y') ? 'x' : 'y'
	const low = ({ from, to }: Edge) => Math.min(from[axis], to[axis])
	const high = ({ from, to }: Edge) => Math.max(from[axis], to[axis])
	let active: Edge[] = []
	for (const edge of edges.toSorted((a, b) => low(a) - low(b))) {
		active = active.filter((other) => high(other) >= low(edge))
		for (const other of active) {
			const crossing = areNeighbours(edge.k, other.k, points.length) ? undefined : cross(edge, other)
			if (crossing) return crossing
		}
		active.push(edge)
	}
	return undefined
}

/** Total length of edges seen along an axis: on the axis where it is less, fewer of them overlap. */
function lengthAlong(edges: readonly Edge[], axis: 'x' | 'y'): number {
	return edges.reduce((total, { from, to }) => total + Math.abs(to[axis] - from[axis]), 0)
}

/** Edges that share a corner touch there, and do not cross by it. */
function areNeighbours(i: number, j: number, count: number): boolean {
	const apart = Math.abs(i - j)
	return apart <= 1 || apart === count - 1
}

/** Where two edges cross; undefined: they do not, or only touch. */
function cross({ from: a, to: b }: Edge, { from: c, to: d }: Edge): Point | undefined {
	const side = (p: Point, q: Point, r: Point) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)
	const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)]
	// A notch may end on the line.
	if (s1 * s2 >= 0 || s3 * s4 >= 0) return undefined
	const t = s3 / (s3 - s4)
	return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) }
}

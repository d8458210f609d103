/**
 * SVG path data read into one closed outline, or refused with the reason. The library `svgpath` reads the letters and
 * numbers; what an outline may be is ours: one closed line that does not cross itself, its arcs kept as arcs, so that
 * areas stay exact.
 * Source: W3C, Scalable Vector Graphics (SVG) 1.1, 8.3 (path data) and F.6 (arcs); from memory.
 */
import svgpath from 'svgpath'
import { findCrossing } from './find-crossing'
import { outlineAreaMm2, outlineBounds } from './measure-outline'
import { flatten, type Arc, type Outline, type Point, type Segment } from './outline'

/** A path that is no outline; the message is for people. */
export class PathError extends Error {}

/** An outline that somebody cuts has a few dozen; hostile ones would take for ever to check. */
const MAX_SEGMENTS = 500
/** Of its text: 500 cubics with six decimals have some 40 000. */
const MAX_CHARACTERS = 60_000
/** Beyond it numbers lose the digits that a millimetre needs. */
const MAX_COORDINATE = 1e6
/** Ends closer than this share of the size are joined without a further line. */
const JOIN_TOLERANCE = 1e-6

/**
 * Reads one closed outline; an open end is closed by a straight line, as filling would.
 *
 * @throws {PathError} not path data, more than one line, nothing inside, or a line that crosses itself
 * @complexity O(points · log points) for the crossings of usual outlines, points <= 12·500
 */
export function parsePath(text: string): Outline {
	if (text.length > MAX_CHARACTERS) throw tooMany('more')
	const segments = closeOutline(readSegments(text))
	if (segments.length > MAX_SEGMENTS) throw tooMany(String(segments.length))
	const { minX, minY, maxX, maxY } = outlineBounds(segments)
	const box = (maxX - minX) * (maxY - minY)
	if (!(box > 0)) throw new PathError('The line encloses nothing.')
	const crossing = findCrossing(flatten(segments, 12))
	if (crossing) throw new PathError(`The line crosses itself near ${round(crossing.x)}, ${round(crossing.y)}.`)
	if (outlineAreaMm2(segments) < 1e-9 * box) throw new PathError('The line encloses nothing.')
	return segments
}

/** @param count - as it is told: a number, or that it is more */
function tooMany(count: string): PathError {
	return new PathError(`An outline has at most ${MAX_SEGMENTS} pieces of line, this one has ${count}.`)
}

/** A command with absolute coordinates, nothing left out. */
type Command = [name: string, ...numbers: number[]]

/**
 * Absolute commands without shorthands, by svgpath.
 *
 * @throws {PathError} it is no path data
 */
function readCommands(text: string): Command[] {
	// Not in its types: what it could not read, with the place.
	const path = svgpath(text) as ReturnType<typeof svgpath> & { err: string }
	if (path.err) throw new PathError(`This is no path data: ${path.err.replace(/^SvgPath: /, '')}.`)
	const commands: Command[] = []
	path
		.abs()
		.unshort()
		.iterate((segment) => void commands.push(segment as unknown as Command))
	const far = commands.flat().find((value) => typeof value === 'number' && !(Math.abs(value) <= MAX_COORDINATE))
	if (far !== undefined) throw new PathError(`${far} is too far away.`)
	return commands
}

/** @throws {PathError} it draws nothing, is too long, or has a second line */
function readSegments(text: string): Segment[] {
	const commands = readCommands(text)
	if (commands.length === 0) throw new PathError('The path draws nothing.')
	let [at, start]: [Point, Point] = [
		{ x: 0, y: 0 },
		{ x: 0, y: 0 },
	]
	let isClosed = false
	const segments: Segment[] = []
	for (const [name, ...numbers] of commands) {
		const isSecond = isClosed ? name !== 'Z' : name === 'M' && segments.length > 0
		if (isSecond) throw new PathError('An outline is one closed line; this path has more.')
		if (name === 'Z') {
			isClosed = true
			at = start
			continue
		}
		const to = endOf(name, numbers, at)
		if (name === 'M') start = to
		else {
			const segment = toSegment(name, numbers, at, to)
			if (!isPoint(segment)) segments.push(segment)
		}
		at = to
	}
	return segments
}

/** The last two numbers, or for the level and the upright line the one. */
function endOf(name: string, numbers: readonly number[], from: Point): Point {
	const [last = from.x, before = from.y] = [numbers.at(-1), numbers.at(-2)]
	if (name === 'H') return { x: last, y: from.y }
	return name === 'V' ? { x: from.x, y: last } : { x: before, y: last }
}

/** A quadratic curve is raised to a cubic one: the same curve. */
function toSegment(name: string, numbers: readonly number[], from: Point, to: Point): Segment {
	const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = numbers
	switch (name) {
		case 'C':
			return { type: 'cubic', from, control1: { x: x1, y: y1 }, control2: { x: x2, y: y2 }, to }
		case 'Q':
			return raise(from, { x: x1, y: y1 }, to)
		case 'A':
			return readArc(from, numbers, to)
		default:
			return { type: 'line', from, to }
	}
}

/** A line of no length, as a path often has at its end. */
function isPoint({ type, from, to }: Segment): boolean {
	return type === 'line' && from.x === to.x && from.y === to.y
}

/** A quadratic as the cubic that it is. */
function raise(from: Point, control: Point, to: Point): Segment {
	const towards = (end: Point): Point => ({
		x: end.x + (2 / 3) * (control.x - end.x),
		y: end.y + (2 / 3) * (control.y - end.y),
	})
	return { type: 'cubic', from, control1: towards(from), control2: towards(to), to }
}

/** Endpoint to centre parameters, as SVG 1.1 appendix F.6.5 and F.6.6 have it. */
function readArc(
	from: Point,
	[rawRx = 0, rawRy = 0, degrees = 0, isLarge = 0, isSweep = 0]: readonly number[],
	to: Point,
): Segment {
	let [rx, ry] = [Math.abs(rawRx), Math.abs(rawRy)]
	if (rx === 0 || ry === 0 || (from.x === to.x && from.y === to.y)) return { type: 'line', from, to }
	const rotationRad = (degrees * Math.PI) / 180
	const [cos, sin] = [Math.cos(rotationRad), Math.sin(rotationRad)]
	const [hx, hy] = [(from.x - to.x) / 2, (from.y - to.y) / 2]
	const [x1, y1] = [cos * hx + sin * hy, -sin * hx + cos * hy]
	const excess = Math.sqrt((x1 / rx) ** 2 + (y1 / ry) ** 2)
	if (excess > 1) [rx, ry] = [rx * excess, ry * excess]
	const denominator = (rx * y1) ** 2 + (ry * x1) ** 2
	const factor =
		Math.sqrt(Math.max(0, (rx * ry) ** 2 / denominator - 1)) * (Boolean(isLarge) === Boolean(isSweep) ? -1 : 1)
	const [cx, cy] = [(factor * rx * y1) / ry, (-factor * ry * x1) / rx]
	const startRad = Math.atan2((y1 - cy) / ry, (x1 - cx) / rx)
	const endRad = Math.atan2((-y1 - cy) / ry, (-x1 - cx) / rx)
	let sweepRad = endRad - startRad
	if (isSweep && sweepRad <= 0) sweepRad += 2 * Math.PI
	if (!isSweep && sweepRad >= 0) sweepRad -= 2 * Math.PI
	const centre = { x: cos * cx - sin * cy + (from.x + to.x) / 2, y: sin * cx + cos * cy + (from.y + to.y) / 2 }
	const arc: Arc = { type: 'arc', from, to, centre, rx, ry, rotationRad, startRad, sweepRad }
	return arc
}

/** What does not end where it began is closed with a straight line, as cutters are. */
function closeOutline(segments: Segment[]): Segment[] {
	const [first, last] = [segments[0], segments.at(-1)]
	if (!first || !last) throw new PathError('The path draws nothing.')
	const size = Math.max(...segments.flatMap(({ to }) => [Math.abs(to.x), Math.abs(to.y)]), 1e-9)
	const isJoined = Math.hypot(last.to.x - first.from.x, last.to.y - first.from.y) <= JOIN_TOLERANCE * size
	return isJoined ? segments : [...segments, { type: 'line', from: last.to, to: first.from }]
}

/** To hundredths, for the words of a message. */
function round(value: number): number {
	return Math.round(value * 100) / 100
}

/**
 * SVG path data read into one closed outline, or refused with the reason.
 * Source: W3C, Scalable Vector Graphics (SVG) 1.1, 8.3 (path data) and F.6 (arcs); from memory.
 */
import { outlineAreaMm2, outlineBounds } from './measure-outline'
import { flatten, type Arc, type Outline, type Point, type Segment } from './outline'

/** A path that is no outline; the message is for people. */
export class PathError extends Error {}

const MAX_SEGMENTS = 500
const MAX_COORDINATE = 1e6
/** Ends closer than this share of the size are joined without a further line. */
const JOIN_TOLERANCE = 1e-6

/**
 * Reads one closed outline; an open end is closed by a straight line, as filling would.
 *
 * @throws {PathError} not path data, more than one line, nothing inside, or a line that crosses itself
 * @complexity O(points²) for the crossings, points <= 12·500
 */
export function parsePath(text: string): Outline {
	const segments = closeOutline(readSegments(text))
	if (segments.length > MAX_SEGMENTS)
		throw new PathError(`An outline has at most ${MAX_SEGMENTS} pieces of line, this one has ${segments.length}.`)
	const { minX, minY, maxX, maxY } = outlineBounds(segments)
	const box = (maxX - minX) * (maxY - minY)
	if (!(box > 0)) throw new PathError('The line encloses nothing.')
	const crossing = findCrossing(flatten(segments, 12))
	if (crossing) throw new PathError(`The line crosses itself near ${round(crossing.x)}, ${round(crossing.y)}.`)
	if (outlineAreaMm2(segments) < 1e-9 * box) throw new PathError('The line encloses nothing.')
	return segments
}

/** Parameters that each command takes. */
const ARITY: Record<string, number> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 }

interface Command {
	name: string
	isRelative: boolean
	numbers: number[]
}

function readCommands(text: string): Command[] {
	const commands: Command[] = []
	const pattern = /([MmLlHhVvCcSsQqTtAaZz])|([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)|([\s,]+)|(.)/gs
	for (const [, letter, number, , other] of text.matchAll(pattern)) {
		if (other !== undefined) throw new PathError(`"${other}" does not belong into path data.`)
		if (letter) commands.push({ name: letter.toUpperCase(), isRelative: letter !== letter.toUpperCase(), numbers: [] })
		else if (number) {
			const current = commands.at(-1)
			if (!current) throw new PathError('Path data begins with M.')
			const value = Number(number)
			if (!(Math.abs(value) <= MAX_COORDINATE)) throw new PathError(`${number} is too far away.`)
			pushNumber(current, number)
		}
	}
	return commands
}

/** The two flags of an arc may stand without anything between them and the next number: "a1 1 0 00.5.5". */
function pushNumber(command: Command, text: string): void {
	const place = command.numbers.length % 7
	const isFlag = command.name === 'A' && (place === 3 || place === 4)
	if (!isFlag) {
		command.numbers.push(Number(text))
		return
	}
	if (text[0] !== '0' && text[0] !== '1') throw new PathError(`A flag of an arc is 0 or 1, got ${text}.`)
	command.numbers.push(Number(text[0]))
	if (text.length > 1) pushNumber(command, text.slice(1))
}

/** Where the pen is, and what smooth commands reflect. */
interface Pen {
	at: Point
	start: Point
	lastCubicControl: Point | undefined
	lastQuadraticControl: Point | undefined
}

function readSegments(text: string): Segment[] {
	const commands = readCommands(text)
	if (commands[0]?.name !== 'M') throw new PathError('Path data begins with M.')
	const pen: Pen = {
		at: { x: 0, y: 0 },
		start: { x: 0, y: 0 },
		lastCubicControl: undefined,
		lastQuadraticControl: undefined,
	}
	const segments: Segment[] = []
	let isClosed = false
	for (const { name, isRelative, numbers } of commands) {
		const arity = ARITY[name] ?? 0
		if (arity === 0 ? numbers.length > 0 : numbers.length === 0 || numbers.length % arity !== 0)
			throw new PathError(`${name} takes ${arity || 'no'} numbers, got ${numbers.length}.`)
		if (name !== 'Z' && isClosed) throw new PathError('An outline is one closed line; this path has more.')
		if (name === 'Z') {
			isClosed = true
			pen.at = pen.start
			continue
		}
		for (let n = 0; n < numbers.length; n += arity) {
			const isMove = name === 'M' && n === 0
			if (isMove && segments.length > 0) throw new PathError('An outline is one closed line; this path has more.')
			// Further pairs after a move are lines.
			const segment = readOne(isMove ? 'M' : name === 'M' ? 'L' : name, numbers.slice(n, n + arity), isRelative, pen)
			if (segment && !isPoint(segment)) segments.push(segment)
		}
	}
	return segments
}

function isPoint({ type, from, to }: Segment): boolean {
	return type === 'line' && from.x === to.x && from.y === to.y
}

/** Moves the pen; the segment drawn, if any. */
function readOne(name: string, numbers: readonly number[], isRelative: boolean, pen: Pen): Segment | undefined {
	const from = pen.at
	const point = (k: number): Point => ({
		x: (numbers[k] ?? 0) + (isRelative ? from.x : 0),
		y: (numbers[k + 1] ?? 0) + (isRelative ? from.y : 0),
	})
	const { lastCubicControl, lastQuadraticControl } = pen
	pen.lastCubicControl = undefined
	pen.lastQuadraticControl = undefined
	const draw = (segment: Segment): Segment => {
		pen.at = segment.to
		return segment
	}
	switch (name) {
		case 'M':
			pen.at = point(0)
			pen.start = pen.at
			return undefined
		case 'L':
			return draw({ type: 'line', from, to: point(0) })
		case 'H':
			return draw({ type: 'line', from, to: { x: (numbers[0] ?? 0) + (isRelative ? from.x : 0), y: from.y } })
		case 'V':
			return draw({ type: 'line', from, to: { x: from.x, y: (numbers[0] ?? 0) + (isRelative ? from.y : 0) } })
		case 'C':
		case 'S': {
			const control1 = name === 'C' ? point(0) : reflect(lastCubicControl, from)
			const control2 = point(name === 'C' ? 2 : 0)
			pen.lastCubicControl = control2
			return draw({ type: 'cubic', from, control1, control2, to: point(name === 'C' ? 4 : 2) })
		}
		case 'Q':
		case 'T': {
			const control = name === 'Q' ? point(0) : reflect(lastQuadraticControl, from)
			pen.lastQuadraticControl = control
			return draw(raise(from, control, point(name === 'Q' ? 2 : 0)))
		}
		default:
			return draw(readArc(from, numbers, point(5)))
	}
}

function reflect(control: Point | undefined, about: Point): Point {
	return control ? { x: 2 * about.x - control.x, y: 2 * about.y - control.y } : about
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

function closeOutline(segments: Segment[]): Segment[] {
	const [first, last] = [segments[0], segments.at(-1)]
	if (!first || !last) throw new PathError('The path draws nothing.')
	const size = Math.max(...segments.flatMap(({ to }) => [Math.abs(to.x), Math.abs(to.y)]), 1e-9)
	const isJoined = Math.hypot(last.to.x - first.from.x, last.to.y - first.from.y) <= JOIN_TOLERANCE * size
	return isJoined ? segments : [...segments, { type: 'line', from: last.to, to: first.from }]
}

/** A point where two edges of the polygon that are not neighbours cross. */
function findCrossing(points: readonly Point[]): Point | undefined {
	const edge = (k: number): [Point, Point] => {
		const [a, b] = [points[k], points[(k + 1) % points.length]]
		return [a ?? { x: 0, y: 0 }, b ?? { x: 0, y: 0 }]
	}
	for (let i = 0; i < points.length; i++) {
		for (let j = i + 2; j < points.length; j++) {
			if (i === 0 && j === points.length - 1) continue
			const crossing = cross(edge(i), edge(j))
			if (crossing) return crossing
		}
	}
	return undefined
}

function cross([a, b]: [Point, Point], [c, d]: [Point, Point]): Point | undefined {
	const side = (p: Point, q: Point, r: Point) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)
	const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)]
	// Touching is no crossing: a notch may end on the line.
	if (s1 * s2 >= 0 || s3 * s4 >= 0) return undefined
	const t = s3 / (s3 - s4)
	return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) }
}

function round(value: number): number {
	return Math.round(value * 100) / 100
}

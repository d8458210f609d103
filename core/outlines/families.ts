/** The built-in outlines, each of exactly the width and length asked for. Their shapes are our own. */
import type { CutForm, OutlineFamily } from '../vocabulary/piece-form'
import type { Outline } from './outline'
import { parsePath } from './parse-path'
import { fitOutline } from './transform-outline'

/** Most flowers have five of everything. */
const DEFAULT_LOBES = 5

/** Shapes without a size of their own, foot below. */
const SHAPES: Record<Exclude<OutlineFamily, 'star' | 'blossom' | 'calyx'>, string> = {
	circle: 'M0 0A50 50 0 0 1 0 -100A50 50 0 0 1 0 0Z',
	ellipse: 'M0 0A50 50 0 0 1 0 -100A50 50 0 0 1 0 0Z',
	petal: 'M0 0C-35 -18 -72 -68 0 -100C72 -68 35 -18 0 0Z',
	'round petal': 'M0 0C-55 -20 -70 -100 0 -100C70 -100 55 -20 0 0Z',
	heart: 'M0 0C-90 -45 -60 -110 0 -86C60 -110 90 -45 0 0Z',
	'lanceolate leaf': 'M0 0Q-100 -45 0 -100Q100 -45 0 0Z',
	'ovate leaf': 'M0 0C-80 -15 -50 -75 0 -100C50 -75 80 -15 0 0Z',
	triangle: 'M0 0L-50 -100L50 -100Z',
	strip: 'M-50 0V-100H50V0Z',
	fan: 'M0 0L-50 -60Q0 -125 50 -60Z',
}

const cache = new Map<string, Outline>()

/**
 * Outline of a cut piece in mm, foot at the origin, pointing up.
 *
 * @throws {PathError} an `own` path that is none
 */
export function cutOutline({
	outline,
	lobes = DEFAULT_LOBES,
	path = '',
	widthMm,
	lengthMm,
}: Pick<CutForm, 'outline' | 'lobes' | 'path' | 'widthMm' | 'lengthMm'>): Outline {
	const key = outline === 'own' ? path : `${outline} ${lobes}`
	const shape = cache.get(key) ?? parsePath(shapeOf(outline, lobes, path))
	// A long session edits many paths: the cache is for the few in use.
	if (cache.size > 200) cache.clear()
	cache.set(key, shape)
	return fitOutline(shape, widthMm, lengthMm)
}

/** Path data of a family in a box of its own size; it is stretched to the piece's afterwards. */
function shapeOf(outline: CutForm['outline'], lobes: number, path: string): string {
	switch (outline) {
		case 'own':
			return path
		case 'star':
			return pointed(lobes, 0.44)
		case 'calyx':
			return calyx(lobes)
		case 'blossom':
			return blossom(lobes)
		default:
			return SHAPES[outline]
	}
}

/** A point by its radius, of 1, and its turn from straight up, of 1. */
function at(radius: number, turn: number): string {
	const angle = 2 * Math.PI * turn
	return `${(100 * radius * Math.sin(angle)).toFixed(4)} ${(-100 * radius * Math.cos(angle)).toFixed(4)}`
}

/** A star, by how far in its notches lie, of 1. */
function pointed(points: number, innerRadius: number): string {
	const corners = Array.from({ length: 2 * points }, (_, k) => at(k % 2 === 0 ? 1 : innerRadius, k / (2 * points)))
	return `M${corners.join('L')}Z`
}

/** Slender points that bulge a little, parted almost to the middle. */
function calyx(points: number): string {
	const arms = Array.from({ length: points }, (_, k) => {
		const [tip, next] = [k / points, (k + 1) / points]
		const notch = (k + 0.5) / points
		return `Q${at(0.62, tip + 0.3 / points)} ${at(0.24, notch)}Q${at(0.62, next - 0.3 / points)} ${at(1, next)}`
	})
	return `M${at(1, 0)}${arms.join('')}Z`
}

/** Round lobes round a middle. */
function blossom(lobes: number): string {
	const petals = Array.from({ length: lobes }, (_, k) => {
		const [start, end] = [(k - 0.5) / lobes, (k + 0.5) / lobes]
		return `C${at(1.12, start + 0.12 / lobes)} ${at(1.12, end - 0.12 / lobes)} ${at(0.5, end)}`
	})
	return `M${at(0.5, -0.5 / lobes)}${petals.join('')}Z`
}

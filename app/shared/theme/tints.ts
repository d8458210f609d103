/** Tints of parts for pictures that stand alone; the same values stand in tokens.css. */
import type { Tint } from '../../../core/design/design'

export const TINT_COLOURS: Record<Tint, { fill: string; edge: string }> = {
	blush: { fill: '#f6e3ea', edge: '#b8698b' },
	plum: { fill: '#ebd9e4', edge: '#9a5a80' },
	fern: { fill: '#dde8dd', edge: '#4f8360' },
	straw: { fill: '#f3ecd2', edge: '#a88a2c' },
	apricot: { fill: '#f8e3d3', edge: '#c0763a' },
	iris: { fill: '#e2dff0', edge: '#7a70b4' },
	sea: { fill: '#dbe8ed', edge: '#5288a0' },
	clay: { fill: '#f0ded5', edge: '#a8694a' },
}

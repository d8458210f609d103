/** Tints of parts, each with the edge that goes with it. Flowers are drawn in those of the day. */
import type { Tint } from '../../../core/design/design'

export interface TintColours {
	fill: string
	edge: string
}

export const TINT_COLOURS: Record<Tint, TintColours> = {
	blush: { fill: '#f6e3ea', edge: '#b8698b' },
	plum: { fill: '#ebd9e4', edge: '#9a5a80' },
	fern: { fill: '#dde8dd', edge: '#4f8360' },
	straw: { fill: '#f3ecd2', edge: '#a88a2c' },
	apricot: { fill: '#f8e3d3', edge: '#c0763a' },
	iris: { fill: '#e2dff0', edge: '#7a70b4' },
	sea: { fill: '#dbe8ed', edge: '#5288a0' },
	clay: { fill: '#f0ded5', edge: '#a8694a' },
}

/** Behind words: dark enough for light letters. */
export const NIGHT_TINTS: Record<Tint, TintColours> = {
	blush: { fill: '#4a2f3b', edge: '#d48fad' },
	plum: { fill: '#432c3a', edge: '#c48fae' },
	fern: { fill: '#2b3f34', edge: '#84b596' },
	straw: { fill: '#443b20', edge: '#cdb25c' },
	apricot: { fill: '#4a3424', edge: '#d99c68' },
	iris: { fill: '#353150', edge: '#a69ed8' },
	sea: { fill: '#273f4a', edge: '#82b3c8' },
	clay: { fill: '#45332a', edge: '#c98e6e' },
}

/** Of what belongs to no part. */
export const NO_TINT = { day: { fill: '#e9e5ec', edge: '#6b5f86' }, night: { fill: '#36313d', edge: '#a89cc0' } }

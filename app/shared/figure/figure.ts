/** A drawing described once: shown as SVG on a page, drawn as vectors in a PDF. */

export interface Figure {
	/** Of what is shown: x, y, width and height in the drawing's own units, y downwards. */
	box: readonly [x: number, y: number, width: number, height: number]
	/** What it shows, for who cannot see it. */
	label: string
	/** In the order of drawing. */
	shapes: FigureShape[]
}

export type FigureShape = PathShape | WordsShape

export interface PathShape {
	type: 'path'
	/** As SVG writes paths. */
	path: string
	/** `matrix(a b c d e f)` as in SVG. */
	matrix?: readonly [number, number, number, number, number, number]
	fill?: string
	/** Its width is that on a screen, px, whatever the size of the drawing. */
	line?: { colour: string; width: number; dash?: readonly number[] }
	/** In [0, 1]. */
	opacity?: number
}

export interface WordsShape {
	type: 'words'
	text: string
	x: number
	/** Of the line that letters stand on. */
	y: number
	/** Of the letters, in the drawing's units. */
	size: number
	anchor?: 'start' | 'middle' | 'end'
	isBold?: boolean
	colour?: string
}

/** The figure seen in a mirror; words stay as they are read. */
export function mirrored(figure: Figure): Figure {
	const [x, y, width, height] = figure.box
	const flip = 2 * x + width
	const turned = { start: 'end', middle: 'middle', end: 'start' } as const
	return {
		...figure,
		box: [x, y, width, height],
		shapes: figure.shapes.map((shape): FigureShape => {
			if (shape.type === 'words') return { ...shape, x: flip - shape.x, anchor: turned[shape.anchor ?? 'start'] }
			const [a, b, c, d, e, f] = shape.matrix ?? [1, 0, 0, 1, 0, 0]
			return { ...shape, matrix: [-a, b, -c, d, flip - e, f] }
		}),
	}
}

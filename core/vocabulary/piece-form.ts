/** How a piece is shaped: cut, formed, moulded, bought, or made from pieces of another kind. Lengths in mm, masses in g. */

/** Outlines given by width and length; `own` is a path of the design's own. */
export const OUTLINE_FAMILIES = [
	'circle',
	'ellipse',
	'petal',
	'round petal',
	'heart',
	'lanceolate leaf',
	'ovate leaf',
	'triangle',
	'strip',
	'star',
	'blossom',
	'calyx',
	'fan',
] as const
export type OutlineFamily = (typeof OUTLINE_FAMILIES)[number]

export interface CutForm {
	type: 'cut'
	outline: OutlineFamily | 'own'
	/** Of a star, blossom or calyx; absent: 5. */
	lobes?: number
	/** SVG path of an `own` outline, one closed line; only its shape counts, the size is the width and length. */
	path?: string
	/** Across the piece. */
	widthMm: number
	/** Along it, from foot to tip. */
	lengthMm: number
	/** Rolled. */
	thicknessMm: number
}

export type FormedBody = 'ball' | 'cone' | 'drop' | 'cylinder'

/** How the pieces of a part come about. */
export type PartForm =
	| CutForm
	| { type: 'formed'; body: FormedBody; diameterMm: number; lengthMm?: number }
	| { type: 'moulded'; massG: number }
	| { type: 'bought'; item: string; massG?: number; diameterMm?: number }
	/** Each piece of another part gives so many of these. */
	| { type: 'derived'; fromPart: string; piecesEach: number }

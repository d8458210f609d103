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
	/** Cut out of each piece and kneaded back: a ring is a circle without its middle. */
	holes?: Hole[]
	/** After cutting: folded over or stuffed, it dries as two walls on one another; rolled up, as a cylinder of its width. */
	shaping?: 'folded' | 'rolled up'
}

/** Openings of one kind in a cut piece, none over another or over the edge. */
export interface Hole {
	outline: OutlineFamily
	widthMm: number
	lengthMm: number
	/** Absent: 1. */
	count?: number
}

/** A flattened ball has the mass of the ball and dries as a disc of its thickness; a half ball stands on its flat side. */
export const FORMED_BODIES = ['ball', 'cone', 'drop', 'cylinder', 'flattened ball', 'half ball'] as const
export type FormedBody = (typeof FORMED_BODIES)[number]

export interface FormedForm {
	type: 'formed'
	body: FormedBody
	/** Of a ball before it is flattened. */
	diameterMm: number
	/** Of a cone, drop or cylinder, tip included. */
	lengthMm?: number
	/** Of a flattened ball. */
	thicknessMm?: number
}

/** How the pieces of a part come about. */
export type PartForm =
	| CutForm
	| FormedForm
	| { type: 'moulded'; massG: number }
	/** With a length it is cut from a roll: ribbon, thread, tape that is itself a leaf. */
	| { type: 'bought'; item: string; massG?: number; diameterMm?: number; lengthMm?: number }
	/** Each piece of another part gives so many of these; counted for each kit, or over the class where what is left of one student's piece serves another. */
	| { type: 'derived'; fromPart: string; piecesEach: number; shared?: 'kit' | 'class' }

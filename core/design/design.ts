/**
 * A design as an instructor writes it down, and as it is exchanged: parts, steps and choices, with units in the names
 * of fields. Later versions of the format only add fields.
 * Not for: a design whose choices are made; see resolve-design.
 */
import type { AllowedPlace } from '../vocabulary/work-place'
import type { Allergen } from '../vocabulary/allergen'
import type { BackFace, DryingStage } from '../vocabulary/drying-stage'
import type { Paste } from '../vocabulary/paste'
import type { PartForm } from '../vocabulary/piece-form'

/** Marks a document as a design. */
export const DESIGN_FORMAT = 'calycine-design'
/** Newest version of the form that is read. */
export const DESIGN_FORMAT_VERSION = 2

export type DesignKind = 'flower' | 'foliage' | 'ornament' | 'topper'
export type Audience = 'adults' | 'children'
export type PartRole = 'centre' | 'petal' | 'sepal' | 'leaf' | 'bud' | 'filler' | 'base' | 'decoration'
export type Teaching = 'must' | 'worth' | 'routine'
export type Hazard =
	| 'wire'
	| 'sharp'
	| 'dust'
	| 'alcohol'
	| 'spray'
	| 'steam'
	| 'hot glue'
	| 'microwave'
	| 'small parts'
	| 'not food'
	| 'strain'

/** Tints of the palette in which a part is drawn. */
export const TINTS = ['blush', 'plum', 'fern', 'straw', 'apricot', 'iris', 'sea', 'clay'] as const
export type Tint = (typeof TINTS)[number]

/** Options of choices under which something exists, all of them to hold: `{ technique: ['wired'] }`. */
export type Condition = Record<string, string[]>

export interface PartWire {
	/** Number of the wire's gauge: the higher, the thinner. */
	gauge: number
	/** Whole mm, of each wire. */
	lengthMm: number
	/** Wires in a piece; absent: 1. */
	perPiece?: number
	colour: string
	/** How far the wire goes into the piece, as a fraction of its length. */
	insertedFraction: number
	/** How the wire gets into the piece. */
	method?: 'grooved board' | 'rolled rib' | 'pinched thread' | 'hooked'
	/** How far a rib reaches up the piece, as a fraction of its length. */
	ribFraction?: number
	/** Whole mm, to which it is cut in the end; absent: it stays as it was cut. */
	trimmedToMm?: number
	/** Id of the step that trims it; absent: the first of its part. From then on its off-cut is there. */
	trimmedIn?: string
	/** Cut from what the wires of the part with this id leave when they are trimmed, as far as there is enough. */
	fromOffcutsOf?: string
}

/** Some pieces of a part, larger, smaller or otherwise shaped than the others; what is absent is as the part says. */
export interface PartSize {
	name: string
	/** Whole, >= 1, per flower. */
	pieces: number
	widthMm?: number
	lengthMm?: number
	diameterMm?: number
	thicknessMm?: number
	massG?: number
	wire?: PartWire
	drying?: { backFace: BackFace; former: string }
	/** As of the part. */
	breakage?: number
	when?: Condition
}

/** So many pieces of a colour, then so many of the next, and over again: from layer to layer the row runs on. */
export interface AlternatingColour {
	colour: string
	/** Whole, >= 1. */
	pieces: number
	/** Of the drawing; absent: the part's. */
	tint?: Tint
}

/** Colours of which each piece is marbled, by their shares of its paste. */
export interface MarbledColour {
	colour: string
	/** In (0, 1]; all together 1. */
	share: number
}

/** Pieces beyond those in the flower, where the instructor has a rule of her own; per flower. */
export type SpareRule =
	/** So many more of every size and colour. */
	| { type: 'more'; pieces: number }
	/** So many in all, shared among sizes and colours as they are needed, rounded up. */
	| { type: 'in all'; pieces: number }

/** Pieces of several parts taped together before the assembly, or some of one. */
export interface Bundle {
	id: string
	name: string
	/** In each bundle. */
	of: { part: string; pieces: number }[]
	/** Whole, >= 1, per flower. */
	count: number
	/** Of the bundle itself. */
	wire?: PartWire
	/** Of tape round each bundle, full width. */
	turns?: number
	when?: Condition
}

/** Something mixed by a recipe, of which steps use a little. */
export interface Mixture {
	id: string
	name: string
	/** What it is used as, for cautions, films and exchanges; absent: nothing of the kinds. */
	kind?: MaterialKind
	/** The paste that it is, kneaded of others and powders instead of bought ready; then its unit is g. */
	makes?: Paste
	/** Of its amounts per piece and of its yield. */
	unit: 'ml' | 'g'
	ingredients: Ingredient[]
	/** Of one recipe; absent: the sum of the ingredients of the same unit. */
	yields?: number
}

/** Bought, or itself a mixture, or paste that is let down: then it joins the bill of that paste and colour. */
export interface Ingredient {
	name: string
	amount: number
	unit: 'ml' | 'g'
	allergens?: Allergen[]
	/** Id of the mixture that it is. */
	mixture?: string
	/** Of `colour`; in g. */
	paste?: Paste
	colour?: string
}

export type MaterialKind =
	| 'dust'
	| 'gel colour'
	| 'strong alcohol'
	| 'glaze'
	| 'spray'
	| 'hot glue'
	| 'edible glue'
	| 'royal icing'
	| 'steam'
	| 'starch'
	| 'fat'
	| 'other'

export interface Material {
	name: string
	kind: MaterialKind
	/** Absent: as is usual for the kind, or not measured out. */
	gPerPiece?: number
	/** Once a student, whatever the number of pieces: a palette, gel plates. */
	per?: 'student'
}

/** A paste beyond the usual ones, known by the one that it is like. */
export interface OwnPaste {
	/** As the studio calls it. */
	name: string
	/** In [0.25, 4]: 2 dries twice as fast. */
	paceFactor: number
}

/** A paste of the studio's own, with the usual one that it is like. */
export interface OwnPasteLike extends OwnPaste {
	/** The paste whose figures it has. */
	like: Paste
}

interface PartTerms {
	name: string
	/** Whole, >= 1, without spares. */
	piecesPerFlower: number
	/** What it is cut, formed or moulded to, mm. */
	form: PartForm
	paste?: Paste
	/** A paste of the studio's own, like `paste` but drying so many times as fast. */
	ownPaste?: OwnPaste
	/** Of the paste, by name; undyed paste has one too. */
	colour: string
	wire?: PartWire
	/** What it dries on, and how that breathes. */
	drying?: { backFace: BackFace; former: string }
	/** Absent: all pieces are as `form` says. Together they make `piecesPerFlower`. */
	sizes?: PartSize[]
	/** Absent: all pieces are of `colour`. */
	alternating?: AlternatingColour[]
	/** Absent: of one colour. Its gel is bought for each of these colours, none for the marble. */
	marbled?: MarbledColour[]
	/** Absent: by the chance that pieces break. */
	spares?: SpareRule
	/** Pieces taped together before the assembly, on a wire of the bundle's own; several parts in one: `bundles` of the design. */
	bundles?: { pieces: number; wire?: PartWire }
	/** Probability that a piece is lost in the hands of a practised student, in [0, 0.5]. */
	breakage: number
}

export interface Part extends PartTerms {
	id: string
	role: PartRole
	/** Of the drawing alone. */
	tint: Tint
	/** The part that it is put on, piece by piece: forty balls on each cone. `piecesPerFlower` counts them all. */
	on?: string
	/** Beyond what the paste is known for, as a label says. */
	allergens?: Allergen[]
	when?: Condition
	/** Terms that change under options; later ones win. */
	variants?: { when: Condition; set: Partial<PartTerms> }[]
}

/** What must have happened before a step. */
export interface Need {
	/** Id of the step that goes before. */
	after: string
	/** Absent: under every option. */
	when?: Condition
	/** Absent: no drying in between. */
	wait?: {
		/** Absent: it is time alone that must pass, as for glue to hold. */
		stage?: DryingStage
		/** Clock minutes that this usually takes, as the design states it. */
		usualMinutes: number
		/** These minutes hold whatever the room: nothing is computed. */
		isByHand?: boolean
		/** The instructor may bring dried pieces in exchange. */
		isSwappable?: boolean
	}
	/** This step must begin its last piece within so many minutes: "before it skins", "while still damp". */
	withinMinutes?: number
	/** The limit if what waits is kept covered. */
	withinCoveredMinutes?: number
	/** It must begin while the paste has not reached this stage: the time by which one piece in ten has. */
	beforeStage?: DryingStage
	/** It must begin in the time in which a film of the step before is still damp, as computed. */
	whileDamp?: boolean
	/** It is kept covered: the longer limit holds. */
	isCovered?: boolean
	/** Each piece follows by itself; both steps are of the same part. */
	isPieceByPiece?: boolean
}

interface StepTerms {
	/** Of a practised adult, per piece of the part, or per flower for a step of the assembly, unless `per` says otherwise. */
	minutesPerPiece: number
	/** Where a size takes longer or shorter, by its name. */
	minutesBySize?: Record<string, number>
	/** Once, whatever the number of pieces. */
	fixedMinutes: number
	/** For the student, in one or two sentences. */
	sentence: string
	/** One of each at a time; who has no own one waits for it. */
	tools: string[]
	/** For how much of a piece's time a tool is in the hand, in [0, 1]; absent: as usual for such a tool. */
	toolShares?: Record<string, number>
	/** Where it may be done but in class. */
	places: AllowedPlace[]
	/** What it is worth to do it in class. */
	teaching: Teaching
}

export interface Step extends StepTerms {
	id: string
	/** Absent: a step of the assembly. */
	part?: string
	/** Absent: all sizes of the part. */
	sizes?: string[]
	/** Of the part, per flower: this step takes only some of them (the first side; four, then five). Absent: all. */
	pieces?: number
	/** Ids of the layers that it puts on. */
	lays?: string[]
	/** Id of the bundle that it ties; its minutes and amounts are for each bundle. */
	bundle?: string
	/** What its minutes and amounts are for; absent: each piece of its part, each bundle, or each flower. */
	per?: 'piece' | 'flower' | 'student'
	/** Puts weight on what it is done to, beyond wiring, taping, hanging and packing, which do so by themselves. */
	load?: boolean
	/** What that which it has built rests on: hung up, or in a padded ring; one body on one. Absent: on nothing. */
	restsOn?: string
	/** Begins straight after the step of this id, if it can. */
	follows?: string
	/** What a left-hander does otherwise, in a sentence. */
	leftHanders?: string
	/** Two or three words for a tile. */
	label: string
	/** Id of the technique that it uses, shown once per course before its first use. */
	technique?: string
	/** Steps that come before, and the waits between. */
	needs: Need[]
	/** Present: may be interrupted, never for fewer pieces than this. */
	leastPieces?: number
	/** Present: may be left out, together with all steps of the same extra. */
	extra?: string
	materials?: Material[]
	/** Amounts in the mixture's unit. */
	uses?: { mixture: string; amountPerPiece: number; per?: 'student' }[]
	/** Beyond what materials, tools and wires tell by themselves. */
	hazards: Hazard[]
	/** Absent: under every option. */
	when?: Condition
	variants?: { when: Condition; set: Partial<StepTerms> }[]
}

export interface Choice {
	id: string
	name: string
	/** The first is the usual one. */
	options: { id: string; name: string }[]
}

export interface Technique {
	id: string
	name: string
	/** Of showing it once to the class. */
	demoMinutes: number
}

/** A layer of the assembly, from inside out. */
export interface Layer {
	/** By which a step names it; absent: none does. */
	id?: string
	part: string
	/** Absent: as they come. */
	sizes?: string[]
	/** It holds bundles, of which the part is one. */
	bundle?: string
	/** In this layer; all layers together use what the parts make. */
	pieceCount: number
	/** Distance of the pieces' feet from the middle. */
	radiusMm: number
	/** Over the gaps of the ring before, under its pieces, up a stem, laid along the ring, or anyhow. */
	arrangement: 'over gaps' | 'aligned' | 'spiral' | 'around' | 'free'
	/** Of the pieces' feet above the base; absent: 0. */
	heightMm?: number
	/** In a spiral, so much lower from piece to piece; absent: 0. */
	dropMm?: number
	/** 0 upright, 90 flat, more bent back; absent: 75. */
	opennessDeg?: number
	/** Absent: as is usual for the kind. */
	joining?: 'taped' | 'glued'
	/** Turns of tape a piece. */
	tapeTurns?: number
	/** Turns of tape that lock the layer when all its pieces are on. */
	lockTurns?: number
	tapeWidth?: 'full' | 'half' | 'third'
	/** Alternating round the ring; absent: the part's own. */
	tints?: Tint[]
	when?: Condition
}

export interface Design {
	format: typeof DESIGN_FORMAT
	formatVersion: typeof DESIGN_FORMAT_VERSION
	/** Lower-case letters, digits and hyphens. */
	id: string
	name: string
	kind: DesignKind
	/** Absent: adults. */
	audience?: Audience
	/** 1 (first lesson) to 5. */
	level: number
	/** Across, as it is sold. */
	finishedSizeMm: number
	/** The view that shows it best; absent: from above. */
	bestView?: 'above' | 'side'
	summary: string
	notes?: string
	/** What a student or a course decides on; may be none. */
	choices: Choice[]
	techniques: Technique[]
	mixtures?: Mixture[]
	/** Of several parts; absent: none. */
	bundles?: Bundle[]
	/** Of the stem that is taped, once a flower; absent: as usual where a layer is taped. */
	tapedStemMm?: number
	/** The steps are best done in the order in which they stand here; absent: yes. */
	keepOrder?: boolean
	/** Optional work that steps may belong to, and the value it has for the finished flower. */
	extras?: { id: string; name: string; value: number }[]
	parts: Part[]
	steps: Step[]
	/** From the middle outwards. */
	layers: Layer[]
}

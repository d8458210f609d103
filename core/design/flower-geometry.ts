/**
 * Where every piece of a flower stands: layers as rings round an axis, each piece a flat outline leant outwards from
 * its foot. Good for drawings and for gaps; the curl of a petal is left out.
 * Axes in mm: x to the right, y to the front, z up; azimuths clockwise from the back as seen from above.
 */
import { cutOutline } from '../outlines/families'
import { outlineBounds } from '../outlines/measure-outline'
import { flatten } from '../outlines/outline'
import { createRng, type Rng } from '../random'
import type { Tint } from './design'
import { discDiameterMm } from '../materials/piece-mass'
import type { FormedForm, PartForm } from '../vocabulary/piece-form'
import type { ResolvedLayer, ResolvedPart } from './resolve-design'

/** Lean of a layer that says nothing. */
export const USUAL_OPENNESS_DEG = 75
/** Turn from one piece to the next in a spiral: the golden angle, π·(3 − √5), as leaves stand on a stem. */
const GOLDEN_ANGLE_RAD = Math.PI * (3 - Math.sqrt(5))

export interface PlacedPiece {
	/** Position of the layer, from the middle. */
	layer: number
	/** Within its layer. */
	index: number
	part: ResolvedPart
	/** Of the drawing. */
	tint: Tint
	/** Around the axis of the flower. */
	azimuthRad: number
	/** Lean from upright. */
	opennessRad: number
	/** From the axis to its foot. */
	radiusMm: number
	/** Of its foot above the base. */
	heightMm: number
	/** Laid along the ring instead of outwards. */
	isAlong: boolean
	/** Of its outline; 1 without variation. */
	scale: number
}

export interface RingCover {
	layer: number
	partName: string
	/** Petals are meant to meet; leaves and sepals stand apart. */
	isMeantToClose: boolean
	/** In the ring. */
	pieceCount: number
	/** Of the middle of its first piece. */
	firstAzimuthRad: number
	/** Radius at which the pieces are widest, seen from above. */
	radiusMm: number
	/** Width of a piece there. */
	widthMm: number
	/** How much neighbours overlap there; negative: a gap. */
	overlapMm: number
	/** Share of the ring that is covered, over 1 where they overlap. */
	coverage: number
	/** The least number of such pieces without a gap. */
	closingCount: number
}

/** Sizes of natural variation, standard deviations; common practice, no source: nature is not uniform. */
const VARIATION = { azimuthOfPitch: 0.06, opennessRad: 0.07, scale: 0.035 }

/**
 * Every piece of the layers, inner layers first.
 *
 * @param seed - of natural variation; undefined: every piece alike
 */
export function placePieces(
	parts: readonly ResolvedPart[],
	layers: readonly ResolvedLayer[],
	seed?: number,
): PlacedPiece[] {
	const rng = seed === undefined ? undefined : createRng(seed)
	const byId = new Map(parts.map((part) => [part.id, part]))
	let before: Ring = { firstAzimuth: 0, pitch: 0 }
	return layers.flatMap((layer, l) => {
		if (layer.kinds.length === 0) return []
		const ring = ringOf(layer, l, before)
		if (layer.arrangement !== 'free') before = ring
		return layer.kinds.flatMap((kind, index): PlacedPiece[] => {
			const azimuth = ring.firstAzimuth + index * ring.pitch
			const common = {
				layer: l,
				azimuthRad: azimuth + vary(rng, VARIATION.azimuthOfPitch * ring.pitch),
				opennessRad: toRad(layer.opennessDeg ?? USUAL_OPENNESS_DEG) + vary(rng, VARIATION.opennessRad),
				radiusMm: layer.radiusMm,
				heightMm: (layer.heightMm ?? 0) - index * (layer.arrangement === 'spiral' ? (layer.dropMm ?? 0) : 0),
				isAlong: layer.arrangement === 'around',
				scale: 1 + vary(rng, VARIATION.scale),
			}
			const members = (layer.cluster ?? [kind]).flatMap((id) => byId.get(id) ?? [])
			return members.map((part, m) => ({
				...common,
				...(layer.cluster && standInBundle(common, members, m)),
				index: index * members.length + m,
				part,
				tint: layer.tints?.[index % layer.tints.length] ?? part.tint,
			}))
		})
	})
}

/** Pieces of a bundle stand close round its stem, leaning a little out of it; widths of their feet apart. */
const BUNDLE_SPREAD = 0.45

/** Where a piece of a bundle stands instead: the seeds of a sunflower fill a disc alike, however many they are. */
function standInBundle(
	{ azimuthRad, radiusMm, opennessRad }: Pick<PlacedPiece, 'azimuthRad' | 'radiusMm' | 'opennessRad'>,
	members: readonly ResolvedPart[],
	place: number,
): Pick<PlacedPiece, 'azimuthRad' | 'radiusMm' | 'opennessRad'> {
	const widthMm = Math.min(...members.map(({ form }) => pieceSize(form).widthMm))
	const awayMm = BUNDLE_SPREAD * widthMm * Math.sqrt(place)
	const angle = azimuthRad + place * GOLDEN_ANGLE_RAD
	const x = radiusMm * Math.sin(azimuthRad) + awayMm * Math.sin(angle)
	const y = radiusMm * Math.cos(azimuthRad) + awayMm * Math.cos(angle)
	const lean = opennessRad + (BUNDLE_LEAN_RAD * Math.cos(angle - azimuthRad) * place) / members.length
	return { azimuthRad: Math.atan2(x, y), radiusMm: Math.hypot(x, y), opennessRad: Math.max(0, lean) }
}

/** How far its outermost pieces lean out of a bundle. */
const BUNDLE_LEAN_RAD = 0.35

interface Ring {
	/** Of its first piece, rad. */
	firstAzimuth: number
	/** Angle from piece to piece, rad. */
	pitch: number
	/** Of a spiral: pieces of the same flowers stand at the same places. */
	spiralCount?: number
}

/** The first azimuth and the pitch of a ring; over the gaps is half a pitch on from the ring before. */
function ringOf({ pieceCount, arrangement }: ResolvedLayer, l: number, before: Ring): Ring {
	if (arrangement === 'spiral') {
		const firstAzimuth = before.spiralCount === pieceCount ? before.firstAzimuth : l * GOLDEN_ANGLE_RAD
		return { firstAzimuth, pitch: GOLDEN_ANGLE_RAD, spiralCount: pieceCount }
	}
	const pitch = (2 * Math.PI) / pieceCount
	if (arrangement === 'over gaps') return { firstAzimuth: before.firstAzimuth + (before.pitch || pitch) / 2, pitch }
	return { firstAzimuth: arrangement === 'aligned' ? before.firstAzimuth : l * GOLDEN_ANGLE_RAD, pitch }
}

/** A small chance deviation, so that the flower does not look turned on a lathe; without a generator none. */
function vary(rng: Rng | undefined, deviation: number): number {
	// The sum of three uniforms: near enough to normal, and never far out.
	return rng ? deviation * 2 * (rng() + rng() + rng() - 1.5) : 0
}

/** Degrees are what a design says. */
function toRad(degrees: number): number {
	return (degrees * Math.PI) / 180
}

/** Size of a piece as it is drawn, mm: width and length of a flat one, diameter and length of a body. */
export function pieceSize(form: PartForm): { widthMm: number; lengthMm: number } {
	switch (form.type) {
		case 'cut':
			return form
		case 'formed':
			return formedSize(form)
		case 'moulded': {
			const size = mouldedSizeMm(form.massG)
			return { widthMm: size, lengthMm: size }
		}
		case 'bought':
			return { widthMm: form.diameterMm ?? 4, lengthMm: form.diameterMm ?? 4 }
		case 'derived':
			return { widthMm: 8, lengthMm: 8 }
	}
}

/** A ball is as long as wide, a half ball half as high; one that is flattened is drawn as the disc that it becomes. */
function formedSize(form: FormedForm): { widthMm: number; lengthMm: number } {
	const { body, diameterMm, lengthMm = diameterMm } = form
	switch (body) {
		case 'ball':
			return { widthMm: diameterMm, lengthMm: diameterMm }
		case 'half ball':
			return { widthMm: diameterMm, lengthMm: diameterMm / 2 }
		case 'flattened ball': {
			const acrossMm = discDiameterMm(form)
			return { widthMm: acrossMm, lengthMm: acrossMm }
		}
		default:
			return { widthMm: diameterMm, lengthMm }
	}
}

/** A ball of the mass at 1.38 g/cm³ (from memory), pressed out to about one and a half times its width. */
function mouldedSizeMm(massG: number): number {
	return 1.5 * 10 * Math.cbrt((6 * massG) / (Math.PI * 1.38))
}

/** A body or a single piece in the middle: seen from above it lies about its own middle, not about its foot. */
export function isCentral({ pieceCount, radiusMm }: Pick<ResolvedLayer, 'pieceCount' | 'radiusMm'>): boolean {
	return pieceCount === 1 && radiusMm === 0
}

/** Overlap and gaps of every ring of at least two flat pieces, seen from above, at its widest circle. */
export function measureRings(parts: readonly ResolvedPart[], layers: readonly ResolvedLayer[]): RingCover[] {
	const byId = new Map(parts.map((part) => [part.id, part]))
	const placed = placePieces(parts, layers)
	return layers.flatMap((layer, l) => {
		// A ring of several sizes is measured by its widest.
		const part = layer.kinds
			.flatMap((kind) => byId.get(kind) ?? [])
			.toSorted((a, b) => pieceSize(b.form).widthMm - pieceSize(a.form).widthMm)[0]
		if (
			!part ||
			part.form.type !== 'cut' ||
			layer.pieceCount < 2 ||
			!['over gaps', 'aligned'].includes(layer.arrangement)
		)
			return []
		const { widthMm, radiusMm } = widestCircle(part, layer)
		const arcMm = 2 * radiusMm * Math.asin(Math.min(1, widthMm / (2 * radiusMm)))
		const circumference = 2 * Math.PI * radiusMm
		return [
			{
				layer: l,
				partName: part.name,
				isMeantToClose: part.role === 'petal',
				pieceCount: layer.pieceCount,
				firstAzimuthRad: placed.find((piece) => piece.layer === l)?.azimuthRad ?? 0,
				radiusMm,
				widthMm,
				overlapMm: (layer.pieceCount * arcMm - circumference) / layer.pieceCount,
				coverage: (layer.pieceCount * arcMm) / circumference,
				closingCount: Math.ceil(circumference / arcMm - 1e-9),
			},
		]
	})
}

/** Where the pieces are widest: the height up the piece, foreshortened by its lean. */
function widestCircle({ form }: ResolvedPart, layer: ResolvedLayer): { widthMm: number; radiusMm: number } {
	if (form.type !== 'cut') throw new TypeError(`a ring of ${form.type} pieces has no width`)
	const outline = cutOutline(form)
	const { minX, maxX } = outlineBounds(outline)
	const widest = flatten(outline, 32).reduce((best, point) =>
		Math.abs(point.x) > Math.abs(best.x) + 1e-9 ? point : best,
	)
	const reachMm = -widest.y * Math.sin(toRad(layer.opennessDeg ?? USUAL_OPENNESS_DEG))
	const widthMm = maxX - minX
	// A ring cannot be narrower than one piece laid across it.
	return { widthMm, radiusMm: Math.max(layer.radiusMm + reachMm, widthMm / 2) }
}

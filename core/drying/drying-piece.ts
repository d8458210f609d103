/**
 * A piece as the drying model sees it: a sheet between two faces, or a body that dries towards its middle.
 * Cones and other bodies are taken as the body of one inscribed radius with the same surface to volume.
 * A wrapped flower is a body of its outer size, not a sheet of its petals' thickness.
 */
import type { BackFace } from '../vocabulary/drying-stage'
import type { FilmShape } from './air-film'
import type { Extent } from './grid'
import type { PasteTerms } from './paste-terms'

export type DryingBody =
	/** `sizeMm`: along the air, for its film. */
	| { type: 'sheet'; thicknessMm: number; back: BackFace; sizeMm?: number }
	/** Round a wire, or without one at 0. */
	| { type: 'cylinder'; radiusMm: number; wireRadiusMm: number }
	/** Round a dry core that takes no water, or solid; `sizeMm`: of the whole flower whose foot it is, for its film. */
	| { type: 'sphere'; radiusMm: number; coreRadiusMm?: number; sizeMm?: number }
	| { type: 'cone'; baseRadiusMm: number; heightMm: number }
	/** Any other: its largest inscribed radius, exposed area and volume. */
	| { type: 'body'; inscribedRadiusMm: number; exposedAreaMm2: number; volumeMm3: number }

export interface DryingPiece {
	paste: PasteTerms
	/** How fast it dries against the paste's usual, > 0: 1 unless the studio knows better. */
	paceFactor?: number
	body: DryingBody
}

/**
 * Share of the air film that reaches the back of a sheet. Assumed, not measured; on a board starch and a lifting edge let
 * as much through as foam does.
 */
export const BACK_FACTORS: Record<BackFace, number> = {
	free: 1,
	ventilated: 0.7,
	tissue: 0.4,
	foam: 0.1,
	board: 0.1,
	cake: 0,
}

/** Along the air, where a sheet does not say; assumed. */
export const USUAL_SHEET_MM = 40

/** Faces open to the air at one time, 0 (none) to 1. A body has an outer one alone: its front. */
export interface Faces {
	/** Share of it that breathes, in [0, 1]. */
	front: number
	/** Share of it that breathes, in [0, 1]. */
	back: number
}

/** The faces as the piece lies at first. */
export function usualFaces(body: DryingBody): Faces {
	return body.type === 'sheet' ? { front: 1, back: BACK_FACTORS[body.back] } : { front: 1, back: 0 }
}

/** Where the moisture lives, and how the air sees it. */
export function toExtent(body: DryingBody): Extent {
	switch (body.type) {
		case 'sheet':
			return { innerM: 0, outerM: body.thicknessMm / 1000, exponent: 0 }
		case 'cylinder':
			return { innerM: body.wireRadiusMm / 1000, outerM: body.radiusMm / 1000, exponent: 1 }
		case 'sphere':
			return { innerM: (body.coreRadiusMm ?? 0) / 1000, outerM: body.radiusMm / 1000, exponent: 2 }
		case 'cone':
			return { innerM: 0, outerM: inscribedRadiusMm(body) / 1000, exponent: 2 }
		case 'body': {
			const exponent = (body.inscribedRadiusMm * body.exposedAreaMm2) / body.volumeMm3 - 1
			return { innerM: 0, outerM: body.inscribedRadiusMm / 1000, exponent: Math.max(0, exponent) }
		}
	}
}

/** Shape and length for the air film; the diameter of a body. */
export function toFilm(body: DryingBody): { shape: FilmShape; lengthM: number } {
	if (body.type === 'sheet') return { shape: 'sheet', lengthM: (body.sizeMm ?? USUAL_SHEET_MM) / 1000 }
	const sizeMm = body.type === 'sphere' ? body.sizeMm : undefined
	const { outerM, exponent } = toExtent(body)
	return { shape: roundness(exponent), lengthM: sizeMm === undefined ? 2 * outerM : sizeMm / 1000 }
}

/** The nearest of the shapes of which the film is known. */
function roundness(exponent: number): FilmShape {
	if (exponent < 0.5) return 'sheet'
	return exponent < 1.5 ? 'cylinder' : 'sphere'
}

/** Radius of the largest ball inside a cone. */
export function inscribedRadiusMm({ baseRadiusMm, heightMm }: { baseRadiusMm: number; heightMm: number }): number {
	return (baseRadiusMm * heightMm) / (baseRadiusMm + Math.hypot(baseRadiusMm, heightMm))
}

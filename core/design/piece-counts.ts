/** Pieces of each part that one student makes: what the flowers need, and spares for breakage. */
import type { PartForm } from '../vocabulary/piece-form'
import type { ResolvedDesign, ResolvedPart } from './resolve-design'
import { piecesToMake } from '../materials/spares'

export interface PieceCount {
	part: ResolvedPart
	/** Put into the flowers. */
	needed: number
	/** Made beside them, by the chance that pieces break. */
	spares: number
	/** needed + spares. */
	made: number
}

export interface SpareTerms {
	/** Chance that one student has enough, in (0, 1). */
	confidence: number
	/** Breakage of the group from that of a practised student. */
	breakageOf: (breakage: number) => number
}

/** Bought things do not break in the making; derived pieces come out of spares already counted. */
const FORMS_WITHOUT_SPARES: ReadonlySet<PartForm['type']> = new Set(['bought', 'derived'])

/** Counts for one student, in the order of the design's parts. */
export function countPieces(design: ResolvedDesign, flowersPerStudent: number, terms: SpareTerms): PieceCount[] {
	return design.parts.map((part) => {
		const needed = part.piecesPerFlower * flowersPerStudent
		const made = FORMS_WITHOUT_SPARES.has(part.form.type)
			? needed
			: piecesToMake(needed, terms.breakageOf(part.breakage), terms.confidence)
		return { part, needed, spares: made - needed, made }
	})
}

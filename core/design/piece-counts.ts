/**
 * Pieces of each kind that one student makes: what the flowers need, and spares for breakage or by the instructor's rule.
 * What other parts are made from is cut for those with their spares; its own spares are for the pieces used whole.
 */
import type { ResolvedDesign, ResolvedPart } from './resolve-design'

export interface PieceCount {
	part: ResolvedPart
	/** Put into the flowers whole, or made into pieces of another part. */
	needed: number
	/** Made beside them. */
	spares: number
	/** needed + spares. */
	made: number
	/** Of them: no student's own, but cut once for the whole class. Their number is in none of the others. */
	madeForClass: number
}

export interface SpareTerms {
	/** So many pieces of a kind that enough of them survive, >= those that are needed. */
	toMake: (part: ResolvedPart, needed: number) => number
	/** Over which pieces shared by the class are rounded up; absent: 1. */
	studentCount?: number
}

/** Counts for one student, in the order of the design's kinds of pieces. */
export function countPieces(design: ResolvedDesign, flowersPerStudent: number, terms: SpareTerms): PieceCount[] {
	const { parts } = design
	const known = new Map<ResolvedPart, PieceCount>()
	const count = (part: ResolvedPart): PieceCount => {
		const before = known.get(part)
		if (before) return before
		const takers = parts.filter(({ form }) => form.type === 'derived' && form.fromPart === part.of)
		const counted = takers.length === 0 ? countPlain(part) : countSource(part, takers)
		known.set(part, counted)
		return counted
	}

	function countPlain(part: ResolvedPart): PieceCount {
		const needed = part.piecesPerFlower * flowersPerStudent
		const made = Math.max(needed, madeOf(part, needed))
		return { part, needed, spares: made - needed, made, madeForClass: 0 }
	}

	/** Whole pieces with their own spares, and those that other parts are made from. */
	function countSource(part: ResolvedPart, takers: readonly ResolvedPart[]): PieceCount {
		const share = part.piecesPerFlower / part.piecesOfPart
		const whole = Math.max(0, Math.round((part.piecesOfPart - piecesTaken(takers)) * share)) * flowersPerStudent
		let [toDerive, madeForClass] = [0, 0]
		for (const taker of takers) {
			if (taker.form.type !== 'derived') continue
			const { piecesEach, shared } = taker.form
			const wanted = (count(taker).made * share) / piecesEach
			if (shared === 'class') madeForClass += Math.ceil(wanted * (terms.studentCount ?? 1) - 1e-9)
			else toDerive += Math.ceil(wanted - 1e-9)
		}
		const spares = Math.max(whole, madeOf(part, whole)) - whole
		return { part, needed: whole + toDerive, spares, made: whole + toDerive + spares, madeForClass }
	}

	/** By the instructor's rule, or so many that enough survive. */
	function madeOf(part: ResolvedPart, needed: number): number {
		const { spares, form, piecesPerFlower, piecesOfPart } = part
		if (needed === 0) return 0
		if (spares?.type === 'more') return needed + spares.pieces * flowersPerStudent
		if (spares?.type === 'in all')
			return Math.ceil((spares.pieces * piecesPerFlower) / piecesOfPart - 1e-9) * flowersPerStudent
		// Bought things do not break in the making.
		if (form.type === 'bought') return needed
		return terms.toMake(part, needed)
	}

	return parts.map(count)
}

/** Pieces of their source that the flowers' own pieces of derived parts take, per flower, without spares. */
export function piecesTaken(takers: readonly Pick<ResolvedPart, 'form' | 'piecesPerFlower'>[]): number {
	return takers.reduce((sum, { form, piecesPerFlower }) => {
		return sum + (form.type === 'derived' ? Math.ceil(piecesPerFlower / form.piecesEach) : 0)
	}, 0)
}

/** What one student works on: her own, and her share of what is cut for the class. */
export function workedPieces({ made, madeForClass }: PieceCount, studentCount: number): number {
	return made + Math.ceil(madeForClass / Math.max(1, studentCount))
}

/** Of what is cut for the class, what each seat cuts: as evenly as may be, the first seats the more. */
export function seatShare(madeForClass: number, seat: number, seatCount: number): number {
	return Math.floor(madeForClass / seatCount) + (seat < madeForClass % seatCount ? 1 : 0)
}

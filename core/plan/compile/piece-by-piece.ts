/**
 * Whether each piece goes on by itself. Said so by the design, or because a limit guards every piece: of sixty petals cut in
 * one go the first would have skinned before the last is veined, so nobody cuts all of them first.
 */
import { limitOf } from '../../design/need-limit'
import type { ResolvedNeed, ResolvedStep } from '../../design/resolve-design'

/** @param need - of the later step, for the earlier one */
export function goesPieceByPiece(from: ResolvedStep, to: ResolvedStep, need: ResolvedNeed): boolean {
	if (need.isPieceByPiece) return true
	const isLimited = limitOf(need) !== undefined || need.beforeStage !== undefined || Boolean(need.whileDamp)
	// What is done once a student has no pieces to go through.
	return isLimited && from.per !== 'student' && to.per !== 'student'
}

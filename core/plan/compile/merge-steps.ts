/**
 * Steps that follow piece by piece within a limit shorter than a batch takes are one task: pinch and press, petal by petal;
 * paint and dust, groove by groove. Nobody pinches five and then presses five where each is to be pressed at once.
 */
import type { ResolvedNeed, ResolvedStep } from '../../design/resolve-design'
import type { Limit } from './find-limits'
import { limitOf } from '../../design/need-limit'

/** Steps done one after the other at each piece, with the minutes that each piece waits in between. */
export interface MergedSteps {
	steps: ResolvedStep[]
	/** At each piece, over all its steps. */
	waitMinutes: number
}

export interface MergeTerms {
	/** Of one batch of a step. */
	batchMinutesOf: (step: ResolvedStep) => number
	/** Computed for a need; undefined: none. */
	limitFor: (from: ResolvedStep, need: ResolvedNeed) => Limit | undefined
	/** Planned minutes of the wait of a need. */
	waitFor: (from: ResolvedStep, to: ResolvedStep, need: ResolvedNeed) => number
}

/** @param chain - steps joined piece by piece, in their order */
export function mergeChain(chain: readonly ResolvedStep[], terms: MergeTerms): MergedSteps[] {
	const merged: MergedSteps[] = []
	for (const step of chain) {
		const before = merged.at(-1)
		const last = before?.steps.at(-1)
		const need = last && step.needs.find(({ after, isPieceByPiece }) => after === last.id && isPieceByPiece)
		if (before && last && need && isOneWork(last, step) && isTight(last, need, terms)) {
			const least = terms.limitFor(last, need)?.fromMinutes ?? 0
			before.steps.push(step)
			before.waitMinutes += Math.max(least, terms.waitFor(last, step, need))
		} else {
			merged.push({ steps: [step], waitMinutes: 0 })
		}
	}
	return merged
}

/** Whether the limit is over before a batch is done. */
function isTight(from: ResolvedStep, need: ResolvedNeed, { batchMinutesOf, limitFor }: MergeTerms): boolean {
	const limit = Math.min(limitOf(need) ?? Infinity, limitFor(from, need)?.untilMinutes ?? Infinity)
	return limit < batchMinutesOf(from)
}

/** Both or neither left out with an extra. */
function isOneWork(one: ResolvedStep, other: ResolvedStep): boolean {
	return one.extra === other.extra
}

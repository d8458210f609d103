/**
 * Steps that follow piece by piece within a limit shorter than a batch takes are one task: pinch and press, petal by petal;
 * paint and dust, groove by groove. Nobody pinches five and then presses five where each is to be pressed at once.
 */
import type { ResolvedNeed, ResolvedStep } from '../../design/resolve-design'
import { limitOf } from '../../design/need-limit'
import type { Limit } from './find-limits'
import { goesPieceByPiece } from './piece-by-piece'

/** Steps done one after the other at each piece, with the minutes that each piece waits in between. */
export interface MergedSteps {
	steps: ResolvedStep[]
	/** At each piece, over all its steps. */
	waitMinutes: number
}

/** How the work of some steps is grouped. */
export interface MergeBatch {
	/** Whole, >= 1. */
	unitMinutes: number
	/** Fewest units without a pause. */
	leastUnits: number
}

export interface MergeTerms {
	/** Of all steps of the design, for ways round. */
	steps: readonly ResolvedStep[]
	/** For each of the merged steps so far. */
	batchesOf: (merged: readonly MergedSteps[]) => readonly MergeBatch[]
	/** Computed for a need; undefined: none. */
	limitFor: (from: ResolvedStep, need: ResolvedNeed) => Limit | undefined
	/** Planned minutes of the wait of a need; Infinity: it never ends. */
	waitFor: (from: ResolvedStep, to: ResolvedStep, need: ResolvedNeed) => number
}

/**
 * @param chain - steps joined piece by piece, in their order
 * @complexity O(steps²): what is merged takes longer, and may then be too long for the step before it
 */
export function mergeChain(chain: readonly ResolvedStep[], terms: MergeTerms): MergedSteps[] {
	let merged = chain.map((step): MergedSteps => ({ steps: [step], waitMinutes: 0 }))
	for (;;) {
		const batches = terms.batchesOf(merged)
		const at = merged.findIndex((one, m) => {
			const [next, batch, nextBatch] = [merged[m + 1], batches[m], batches[m + 1]]
			return next && batch && nextBatch && isTight(one, next, [batch, nextBatch], terms)
		})
		const [one, next] = [merged[at], merged[at + 1]]
		if (!one || !next) return merged
		merged = merged.toSpliced(at, 2, {
			steps: [...one.steps, ...next.steps],
			waitMinutes: one.waitMinutes + waitBetween(one, next, terms) + next.waitMinutes,
		})
	}
}

/** The need that joins two neighbours, if each piece goes on by itself. */
function joinOf(
	one: MergedSteps,
	next: MergedSteps,
): { from: ResolvedStep; to: ResolvedStep; need: ResolvedNeed } | undefined {
	const [from, to] = [one.steps.at(-1), next.steps[0]]
	const need = from && to?.needs.find((other) => other.after === from.id && goesPieceByPiece(from, to, other))
	return from && to && need && { from, to, need }
}

/** Whether the limit is over before a batch is done, or before the last piece of the next one has its turn. */
function isTight(
	one: MergedSteps,
	next: MergedSteps,
	[batch, nextBatch]: readonly [MergeBatch, MergeBatch],
	terms: MergeTerms,
): boolean {
	const join = joinOf(one, next)
	// Both or neither are left out with an extra.
	if (!join || join.from.extra !== join.to.extra || hasWayRound(one, next, terms.steps)) return false
	const limit = Math.min(limitOf(join.need) ?? Infinity, terms.limitFor(join.from, join.need)?.untilMinutes ?? Infinity)
	const wait = waitBetween(one, next, terms)
	if (wait === Infinity) return false
	const units = Math.max(batch.leastUnits, nextBatch.leastUnits)
	const longestWait = wait + (units - 1) * Math.max(batch.unitMinutes, nextBatch.unitMinutes)
	return limit < batch.leastUnits * batch.unitMinutes || limit < longestWait
}

/** Minutes that each piece waits between the two. */
function waitBetween(one: MergedSteps, next: MergedSteps, { limitFor, waitFor }: MergeTerms): number {
	const join = joinOf(one, next)
	if (!join) return 0
	const { from, to, need } = join
	return Math.max(limitFor(from, need)?.fromMinutes ?? 0, waitFor(from, to, need))
}

/** Something else comes after the one and before the other: done as one, they would wait for themselves. */
function hasWayRound(one: MergedSteps, next: MergedSteps, steps: readonly ResolvedStep[]): boolean {
	const own = new Set([...one.steps, ...next.steps].map(({ id }) => id))
	const before = new Set(
		next.steps.flatMap(({ needs }) => needs.map(({ after }) => after)).filter((id) => !own.has(id)),
	)
	for (const id of before) {
		for (const { after } of steps.find((step) => step.id === id)?.needs ?? []) {
			if (one.steps.some((step) => step.id === after)) return true
			if (!own.has(after)) before.add(after)
		}
	}
	return false
}

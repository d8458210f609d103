/**
 * Repair of decisions whose schedule does not fit: moves (swaps, homework, ahead, drops) are added one at a time, each
 * the cheapest for what it gains, until all fits; then every move that turns out not to be needed is taken back.
 */
import type { NormalInstance } from '../problem/normal-form'
import { better, sampleSchedules, type Candidate, type SampleTerms } from './candidate'
import { initialDecisions, priceDecisions, type Decisions } from './decisions'
import { applyMove, listMoves, revertMove, type Move } from './moves'

export interface RepairTerms extends SampleTerms {
	/** How far a move's price counts against its gain: 1 by price, 0 by gain alone. */
	thrift: number
	/** Schedules sampled for each move that is tried. */
	samples: number
}

/**
 * The other way round: all moves of a kind at once, kind after kind, until all fits; then taken back one by one. It
 * finds what a single move at a time cannot, where two chains are both too long.
 */
export function relaxAndTighten(instance: NormalInstance, terms: RepairTerms): Candidate | undefined {
	const initial = initialDecisions(instance)
	const taken: Move[] = []
	let best: Candidate | undefined
	for (const kind of groupByKind(listMoves(instance))) {
		taken.push(...kind)
		const relaxed = taken.reduce((decisions, move) => applyMove(instance, decisions, move), initial)
		best = better(best, sampleSchedules(instance, relaxed, { ...terms, count: 4 * terms.samples }))
		if (best?.score.shortfall === 0) return takeBack(instance, best, taken, terms)
	}
	return best
}

/** Swaps, homework, work ahead, drops: from what costs students least to what costs them most. */
function groupByKind(moves: readonly Move[]): Move[][] {
	const kinds = new Map<string, Move[]>()
	for (const move of moves) {
		const kind = move.places.values().next().value ?? 'swap'
		kinds.set(kind, [...(kinds.get(kind) ?? []), move])
	}
	return [...kinds.values()]
}

/** One point of teaching value outweighs any number of the instructor's minutes, as in the objective. */
const MINUTES_PER_VALUE_POINT = 100_000

/**
 * @param start - the best candidate without moves, undefined if none keeps its maximum lags
 * @returns the repaired candidate; it may still fall short, by less
 */
export function repair(
	instance: NormalInstance,
	start: Candidate | undefined,
	terms: RepairTerms,
): Candidate | undefined {
	const moves = listMoves(instance)
	const taken: Move[] = []
	let best = start
	let decisions = start?.decisions ?? initialDecisions(instance)
	while ((!best || best.score.shortfall > 0) && taken.length < moves.length && terms.effort.schedules > 0) {
		const step = chooseMove(
			instance,
			decisions,
			best,
			moves.filter((move) => !taken.includes(move)),
			terms,
		)
		if (!step) break
		taken.push(step.move)
		best = step.candidate
		decisions = best.decisions
	}
	return best && best.score.shortfall === 0 ? takeBack(instance, best, taken, terms) : best
}

/** The move that gives most for its price among some samples of each; undefined: none helps. */
function chooseMove(
	instance: NormalInstance,
	decisions: Decisions,
	current: Candidate | undefined,
	moves: readonly Move[],
	terms: RepairTerms,
): { move: Move; candidate: Candidate } | undefined {
	let chosen: { move: Move; candidate: Candidate; merit: number } | undefined
	for (const move of moves) {
		const candidate = sampleSchedules(instance, applyMove(instance, decisions, move), {
			...terms,
			count: terms.samples,
		})
		if (!candidate) continue
		const gain = current ? lack(current) - lack(candidate) : 1
		if (!(gain > 0)) continue
		const merit = gain / priceAdded(current, candidate) ** terms.thrift
		if (!chosen || merit > chosen.merit) chosen = { move, candidate, merit }
	}
	return chosen
}

/** How much is missing: the shortfall, with the late minutes as a guide where the shortfall itself does not move yet. */
function lack({ score }: Candidate): number {
	return score.shortfall + 0.25 * score.lateMinutes
}

/** What the candidate costs more than the current one, in minutes; at least 1, since it is divided by. */
function priceAdded(current: Candidate | undefined, { score }: Candidate): number {
	const value = score.valueLost - (current?.score.valueLost ?? 0)
	const minutes = score.prepMinutes - (current?.score.prepMinutes ?? 0)
	return Math.max(1, value * MINUTES_PER_VALUE_POINT + minutes)
}

/** Tries to do without each move, the dearest first; keeps what still fits. */
function takeBack(instance: NormalInstance, fitting: Candidate, taken: readonly Move[], terms: RepairTerms): Candidate {
	const initial = initialDecisions(instance)
	let best = fitting
	for (const move of taken.toSorted((a, b) => priceOf(instance, b) - priceOf(instance, a))) {
		const decisions = reapply(
			instance,
			revertMove(instance, best.decisions, initial, move),
			taken.filter((other) => other !== move),
			best,
		)
		const candidate = sampleSchedules(instance, decisions, { ...terms, count: 2 * terms.samples })
		best = better(candidate, best) ?? best
	}
	return best
}

/** What a move costs by itself, in minutes. */
function priceOf(instance: NormalInstance, move: Move): number {
	const { valueLost, prepMinutes } = priceDecisions(instance, applyMove(instance, initialDecisions(instance), move))
	return valueLost * MINUTES_PER_VALUE_POINT + prepMinutes
}

/** What another move that still stands wants of the tasks that the reverted one touched. */
function reapply(
	instance: NormalInstance,
	reverted: Decisions,
	others: readonly Move[],
	{ decisions }: Candidate,
): Decisions {
	const isStanding = (move: Move) => {
		const isSwapKept = move.swaps.every((a) => decisions.swaps.has(a))
		return isSwapKept && [...move.places].every(([i, place]) => decisions.places[i] === place)
	}
	return others.filter(isStanding).reduce((current, move) => applyMove(instance, current, move), reverted)
}

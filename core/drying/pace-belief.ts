/**
 * What a studio believes of how fast its paste dries, learnt from its log. One factor f = e^u per paste multiplies
 * diffusivity and air film, so that in a steady room every time is divided by f. u is normal before anything is known;
 * an entry of the log is an interval (last seen not ready, first seen ready); a wild entry is nearly harmless, since
 * with a small chance an entry is taken to say nothing.
 * Assumes one batch's pieces share their error: their entries count as one together.
 */
import { DRYING_PIECE_SD, PASTE_PACE_SD } from '../vocabulary/spreads'
import { normalDistribution } from './normal-distribution'

/** Chance that an entry is a slip, and how wide such an entry may lie. */
const SLIP_CHANCE = 0.05
/** Of ln t: a factor of three either way is no surprise in a slip. */
const SLIP_SD = 1.2
/** After a change of brand or season. */
const CHANGE_SD = 0.15
/** The belief is held on a grid of u = ln f: f from 0.22 to 4.5 in steps of 1 %. */
const U_LIMIT = 1.5
const U_COUNT = 301
const U_GRID = Array.from({ length: U_COUNT }, (_, i) => -U_LIMIT + (2 * U_LIMIT * i) / (U_COUNT - 1))

export interface DryingObservation {
	/** What the model says for the room as logged at f = 1, hours > 0. */
	modelHours: number
	/** Last seen not ready; 0: never seen so. */
	notReadyHours: number
	/** First seen ready; absent: not yet. */
	readyHours?: number
	/** Entries of the same batch, this one included; absent: 1. */
	batchSize?: number
}

/** Weights over u from -1.5 to 1.5 in steps of 0.01; their sum is 1. */
export interface PaceBelief {
	weights: readonly number[]
}

/** Belief from a normal u, as before any entry. */
function normalBelief(mean = 0, sd = PASTE_PACE_SD): PaceBelief {
	return normalise(U_GRID.map((u) => Math.exp(-((u - mean) ** 2) / (2 * sd * sd))))
}

/** Nothing known but what holds for any studio. */
export const FIRST_BELIEF = normalBelief()

/**
 * @throws {RangeError} an entry that is no interval, or without a model time
 */
export function learn(observations: readonly DryingObservation[], before: PaceBelief = FIRST_BELIEF): PaceBelief {
	const logs = U_GRID.map((u) => {
		return observations.reduce((sum, entry) => sum + Math.log(likelihood(entry, u)) / (entry.batchSize ?? 1), 0)
	})
	const highest = Math.max(...logs)
	return normalise(before.weights.map((weight, i) => weight * Math.exp((logs[i] ?? 0) - highest)))
}

/** What stays believed after a change of brand or season: the same mean, less sure. */
export function widen(belief: PaceBelief): PaceBelief {
	const { mean, sd } = summariseBelief(belief)
	return normalBelief(mean, Math.hypot(sd, CHANGE_SD))
}

/** Of u = ln f. */
export function summariseBelief({ weights }: PaceBelief): { mean: number; sd: number } {
	const mean = weights.reduce((sum, weight, i) => sum + weight * (U_GRID[i] ?? 0), 0)
	const variance = weights.reduce((sum, weight, i) => sum + weight * ((U_GRID[i] ?? 0) - mean) ** 2, 0)
	return { mean, sd: Math.sqrt(variance) }
}

/** Chance that a piece takes at most so many times the model's time. */
export function chanceWithin({ weights }: PaceBelief, timesModel: number): number {
	if (timesModel <= 0) return 0
	const v = Math.log(timesModel)
	return weights.reduce(
		(sum, weight, i) => sum + weight * normalDistribution((v + (U_GRID[i] ?? 0)) / DRYING_PIECE_SD),
		0,
	)
}

/** Answers of `timesModel`: every forecast of a studio asks for the same two or three. */
const knownTimes = new WeakMap<PaceBelief, Map<number, number>>()

/**
 * How many times the model's time a piece takes at most, with that confidence.
 *
 * @param confidence - in (0, 1)
 */
export function timesModel(belief: PaceBelief, confidence: number): number {
	const known = knownTimes.get(belief) ?? new Map<number, number>()
	knownTimes.set(belief, known)
	const times = known.get(confidence) ?? findTimes(belief, confidence)
	known.set(confidence, times)
	return times
}

/** By bisection on the logarithm. */
function findTimes(belief: PaceBelief, confidence: number): number {
	let [low, high] = [-U_LIMIT - 8 * DRYING_PIECE_SD, U_LIMIT + 8 * DRYING_PIECE_SD]
	for (let i = 0; i < 40; i++) {
		const middle = (low + high) / 2
		if (chanceWithin(belief, Math.exp(middle)) < confidence) low = middle
		else high = middle
	}
	return Math.exp((low + high) / 2)
}

/**
 * How likely the entry is if the pace is exp(u): the piece became ready between two looks.
 *
 * @throws {RangeError} looks that are not in order, or no model time
 */
function likelihood({ modelHours, notReadyHours, readyHours = Infinity }: DryingObservation, u: number): number {
	if (!(modelHours > 0)) throw new RangeError(`modelHours must be > 0, got ${modelHours}`)
	if (!(readyHours > notReadyHours && notReadyHours >= 0))
		throw new RangeError(`an entry needs 0 <= notReadyHours < readyHours, got ${notReadyHours} to ${readyHours}`)
	const between = (mean: number, sd: number) => {
		const at = (hours: number) => normalDistribution((Math.log(hours) - mean) / sd)
		return at(readyHours) - at(notReadyHours)
	}
	const model = Math.log(modelHours)
	return (1 - SLIP_CHANCE) * between(model - u, DRYING_PIECE_SD) + SLIP_CHANCE * between(model, SLIP_SD)
}

/** Weights that add up to 1. */
function normalise(weights: readonly number[]): PaceBelief {
	const sum = weights.reduce((total, weight) => total + weight, 0)
	return { weights: weights.map((weight) => weight / sum) }
}

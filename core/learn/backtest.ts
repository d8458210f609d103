/** Is what was learnt any good? Every past occasion is predicted from what was known before its day, and compared. */
import { levelFactor } from '../course/pace'
import { spanOf } from './belief-span'
import {
	delayOf,
	MinutesBelief,
	USUAL_MINUTES_TERMS,
	type MinutesObservation,
	type MinutesTerms,
} from './minutes-belief'

/** An occasion, and what was said of it before. */
export interface BacktestedOccasion {
	observation: MinutesObservation
	/** Minutes: even odds, and the edges of what holds one in two, and nine in ten. */
	predicted: number
	half: readonly [number, number]
	ninety: readonly [number, number]
	/** By the stated minutes alone, and by the mean of the past. */
	stated: number
	meanOfPast: number
	/** Of the real minutes; undefined: they are not known to the minute. */
	real: number | undefined
}

export interface BacktestFigures {
	/** Of those whose real minutes are known. */
	count: number
	/** Median of |ln(predicted / real)|, of each way of predicting; NaN: of none. */
	error: { learnt: number; stated: number; meanOfPast: number }
	/** Share of the real minutes inside what was claimed, in [0, 1]. */
	insideHalf: number
	insideNinety: number
}

export interface Backtest {
	/** In the order of their days. */
	occasions: BacktestedOccasion[]
	figures: BacktestFigures
	/** The first and the last third of them. */
	thirds: { first: BacktestFigures; last: BacktestFigures }
}

/** @complexity a belief for each day */
export function backtestMinutes(
	observations: readonly MinutesObservation[],
	terms: MinutesTerms = USUAL_MINUTES_TERMS,
): Backtest {
	const dates = [...new Set(observations.map(({ date }) => date))].toSorted()
	const occasions = dates.flatMap((date) => {
		const past = observations.filter((own) => own.date < date)
		const belief = new MinutesBelief(past, terms)
		const ratios = new PastRatios(past)
		return observations.filter((own) => own.date === date).map((own) => compare(own, belief, ratios))
	})
	const third = Math.floor(occasions.length / 3)
	return {
		occasions,
		figures: figuresOf(occasions),
		thirds: { first: figuresOf(occasions.slice(0, third)), last: figuresOf(occasions.slice(occasions.length - third)) },
	}
}

function compare(observation: MinutesObservation, belief: MinutesBelief, past: PastRatios): BacktestedOccasion {
	const { at: predicted, half, ninety } = spanOf(belief.predict(observation))
	const { from, to } = observation
	return {
		observation,
		...{ predicted, half, ninety },
		stated: statedFor(observation),
		meanOfPast: past.predict(observation),
		real: from === to ? to : undefined,
	}
}

/** What is planned where nothing is learnt. */
function statedFor(observation: MinutesObservation): number {
	const { statedMinutes, level } = observation
	return statedMinutes * levelFactor(level) * Math.exp(delayOf(observation))
}

/** What somebody would do who keeps a list: the mean of the same step, else of all. */
class PastRatios {
	readonly #bySteps = new Map<string, number[]>()
	readonly #all: number[] = []

	constructor(past: readonly MinutesObservation[]) {
		for (const own of past) {
			if (own.from !== own.to) continue
			const ratio = own.to / statedFor(own)
			this.#bySteps.set(own.step, [...(this.#bySteps.get(own.step) ?? []), ratio])
			this.#all.push(ratio)
		}
	}

	predict(observation: MinutesObservation): number {
		return statedFor(observation) * (meanOf(this.#bySteps.get(observation.step)) ?? meanOf(this.#all) ?? 1)
	}
}

function figuresOf(occasions: readonly BacktestedOccasion[]): BacktestFigures {
	const known = occasions.flatMap((own) => (own.real === undefined ? [] : [{ ...own, real: own.real }]))
	const error = (predict: (own: BacktestedOccasion) => number) => {
		return medianOf(known.map((own) => Math.abs(Math.log(predict(own) / own.real))))
	}
	const inside = (edges: (own: BacktestedOccasion) => readonly [number, number]) => {
		const held = known.filter((own) => own.real >= edges(own)[0] && own.real <= edges(own)[1])
		return known.length === 0 ? NaN : held.length / known.length
	}
	return {
		count: known.length,
		error: {
			learnt: error(({ predicted }) => predicted),
			stated: error(({ stated }) => stated),
			meanOfPast: error(({ meanOfPast }) => meanOfPast),
		},
		insideHalf: inside(({ half }) => half),
		insideNinety: inside(({ ninety }) => ninety),
	}
}

function meanOf(values: readonly number[] | undefined): number | undefined {
	if (!values || values.length === 0) return undefined
	return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** NaN: of none. */
function medianOf(values: readonly number[]): number {
	const sorted = values.toSorted((a, b) => a - b)
	const middle = sorted.length / 2
	if (sorted.length === 0) return NaN
	return sorted.length % 2 === 1 ? sorted[Math.floor(middle)]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

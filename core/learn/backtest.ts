/** Is what was learnt any good? Every past occasion is predicted from what was known before its day, and compared. */
import { levelFactor } from '../course/pace'
import { spanOf } from './belief-span'
import { delayOf, USUAL_MINUTES_TERMS, type MinutesObservation, type MinutesTerms } from './minutes-belief'
import { RunningMinutes } from './running-minutes'

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

/**
 * What was cut off is taken in once, on its day: with one of twenty cut off, what was foretold later differs from what
 * `MinutesBelief` would have foretold by less than 3 %.
 *
 * @complexity O(observations · effects²)
 */
export function backtestMinutes(
	observations: readonly MinutesObservation[],
	terms: MinutesTerms = USUAL_MINUTES_TERMS,
): Backtest {
	const lastDates = new Map<string, string>()
	for (const { classId, date } of observations) if (date > (lastDates.get(classId) ?? '')) lastDates.set(classId, date)
	const belief = new RunningMinutes(terms)
	const ratios = new PastRatios()
	const occasions = [...byDate(observations)].flatMap(([date, own]) => {
		const told = own.map((one) => compare(one, belief, ratios))
		// In one order, so that the last digits are the same whatever came first.
		for (const one of own.toSorted((a, b) => (a.id < b.id ? -1 : 1))) {
			belief.take(one)
			ratios.add(one)
		}
		for (const classId of new Set(own.map((one) => one.classId)))
			if (lastDates.get(classId) === date) belief.leave(classId)
		return told
	})
	const third = Math.floor(occasions.length / 3)
	return {
		occasions,
		figures: figuresOf(occasions),
		thirds: { first: figuresOf(occasions.slice(0, third)), last: figuresOf(occasions.slice(occasions.length - third)) },
	}
}

function byDate(observations: readonly MinutesObservation[]): Map<string, MinutesObservation[]> {
	const dates = new Map<string, MinutesObservation[]>()
	for (const own of observations) {
		const list = dates.get(own.date)
		if (list) list.push(own)
		else dates.set(own.date, [own])
	}
	return new Map([...dates].toSorted(([a], [b]) => (a < b ? -1 : 1)))
}

function compare(observation: MinutesObservation, belief: RunningMinutes, past: PastRatios): BacktestedOccasion {
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

interface RunningMean {
	sum: number
	count: number
}

/** What somebody would do who keeps a list: the mean of the same step, else of all. */
class PastRatios {
	readonly #bySteps = new Map<string, RunningMean>()
	readonly #all: RunningMean = { sum: 0, count: 0 }

	add(own: MinutesObservation): void {
		if (own.from !== own.to) return
		const ratio = own.to / statedFor(own)
		const ofStep = this.#bySteps.get(own.step) ?? { sum: 0, count: 0 }
		this.#bySteps.set(own.step, ofStep)
		for (const mean of [ofStep, this.#all]) {
			mean.sum += ratio
			mean.count++
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

function meanOf(mean: RunningMean | undefined): number | undefined {
	return mean && mean.count > 0 ? mean.sum / mean.count : undefined
}

/** NaN: of none. */
function medianOf(values: readonly number[]): number {
	const sorted = values.toSorted((a, b) => a - b)
	const middle = sorted.length / 2
	if (sorted.length === 0) return NaN
	return sorted.length % 2 === 1 ? sorted[Math.floor(middle)]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

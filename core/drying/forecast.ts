/**
 * When a piece will be ready, and how sure that is. The model's time is spread by what is believed of the paste's pace;
 * since a hygrometer is easily 3 % off and near the cut-off that matters more than anything, a time that claims to be
 * sure is never earlier than the even one in a room 3 % damper.
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { isSteady, shiftPath, type DryingPath } from './climate'
import type { DryingPiece } from './drying-piece'
import { chanceWithin, timesModel, type PaceBelief } from './pace-belief'
import { predictStages, type StageHours } from './predict-stages'
import { byStage } from './stages'

/** Relative humidity that a hygrometer is trusted to. */
const HYGROMETER_ERROR = 0.03
/** The confidence at which the guard is meant to hold. */
const SURE = 0.9
/** Times of the model between which a pace is looked for. */
const FACTOR_RANGE = { least: 1 / 8, most: 8 }

export interface StageForecast {
	/** Even odds, hours; undefined: never here. */
	p50: number | undefined
	/** To plan with, hours; undefined: cannot be relied on here. */
	p90: number | undefined
	/** The 3 % damper room decides p90, or makes it impossible. */
	isGuarded: boolean
}

export interface Forecaster {
	stages: Record<DryingStage, StageForecast>
	/**
	 * Hours within which the stage is reached with that confidence; undefined: cannot be said of this room.
	 *
	 * @param confidence - in (0, 1)
	 */
	hoursAt: (stage: DryingStage, confidence: number) => number | undefined
	/** Confidence in [0, 1] that the stage is reached within so many hours. */
	sureWithin: (stage: DryingStage, hours: number) => number
}

/**
 * @param until - stages after this one are not looked at
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function forecast(
	piece: DryingPiece,
	path: DryingPath,
	belief: PaceBelief,
	until: DryingStage = 'through',
): Forecaster {
	const times = createTimes(piece, path, belief, until)
	const hoursAt = (stage: DryingStage, confidence: number) => {
		const plain = times.atTimesModel(timesModel(belief, confidence))[stage]
		if (confidence < SURE || plain === undefined) return plain
		const guarded = times.damper()[stage]
		return guarded === undefined ? undefined : Math.max(plain, guarded)
	}
	const last = DRYING_STAGES.indexOf(until)
	const stages = byStage((stage): StageForecast => {
		if (DRYING_STAGES.indexOf(stage) > last) return { p50: undefined, p90: undefined, isGuarded: false }
		const [p50, p90] = [hoursAt(stage, 0.5), hoursAt(stage, SURE)]
		const plain = times.atTimesModel(timesModel(belief, SURE))[stage]
		return { p50, p90, isGuarded: p50 !== undefined && p90 !== plain }
	})
	return { stages, hoursAt, sureWithin: (stage, hours) => sureWithin(times, belief, stage, hours) }
}

interface Times {
	/** Hours if the piece takes so many times what the model says. */
	atTimesModel: (factor: number) => StageHours
	/** Times of the model at which the stage takes just so many hours; 0: it is never reached. */
	factorFor: (stage: DryingStage, hours: number) => number
	/** At even odds. */
	even: () => StageHours
	/** At even odds, in air as damp as the hygrometer may hide. */
	damper: () => StageHours
}

/** Each way is run once, and only when it is asked for. */
function createTimes(piece: DryingPiece, path: DryingPath, belief: PaceBelief, until: DryingStage): Times {
	const evenFactor = timesModel(belief, 0.5)
	const predict = (way: DryingPath, factor: number) => predictStages(piece, way, { rateFactor: 1 / factor, until })
	const base = isSteady(path) ? predict(path, 1) : undefined
	const known = new Map<number, StageHours>()
	let guard: StageHours | undefined
	const atTimesModel = (factor: number): StageHours => {
		// In a steady room the pace is a mere factor of time; in a changing one each is run anew.
		const found = known.get(factor) ?? (base ? byStage((stage) => scale(base[stage], factor)) : predict(path, factor))
		known.set(factor, found)
		return found
	}
	return {
		atTimesModel,
		even: () => atTimesModel(evenFactor),
		damper: () => (guard ??= predict(shiftPath(path, { humidity: HYGROMETER_ERROR }), evenFactor)),
		factorFor: (stage, hours) => {
			if (!base) return searchFactor((factor) => (atTimesModel(factor)[stage] ?? Infinity) <= hours)
			const model = base[stage]
			return model === undefined ? 0 : hours / model
		},
	}
}

/** The largest factor that is still in time, by bisection on its logarithm. */
function searchFactor(isInTime: (factor: number) => boolean): number {
	let [low, high] = [Math.log(FACTOR_RANGE.least), Math.log(FACTOR_RANGE.most)]
	for (let i = 0; i < 9; i++) {
		const middle = (low + high) / 2
		if (isInTime(Math.exp(middle))) low = middle
		else high = middle
	}
	return Math.exp((low + high) / 2)
}

/**
 * Chance that the stage is reached, in [0, 1].
 *
 * @param hours - from when the piece is made
 */
function sureWithin(times: Times, belief: PaceBelief, stage: DryingStage, hours: number): number {
	const plain = chanceWithin(belief, times.factorFor(stage, hours))
	const even = times.even()[stage]
	if (even === undefined || plain <= 0.5) return plain
	const guarded = times.damper()[stage]
	// Between even odds and the guard the claim grows to 90 % at most.
	if (guarded === undefined) return Math.min(plain, 0.5)
	return hours >= guarded ? plain : Math.min(plain, 0.5 + ((SURE - 0.5) * (hours - even)) / (guarded - even))
}

/** A time that is never reached stays so, whatever the factor. */
function scale(hours: number | undefined, factor: number): number | undefined {
	return hours === undefined ? undefined : hours * factor
}

/**
 * When a piece will be ready, and what may be promised. Two doubts of different kind: the pace of the paste, against which
 * a longer wait helps, and the humidity, against which it does not. A hygrometer is easily 3 % off, and near the cut-off
 * that matters more than anything: a time that hangs on it is not called sure.
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { pasteOf, predictSubject, type DryingSubject } from './built-flower'
import { isSteady, shiftPath, type DryingPath } from './climate'
import { chanceWithin, timesModel, type PaceBelief } from './pace-belief'
import { stagesUntil, type StageHours } from './predict-stages'
import { byStage, cutOffHumidity, settlingHumidity } from './stages'

/** Relative humidity that a hygrometer may be off. */
const HYGROMETER_ERROR = 0.03
/** The confidence at which a time is called sure. */
const SURE = 0.9
/** A time that grows by more than this in air 3 % damper hangs on the room. */
const MOST_STRETCH = 1.5
/** Nobody plans with a wait that is longer. */
const LONGEST_WAIT_HOURS = 14 * 24
/** A reading's error, relative humidity: even odds over these five. */
const READING_SD = 0.02
const READING_NODES = [-1.2815516, -0.5244005, 0, 0.5244005, 1.2815516]
/** Times of the model between which a pace is looked for. */
const FACTOR_RANGE = { least: 1 / 8, most: 8 }
/** Humidity that would make a time sure is looked for in whole points, so far down. */
const DRIEST_POINTS = 30

/** What may be promised of a stage. */
export type Claim =
	/** 9 in 10 by `plan`, also in air as damp as the hygrometer may hide. */
	| 'sure'
	/** A time to plan with, which a damper room would break. */
	| 'if the room holds'
	/** Not to be expected in this room, though the air is not far off. */
	| 'unlikely'
	/** Not even in air drier than the hygrometer may hide. */
	| 'never'

export const CLAIMS = ['sure', 'if the room holds', 'unlikely', 'never'] as const satisfies readonly Claim[]

export interface StageForecast {
	claim: Claim
	/** Even odds, hours; undefined: never here. */
	p50: number | undefined
	/** To plan with, hours; undefined where it is unlikely or never comes. */
	plan: number | undefined
	/** That it is ready by `plan`, in [0, 0.9], where that hangs on the room. */
	chance?: number
}

export interface Forecaster {
	/** Stages that were not looked at count as never. */
	stages: Record<DryingStage, StageForecast>
	/**
	 * Hours within which the stage is reached with that confidence; undefined: not to be planned with in this room.
	 *
	 * @param confidence - in (0, 1)
	 */
	hoursAt: (stage: DryingStage, confidence: number) => number | undefined
	/** Confidence in [0, 1] that the stage is reached within so many hours. */
	sureWithin: (stage: DryingStage, hours: number) => number
	/** Humidity, in (0, 1), at or below which the stage would be sure; undefined: not by drier air alone. */
	sureBelow: (stage: DryingStage) => number | undefined
}

/**
 * @param until - what is wanted: other stages are looked at only on the way to it
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function forecast(
	subject: DryingSubject,
	path: DryingPath,
	belief: PaceBelief,
	until: DryingStage = 'through',
): Forecaster {
	const times = createTimes(subject, path, belief, until)
	const looked = new Set(until === 'through' ? DRYING_STAGES : stagesUntil(until))
	const stages = byStage((stage): StageForecast => {
		if (!looked.has(stage)) return { claim: 'never', p50: undefined, plan: undefined }
		const p50 = times.at(0.5)[stage]
		const { claim, plan } = claimOf(times, stage, SURE)
		return { claim, p50, plan, ...(claim === 'if the room holds' && { chance: chanceBy(times, stage, plan ?? 0) }) }
	})
	const hoursAt = (stage: DryingStage, confidence: number) => {
		const { plan } = stages[stage]
		if (plan === undefined || confidence === SURE) return plan
		return confidence < SURE ? times.at(confidence)[stage] : claimOf(times, stage, confidence).plan
	}
	const sureWithin = (stage: DryingStage, hours: number) => {
		const { claim, plan } = stages[stage]
		const chance = chanceBy(times, stage, hours)
		if (claim === 'sure' && plan !== undefined && hours >= plan) return Math.max(SURE, times.chance(stage, hours))
		return chance
	}
	return { stages, hoursAt, sureWithin, sureBelow: (stage) => sureBelow(subject, path, belief, stage) }
}

/** @param confidence - at least `SURE` */
function claimOf(times: Times, stage: DryingStage, confidence: number): Pick<StageForecast, 'claim' | 'plan'> {
	const pace = times.at(confidence)[stage]
	if (pace === undefined) {
		const mayBe = times.shifted(-HYGROMETER_ERROR)[stage] !== undefined
		return { claim: mayBe ? 'unlikely' : 'never', plan: undefined }
	}
	const guard = times.shifted(HYGROMETER_ERROR)[stage] ?? Infinity
	const plan = Math.max(pace, Math.min(guard, MOST_STRETCH * pace))
	if (plan > LONGEST_WAIT_HOURS) return { claim: 'unlikely', plan: undefined }
	return { claim: guard <= MOST_STRETCH * pace ? 'sure' : 'if the room holds', plan }
}

/** Chance that the stage is reached within so many hours, over what the reading may be off; at most 9 in 10. */
function chanceBy(times: Times, stage: DryingStage, hours: number): number {
	const sum = READING_NODES.reduce((total, node) => {
		if (node === 0) return total + times.chance(stage, hours)
		const even = times.shifted(READING_SD * node)[stage]
		return total + (even === undefined ? 0 : times.chanceOfEven(hours / even))
	}, 0)
	return Math.min(SURE, sum / READING_NODES.length)
}

/** Looked for in whole points of humidity: drier air is never later. */
function sureBelow(
	subject: DryingSubject,
	path: DryingPath,
	belief: PaceBelief,
	stage: DryingStage,
): number | undefined {
	const isSure = (points: number) => {
		const drier = shiftPath(path, { humidity: -points / 100 })
		return claimOf(createTimes(subject, drier, belief, stage), stage, SURE).claim === 'sure'
	}
	const humidity = settlingHumidity(path)
	const cutOff = cutOffHumidity(pasteOf(subject), stage)
	// Nothing is sure above the cut-off: begin below it.
	let low = Math.max(0, Math.floor(100 * (humidity - cutOff)))
	let high = low + DRIEST_POINTS
	if (humidity - high / 100 <= 0.1 || !isSure(high)) return undefined
	while (high - low > 1) {
		const middle = Math.floor((low + high) / 2)
		if (isSure(middle)) high = middle
		else low = middle
	}
	return humidity - high / 100
}

interface Times {
	/** Hours with that confidence in the pace, in the air as it is read. */
	at: (confidence: number) => StageHours
	/** At even odds, in air damper by so much. */
	shifted: (humidity: number) => StageHours
	/** Chance that the pace gets there in so many hours, in the air as it is read. */
	chance: (stage: DryingStage, hours: number) => number
	/** The same of a way that takes so many times its even time. */
	chanceOfEven: (times: number) => number
}

/** Each way is run once, and only when it is asked for. */
function createTimes(subject: DryingSubject, path: DryingPath, belief: PaceBelief, until: DryingStage): Times {
	const evenFactor = timesModel(belief, 0.5)
	const predict = (way: DryingPath, factor: number) => predictSubject(subject, way, { rateFactor: 1 / factor, until })
	const base = isSteady(path) ? predict(path, 1) : undefined
	const known = new Map<number, StageHours>()
	const knownShifts = new Map<number, StageHours>()
	const atTimesModel = (factor: number): StageHours => {
		// In a steady room the pace is a mere factor of time; in a changing one each is run anew.
		const found = known.get(factor) ?? (base ? byStage((stage) => scale(base[stage], factor)) : predict(path, factor))
		known.set(factor, found)
		return found
	}
	return {
		at: (confidence) => atTimesModel(timesModel(belief, confidence)),
		shifted: (humidity) => {
			const found = knownShifts.get(humidity) ?? predict(shiftPath(path, { humidity }), evenFactor)
			knownShifts.set(humidity, found)
			return found
		},
		chance: (stage, hours) => {
			if (!base)
				return chanceWithin(
					belief,
					searchFactor((factor) => (atTimesModel(factor)[stage] ?? Infinity) <= hours),
				)
			const model = base[stage]
			return chanceWithin(belief, model === undefined ? 0 : hours / model)
		},
		chanceOfEven: (times) => chanceWithin(belief, times * evenFactor),
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

/** A time that is never reached stays so, whatever the factor. */
function scale(hours: number | undefined, factor: number): number | undefined {
	return hours === undefined ? undefined : hours * factor
}

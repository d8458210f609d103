/**
 * The stages of drying: a moisture that must be reached down to a depth from the exposed face. Calibrated together with
 * the pastes on statements of practice (docs/drying.md). A shell bears in proportion to its depth squared, so that a
 * heavy body needs a deeper one.
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { meanAir, type DryingPath } from './climate'
import { equilibriumMoisture, waterActivity, type PasteTerms } from './paste-terms'

export interface StageTerms {
	/** kg/kg; of `settled` the least, see `stageMoisture`. */
	moisture: number
	/** m from each exposed face; Infinity: all through. */
	depthM: number
	/** Counts the front face of a sheet alone. */
	isFrontOnly: boolean
	/** A heavy body needs a deeper shell. */
	bearsWeight: boolean
	/** What it allows, in the words of the trade. */
	allows: string
}

export const STAGE_TERMS: Record<DryingStage, StageTerms> = {
	skin: surface(0.08, 4e-5, 'dry-brush while it is supported'),
	touch: surface(0.07, 1.2e-4, 'dust lightly, cover loosely'),
	set: shell(0.06, 1.8e-4, 'take off the former with care'),
	firm: shell(0.05, 1.8e-4, 'handle, paint, tape if thin'),
	hard: shell(0.04, 1.8e-4, 'assemble, wire up, load'),
	settled: shell(0.04, 3.6e-4, 'decorate without a mark; as dry as it gets here, soft inside where the paste is soft'),
	through: { ...shell(0.04, Infinity, 'pack and store'), bearsWeight: false },
}

/** kg/kg above which nothing counts as settled: it is no more than skin-dry. Assumed. */
const SETTLED_MOST = 0.08
/** Water activity above which nothing counts as settled. Assumed. */
const SETTLED_ACTIVITY = 0.65
/** What is left of the way from fresh to the moisture of the room. */
const SETTLED_SHARE = 0.13
/** Stays as long as this have a say in how dry a piece settles. */
const LONG_STAY_HOURS = 24

/** How moist a piece may be at a stage at most, kg/kg, on a path. */
export function stageMoisture(stage: DryingStage, paste: PasteTerms, path: DryingPath): number {
	if (stage !== 'settled') return STAGE_TERMS[stage].moisture
	const room = equilibriumMoisture(paste, settlingHumidity(path))
	const left = room + SETTLED_SHARE * (paste.freshMoisture - room)
	return Math.max(STAGE_TERMS.settled.moisture, Math.min(left, settledCap(paste)))
}

/** The driest air that a piece stays in for long, so that a damp evening does not make it settle sooner; in (0, 1). */
export function settlingHumidity({ stays }: DryingPath): number {
	const long = stays.filter(({ hours }, s) => s === stays.length - 1 || hours >= LONG_STAY_HOURS)
	return Math.min(...long.map(({ climate }) => meanAir(climate).humidity))
}

function settledCap(paste: Pick<PasteTerms, 'isothermK'>): number {
	return Math.min(SETTLED_MOST, equilibriumMoisture(paste, SETTLED_ACTIVITY))
}

/** Relative humidity from which on the paste never reaches the stage, in (0, 1). */
export function cutOffHumidity(paste: Pick<PasteTerms, 'isothermK'>, stage: DryingStage): number {
	const { moisture } = STAGE_TERMS[stage]
	return waterActivity(paste, stage === 'settled' ? Math.max(moisture, settledCap(paste)) : moisture)
}

function surface(moisture: number, depthM: number, allows: string): StageTerms {
	return { moisture, depthM, allows, isFrontOnly: true, bearsWeight: false }
}

function shell(moisture: number, depthM: number, allows: string): StageTerms {
	return { moisture, depthM, allows, isFrontOnly: false, bearsWeight: true }
}

/** A value for every stage. */
export function byStage<T>(value: (stage: DryingStage) => T): Record<DryingStage, T> {
	return Object.fromEntries(DRYING_STAGES.map((stage) => [stage, value(stage)])) as Record<DryingStage, T>
}

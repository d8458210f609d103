/**
 * When a piece first reaches each stage of drying along its path. First times only: what softens again later is told by
 * follow-drying. Source of the model: docs/drying.md; Crank, The Mathematics of Diffusion, 2nd ed. 1975 (from memory).
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import { meanAir, type DryingPath } from './climate'
import type { DryingPiece } from './drying-piece'
import { startRun, USUAL_FINENESS, type DryingRun, type Fineness, type RunStep } from './drying-run'
import { isDryTo, moistureLevel, requiredDepth, type DepthProfile, type DryDepth } from './dryness'
import { byStage, cutOffHumidity, stageMoisture } from './stages'

/** Hours from the start, or undefined: not in this way of drying, or not within the time looked at. */
export type StageHours = Record<DryingStage, number | undefined>

/** Longest time looked at where the climate follows the day. */
const LONGEST_BY_DAY_SEC = 60 * 86_400
/** A steady room is followed until everything possible is reached; nobody waits longer than this. */
const LONGEST_SEC = 20 * 365 * 86_400

export interface PredictOptions {
	/** Multiplies diffusivity and film. */
	rateFactor?: number
	/** Nothing else than this stage and those before it are looked for; settled by itself, since its place varies. */
	until?: DryingStage
	fineness?: Fineness
}

/**
 * @returns hours > 0; undefined where a stage is not reached
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function predictStages(
	piece: DryingPiece,
	path: DryingPath,
	{ rateFactor = 1, until = 'through', fineness = USUAL_FINENESS }: PredictOptions = {},
): StageHours {
	const run = startRun(piece, path, rateFactor, fineness)
	const found = byStage<number | undefined>(() => undefined)
	let pending = stagesUntil(until).map((stage) => ({
		stage,
		depth: requiredDepth(stage, run.grid, run.gridOf),
		moisture: stageMoisture(stage, piece.paste, path),
	}))
	let isLastBegun = false
	for (const step of run.steps()) {
		if (step.isLastStay && !isLastBegun) {
			isLastBegun = true
			pending = pending.filter(({ stage }) => canBeReached(piece, step, stage))
		}
		if (pending.length === 0) break
		const after = run.read(step.after, step.conditions)
		const reached = pending.filter(({ depth, moisture }) => isDryTo(after, depth, moisture))
		for (const item of reached) found[item.stage] = findCrossing(run, step, item) / 3600
		if (reached.length > 0) pending = pending.filter((item) => !reached.includes(item))
		const limit = step.stay.climate.type === 'day' ? LONGEST_BY_DAY_SEC : LONGEST_SEC
		if (pending.length === 0 || (step.isLastStay && step.endSec > limit)) break
	}
	return found
}

/** What has to be looked at for the sake of one stage: all before it, but settled for its own sake alone. */
export function stagesUntil(until: DryingStage): DryingStage[] {
	return until === 'settled' ? ['settled'] : DRYING_STAGES.slice(0, DRYING_STAGES.indexOf(until) + 1)
}

/** Whether a stage that is open when the last stay begins can come about in it at all. */
function canBeReached({ paste }: DryingPiece, { stay }: RunStep, stage: DryingStage): boolean {
	if (stay.movement === 'sealed') return stay.hours !== Infinity
	if (stay.climate.type === 'day') return true
	return meanAir(stay.climate).humidity < cutOffHumidity(paste, stage)
}

/** The moment within a step, refined by two shorter steps from the same beginning. */
function findCrossing(
	{ read }: DryingRun,
	step: RunStep,
	{ depth, moisture }: { depth: DryDepth; moisture: number },
): number {
	const length = step.endSec - step.startSec
	const excess = (profile: DepthProfile) => moistureLevel(profile, depth) - moisture
	let [low, lowValue] = [0, excess(read(step.before, step.conditions))]
	let [high, highValue] = [length, excess(read(step.after, step.conditions))]
	// In a new place the old profile may be dry enough at once under the new air.
	if (lowValue <= 0) return step.startSec
	for (let i = 0; i < 2; i++) {
		const at = low + ((high - low) * lowValue) / (lowValue - highValue)
		const value = excess(step.again(at))
		if (value > 0) [low, lowValue] = [at, value]
		else [high, highValue] = [at, value]
	}
	return step.startSec + low + ((high - low) * lowValue) / (lowValue - highValue)
}

/**
 * A piece over time: its moisture over the depth, and from when to when each stage holds. A stage that was reached is
 * lost again when the mean moisture of the depth that had to be dry rises above the stage's own: the piece softens, as
 * in a humid hall, or in a closed box where its inside catches up. Assumes that paste gives back and takes up alike
 * (no hysteresis).
 */
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import type { DryingPath } from './climate'
import { meanMoisture } from './diffusion'
import type { DryingPiece } from './drying-piece'
import { startRun, USUAL_FINENESS } from './drying-run'
import { isDryTo, meanInDepth, moistureLevel, requiredDepth, type DepthProfile, type DryDepth } from './dryness'
import { stageMoisture } from './stages'

/** From when to when a stage holds, in hours. */
export interface StageHold {
	stage: DryingStage
	/** Since the piece was made. */
	fromHours: number
	/** Absent: to the end of the time looked at. */
	toHours?: number
}

export interface DryingSample {
	/** Since the piece was made. */
	hours: number
	/** kg/kg, of the whole piece. */
	mean: number
	/** kg/kg at `depthsMm`. */
	moisture: number[]
}

export interface DryingCourse {
	/** Below the exposed face: of a sheet the front, of a body its outside. Rising; a sheet's last is its back. */
	depthsMm: number[]
	samples: DryingSample[]
	holds: StageHold[]
}

/** Enough for a smooth curve on a screen, few enough to send. */
const SAMPLE_COUNT = 80
/** Steps are no longer than this share of the time looked at, so that losses are found where they are. */
const LONGEST_STEP_SHARE = 1 / 60

interface Watch {
	stage: DryingStage
	/** Where it is looked at. */
	depth: DryDepth
	/** At most, kg/kg. */
	moisture: number
	/** When it began to hold; absent while it does not. */
	since?: number
	/** Above 0: not reached, or lost. Of the step before. */
	excess: number
}

/**
 * @param untilHours - how long to look, > 0
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function followDrying(
	piece: DryingPiece,
	path: DryingPath,
	{ untilHours, rateFactor = 1 }: { untilHours: number; rateFactor?: number },
): DryingCourse {
	const run = startRun(piece, path, rateFactor, {
		...USUAL_FINENESS,
		longestStepSec: untilHours * 3600 * LONGEST_STEP_SHARE,
	})
	const { outerM, innerM } = run.grid
	const isHalf = run.gridOf === 'half sheet'
	const watches = DRYING_STAGES.map((stage): Watch => {
		return {
			stage,
			depth: requiredDepth(stage, run.grid, run.gridOf),
			moisture: stageMoisture(stage, piece.paste, path),
			excess: Infinity,
		}
	})
	const holds: StageHold[] = []
	const samples: DryingSample[] = []
	let depthsMm: number[] = []
	for (const step of run.steps()) {
		const profile = run.read(step.after, step.conditions)
		const [from, to] = [step.startSec / 3600, step.endSec / 3600]
		if (depthsMm.length === 0) {
			depthsMm = showDepths(profile, outerM, isHalf ? outerM : undefined)
			samples.push({
				hours: 0,
				mean: piece.paste.freshMoisture,
				moisture: depthsMm.map(() => piece.paste.freshMoisture),
			})
		}
		for (const watch of watches) follow(watch, profile, from, to, holds)
		samples.push({ hours: to, mean: meanMoisture(run.grid, step.after), moisture: showMoisture(profile, isHalf) })
		if (to >= untilHours) break
	}
	for (const { stage, since } of watches) if (since !== undefined) holds.push({ stage, fromHours: since })
	return { depthsMm, samples: thin(samples), holds: holds.toSorted((a, b) => a.fromHours - b.fromHours) }
	function showDepths({ positions }: DepthProfile, outer: number, mirrorAt: number | undefined): number[] {
		const front = [...positions].reverse().map((position) => (outer - position) * 1000)
		if (mirrorAt === undefined) return front
		return [...front, ...front.toReversed().map((depth) => 2 * (outer - innerM) * 1000 - depth)]
	}
}

/** From the exposed face inwards; a sheet that dries on both faces is reckoned as a half and shown whole. */
function showMoisture({ moisture }: DepthProfile, isHalf: boolean): number[] {
	const front = [...moisture].reverse()
	return isHalf ? [...front, ...front.toReversed()] : front
}

/** Opens or closes the hold of a stage over one step; the moment lies on a straight line between its ends. */
function follow(watch: Watch, profile: DepthProfile, fromHours: number, toHours: number, holds: StageHold[]): void {
	const { stage, depth, moisture, since } = watch
	const isHeld = since !== undefined
	const excess = (isHeld ? meanInDepth(profile, depth) : moistureLevel(profile, depth)) - moisture
	const moment = () => {
		const share = Number.isFinite(watch.excess) && watch.excess !== excess ? watch.excess / (watch.excess - excess) : 1
		return fromHours + Math.min(1, Math.max(0, share)) * (toHours - fromHours)
	}
	if (!isHeld && isDryTo(profile, depth, moisture)) {
		watch.since = moment()
		watch.excess = meanInDepth(profile, depth) - moisture
	} else if (isHeld && excess > 0) {
		holds.push({ stage, fromHours: since, toHours: moment() })
		delete watch.since
		watch.excess = moistureLevel(profile, depth) - moisture
	} else watch.excess = excess
}

/** About so many samples, first and last among them. */
function thin(samples: readonly DryingSample[]): DryingSample[] {
	const stride = Math.ceil(samples.length / SAMPLE_COUNT)
	return samples.filter((_, s) => s % stride === 0 || s === samples.length - 1)
}

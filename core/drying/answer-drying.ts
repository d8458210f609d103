/** Everything that is to be said of one piece on one way of drying: when, how sure, why so slow, and what would help. */
import type { DryingStage } from '../vocabulary/drying-stage'
import { isEverDamp, type DryingPath } from './climate'
import type { DryingPiece } from './drying-piece'
import { followDrying, type DryingCourse } from './follow-drying'
import { forecast, type Forecaster, type StageForecast } from './forecast'
import { timesModel, type PaceBelief } from './pace-belief'
import { byStage, cutOffHumidity } from './stages'
import { findWhatHelps, findWhatSlows, type Rung, type SlowReason } from './what-helps'

export interface DryingQuestion {
	piece: DryingPiece
	/** Where it lies, one stay after the other. */
	path: DryingPath
	/** What is asked for. */
	stage: DryingStage
	/** Hours from the start to when it is wanted, > 0. */
	wantedHours: number
}

/** The first that is wanted, and soon known. */
export interface DryingVerdict {
	/** Hours to each stage. */
	stages: Record<DryingStage, StageForecast>
	/** Below which each stage can be reached at all, in (0, 1). */
	cutOffs: Record<DryingStage, number>
	/** Confidence in [0, 1] that the stage is reached when it is wanted. */
	sure: number
	/** The wanted stage is lost again before it is wanted: so many hours from the start. */
	softensAtHours?: number
	/** Hours sooner that it must begin to be planned for; absent: it is early enough, or never comes. */
	beginEarlierHours?: number
}

export interface DryingAnswer extends DryingVerdict {
	/** Its moisture through time and depth, for the drawing. */
	course: DryingCourse
	/** What makes it slow, the worst first; empty where nothing does. */
	slow: SlowReason[]
	/** What would make it ready sooner. */
	rungs: Rung[]
	/** Humidity, in (0, 1), at or below which the wanted stage would be sure; absent: it is, or drier air alone is not enough. */
	sureBelow?: number
}

/** The section is followed a little beyond what is asked. */
const LOOK_ON = 1.25
/** A very thin piece is looked at for so long all the same, and a hopeless one no longer than two weeks. */
const LEAST_LOOK_HOURS = 2
const LONGEST_LOOK_HOURS = 24 * 14

/**
 * Confidence in [0, 1] that the stage is reached when it is wanted, and not lost again by then: the one figure that every
 * screen tells.
 *
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function sureWhenWanted(question: DryingQuestion, belief: PaceBelief): number {
	const { piece, path, stage, wantedHours } = question
	if (findSoftening(question, belief) !== undefined) return 0
	return forecast(piece, path, belief, stage).sureWithin(stage, wantedHours)
}

/**
 * When, and how sure: without the reasons, and without what would help.
 *
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function judgeDrying(question: DryingQuestion, belief: PaceBelief): DryingVerdict {
	return judge(question, belief, forecast(question.piece, question.path, belief))
}

/**
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function answerDrying(question: DryingQuestion, belief: PaceBelief): DryingAnswer {
	const { piece, path, stage, wantedHours } = question
	const looked = forecast(piece, path, belief)
	const { p50, plan, claim } = looked.stages[stage]
	const untilHours = Math.min(
		LONGEST_LOOK_HOURS,
		Math.max(LEAST_LOOK_HOURS, LOOK_ON * Math.max(plan ?? p50 ?? 0, wantedHours)),
	)
	const sureBelow = claim === 'sure' ? undefined : looked.sureBelow(stage)
	return {
		...judge(question, belief, looked),
		course: followDrying(piece, path, { untilHours, rateFactor: evenRate(belief) }),
		slow: findWhatSlows(piece, path, stage),
		rungs: findWhatHelps(piece, path, stage, belief).rungs,
		...(sureBelow !== undefined && { sureBelow }),
	}
}

function judge(question: DryingQuestion, belief: PaceBelief, { stages, sureWithin }: Forecaster): DryingVerdict {
	const { piece, stage, wantedHours } = question
	const { plan } = stages[stage]
	const softensAtHours = findSoftening(question, belief)
	return {
		stages,
		cutOffs: byStage((each) => cutOffHumidity(piece.paste, each)),
		sure: softensAtHours === undefined ? sureWithin(stage, wantedHours) : 0,
		...(softensAtHours !== undefined && { softensAtHours }),
		...(plan !== undefined && plan > wantedHours && { beginEarlierHours: plan - wantedHours }),
	}
}

/** Hours from the start at which the stage that was reached is lost again before it is wanted. */
function findSoftening({ piece, path, stage, wantedHours }: DryingQuestion, belief: PaceBelief): number | undefined {
	// Most pieces never meet air that could take a stage from them.
	if (!isEverDamp(path, wantedHours, cutOffHumidity(piece.paste, stage))) return undefined
	const { holds } = followDrying(piece, path, { untilHours: wantedHours, rateFactor: evenRate(belief) })
	const hold = holds.findLast((held) => held.stage === stage && held.fromHours <= wantedHours)
	return hold?.toHours !== undefined && hold.toHours <= wantedHours ? hold.toHours : undefined
}

/** At even odds. */
function evenRate(belief: PaceBelief): number {
	return 1 / timesModel(belief, 0.5)
}

/** Everything that is to be said of one piece on one way of drying: when, how sure, why so slow, and what would help. */
import type { DryingStage } from '../vocabulary/drying-stage'
import type { DryingPath } from './climate'
import type { DryingPiece } from './drying-piece'
import { followDrying, type DryingCourse } from './follow-drying'
import { forecast, type StageForecast } from './forecast'
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

export interface DryingAnswer {
	/** Hours to each stage. */
	stages: Record<DryingStage, StageForecast>
	/** Below which each stage can be reached at all, in (0, 1). */
	cutOffs: Record<DryingStage, number>
	/** Confidence in [0, 1] that the stage is reached when it is wanted. */
	sure: number
	/** The wanted stage is lost again before it is wanted: so many hours from the start. */
	softensAtHours?: number
	/** Its moisture through time and depth, for the drawing. */
	course: DryingCourse
	/** What makes it slow, the worst first; empty where nothing does. */
	slow: SlowReason[]
	/** What would make it ready sooner. */
	rungs: Rung[]
	/** Hours sooner that it must begin to be planned for; absent: it is early enough, or never comes. */
	beginEarlierHours?: number
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
export function sureWhenWanted({ piece, path, stage, wantedHours }: DryingQuestion, belief: PaceBelief): number {
	const course = followDrying(piece, path, { untilHours: wantedHours, rateFactor: 1 / timesModel(belief, 0.5) })
	if (lostAt(course, stage, wantedHours) !== undefined) return 0
	return forecast(piece, path, belief, stage).sureWithin(stage, wantedHours)
}

/** Hours from the start at which a stage that was reached is lost again before it is wanted. */
function lostAt({ holds }: DryingCourse, stage: DryingStage, wantedHours: number): number | undefined {
	const hold = holds.findLast((held) => held.stage === stage && held.fromHours <= wantedHours)
	return hold?.toHours !== undefined && hold.toHours <= wantedHours ? hold.toHours : undefined
}

/**
 * @throws {RangeError} a piece without depth, or a path without stays
 */
export function answerDrying({ piece, path, stage, wantedHours }: DryingQuestion, belief: PaceBelief): DryingAnswer {
	const looked = forecast(piece, path, belief)
	const { p50, p90 } = looked.stages[stage]
	const untilHours = Math.min(
		LONGEST_LOOK_HOURS,
		Math.max(LEAST_LOOK_HOURS, LOOK_ON * Math.max(p90 ?? p50 ?? 0, wantedHours)),
	)
	const course = followDrying(piece, path, { untilHours, rateFactor: 1 / timesModel(belief, 0.5) })
	const softensAtHours = lostAt(course, stage, wantedHours)
	return {
		stages: looked.stages,
		cutOffs: byStage((each) => cutOffHumidity(piece.paste, each)),
		sure: softensAtHours === undefined ? looked.sureWithin(stage, wantedHours) : 0,
		...(softensAtHours !== undefined && { softensAtHours }),
		course,
		slow: findWhatSlows(piece, path, stage),
		rungs: findWhatHelps(piece, path, stage, belief).rungs,
		...(p90 !== undefined && p90 > wantedHours && { beginEarlierHours: p90 - wantedHours }),
	}
}

/**
 * Pieces that are ready in time and yet soft when they are needed: dried at night, then taken into air too damp to
 * keep the stage. Followed at even odds along the way that the plan gives each piece.
 */
import { present } from '../../present'
import type { DryingStage } from '../../vocabulary/drying-stage'
import { subjectsOfWait } from '../../design/wait-subject'
import { isEverDamp } from '../../drying/climate'
import { followDrying } from '../../drying/follow-drying'
import { timesModel } from '../../drying/pace-belief'
import { cutOffHumidity } from '../../drying/stages'
import type { DesignInCourse } from '../compile/compile-course'
import type { TaskSource } from '../compile/compiled-course'
import { beliefOf, placesFrom, toDryingPath } from '../compile/drying-terms'
import type { CoursePlan } from '../plan-course'
import type { Thread } from './threads'
import { toSessionSpans } from '../compile/session-windows'
import type { WallTime } from '../../time/wall-clock'
import { wallTimeAfter } from '../../time/zone'

export interface Softening {
	source: TaskSource
	stage: DryingStage
	/** When the stage is lost. */
	lostAt: WallTime
	/** Where it lies then. */
	placeName: string
}

/** @param threads - of the told plan */
export function findSoftening(
	{ course, compiled, terms }: Pick<CoursePlan, 'course' | 'compiled' | 'terms'>,
	designs: readonly DesignInCourse[],
	threads: readonly Thread[],
): Softening[] {
	const spans = toSessionSpans(course.sessions, compiled.origin.zone)
	return threads.flatMap((thread): Softening[] => {
		const { stage, hangsMinutes, isSwapped, from } = thread
		const source = compiled.tasks[thread.fromTaskId]
		const made = course.sessions[from.session]
		const span = spans[from.session]
		if (!stage || isSwapped || !made || !span || source?.type !== 'step') return []
		const design = designs.find(({ design: { id } }) => id === source.designId)?.design
		const step = design?.steps.find(({ id }) => id === source.stepId)
		const subjects = design && step ? subjectsOfWait(design, step, stage, terms.standard) : []
		const subject = subjects.find(({ type }) => type === 'piece')
		if (subject?.type !== 'piece') return []
		// A body softens from its outside, as its petals do.
		const piece = 'foot' in subject.piece ? (subject.piece.petal ?? subject.piece.foot) : subject.piece
		const start = span.start + from.minute - made.startMin
		const stays = placesFrom(course, terms, start)
		const path = toDryingPath(stays, wallTimeAfter(compiled.origin, start))
		const untilHours = hangsMinutes / 60
		if (!isEverDamp(path, untilHours, cutOffHumidity(piece.paste, stage))) return []
		const rateFactor = 1 / timesModel(beliefOf(terms, subject.paste), 0.5)
		const { holds } = followDrying(piece, path, { untilHours, rateFactor })
		const lost = holds.findLast((hold) => hold.stage === stage)?.toHours
		if (lost === undefined || lost >= untilHours) return []
		return [
			{
				source,
				stage,
				lostAt: wallTimeAfter(compiled.origin, Math.round(start + 60 * lost)),
				placeName: placeAt(stays, lost),
			},
		]
	})
}

/** Name of the place where a piece lies so many hours after it was made. */
function placeAt(stays: ReturnType<typeof placesFrom>, hours: number): string {
	let begun = 0
	const found = stays.find((stay) => {
		begun += stay.hours
		return begun > hours
	})
	return present(found, 'the place of an hour').place.name
}

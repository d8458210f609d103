/**
 * How trays dry in the room's own air: the forecast of each wait made anew with the air that was read, until the session
 * is over; then the breath of the class is gone, and the air is as it was planned with, wherever the pieces lie.
 */
import { subjectsOfWait, type WaitSubject } from '../design/wait-subject'
import { airAt, shiftPath, type Air, type DryingPath } from '../drying/climate'
import { FILM_SPREAD, filmWaitSec } from '../drying/film-waits'
import { forecast } from '../drying/forecast'
import type { PaceBelief } from '../drying/pace-belief'
import type { Course } from '../course/course'
import type { DesignInCourse } from '../plan/compile/compile-course'
import type { CompiledCourse } from '../plan/compile/compiled-course'
import { beliefOf, placesFrom, toDryingPath, type DryingTerms } from '../plan/compile/drying-terms'
import { waitKey } from '../plan/compile/find-waits'
import { wallTimeAfter } from '../time/zone'
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'
import type { BatchWait, PlannedBatch, RunPlan } from './run-plan'

/** What dries in one wait of a batch, and where it lies from when its step was to be done. */
export interface WaitInAir {
	batch: string
	toTaskId: string
	path: DryingPath
	/** From then until the session is over. */
	classHours: number
	subjects: (WaitSubject & { belief: PaceBelief })[]
}

/** The air of a room at a time of day. */
export interface RoomReading extends Air {
	/** Minutes after midnight. */
	minuteOfDay: number
}

export interface PlannedCourse {
	course: Pick<Course, 'sessions' | 'storeId'>
	designs: readonly DesignInCourse[]
	compiled: CompiledCourse
	terms: DryingTerms
}

/** What is needed to forecast the waits of a session anew; of those that somebody has set by hand nothing. */
export function describeWaits(
	{ batches, entries, openMin, closeMin, session }: RunPlan,
	planned: PlannedCourse,
): WaitInAir[] {
	const { course, designs, compiled, terms } = planned
	const open = compiled.instance.windows.find((window) => window.session === session)?.open ?? 0
	return batches.flatMap((batch) => {
		const entry = entries.find(({ id }) => id === batch.entry)
		const endMin = entry?.endMin ?? openMin
		const clock = open + endMin - openMin
		const classHours = Math.max(0, closeMin - endMin) / 60
		const path = toDryingPath(placesFrom(course, terms, clock), wallTimeAfter(compiled.origin, clock))
		const from = batch.id.slice(0, batch.id.lastIndexOf('@'))
		return batch.waits.flatMap(({ toTaskId, stage }): WaitInAir[] => {
			const arc = compiled.instance.arcs.findIndex((own, a) => {
				return own.from === from && own.to === toTaskId && compiled.arcs[a]?.stage === stage
			})
			const key = compiled.arcs[arc]?.wait?.key
			const found = designs
				.flatMap(({ design }) => design.steps.map((step) => ({ design, step })))
				.find(({ design, step }) => design.steps.some((to) => waitKey(design.id, step.id, to.id) === key))
			if (!found) return []
			const subjects = subjectsOfWait(found.design, found.step, stage, terms.standard).map((subject) => ({
				...subject,
				belief: beliefOf(terms, subject.type === 'piece' ? subject.paste : undefined),
			}))
			return subjects.length > 0 ? [{ batch: batch.id, toTaskId, path, classHours, subjects }] : []
		})
	})
}

/**
 * The batches with the times that they have in that air.
 *
 * @param waits - of these batches, as `describeWaits` tells them; what is not among them stays as it is
 * @complexity a drying forecast for each kind of piece
 */
export function inRoomAir(
	batches: readonly PlannedBatch[],
	waits: readonly WaitInAir[],
	reading: RoomReading,
): PlannedBatch[] {
	return batches.map((batch) => ({
		...batch,
		waits: batch.waits.map((wait) => {
			const own = waits.find(({ batch: id, toTaskId }) => id === batch.id && toTaskId === wait.toTaskId)
			return own ? { ...wait, ...timesInAir(own, reading, wait) } : wait
		}),
	}))
}

type Times = Pick<BatchWait, 'p50Minutes' | 'p90Minutes' | 'feels' | 'doubt'>

/** The slowest of the pieces counts; what never comes keeps the planned times, and says so. */
function timesInAir(own: WaitInAir, reading: RoomReading, planned: BatchWait): Times {
	const aired = inClassAir(own, reading)
	const all = own.subjects.map((subject) => timesOfSubject(subject, aired))
	const slowest = all.toSorted((a, b) => (b.p50Minutes ?? Infinity) - (a.p50Minutes ?? Infinity))[0]
	if (slowest?.p50Minutes === undefined) {
		const { p50Minutes, p90Minutes, feels } = planned
		return { p50Minutes, p90Minutes, feels, doubt: 'never' }
	}
	const { p50Minutes, p90Minutes, feels } = slowest
	if (p90Minutes === undefined) return { p50Minutes, p90Minutes: p50Minutes, feels, doubt: 'unlikely' }
	return { p50Minutes, p90Minutes, feels, doubt: undefined }
}

function timesOfSubject(subject: WaitInAir['subjects'][number], path: DryingPath): Omit<Times, 'doubt'> {
	if (subject.type === 'films') {
		const [stay] = path.stays
		const seconds = subject.films.map((film) => {
			return stay && filmWaitSec(film, { ...airAt(stay.climate, path.startMinuteOfDay), movement: stay.movement })
		})
		const hours = seconds.some((own) => own === undefined) ? undefined : Math.max(...seconds.map(Number)) / 3600
		return { p50Minutes: minutesOf(hours), p90Minutes: minutesOf(hours && hours * FILM_SPREAD), feels: [] }
	}
	const { stages } = forecast(subject.piece, path, subject.belief, subject.stage)
	const feels = DRYING_STAGES.flatMap((stage: DryingStage) => {
		const p50Minutes = minutesOf(stages[stage].p50)
		return p50Minutes === undefined || stage === 'settled' ? [] : [{ stage, p50Minutes }]
	})
	return {
		p50Minutes: minutesOf(stages[subject.stage].p50),
		p90Minutes: minutesOf(stages[subject.stage].plan),
		feels: feels.toSorted((a, b) => a.p50Minutes - b.p50Minutes),
	}
}

/** As the plan tells them: up to the next whole minute, and never none. */
function minutesOf(hours: number | undefined): number | undefined {
	return hours === undefined ? undefined : Math.max(1, Math.ceil(hours * 60 - 1e-6))
}

/** Until the session is over the air is off by what the reading is off now. */
function inClassAir({ path, classHours }: WaitInAir, { temperatureC, humidity, minuteOfDay }: RoomReading): DryingPath {
	const [first, ...others] = path.stays
	if (!first) return path
	const planned = airAt(first.climate, minuteOfDay)
	const shift = { temperatureC: temperatureC - planned.temperatureC, humidity: humidity - planned.humidity }
	const here = Math.min(first.hours, classHours)
	const shifted = shiftPath({ ...path, stays: [{ ...first, hours: here }] }, shift).stays
	const left = first.hours > here ? [{ ...first, hours: first.hours - here }] : []
	return { ...path, stays: [...(here > 0 ? shifted : []), ...left, ...others] }
}

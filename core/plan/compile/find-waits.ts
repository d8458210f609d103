/**
 * How long each wait of a course takes: asked of the drying model through the rooms and stores that the piece really
 * passes, of the films of paint, glaze and glue, or as the design states it where nothing can be computed.
 * A plan knows one length for a wait, whenever the piece is made: the longest over the beginnings and ends of sessions.
 */
import { present } from '../../present'
import { bearsWeight } from '../../design/bears-weight'
import type { Need } from '../../design/design'
import { DRYING_STAGES, type DryingStage } from '../../vocabulary/drying-stage'
import type { Paste } from '../../vocabulary/paste'
import { subjectsOfWait, type WaitSubject } from '../../design/wait-subject'
import type { ResolvedDesign, ResolvedStep } from '../../design/resolve-design'
import { pasteOf, type DryingSubject } from '../../drying/built-flower'
import { FILM_SPREAD, filmWaitSec, GEL_NEVER_AT, type FilmWait } from '../../drying/film-waits'
import { airAt, arePathsAlike, type DryingPath } from '../../drying/climate'
import { forecast, type Claim, type StageForecast } from '../../drying/forecast'
import { cutOffHumidity } from '../../drying/stages'
import { findWhatSlows, type SlowReason } from '../../drying/what-helps'
import type { Course } from '../../course/course'
import { beliefOf, placesFrom, roomOf, storeOf, toDryingPath, type DryingTerms } from './drying-terms'
import { toSessionSpans } from './session-windows'
import { wallTimeAfter, type ClockOrigin } from '../../time/zone'

/** Where a wait's length comes from. */
export type WaitBasis =
	/** The stage of a piece of paste. */
	| 'drying'
	/** Paint, glaze or glue on a piece that has dried before. */
	| 'film'
	/** The design's minutes: nothing of it can be computed. */
	| 'stated'
	/** Somebody has set it. */
	| 'by hand'

export interface WaitSource {
	/** Where the time comes from. */
	basis: WaitBasis
	/** Clock minutes that the plan holds free; absent: it never ends. */
	plannedMinutes?: number
	/** Nor in the store, where what is made ahead lies. */
	isNeverAhead?: boolean
	/** As computed; absent: nothing can be. */
	p50Minutes?: number
	/** To plan with at 9 in 10; absent: not to be planned with. */
	p90Minutes?: number
	/** Of a stage of paste: minutes to it and to the stages on its way, for even odds; absent of what is no drying. */
	stageMinutes?: Partial<Record<DryingStage, number>>
	/** What may be promised; absent of what is no drying. */
	claim?: Claim
	/** That it is ready in the minutes to plan with, in [0, 0.9], where that hangs on the room. */
	chance?: number
	/** Humidity, in (0, 1), at or below which it would be sure; absent: it is, or drier air alone is not enough. */
	sureBelow?: number
	/** Where it is a film that dries. */
	film?: FilmWait
	/** What makes it long, the worst first. */
	slow?: SlowReason[]
	/** It is never reached there, or cannot be relied on: the air must be drier than this, in (0, 1). */
	needsHumidityBelow?: number
	/** Of a wait that never ends: minutes until it is as dry as it gets, where that will do. */
	settledMinutes?: number
}

/** Address of a wait in `course.waits`. */
export function waitKey(designId: string, fromStepId: string, toStepId: string): string {
	return `${designId}/${fromStepId}>${toStepId}`
}

export type WaitFinder = (
	design: ResolvedDesign,
	from: ResolvedStep,
	to: ResolvedStep,
	need: Need,
) => WaitSource | undefined

/** Finds the waits of one course; equal pieces on equal ways are computed once, in whatever course. */
export function createWaitFinder(course: Course, terms: DryingTerms, origin: ClockOrigin): WaitFinder {
	const starts = listStarts(course, terms, origin)
	const known = knownOf(JSON.stringify([starts, terms.confidence]))
	return (design, from, to, need) => {
		const { wait } = need
		if (!wait) return undefined
		const computed = compute(design, from, wait.stage)
		const setByHand = course.waits?.[waitKey(design.id, from.id, to.id)]
		const byHand = setByHand ?? (wait.isByHand ? wait.usualMinutes : undefined)
		if (byHand !== undefined) return { ...computed, basis: 'by hand', plannedMinutes: byHand }
		if (computed.plannedMinutes !== undefined) return computed
		// Not the stated minutes: nobody may plan with what does not come.
		if (computed.needsHumidityBelow === undefined) return { ...computed, plannedMinutes: wait.usualMinutes }
		return {
			...computed,
			...settles(design, from, to, wait.stage),
			...(isNeverAhead(design, from, wait.stage) && { isNeverAhead: true }),
		}
	}

	/** Whether it never gets there in the store alone. */
	function isNeverAhead(design: ResolvedDesign, from: ResolvedStep, stage: DryingStage | undefined): boolean {
		const path = toDryingPath([{ place: storeOf(terms, course.storeId), hours: Infinity }], wallTimeAfter(origin, 0))
		return subjectsOfWait(design, from, stage, terms.standard).some((subject) => {
			if (subject.type === 'films') return false
			return computeDrying(subject.piece, path, subject.stage, subject.paste).plannedMinutes === undefined
		})
	}

	function compute(design: ResolvedDesign, from: ResolvedStep, stage: DryingStage | undefined): Computed {
		const subjects = subjectsOfWait(design, from, stage, terms.standard)
		return subjects.length === 0 ? { basis: 'stated' } : longest(subjects.map(computeSubject))
	}

	/** As dry as it gets, where that is sure and the step puts no weight on it. */
	function settles(
		design: ResolvedDesign,
		from: ResolvedStep,
		to: ResolvedStep,
		stage: DryingStage | undefined,
	): Pick<WaitSource, 'settledMinutes'> {
		const isDryAsked = stage === 'firm' || stage === 'hard' || stage === 'through'
		if (!isDryAsked || bearsWeight(design, to)) return {}
		const { claim, plannedMinutes } = compute(design, from, 'settled')
		return claim === 'sure' && plannedMinutes !== undefined ? { settledMinutes: plannedMinutes } : {}
	}

	function computeSubject(subject: WaitSubject): Computed {
		if (subject.type === 'films') return longest(subject.films.flatMap((film) => rooms().map(computeFilm(film))))
		const key = JSON.stringify([subject, beliefOf(terms, subject.paste)])
		const found = known.get(key) ?? computeSlowest(subject.piece, subject.stage, subject.paste)
		known.set(key, found)
		return found
	}

	/** The slowest of all starts, and why it is slow. */
	function computeSlowest(piece: DryingSubject, stage: DryingStage, paste: Paste | undefined): Computed {
		const computed: { path: DryingPath; found: Computed }[] = []
		for (const path of starts) {
			// Weeks that are alike for as long as the piece dries need no second look.
			const isKnown = computed.some((other) => arePathsAlike(other.path, path, hoursThatMatter(other.found)))
			if (!isKnown) computed.push({ path, found: computeDrying(piece, path, stage, paste) })
		}
		const slowest = computed.reduce((slow, other) => (isSlower(other.found, slow.found) ? other : slow))
		const slow = findWhatSlows('foot' in piece ? piece.foot : piece, slowest.path, stage).slice(0, REASONS_KEPT)
		return { ...slowest.found, ...(slow.length > 0 && { slow }) }
	}

	function computeDrying(
		piece: DryingSubject,
		path: DryingPath,
		stage: DryingStage,
		paste: Paste | undefined,
	): Computed {
		const looked = forecast(piece, path, beliefOf(terms, paste), stage)
		const { claim, chance, ...hours } = looked.stages[stage]
		const sureBelow = claim === 'sure' ? undefined : looked.sureBelow(stage)
		return {
			...toComputed('drying', hours, looked.hoursAt(stage, terms.confidence), () =>
				cutOffHumidity(pasteOf(piece), stage),
			),
			claim,
			stageMinutes: minutesOnTheWay(looked.stages),
			...(chance !== undefined && { chance }),
			...(sureBelow !== undefined && { sureBelow }),
		}
	}

	/** Every room that a session of the course meets in. */
	function rooms() {
		return [...new Set(course.sessions.map(({ roomId }) => roomOf(terms, roomId)))]
	}

	function computeFilm(film: FilmWait) {
		return (room: ReturnType<typeof roomOf>): Computed => {
			const start = present(course.sessions[0], 'the first session').startMin
			const seconds = filmWaitSec(film, { ...airAt(room.climate, start), movement: room.movement })
			const p50 = seconds === undefined ? undefined : seconds / 3600
			const p90 = p50 === undefined ? undefined : p50 * FILM_SPREAD
			const planned = terms.confidence > 0.5 ? p90 : p50
			return { ...toComputed('film', { p50, plan: p90 }, planned, () => GEL_NEVER_AT), film }
		}
	}
}

/** What was computed on the same ways through rooms and stores: of the courses of one studio many are alike. */
const knownByWays = new Map<string, Map<string, Computed>>()
/** Ways through rooms and stores whose times are kept: those of some courses, of some studios. */
const MOST_WAYS = 40

/** Times already computed for a way, by piece and stage; ways not asked for longest are forgotten. */
function knownOf(ways: string): Map<string, Computed> {
	const known = knownByWays.get(ways) ?? new Map<string, Computed>()
	// Taken out and put in again, the ways asked for last stand last.
	knownByWays.delete(ways)
	knownByWays.set(ways, known)
	const [oldest] = knownByWays.keys()
	if (knownByWays.size > MOST_WAYS && oldest !== undefined) knownByWays.delete(oldest)
	return known
}

type Computed = WaitSource

/**
 * A forecast in minutes, with the humidity below which the air must be where it is never reached.
 *
 * @param plannedHours - undefined: never
 */
function toComputed(
	basis: WaitBasis,
	{ p50, plan }: Pick<StageForecast, 'p50' | 'plan'>,
	plannedHours: number | undefined,
	neededHumidity: () => number,
): Computed {
	return {
		basis,
		...(p50 !== undefined && { p50Minutes: toMinutes(p50) }),
		...(plan !== undefined && { p90Minutes: toMinutes(plan) }),
		...(plannedHours === undefined
			? { needsHumidityBelow: neededHumidity() }
			: { plannedMinutes: toMinutes(plannedHours) }),
	}
}

/** Of those that were looked at, and come. */
function minutesOnTheWay(stages: Record<DryingStage, StageForecast>): Partial<Record<DryingStage, number>> {
	return Object.fromEntries(
		DRYING_STAGES.flatMap((stage) => {
			const { p50 } = stages[stage]
			return p50 === undefined ? [] : [[stage, toMinutes(p50)]]
		}),
	)
}

/** Up to the next whole minute, and never none: a wait that is planned is seen. */
function toMinutes(hours: number): number {
	return Math.max(1, Math.ceil(hours * 60 - 1e-6))
}

/** One that never comes is slower than all. */
function isSlower(one: Computed, other: Computed): boolean {
	return (one.plannedMinutes ?? Infinity) > (other.plannedMinutes ?? Infinity)
}

/** Of several ways that pieces may take, or several places, the slowest counts. */
function longest(all: readonly Computed[]): Computed {
	return all.reduce((slowest, other) => (isSlower(other, slowest) ? other : slowest))
}

/** As many as a line of words takes. */
const REASONS_KEPT = 2

/** All that is known of a wait comes from these hours of its path; of one that may never end, from all. */
function hoursThatMatter({ plannedMinutes, p90Minutes }: Computed): number {
	return plannedMinutes === undefined || p90Minutes === undefined ? Infinity : Math.max(plannedMinutes, p90Minutes) / 60
}

/** Pieces put to dry at the beginnings and ends of sessions, each from there on through rooms and stores. */
export function listStarts(course: Course, terms: DryingTerms, origin: ClockOrigin): DryingPath[] {
	const moments = toSessionSpans(course.sessions, terms.zone).flatMap(({ start, end }) => [start, end - 1])
	return moments.map((moment) => toDryingPath(placesFrom(course, terms, moment), wallTimeAfter(origin, moment)))
}

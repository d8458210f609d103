/**
 * Limits that are computed: before the paste has reached a stage, and while a film of colour in alcohol is still damp.
 * Over all rooms and beginnings of a course the tightest counts.
 */
import type { ResolvedDesign, ResolvedNeed, ResolvedStep } from '../../design/resolve-design'
import { subjectsOfWait } from '../../design/wait-subject'
import type { Course } from '../../course/course'
import { airAt } from '../../drying/climate'
import { dampWindow } from '../../drying/film-waits'
import { forecast } from '../../drying/forecast'
import type { ClockOrigin } from '../../time/zone'
import { beliefOf, roomOf, type DryingTerms } from './drying-terms'
import { listStarts } from './find-waits'

/** Clock minutes from the end of the earlier step for each piece. */
export interface Limit {
	/** Not before: a film is too wet. Absent: at once. */
	fromMinutes?: number
	/** Whole, >= 0. */
	untilMinutes: number
}

export type LimitFinder = (design: ResolvedDesign, from: ResolvedStep, need: ResolvedNeed) => Limit | undefined

/** One piece in ten has the stage by then: nobody wants to find it hard. */
const HARD_BY = 0.1

/** Undefined: no limit is asked for that can be computed, or it never ends. */
export function createLimitFinder(course: Course, terms: DryingTerms, origin: ClockOrigin): LimitFinder {
	const known = new Map<string, number | undefined>()
	return (design, from, need) => {
		const limits = [
			...(need.whileDamp ? [dampLimit()] : []),
			...(need.beforeStage ? [stageLimit(design, from, need.beforeStage)] : []),
		].filter((limit) => limit !== undefined)
		if (limits.length === 0) return undefined
		const fromMinutes = Math.max(0, ...limits.map((limit) => limit.fromMinutes ?? 0))
		const untilMinutes = Math.min(...limits.map((limit) => limit.untilMinutes))
		return { untilMinutes: Math.max(fromMinutes, untilMinutes), ...(fromMinutes > 0 && { fromMinutes }) }
	}

	/** The sure part of the window, in whole minutes, in the room where it is shortest. */
	function dampLimit(): Limit | undefined {
		const windows = course.sessions.flatMap(({ roomId, startMin }) => {
			const room = roomOf(terms, roomId)
			return dampWindow({ ...airAt(room.climate, startMin), movement: room.movement }) ?? []
		})
		if (windows.length === 0) return undefined
		const shortest = windows.reduce((least, one) => (one.toSec < least.toSec ? one : least))
		const isEverSure = shortest.sureFromSec < shortest.sureToSec
		const until = Math.floor((isEverSure ? shortest.sureToSec : shortest.toSec) / 60)
		const fromMinutes = Math.floor((isEverSure ? shortest.sureFromSec : shortest.fromSec) / 60)
		return { untilMinutes: until, ...(fromMinutes > 0 && { fromMinutes }) }
	}

	function stageLimit(
		design: ResolvedDesign,
		from: ResolvedStep,
		stage: NonNullable<ResolvedNeed['beforeStage']>,
	): Limit | undefined {
		const times = subjectsOfWait(design, from, stage, terms.standard).flatMap((subject) => {
			if (subject.type !== 'piece') return []
			const belief = beliefOf(terms, subject.paste)
			return listStarts(course, terms, origin).flatMap((path) => {
				const key = JSON.stringify([subject, path])
				const hours = known.has(key)
					? known.get(key)
					: forecast(subject.piece, path, belief, stage).hoursAt(stage, HARD_BY)
				known.set(key, hours)
				return hours ?? []
			})
		})
		return times.length === 0 ? undefined : { untilMinutes: Math.floor(60 * Math.min(...times)) }
	}
}

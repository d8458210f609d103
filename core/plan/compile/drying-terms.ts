/** What a course's waits are computed with, and the way that a piece made in it takes through rooms and stores. */
import type { Paste } from '../../vocabulary/paste'
import type { DryingPath, Stay } from '../../drying/climate'
import { FIRST_BELIEF, learn, type DryingObservation, type PaceBelief } from '../../drying/pace-belief'
import { ORDINARY_PLACE, type Place } from '../../drying/place'
import type { Learnt } from '../../learn/learnt'
import type { OwnedTools } from '../../materials/sharing/tool-sharing'
import type { GaugeStandard } from '../../materials/wire-gauge'
import type { Course } from '../../course/course'
import { toSessionSpans } from './session-windows'
import type { StrainTerms } from './strain-terms'
import type { WallTime } from '../../time/wall-clock'
import { NO_ZONE } from '../../time/zone'

export interface DryingTerms {
	/** The studio's places; where a course names none, the first of its kind. */
	places: readonly Place[]
	/** Confidence that the studio plans waits with, in [0.5, 1). */
	confidence: number
	/** Of the studio's wires, for what is inside a piece. */
	standard: GaugeStandard
	/** The studio's, in the IANA database. */
	zone: string
	/** The studio's log, by paste. */
	observations: Partial<Record<Paste, readonly DryingObservation[]>>
}

/** All that a studio's plans are made with: how it dries there, and the tools that its students share. */
export interface PlanTerms extends DryingTerms {
	/** Of each tool that the studio counts; absent: of all tools enough. */
	ownedTools?: OwnedTools
	/** From past classes; absent: it plans with what its designs state. */
	learnt?: Learnt
	/** What the studio minds in a plan; absent: as usual. */
	strain?: StrainTerms
}

/** An ordinary room, and nothing learnt. */
export const ORDINARY_TERMS: DryingTerms = {
	places: [],
	confidence: 0.9,
	standard: 'swg',
	zone: NO_ZONE,
	observations: {},
}

/** Beliefs of the same terms are found once. */
const beliefs = new WeakMap<readonly DryingObservation[], PaceBelief>()

/** What is believed of a paste's pace. */
export function beliefOf({ observations }: Pick<DryingTerms, 'observations'>, paste: Paste | undefined): PaceBelief {
	const log = paste && observations[paste]
	if (!log || log.length === 0) return FIRST_BELIEF
	const known = beliefs.get(log) ?? learn(log)
	beliefs.set(log, known)
	return known
}

/** The room of a session. */
export function roomOf({ places }: Pick<DryingTerms, 'places'>, roomId: number | undefined): Place {
	return places.find(({ id }) => id === roomId) ?? places.find(({ kind }) => kind === 'room') ?? ORDINARY_PLACE
}

/** Where pieces lie between sessions: a store, or the room itself where there is none. */
export function storeOf({ places }: Pick<DryingTerms, 'places'>, storeId: number | undefined): Place {
	return (
		places.find(({ id }) => id === storeId) ??
		places.find(({ kind }) => kind === 'store') ??
		roomOf({ places }, undefined)
	)
}

export interface PlacedStay {
	place: Place
	/** Infinity for the last. */
	hours: number
}

/** Where a piece that is ready to dry at a clock minute lies from then on: its session's room, then the store, and so on. */
export function placesFrom(
	{ sessions, storeId }: Pick<Course, 'sessions' | 'storeId'>,
	terms: Pick<DryingTerms, 'places' | 'zone'>,
	clockMinute: number,
): PlacedStay[] {
	const store = storeOf(terms, storeId)
	const stays: PlacedStay[] = []
	let now = clockMinute
	const stay = (place: Place, until: number) => {
		if (until <= now) return
		const last = stays.at(-1)
		if (last?.place === place) last.hours += (until - now) / 60
		else stays.push({ place, hours: (until - now) / 60 })
		now = until
	}
	toSessionSpans(sessions, terms.zone).forEach(({ start, end }, s) => {
		if (end <= clockMinute) return
		stay(store, start)
		stay(roomOf(terms, sessions[s]?.roomId), end)
	})
	stay(store, Infinity)
	return stays
}

/** The same as a path for the model. */
export function toDryingPath(stays: readonly PlacedStay[], start: WallTime): DryingPath {
	return {
		startMinuteOfDay: start.minuteOfDay,
		stays: stays.map(({ place: { climate, movement, pace }, hours }): Stay => {
			return { hours, climate, movement, ...(pace !== undefined && { pace }) }
		}),
	}
}

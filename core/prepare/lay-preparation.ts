/** Work before class of all courses laid into one pair of hands' free time, on the studio's wall clock. */
import { daysBetween } from '../time/calendar'
import type { FormerPlaces } from '../kit/stock'
import { toMoment, type WallTime } from '../time/wall-clock'
import { minutesSince, wallTimeAfter, type ClockOrigin } from '../time/zone'
import { listFreeSpans, type FreeSpan, type FreeTime } from './free-time'
import type { PrepTask } from './prep-tasks'
import type { FreeWindow, Lying, PrepJob, PrepLevel, PrepObjective, PrepProblem } from './schedule/prep-problem'
import { schedulePreparation, type PrepEffort } from './schedule/schedule-preparation'

export interface HandsTerms {
	/** Name in the IANA database. */
	zone: string
	/** Nothing is laid before it. */
	now: WallTime
	freeTime: FreeTime
	/** Sessions of all courses. */
	busy: readonly FreeSpan[]
	/** By id of the task: the day, YYYY-MM-DD, on which she wants it. */
	settled?: ReadonlyMap<string, string>
	/** To dry on; absent: of everything there is enough. */
	places?: FormerPlaces
	/** By id of what is done: when it was; things made then still rest and dry. */
	done?: ReadonlyMap<string, WallTime>
}

export interface LaidPreparation {
	/** In order. */
	laid: { task: PrepTask; start: WallTime; end: WallTime; lateMinutes: number }[]
	/** No free time was found for these. */
	unplaced: PrepTask[]
	objective: PrepObjective
	/** Below which nothing is, the first ones first. */
	proven: PrepLevel[]
	/** Proof that not all of it can be in time. */
	overload?: { tasks: PrepTask[]; from: WallTime; until: WallTime; lackingMinutes: number }
}

/** Work that is late may be laid so long after its day. */
const DAYS_AFTER = 7

/** @throws {RangeError} tasks wait for each other in a circle */
export function layPreparation(tasks: readonly PrepTask[], terms: HandsTerms, effort?: PrepEffort): LaidPreparation {
	const open = tasks.filter(({ id }) => !terms.done?.has(id))
	const origin: ClockOrigin = { date: terms.now.date, minuteOfDay: 0, zone: terms.zone }
	const problem = toProblem(tasks, terms, origin)
	const { schedule, objective, proven, overload } = schedulePreparation(problem, effort)
	const byId = new Map(open.map((task) => [task.id, task]))
	const laid = problem.jobs.flatMap(({ id, minutes, deadline }) => {
		const [task, start] = [byId.get(id), schedule[id]]
		if (!task || start === undefined) return []
		const lateMinutes = Math.max(0, start + minutes - deadline)
		return [{ task, start: wallTimeAfter(origin, start), end: wallTimeAfter(origin, start + minutes), lateMinutes }]
	})
	return {
		laid: laid.toSorted((a, b) => (toMoment(a.start) < toMoment(b.start) ? -1 : 1)),
		unplaced: open.filter(({ id }) => schedule[id] === undefined),
		objective,
		proven,
		...(overload && {
			overload: {
				tasks: open.filter(({ id }) => overload.jobIds.includes(id)),
				from: wallTimeAfter(origin, overload.from),
				until: wallTimeAfter(origin, Math.max(overload.from, overload.until)),
				lackingMinutes: overload.lackingMinutes,
			},
		}),
	}
}

function toProblem(tasks: readonly PrepTask[], terms: HandsTerms, origin: ClockOrigin): PrepProblem {
	const { now, freeTime, busy, settled, places = {}, done = new Map<string, WallTime>() } = terms
	const at = (time: WallTime) => minutesSince(origin, time)
	const open = tasks.filter(({ id }) => !done.has(id))
	const ids = new Set(open.map(({ id }) => id))
	const lying = tasks.flatMap(({ id, lies, dryMinutes = 0 }): Lying[] => {
		const doneAt = done.get(id)
		const until = doneAt && at(doneAt) + dryMinutes
		return lies && until !== undefined && until > at(now) ? [{ former: lies.former, count: lies.count, until }] : []
	})
	const lastDate =
		open
			.map(({ latest }) => latest.date)
			.toSorted()
			.at(-1) ?? now.date
	const days = Math.max(0, daysBetween(now.date, lastDate)) + 1 + DAYS_AFTER
	const windows = listFreeSpans(freeTime, now.date, days, busy).flatMap(({ date, startMin, endMin }): FreeWindow[] => {
		const [start, close] = [at({ date, minuteOfDay: startMin }), at({ date, minuteOfDay: endMin })]
		const openAt = Math.max(start, at(now))
		// Where clocks go forward a stretch may vanish.
		return close > openAt ? [{ open: openAt, close, day: daysBetween(origin.date, date) }] : []
	})
	return {
		windows,
		// As many as lie there she must have.
		formers: Object.fromEntries(
			Object.entries(places).map(([former, room]) => [former, Math.max(room, countOn(lying, former))]),
		),
		lying,
		mostMinutesADay: freeTime.mostMinutesADay,
		mostMinutesOn: Object.fromEntries(
			freeTime.exceptions.flatMap(({ date, mostMinutes }) =>
				mostMinutes === undefined ? [] : [[daysBetween(origin.date, date), mostMinutes]],
			),
		),
		jobs: open.map(({ id, minutes, earliest, latest, after, isFresh, isDrying, lies, dryMinutes = 0 }): PrepJob => {
			const day = settled?.get(id)
			return {
				id,
				minutes,
				release: Math.max(
					at(now),
					at(earliest),
					...after.flatMap((before) => {
						const doneAt = done.get(before.id)
						return doneAt ? [at(doneAt) + before.lag] : []
					}),
				),
				deadline: at(latest),
				after: after.filter((before) => ids.has(before.id)),
				...(isFresh && { isFresh }),
				...(isDrying && { isDrying }),
				...(lies && { stay: { ...lies, minutes: dryMinutes } }),
				...(day !== undefined && { day: daysBetween(origin.date, day) }),
			}
		}),
	}
}

function countOn(lying: readonly Lying[], former: string): number {
	return lying.reduce((sum, one) => sum + (one.former === former ? one.count : 0), 0)
}

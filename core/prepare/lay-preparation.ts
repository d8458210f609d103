/** Work before class of all courses laid into one pair of hands' free time, on the studio's wall clock. */
import { daysBetween } from '../time/calendar'
import { toMoment, type WallTime } from '../time/wall-clock'
import { minutesSince, wallTimeAfter, type ClockOrigin } from '../time/zone'
import { listFreeSpans, type FreeSpan, type FreeTime } from './free-time'
import type { PrepTask } from './prep-tasks'
import type { FreeWindow, PrepJob, PrepLevel, PrepObjective, PrepProblem } from './schedule/prep-problem'
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
	/** Ids of what is done. */
	done?: ReadonlySet<string>
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
	const problem = toProblem(open, terms, origin)
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

function toProblem(open: readonly PrepTask[], terms: HandsTerms, origin: ClockOrigin): PrepProblem {
	const { now, freeTime, busy, settled } = terms
	const at = (time: WallTime) => minutesSince(origin, time)
	const ids = new Set(open.map(({ id }) => id))
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
		formers: {},
		mostMinutesADay: freeTime.mostMinutesADay,
		mostMinutesOn: Object.fromEntries(
			freeTime.exceptions.flatMap(({ date, mostMinutes }) =>
				mostMinutes === undefined ? [] : [[daysBetween(origin.date, date), mostMinutes]],
			),
		),
		jobs: open.map(({ id, minutes, earliest, latest, after, isFresh, isDrying }): PrepJob => {
			const day = settled?.get(id)
			return {
				id,
				minutes,
				release: Math.max(at(now), at(earliest)),
				deadline: at(latest),
				// What is done is waited for no more.
				after: after.filter((before) => ids.has(before.id)),
				...(isFresh && { isFresh }),
				...(isDrying && { isDrying }),
				...(day !== undefined && { day: daysBetween(origin.date, day) }),
			}
		}),
	}
}

/** The smallest change of an instructor's time with which all her work before class would be in time. */
import { addDays, daysBetween } from '../time/calendar'
import { toMoment, type WallTime } from '../time/wall-clock'
import { layPreparation, type HandsTerms, type LaidPreparation } from './lay-preparation'
import { spansOn, type FreeTime, type Span } from './free-time'
import type { PrepTask } from './prep-tasks'

export type Relief =
	/** So many minutes more on a day, from a minute of it on. */
	| { kind: 'more time'; date: string; span: Span }
	/** More work on one day than she wants. */
	| { kind: 'longer days'; mostMinutesADay: number }
	/** Somebody else does one of the tasks. */
	| { kind: 'helper'; taskId: string }

/** Asked in steps of so many minutes. */
const STEP = 30
const MOST_MORE = 240
/** Days that are looked at. */
const MOST_DAYS = 14
/** What is added to a day begins at six in the evening, or when she is free no longer. */
const EVENING = 18 * 60
const LAST_MINUTE = 22 * 60
const LONGEST_DAY = 480
const MOST_HELP = 12

/**
 * Each was tried: with it alone everything is in time. At most one of each kind, the least of it; none: no single change of
 * these is enough. Lays everything anew some hundred times: no work for a page that waits.
 *
 * @param laid - as it lies now, not all in time
 */
export function findRelief(tasks: readonly PrepTask[], terms: HandsTerms, laid: LaidPreparation): Relief[] {
	const now = toMoment(terms.now)
	// What should have been done before now is late whatever she does.
	const open = tasks.filter(({ latest }) => toMoment(latest) > now)
	if (!isHelpable(laid, terms.now)) return []
	const isEnough = (changed: FreeTime, rest: readonly PrepTask[] = open) => {
		const { unplaced, objective } = layPreparation(rest, { ...terms, freeTime: changed }, { steps: 0 })
		return unplaced.length === 0 && objective.late === 0
	}
	return [
		...longerDays(terms.freeTime, isEnough),
		...moreTime(terms, laid, isEnough),
		...helpers(open, terms, laid, isEnough),
	]
}

/** Whether something is late, or has no place, that was not overdue before. */
export function isHelpable({ laid, unplaced }: Pick<LaidPreparation, 'laid' | 'unplaced'>, now: WallTime): boolean {
	const late = laid.filter(({ lateMinutes }) => lateMinutes > 0).map(({ task }) => task)
	return [...unplaced, ...late].some(({ latest }) => toMoment(latest) > toMoment(now))
}

type IsEnough = (changed: FreeTime, rest?: readonly PrepTask[]) => boolean

function longerDays(freeTime: FreeTime, isEnough: IsEnough): Relief[] {
	for (let most = freeTime.mostMinutesADay + STEP; most <= LONGEST_DAY; most += STEP)
		if (isEnough({ ...freeTime, mostMinutesADay: most })) return [{ kind: 'longer days', mostMinutesADay: most }]
	return []
}

/** The fewest minutes on one day, and of such days the first. */
function moreTime({ freeTime, now }: HandsTerms, laid: LaidPreparation, isEnough: IsEnough): Relief[] {
	const concerned = [
		...laid.unplaced,
		...laid.laid.filter(({ lateMinutes }) => lateMinutes > 0).map(({ task }) => task),
	]
	const last =
		concerned
			.map(({ latest }) => latest.date)
			.toSorted()
			.at(-1) ?? now.date
	const days = Math.min(MOST_DAYS, Math.max(1, daysBetween(now.date, last) + 1))
	for (let minutes = STEP; minutes <= MOST_MORE; minutes += STEP)
		for (let d = 0; d < days; d++) {
			const date = addDays(now.date, d)
			const span = spanAfter(date, minutes, { freeTime, now })
			if (span && isEnough(withSpan(freeTime, date, span))) return [{ kind: 'more time', date, span }]
		}
	return []
}

/** In the evening, after what is free already; today not before now. */
function spanAfter(
	date: string,
	minutes: number,
	{ freeTime, now }: Pick<HandsTerms, 'freeTime' | 'now'>,
): Span | undefined {
	const ends = spansOn(freeTime, date).map(({ endMin }) => endMin)
	const startMin = Math.max(EVENING, ...ends, ...(date === now.date ? [now.minuteOfDay] : []))
	return startMin + minutes <= LAST_MINUTE ? { startMin, endMin: startMin + minutes } : undefined
}

/** With a span more on one day, and as much more work allowed on it; other days stay as they are. */
export function withSpan(freeTime: FreeTime, date: string, span: Span): FreeTime {
	const { exceptions, mostMinutesADay } = freeTime
	const own = exceptions.find((one) => one.date === date)
	const spans = spansOn(freeTime, date).map(({ startMin, endMin }) => ({ startMin, endMin }))
	const mostMinutes = (own?.mostMinutes ?? mostMinutesADay) + span.endMin - span.startMin
	const { startMin, endMin } = span
	const changed = { date, spans: [...spans, { startMin, endMin }], mostMinutes }
	const others = exceptions.filter((one) => one.date !== date)
	return { ...freeTime, exceptions: [...others, changed].toSorted((a, b) => (a.date < b.date ? -1 : 1)) }
}

/** The shortest task that, done by somebody else, lets all others be in time. */
function helpers(
	tasks: readonly PrepTask[],
	{ freeTime }: HandsTerms,
	laid: LaidPreparation,
	isEnough: IsEnough,
): Relief[] {
	const open = new Set([...laid.unplaced, ...laid.laid.map(({ task }) => task)].map(({ id }) => id))
	// What has to dry or rest after it would still have to.
	const isWaitedFor = new Set(tasks.flatMap(({ after }) => after.flatMap(({ id, lag }) => (lag > 0 ? [id] : []))))
	const candidates = tasks
		.filter(({ id }) => open.has(id) && !isWaitedFor.has(id))
		.toSorted((a, b) => a.minutes - b.minutes)
	const needed = laid.overload?.lackingMinutes ?? 0
	for (const { id } of candidates.filter(({ minutes }) => minutes >= needed).slice(0, MOST_HELP)) {
		const rest = tasks.filter((task) => task.id !== id)
		if (isEnough(freeTime, rest)) return [{ kind: 'helper', taskId: id }]
	}
	return []
}

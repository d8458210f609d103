/** When an instructor is free for work before class: a weekly pattern with exceptions, less what is taken already. */
import { addDays, weekdayFrom } from '../time/calendar'

/** Minutes of the day. */
export interface Span {
	startMin: number
	/** After it starts, at most 1440. */
	endMin: number
}

export interface DayException {
	/** YYYY-MM-DD. */
	date: string
	spans: Span[]
	/** Of work on that day; absent: as on others. */
	mostMinutes?: number
}

export interface FreeTime {
	/** 1 is Monday, 7 is Sunday. */
	weekly: (Span & { weekday: number })[]
	/** Days on which other spans hold; none: she is not free at all. */
	exceptions: DayException[]
	/** Of work on one day, unless its exception says otherwise. */
	mostMinutesADay: number
}

/** Free mornings on workdays; common practice, no source. */
export const USUAL_FREE_TIME: FreeTime = {
	weekly: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, startMin: 9 * 60, endMin: 12 * 60 })),
	exceptions: [],
	mostMinutesADay: 180,
}

export interface FreeSpan extends Span {
	/** YYYY-MM-DD. */
	date: string
}

/**
 * @param from - YYYY-MM-DD
 * @param days - how many from there on
 * @param busy - sessions and whatever else takes her
 * @returns in order, never overlapping
 */
export function listFreeSpans(
	{ weekly, exceptions }: FreeTime,
	from: string,
	days: number,
	busy: readonly FreeSpan[],
): FreeSpan[] {
	return Array.from({ length: days }, (_, d) => addDays(from, d)).flatMap((date) => {
		const spans = spansOn({ weekly, exceptions }, date)
		const taken = busy.filter((one) => one.date === date)
		return taken
			.reduce<Span[]>((left, one) => left.flatMap((span) => without(span, one)), joined(spans))
			.map((span) => {
				return { ...span, date }
			})
	})
}

/** As the pattern has them, or the exception of that day. */
export function spansOn({ weekly, exceptions }: Pick<FreeTime, 'weekly' | 'exceptions'>, date: string): Span[] {
	const exception = exceptions.find((one) => one.date === date)
	return exception?.spans ?? weekly.filter(({ weekday }) => weekdayFrom(date, weekday % 7) === date)
}

/** What of a span is left beside another. */
function without({ startMin, endMin }: Span, taken: Span): Span[] {
	const before = { startMin, endMin: Math.min(endMin, taken.startMin) }
	const after = { startMin: Math.max(startMin, taken.endMin), endMin }
	const left = taken.endMin <= startMin || taken.startMin >= endMin ? [{ startMin, endMin }] : [before, after]
	return left.filter((span) => span.endMin > span.startMin)
}

/** Spans in order, those that meet made one. */
function joined(spans: readonly Span[]): Span[] {
	const sorted = spans.toSorted((a, b) => a.startMin - b.startMin)
	return sorted.reduce<Span[]>((done, { startMin, endMin }) => {
		const last = done.at(-1)
		if (!last || startMin > last.endMin) return [...done, { startMin, endMin }]
		return [...done.slice(0, -1), { startMin: last.startMin, endMin: Math.max(last.endMin, endMin) }]
	}, [])
}

/** The calendar as the page shows it: days with what lies on them, and what dries through them. Plain data for the browser. */
import type { DryingSpan } from '../../../../core/prepare/drying-spans'
import { listDryingSpans } from '../../../../core/prepare/drying-spans'
import { isHelpable } from '../../../../core/prepare/find-relief'
import { addDays, daysBetween, weekdayFrom } from '../../../../core/time/calendar'
import { clock, sessionName, shortDay } from '../../../shared/words/times'
import { nameOfTask } from '../../../plan/words/tasks'
import type { Preparation } from '../../load-preparation.server'
import { byWords, prepCaution, prepWords } from '../../words/prep-work'
import { reliefWords } from '../../words/relief'
import type { WallTime } from '../../../../core/time/wall-clock'

export const VIEWS = ['days', 'week', 'month'] as const
export type CalendarView = (typeof VIEWS)[number]

const DAYS_OF_WEEK = 7

export interface WorkItem {
	taskId: string
	courseId: number
	words: string
	caution: string | undefined
	minutes: number
	start: WallTime
	by: string
	isDrying: boolean
	isLate: boolean
	isDone: boolean
	/** She wants it on that day. */
	isSettled: boolean
}

export interface CalendarDay {
	date: string
	sessions: { courseId: number; words: string; time: string }[]
	work: WorkItem[]
}

/** A bar over days of one week, from and to a column, 0 to 6. */
export interface DryingBar {
	key: string
	words: string
	fromColumn: number
	toColumn: number
	/** The column of the day on which nine in ten are ready; absent: in another week. */
	readyColumn?: number
}

export interface CalendarWeek {
	days: CalendarDay[]
	bars: DryingBar[]
}

/** @param from - a day of the week or month that is shown */
export function toCalendarView(preparation: Preparation, view: CalendarView, from: string) {
	const { terms, courses, laid, tasks, relief, isImproving, proven, pendingCount } = preparation
	const items = itemsOf(preparation)
	const spans = listDryingSpans(courses, listMade(preparation), terms.zone)
	const dayOf = (date: string): CalendarDay => ({
		date,
		sessions: sessionsOn(courses, date),
		work: items.filter(({ start }) => start.date === date),
	})
	return {
		view,
		from,
		date: terms.now.date,
		...(view === 'days' ? daysFrom(items, from, dayOf) : { days: [], later: undefined, isFirst: true }),
		weeks: view === 'days' ? [] : mondaysOf(view, from).map((monday) => weekFrom(monday, dayOf, spans)),
		courses: Object.fromEntries(courses.map(({ id, name }) => [id, name])),
		dryingNow: dryingOn(spans, terms.now.date),
		...misfitsOf(preparation),
		relief: relief?.map((one) => ({ ...one, words: reliefWords(one, tasks) })),
		doneBefore: doneBefore(preparation),
		minutesLaid: laid.reduce((sum, { task }) => sum + task.minutes, 0),
		proven,
		isImproving,
		pendingCount,
	}
}

/** Of work on the days one under another; more is a press away. */
const WORK_SHOWN = 30

/** Whole days from one on, as many as hold what is shown at once, and what comes after them. */
function daysFrom(items: readonly WorkItem[], from: string, dayOf: (date: string) => CalendarDay) {
	const dates = [...new Set(items.map(({ start }) => start.date))]
	const open = dates.filter((date) => date >= from)
	// Asked for later than all there is, all there is stands there.
	const asked = open.length > 0 ? open : dates
	const days: CalendarDay[] = []
	let shown = 0
	for (const date of asked) {
		if (days.length > 0 && shown + items.filter(({ start }) => start.date === date).length > WORK_SHOWN) break
		const day = dayOf(date)
		days.push(day)
		shown += day.work.length
	}
	const next = asked[days.length]
	const later =
		next === undefined ? undefined : { date: next, count: items.filter(({ start }) => start.date >= next).length }
	return { days, later, isFirst: asked[0] === dates[0] }
}

function itemsOf({ laid, marks }: Preparation): WorkItem[] {
	const done = new Map(marks.done)
	const settled = new Map(marks.settled)
	return laid.map(({ task, start, lateMinutes }) => ({
		taskId: task.id,
		courseId: task.courseId,
		words: prepWords(task.work),
		caution: prepCaution(task.work),
		minutes: task.minutes,
		start,
		by: byWords(task.latest),
		isDrying: task.isDrying ?? false,
		isLate: lateMinutes > 0,
		isDone: done.has(task.id),
		isSettled: settled.get(task.id) === start.date,
	}))
}

function sessionsOn(courses: Preparation['courses'], date: string): CalendarDay['sessions'] {
	return courses.flatMap(({ id, name, sessions }) =>
		sessions.flatMap(({ date: day, startMin, endMin }, s) => {
			if (day !== date) return []
			const words = `${name}: ${sessionName(startMin, s + 1).toLowerCase()}`
			return [{ courseId: id, words, time: `${clock(startMin)}–${clock(endMin)}` }]
		}),
	)
}

function weekFrom(monday: string, dayOf: (date: string) => CalendarDay, spans: readonly DryingSpan[]): CalendarWeek {
	return {
		days: Array.from({ length: DAYS_OF_WEEK }, (_, d) => dayOf(addDays(monday, d))),
		bars: spans.flatMap((span) => barIn(span, monday)),
	}
}

function dryingOn(spans: readonly DryingSpan[], date: string) {
	return spans
		.filter(({ from, readyAt }) => from.date <= date && readyAt.date >= date)
		.map(({ key, source, readyAt }) => ({
			key,
			words: `${nameOfTask(source)}, ready ${shortDay(readyAt.date)} ${clock(readyAt.minuteOfDay)}`,
		}))
}

/** What is not as it should be. */
function misfitsOf(preparation: Preparation) {
	const { terms, courses, overload, unplaced, objective } = preparation
	return {
		withoutPlan: courses.filter(({ hasPlan }) => !hasPlan).map(({ id, name }) => ({ id, name })),
		unplaced: unplaced.map(({ id, work, minutes }) => ({ id, words: prepWords(work), minutes })),
		overload: overload && { ...overload, tasks: overload.tasks.map(({ work }) => prepWords(work)) },
		/** Something is late that need not be. */
		isHelpable: isHelpable(preparation, terms.now),
		isAllInTime: objective.late === 0 && unplaced.length === 0,
	}
}

/** What is made before class, and when it will be, or was. */
function listMade({ laid, tasks, terms: { done = new Map<string, WallTime>() } }: Preparation) {
	const open = laid.filter(({ task }) => !done.has(task.id))
	return [
		...open,
		...tasks.flatMap((task) => {
			const end = done.get(task.id)
			return end ? [{ task, end }] : []
		}),
	]
}

/** Ticked, and not laid any more. */
function doneBefore({ tasks, marks, laid }: Preparation) {
	const done = new Map(marks.done)
	const shown = new Set(laid.map(({ task }) => task.id))
	return tasks
		.filter(({ id }) => done.has(id) && !shown.has(id))
		.map(({ id, courseId, work }) => ({ taskId: id, courseId, words: prepWords(work) }))
}

export type CalendarData = ReturnType<typeof toCalendarView>

/** Of the week, or of every week of the month, that the day lies in. */
function mondaysOf(view: 'week' | 'month', from: string): string[] {
	const monday = mondayOf(view === 'month' ? `${from.slice(0, 7)}-01` : from)
	const count = view === 'month' ? Math.ceil(daysBetween(monday, nextMonth(from)) / DAYS_OF_WEEK) : 1
	return Array.from({ length: count }, (_, w) => addDays(monday, w * DAYS_OF_WEEK))
}

function mondayOf(date: string): string {
	return weekdayFrom(addDays(date, 1 - DAYS_OF_WEEK), 1)
}

/** The first of the next month. */
export function nextMonth(from: string): string {
	return `${addDays(`${from.slice(0, 7)}-01`, 31).slice(0, 7)}-01`
}

function barIn({ key, courseId, source, stage, from, readyAt, neededOn }: DryingSpan, monday: string): DryingBar[] {
	const [start, end] = [daysBetween(monday, from.date), daysBetween(monday, neededOn)]
	if (end < 0 || start >= DAYS_OF_WEEK) return []
	const ready = daysBetween(monday, readyAt.date)
	return [
		{
			key: `${courseId} ${key}`,
			words: `${nameOfTask(source)}: ${stage ?? 'dry'} ${shortDay(readyAt.date)} ${clock(readyAt.minuteOfDay)}`,
			fromColumn: Math.max(0, start),
			toColumn: Math.min(DAYS_OF_WEEK - 1, end),
			...(ready >= 0 && ready < DAYS_OF_WEEK && { readyColumn: ready }),
		},
	]
}

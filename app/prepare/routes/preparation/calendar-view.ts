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
	const { terms, courses, laid, marks, tasks, overload, unplaced, relief } = preparation
	const done = new Set(marks.done)
	const settled = new Map(marks.settled)
	const items = laid.map(({ task, start, lateMinutes }): WorkItem => ({
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
	const dayOf = (date: string): CalendarDay => ({
		date,
		sessions: courses.flatMap(({ id, name, sessions }) =>
			sessions.flatMap(({ date: day, startMin, endMin }, s) =>
				day === date
					? [
							{
								courseId: id,
								words: `${name}: ${sessionName(startMin, s + 1).toLowerCase()}`,
								time: `${clock(startMin)}–${clock(endMin)}`,
							},
						]
					: [],
			),
		),
		work: items.filter(({ start }) => start.date === date),
	})
	const spans = listDryingSpans(courses, laid, terms.zone)
	const first = firstDay(view, from, terms.now.date)
	const weekCount = view === 'month' ? weeksOfMonth(from) : 1
	const weeks = Array.from({ length: weekCount }, (_, w): CalendarWeek => {
		const monday = addDays(first, w * DAYS_OF_WEEK)
		return {
			days: Array.from({ length: DAYS_OF_WEEK }, (__, d) => dayOf(addDays(monday, d))),
			bars: spans.flatMap((span) => barIn(span, monday)),
		}
	})
	const dates = [...new Set(items.map(({ start }) => start.date))]
	return {
		view,
		from,
		date: terms.now.date,
		days: view === 'days' ? dates.map(dayOf) : [],
		weeks: view === 'days' ? [] : weeks,
		courses: Object.fromEntries(courses.map(({ id, name }) => [id, name])),
		withoutPlan: courses.filter(({ hasPlan }) => !hasPlan).map(({ id, name }) => ({ id, name })),
		dryingNow: spans
			.filter(({ from: left, readyAt }) => left.date <= terms.now.date && readyAt.date >= terms.now.date)
			.map(({ key, source, readyAt }) => ({
				key,
				words: `${nameOfTask(source)}, ready ${shortDay(readyAt.date)} ${clock(readyAt.minuteOfDay)}`,
			})),
		unplaced: unplaced.map(({ id, work, minutes }) => ({ id, words: prepWords(work), minutes })),
		overload: overload && {
			...overload,
			tasks: overload.tasks.map(({ work }) => prepWords(work)),
		},
		relief: relief.map((one) => ({ ...one, words: reliefWords(one, tasks) })),
		/** Ticked, and not laid any more. */
		doneBefore: tasks
			.filter(({ id }) => done.has(id) && !items.some(({ taskId }) => taskId === id))
			.map(({ id, courseId, work }) => ({ taskId: id, courseId, words: prepWords(work) })),
		minutesLaid: laid.reduce((sum, { task }) => sum + task.minutes, 0),
		/** Something is late that need not be. */
		isHelpable: isHelpable(preparation, terms.now),
		isAllInTime: preparation.objective.late === 0 && unplaced.length === 0,
		proven: preparation.proven,
		isImproving: preparation.isImproving,
	}
}

export type CalendarData = ReturnType<typeof toCalendarView>

/** Mondays; of the days view today. */
function firstDay(view: CalendarView, from: string, today: string): string {
	if (view === 'days') return today
	const start = view === 'month' ? `${from.slice(0, 7)}-01` : from
	return addDays(weekdayFrom(addDays(start, -6), 1), 0)
}

function weeksOfMonth(from: string): number {
	const first = firstDay('month', from, from)
	const next = nextMonth(from)
	return Math.ceil(daysBetween(first, next) / DAYS_OF_WEEK)
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

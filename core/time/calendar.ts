/**
 * Days of the calendar, as texts YYYY-MM-DD: the proleptic Gregorian one of ISO 8601, without zones or times of day.
 */

import { Temporal } from 'temporal-polyfill'

/** Years that a date of ours may lie in: a course in another is a slip of the finger. */
export const FIRST_YEAR = 2000
export const LAST_YEAR = 2100

/** Of a calendar without clocks, where every day is as long. */
const MS_PER_DAY = 86_400_000

/** Whether a text is a day that there is, in a year from FIRST_YEAR to LAST_YEAR. */
export function isCalendarDate(text: string): boolean {
	if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false
	const time = Date.parse(`${text}T00:00:00Z`)
	const year = Number(text.slice(0, 4))
	// 30 February parses as a day in March: it must come back as it went in.
	return year >= FIRST_YEAR && year <= LAST_YEAR && !Number.isNaN(time) && fromDayNumber(time / MS_PER_DAY) === text
}

/**
 * Whole days from one date to another.
 *
 * @throws {RangeError} one of them is no date
 */
export function daysBetween(from: string, to: string): number {
	return toDayNumber(to) - toDayNumber(from)
}

/**
 * The date so many days later.
 *
 * @throws {RangeError} it is no date
 */
export function addDays(date: string, days: number): string {
	return fromDayNumber(toDayNumber(date) + days)
}

/**
 * The same day so many months later, or the last of a shorter month.
 *
 * @throws {RangeError} it is no date
 */
export function addMonths(date: string, months: number): string {
	return Temporal.PlainDate.from(date).add({ months }).toString()
}

/**
 * The first date with that day of the week, the given one included.
 *
 * @param weekday - 0 (Sunday) to 6
 * @throws {RangeError} it is no date
 */
export function weekdayFrom(date: string, weekday: number): string {
	const day = new Date(toDayNumber(date) * MS_PER_DAY).getUTCDay()
	return addDays(date, (weekday - day + 7) % 7)
}

/**
 * Days since 1970-01-01.
 *
 * @throws {RangeError} it is no date
 */
function toDayNumber(date: string): number {
	const time = Date.parse(`${date}T00:00:00Z`)
	if (Number.isNaN(time)) throw new RangeError(`a date as 2026-03-01, got ${date}`)
	return time / MS_PER_DAY
}

/** The other way. */
function fromDayNumber(day: number): string {
	return new Date(day * MS_PER_DAY).toISOString().slice(0, 10)
}

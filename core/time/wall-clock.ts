/** Moments on a wall clock, as texts YYYY-MM-DDTHH:MM, and times of day in minutes after midnight. */

/** Of hands that are never turned. */
const MS_PER_MINUTE = 60_000
const MINUTES_PER_DAY = 1440

/** A moment on the wall clock, in parts. */
export interface WallTime {
	/** YYYY-MM-DD. */
	date: string
	/** Minutes after midnight. */
	minuteOfDay: number
}

/** '19:05'; minutes past midnight begin again at 00:00. */
export function clock(minuteOfDay: number): string {
	const minute = ((minuteOfDay % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY
	return `${twoDigits(Math.floor(minute / 60))}:${twoDigits(minute % 60)}`
}

/** '7' -> '07'. */
export function twoDigits(part: number): string {
	return String(part).padStart(2, '0')
}

/** 'YYYY-MM-DDTHH:MM' of its parts. */
export function toMoment({ date, minuteOfDay }: WallTime): string {
	return `${date}T${clock(minuteOfDay)}`
}

/** The other way. */
export function toWallTime(moment: string): WallTime {
	const [date = '', time = ''] = moment.split('T')
	return { date, minuteOfDay: 60 * Number(time.slice(0, 2)) + Number(time.slice(3, 5)) }
}

/**
 * The moment so many minutes later, as the hands of the clock go.
 *
 * @throws {RangeError} it is no moment
 */
export function addWallMinutes(moment: string, minutes: number): string {
	return fromMs(toMs(moment) + minutes * MS_PER_MINUTE)
}

/**
 * A moment as a point in time of a clock that never changes: only good for sorting, storing and subtracting.
 *
 * @throws {RangeError} it is no moment
 */
export function toMs(moment: string): number {
	const ms = Date.parse(`${moment}:00Z`)
	if (Number.isNaN(ms)) throw new RangeError(`a moment as 2026-03-01T18:30, got ${moment}`)
	return ms
}

/** The other way. */
export function fromMs(ms: number): string {
	return new Date(ms).toISOString().slice(0, 16)
}

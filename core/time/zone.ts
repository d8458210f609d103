/**
 * A studio's wall clock and the time that really passes. Twice a year the two part: in the night in which clocks go
 * forward a piece dries an hour less than the hands say, in the other one an hour more.
 * Where the hands show a time twice, the first is meant; a time that is left out is taken as an hour later (what people
 * do who did not know; RFC 5545, 3.3.5, says the same).
 */
import { Temporal } from 'temporal-polyfill'
import { toWallTime, type WallTime } from './wall-clock'

/** Points in time are kept in ms. */
const MS_PER_MINUTE = 60_000

/** Where nothing is known of a zone: its clock never changes. */
export const NO_ZONE = 'UTC'

/** A moment of a studio's wall clock that minutes are counted from. */
export interface ClockOrigin extends WallTime {
	/** Name in the IANA database. */
	zone: string
}

/** Whether there is such a zone. */
export function isTimeZone(name: string): boolean {
	try {
		Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name)
		return true
	} catch {
		// The library answers with a RangeError, whatever is wrong with the name.
		return false
	}
}

/** What a clock in the zone shows at a point in time, YYYY-MM-DDTHH:MM. */
export function wallMomentAt(epochMs: number, zone: string): string {
	return Temporal.Instant.fromEpochMilliseconds(epochMs)
		.toZonedDateTimeISO(zone)
		.toPlainDateTime()
		.toString({ smallestUnit: 'minute' })
}

/** What a clock in the zone shows at a point in time, whole ms or not: real minutes after midnight, in [0, 1440). */
export function minuteOfDayAt(epochMs: number, zone: string): number {
	const { hour, minute, second, millisecond } = Temporal.Instant.fromEpochMilliseconds(
		Math.floor(epochMs),
	).toZonedDateTimeISO(zone)
	return 60 * hour + minute + (second + millisecond / 1000) / 60
}

/** Minutes that really pass from the origin to a time of its wall clock. */
export function minutesSince(origin: ClockOrigin, { date, minuteOfDay }: WallTime): number {
	return (
		(epochMs(origin.zone, date, minuteOfDay) - epochMs(origin.zone, origin.date, origin.minuteOfDay)) / MS_PER_MINUTE
	)
}

/** Point in time of a wall time in a zone, ms since 1970. */
export function instantOf({ date, minuteOfDay }: WallTime, zone: string): number {
	return epochMs(zone, date, minuteOfDay)
}

/** What the wall clock shows so many minutes after the origin. */
export function wallTimeAfter(origin: ClockOrigin, minutes: number): WallTime {
	const ms = epochMs(origin.zone, origin.date, origin.minuteOfDay) + minutes * MS_PER_MINUTE
	return toWallTime(wallMomentAt(ms, origin.zone))
}

/** By zone, date and minute: a course asks for the same few moments many hundred times. */
const known = new Map<string, number>()
/** Moments whose points in time are kept: reckoning with zones takes long, and courses ask for the same ones. */
const MOST_KNOWN = 5_000

/**
 * Point in time of a wall time in a zone, ms. One that is skipped when clocks go forward is as much later; of one that
 * comes twice it is the first.
 */
function epochMs(zone: string, date: string, minuteOfDay: number): number {
	const key = `${zone} ${date} ${minuteOfDay}`
	const found = known.get(key)
	if (found !== undefined) return found
	const ms = Temporal.PlainDate.from(date)
		.toPlainDateTime()
		.add({ minutes: minuteOfDay })
		.toZonedDateTime(zone, { disambiguation: 'compatible' }).epochMilliseconds
	if (known.size >= MOST_KNOWN) known.clear()
	known.set(key, ms)
	return ms
}

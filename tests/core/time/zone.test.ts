import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addDays, daysBetween, isCalendarDate } from '../../../core/time/calendar'
import { addWallMinutes, clock } from '../../../core/time/wall-clock'
import { isTimeZone, minuteOfDayAt, minutesSince, wallMomentAt, wallTimeAfter } from '../../../core/time/zone'

const evening = (date: string, zone: string) => ({ date, minuteOfDay: 19 * 60, zone })

/**
 * Nights in which clocks change, by the IANA database (from memory): last Sunday of March and of October in London, first
 * Sunday of October and of April in Sydney; no change in Brisbane.
 */
const NIGHTS = [
	{ zone: 'Europe/London', from: '2026-03-28', what: 'forward', hours: 23 },
	{ zone: 'Europe/London', from: '2026-10-24', what: 'back', hours: 25 },
	{ zone: 'Australia/Sydney', from: '2026-10-03', what: 'forward', hours: 23 },
	{ zone: 'Australia/Sydney', from: '2026-04-04', what: 'back', hours: 25 },
	{ zone: 'Australia/Brisbane', from: '2026-10-03', what: 'not at all', hours: 24 },
	{ zone: 'UTC', from: '2026-03-28', what: 'not at all', hours: 24 },
]

describe.each(NIGHTS)('the night of $from in $zone, when clocks go $what', ({ zone, from, hours }) => {
	test('is as long as a piece really dries', () => {
		expect(minutesSince(evening(from, zone), { date: addDays(from, 1), minuteOfDay: 19 * 60 })).toBe(60 * hours)
	})

	test('leads back to the wall clock', () => {
		expect(wallTimeAfter(evening(from, zone), 60 * hours)).toEqual({ date: addDays(from, 1), minuteOfDay: 19 * 60 })
	})
})

test('a time that is left out is taken an hour later, one that comes twice as the first', () => {
	const midnight = { date: '2026-03-29', minuteOfDay: 0, zone: 'Europe/London' }
	expect(minutesSince(midnight, { date: '2026-03-29', minuteOfDay: 90 })).toBe(90)
	expect(wallTimeAfter(midnight, 90)).toEqual({ date: '2026-03-29', minuteOfDay: 150 })
	const autumn = { date: '2026-10-25', minuteOfDay: 0, zone: 'Europe/London' }
	expect(minutesSince(autumn, { date: '2026-10-25', minuteOfDay: 90 })).toBe(90)
})

test('what passes and what the clock shows undo each other, away from the nights of change', () => {
	fc.assert(
		fc.property(
			fc.constantFrom('Europe/London', 'Australia/Sydney', 'America/St_Johns', 'Asia/Kathmandu'),
			fc.integer({ min: 0, max: 3000 }),
			fc.integer({ min: 360, max: 1439 }),
			(zone, days, minuteOfDay) => {
				const origin = evening('2024-05-10', zone)
				const wall = { date: addDays('2024-05-10', days), minuteOfDay }

				expect(wallTimeAfter(origin, minutesSince(origin, wall))).toEqual(wall)
			},
		),
		{ seed: 11 },
	)
})

test('a point in time is told as the clock of the zone shows it', () => {
	const noon = Date.UTC(2026, 6, 1, 12)

	expect(wallMomentAt(noon, 'Europe/London')).toBe('2026-07-01T13:00')
	expect(minuteOfDayAt(noon + 90_000, 'Europe/London')).toBeCloseTo(13 * 60 + 1.5, 9)
	expect(minuteOfDayAt(noon + 90_000.7, 'Europe/London')).toBeCloseTo(13 * 60 + 1.5, 9)
	expect(wallMomentAt(noon, 'Australia/Sydney')).toBe('2026-07-01T22:00')
	expect([isTimeZone('Europe/London'), isTimeZone('Europe/Atlantis'), isTimeZone('')]).toEqual([true, false, false])
})

describe('days and times of day', () => {
	test.each([
		['2026-02-28', true],
		['2026-02-29', false],
		['2028-02-29', true],
		['1999-12-31', false],
		['2101-01-01', false],
		['0026-03-01', false],
		['2026-3-1', false],
	])('%s is a day of ours: %s', (text, isDay) => {
		expect(isCalendarDate(text)).toBe(isDay)
	})

	test('add and subtract as the calendar does', () => {
		fc.assert(
			fc.property(fc.integer({ min: -10_000, max: 10_000 }), (days) => {
				expect(daysBetween('2050-06-15', addDays('2050-06-15', days))).toBe(days)
			}),
			{ seed: 12 },
		)
		expect(() => addDays('soon', 1)).toThrow(RangeError)
	})

	test('are told and read', () => {
		expect([clock(0), clock(1145), clock(1500), clock(-30)]).toEqual(['00:00', '19:05', '01:00', '23:30'])
		expect(addWallMinutes('2026-03-01T23:50', 20)).toBe('2026-03-02T00:10')
	})
})

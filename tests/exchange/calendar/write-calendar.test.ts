/** Calendar files, read back by a parser that is not ours (ical.js). */
import fc from 'fast-check'
import ICAL from 'ical.js'
import { describe, expect, test } from 'vitest'
import { instantOf } from '../../../core/time/zone'
import { addDays } from '../../../core/time/calendar'
import { writeCalendar, type PublishedEvent } from '../../../exchange/calendar/write-calendar'

const NAME = 'Magnolia, on Thursdays; twice'
const TOLD = { sequence: 7, changedAt: new Date('2026-03-02T10:00:00Z'), isOff: false }
const ZONES = ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'UTC']

function read(text: string): ICAL.Event[] {
	const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
	return calendar.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
}

/** What a clock on the wall there shows, by the tables of the runtime. */
function wallClock(ms: number, timeZone: string): string {
	return new Date(ms).toLocaleString('sv', { timeZone }).slice(0, 16).replace(' ', 'T')
}

describe('a calendar file', () => {
	const texts = fc.string({ unit: 'grapheme', maxLength: 160 }).map((text) => text.replace(/\p{Cc}/gu, ' ').trim())
	// Both changes of the clocks lie in it, in all of the zones.
	const days = fc.integer({ min: 0, max: 420 }).map((day) => addDays('2026-01-01', day))
	const events = fc.array(
		fc.record({
			title: texts,
			lines: fc.array(texts, { maxLength: 4 }),
			day: days,
			minuteOfDay: fc.integer({ min: 0, max: 1439 }),
			minutes: fc.integer({ min: 1, max: 600 }),
			isWhole: fc.boolean(),
			alarmMinutes: fc.option(fc.integer({ min: 0, max: 3000 }), { nil: undefined }),
		}),
		{ maxLength: 4 },
	)

	test('says what it was given, whatever stands in it: 1 000 random courses, across both clock changes', () => {
		fc.assert(
			fc.property(events, fc.constantFrom(...ZONES), (given, zone) => {
				const written = given.map(
					({ title, lines, day, minuteOfDay, minutes, isWhole, alarmMinutes }, e): PublishedEvent => {
						const start = instantOf({ date: day, minuteOfDay }, zone)
						const when = isWhole ? { day } : { start, end: start + minutes * 60_000 }
						return {
							...TOLD,
							uid: `event-${e}@calycine`,
							title,
							text: lines,
							when,
							...(alarmMinutes !== undefined && { alarmMinutes }),
						}
					},
				)
				const text = writeCalendar(NAME, written)
				const found = read(text)

				for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
				expect(found.map(({ uid }) => uid)).toEqual(written.map(({ uid }) => uid))
				found.forEach((event, e) => {
					const { title, text: lines, when } = written[e]!
					expect(event.summary ?? '').toBe(title)
					expect(event.description ?? '').toBe(lines.join('\n'))
					expect(event.sequence).toBe(TOLD.sequence)
					if ('day' in when) {
						expect([event.startDate.isDate, event.startDate.toString()]).toEqual([true, when.day])
						expect(event.endDate.toString()).toBe(addDays(when.day, 1))
					} else {
						expect(event.startDate.zone).toBe(ICAL.Timezone.utcTimezone)
						expect([event.startDate.toJSDate().getTime(), event.endDate.toJSDate().getTime()]).toEqual([
							when.start,
							when.end,
						])
					}
				})
			}),
			{ numRuns: 1000 },
		)
	}, 60_000)

	test.each([
		['2026-03-28', '2026-03-29T19:00', 'Europe/London'],
		['2026-10-25', '2026-10-25T19:00', 'Europe/London'],
		['2026-11-01', '2026-11-01T09:30', 'America/New_York'],
	])('around %s an evening at %s in %s begins when the clock on the wall says so', (_, moment, zone) => {
		const [date = '', time = ''] = moment.split('T')
		const minuteOfDay = 60 * Number(time.slice(0, 2)) + Number(time.slice(3))
		const start = instantOf({ date, minuteOfDay }, zone)
		const [event] = read(
			writeCalendar(NAME, [{ ...TOLD, uid: 'a', title: 'A', text: [], when: { start, end: start + 60_000 } }]),
		)

		expect(wallClock(event!.startDate.toJSDate().getTime(), zone)).toBe(moment)
	})

	test('has alarms, and when it was changed', () => {
		const when = { start: Date.UTC(2026, 2, 5, 19), end: Date.UTC(2026, 2, 5, 21) }
		const text = writeCalendar(NAME, [{ ...TOLD, uid: 'a', title: 'A', text: [], when, alarmMinutes: 60 }])
		const [event] = read(text)

		const alarm = event!.component.getFirstSubcomponent('valarm')
		expect(String(alarm?.getFirstPropertyValue('trigger'))).toBe('-PT1H')
		expect(String(event!.component.getFirstPropertyValue('last-modified'))).toBe('2026-03-02T10:00:00Z')
		expect(text).not.toMatch(/RRULE|RDATE|VTIMEZONE/)
	})

	test('says of what is off that it is, and reminds nobody of it', () => {
		const when = { start: Date.UTC(2026, 2, 5, 19), end: Date.UTC(2026, 2, 5, 21) }
		const event = { ...TOLD, title: 'A', text: [], when, alarmMinutes: 60 }
		const [on, off] = read(
			writeCalendar(NAME, [
				{ ...event, uid: 'a' },
				{ ...event, uid: 'b', isOff: true },
			]),
		)

		expect(on!.component.getFirstPropertyValue('status')).toBe(null)
		expect(off!.component.getFirstPropertyValue('status')).toBe('CANCELLED')
		expect(off!.component.getAllSubcomponents('valarm')).toEqual([])
	})
})

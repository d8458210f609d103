/**
 * Calendar files: iCalendar (RFC 5545, RFC 7986). Instants in UTC, whole days without a time, no rule recurs; an event is known
 * by its UID, and a newer one of the same UID has the higher SEQUENCE.
 */
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus } from 'ical-generator'

export interface CalendarEvent {
	/** Unique, and the same whenever the event is written again. */
	uid: string
	title: string
	/** Lines. */
	text: readonly string[]
	location?: string
	/** Points in time, ms since 1970; or a whole day, YYYY-MM-DD. */
	when: { start: number; end: number } | { day: string }
	/** Minutes before its start at which somebody is reminded. */
	alarmMinutes?: number
}

/** An event as calendars have been told of it. */
export interface PublishedEvent extends CalendarEvent {
	/** Whole; the higher, the newer. */
	sequence: number
	changedAt: Date
	/** It does not take place any more. */
	isOff: boolean
}

const MS_PER_DAY = 86_400_000

/** @returns the text of a file, lines of at most 75 octets, ended by CR LF */
export function writeCalendar(name: string, events: readonly PublishedEvent[]): string {
	const calendar = ical({
		name,
		prodId: { company: 'Calycine', product: 'Course calendar', language: 'EN' },
		method: ICalCalendarMethod.PUBLISH,
	})
	for (const { uid, title, text, location, when, alarmMinutes, sequence, changedAt, isOff } of events) {
		const event = calendar.createEvent({
			id: uid,
			summary: title,
			description: text.join('\n'),
			sequence,
			stamp: changedAt,
			lastModified: changedAt,
			...spanOf(when),
			...(isOff && { status: ICalEventStatus.CANCELLED }),
			...(location !== undefined && { location }),
		})
		// Nobody is reminded of what is off.
		if (alarmMinutes !== undefined && !isOff)
			event.createAlarm({ type: ICalAlarmType.display, triggerBefore: 60 * alarmMinutes, description: title })
	}
	return calendar.toString()
}

/** A whole day ends where the next begins. */
function spanOf(when: CalendarEvent['when']) {
	if ('start' in when) return { start: new Date(when.start), end: new Date(when.end) }
	const start = new Date(when.day)
	return { start, end: new Date(start.getTime() + MS_PER_DAY), allDay: true }
}

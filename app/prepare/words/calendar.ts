/** What of a course stands on a calendar, in words; nobody's name. */
import type { Course } from '../../../core/course/course'
import type { CalendarEntry } from '../../../core/prepare/course-calendar'
import type { LaidPreparation } from '../../../core/prepare/lay-preparation'
import { instantOf } from '../../../core/time/zone'
import type { CalendarEvent } from '../../../exchange/calendar/write-calendar'
import { nameOfTask } from '../../plan/words/tasks'
import { clock, count, duration, sessionName, shortDay } from '../../shared/words/times'
import { byWords, prepWords } from './prep-work'

/** How long a look at a tray takes on the calendar. */
const LOOK_MINUTES = 15
const SESSION_ALARM_MINUTES = 60
/** Of a whole day: at nine in the morning. */
const DAY_ALARM_MINUTES = -9 * 60

interface Terms {
	course: Pick<Course, 'name'> & { id: number }
	studioId: number
	zone: string
	roomOf: (roomId: number | undefined) => string | undefined
}

/** Work before class as it is laid in one member's time. */
export function toWorkEvent(
	{ task, start, end }: LaidPreparation['laid'][number],
	{ courseName, userId, studioId, zone }: { courseName: string; userId: number; studioId: number; zone: string },
): CalendarEvent {
	return {
		uid: `${task.id.replaceAll(' ', '.')}.user-${userId}.studio-${studioId}@calycine`,
		title: prepWords(task.work),
		text: [`${courseName}. ${duration(task.minutes)}, ${byWords(task.latest)}.`],
		when: { start: instantOf(start, zone), end: instantOf(end, zone) },
		alarmMinutes: 0,
	}
}

/** Whether an event is of one member's time: of anybody's, or of a certain one's. */
export function isOfMember(uid: string, userId?: number): boolean {
	return userId === undefined ? /\.user-\d+\./.test(uid) : uid.includes(`.user-${userId}.`)
}

export function toCalendarEvent(entry: CalendarEntry, { course, studioId, zone, roomOf }: Terms): CalendarEvent {
	const uid = `${entry.key}.course-${course.id}.studio-${studioId}@calycine`
	switch (entry.kind) {
		case 'session': {
			const { session, number, of, steps } = entry
			const { date, startMin, endMin, setUpMinutes, clearAwayMinutes, roomId } = session
			const location = roomOf(roomId)
			const at = (minuteOfDay: number) => instantOf({ date, minuteOfDay }, zone)
			return {
				uid,
				title: `${course.name}: ${sessionName(startMin, number).toLowerCase()}${of > 1 ? ` of ${of}` : ''}`,
				text: [
					`Hands-on from ${clock(startMin + setUpMinutes)} to ${clock(endMin - clearAwayMinutes)}.`,
					...steps.map((source) => (source.type === 'demo' ? `You show ${nameOfTask(source)}` : nameOfTask(source))),
				],
				when: { start: at(startMin), end: at(endMin) },
				alarmMinutes: SESSION_ALARM_MINUTES,
				...(location !== undefined && { location }),
			}
		}
		case 'ready': {
			const { at, source, stage, neededAt } = entry
			const start = instantOf(at, zone)
			return {
				uid,
				title: `${nameOfTask(source)}: ${stage ?? 'dry'}`,
				text: [`${course.name}. Look at the tray; it is needed on ${shortDay(neededAt.date)}.`],
				when: { start, end: start + LOOK_MINUTES * 60_000 },
				alarmMinutes: 0,
			}
		}
		case 'work': {
			const { source, minutes, beginBy, neededOn } = entry.work
			return {
				uid,
				title: `Make ahead: ${nameOfTask(source)}, ${duration(minutes)}`,
				text: [`${course.name}. To be begun today at the latest: it is needed dry on ${shortDay(neededOn)}.`],
				when: { day: beginBy },
				alarmMinutes: DAY_ALARM_MINUTES,
			}
		}
		case 'order':
			return {
				uid,
				title: `Order from ${entry.supplierName}: ${count(entry.count, 'thing')}`,
				text: [`${course.name}. To be ordered today at the latest, so that it comes in time.`],
				when: { day: entry.orderBy },
				alarmMinutes: DAY_ALARM_MINUTES,
			}
	}
}

/** The calendar of a course in the form that other calendars read. */
import { listNeeds, listShopping, ordersBySupplier } from '../../core/kit/shopping-list'
import { listCalendar } from '../../core/prepare/course-calendar'
import type { Studio } from '../../db/repositories/accounts.server'
import { writeCalendar } from '../../exchange/calendar/write-calendar'
import type { CurrentKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import { today } from '../shared/http/studio-clock.server'
import { toCalendarEvent } from './words/calendar'

export function writeCourseCalendar(
	studio: Studio,
	current: CurrentKit,
	roomName: (roomId: number | undefined) => string,
): string {
	const { course, kit, stock, planId, planMadeAt } = current
	const shopping = kit && listShopping(listNeeds(kit), stock, today(studio.timeZone))
	const entries = listCalendar(course, toldPlan(current)?.story, ordersBySupplier(shopping?.lines ?? []))
	const terms = { course, studioId: studio.id, zone: studio.timeZone, roomOf: roomName }
	return writeCalendar(
		entries.map((entry) => toCalendarEvent(entry, terms)),
		// Both only ever rise.
		{ name: course.name, sequence: course.version + planId, changedAt: planMadeAt },
	)
}

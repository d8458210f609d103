/** Calendars in the form that other programs read: of a course, and of a member under a secret address. */
import { listNeeds, listShopping, ordersBySupplier } from '../../core/kit/shopping-list'
import { listCalendar, listOrderEntries, type CalendarEntry } from '../../core/prepare/course-calendar'
import { roomOf } from '../../core/plan/compile/drying-terms'
import type { Studio } from '../../db/repositories/accounts.server'
import type { Member } from '../../db/repositories/sign-ins.server'
import { publishEvents, type EventOfCourse } from '../../db/repositories/calendars.server'
import { listPlaces } from '../../db/repositories/places.server'
import { writeCalendar } from '../../exchange/calendar/write-calendar'
import type { CurrentKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import { today, wallNow } from '../shared/http/studio-clock.server'
import { loadPreparation } from './load-preparation.server'
import { isOfMember, toCalendarEvent, toWorkEvent } from './words/calendar'

/** What has gone from the course since it was last told is told to be off. */
export async function writeCourseCalendar(studio: Studio, current: CurrentKit): Promise<string> {
	const { course, kit, stock } = current
	const shopping = kit && listShopping(listNeeds(kit), stock, today(studio.timeZone))
	const entries = [
		...listCalendar(course, toldPlan(current)?.story),
		...listOrderEntries(ordersBySupplier(shopping?.lines ?? [])),
	]
	const events = await toEvents(studio, [{ ...course, entries }])
	const isInScope = (uid: string, courseId: number) => courseId === course.id && !isOfMember(uid)
	return writeCalendar(course.name, await publishEvents(studio.id, events, new Date(), isInScope))
}

/** Of all coming courses: sessions, when trays are ready, and a member's work before class as it is laid. */
export async function writeMemberCalendar(member: Pick<Member, 'userId' | 'studio'>): Promise<string> {
	const { studio, userId } = member
	// What it does not name is off: it must know of all.
	const { courses, laid } = await loadPreparation(member, wallNow(studio.timeZone), Infinity)
	const shared = courses.map((course) => ({ ...course, entries: course.entries.filter(isShared) }))
	const names = new Map(courses.map(({ id, name }) => [id, name]))
	const work = laid.map((one): EventOfCourse => {
		const { courseId } = one.task
		const terms = { courseName: names.get(courseId) ?? '', userId, studioId: studio.id, zone: studio.timeZone }
		return { courseId, event: toWorkEvent(one, terms) }
	})
	const coming = new Set(courses.map(({ id }) => id))
	const isInScope = (uid: string, courseId: number) =>
		coming.has(courseId) &&
		(isOfMember(uid) ? isOfMember(uid, userId) : SHARED_KINDS.some((kind) => uid.startsWith(kind)))
	const events = [...(await toEvents(studio, shared)), ...work]
	return writeCalendar(studio.name, await publishEvents(studio.id, events, new Date(), isInScope))
}

/** What stands in every calendar of a course; by when something is to be done stands in a member's as it is laid. */
const SHARED_KINDS = ['session', 'ready']

function isShared({ kind }: CalendarEntry): boolean {
	return SHARED_KINDS.includes(kind)
}

interface CourseEntries {
	id: number
	name: string
	entries: readonly CalendarEntry[]
}

async function toEvents(studio: Studio, courses: readonly CourseEntries[]): Promise<EventOfCourse[]> {
	const places = await listPlaces(studio.id)
	const roomName = (roomId: number | undefined) => roomOf({ places }, roomId).name
	return courses.flatMap((course) =>
		course.entries.map((entry) => ({
			courseId: course.id,
			event: toCalendarEvent(entry, { course, studioId: studio.id, zone: studio.timeZone, roomOf: roomName }),
		})),
	)
}

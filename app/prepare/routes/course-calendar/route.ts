/** The calendar of a course as a file: sessions, when trays are ready, what is made and ordered before. */
import { listNeeds, listShopping, ordersBySupplier } from '../../../../core/kit/shopping-list'
import { listCalendar } from '../../../../core/prepare/course-calendar'
import { listPlaces } from '../../../../db/repositories/places.server'
import { writeCalendar } from '../../../../exchange/calendar/write-calendar'
import { readKit } from '../../../kit/read-kit.server'
import { toldPlan } from '../../../plan/told-plan.server'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { today } from '../../../shared/http/studio-clock.server'
import { toCalendarEvent } from '../../words/calendar'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, params)
		const [current, places] = await Promise.all([readKit(studio, course), listPlaces(studio.id)])
		const { kit, stock, planId, planMadeAt } = current
		const shopping = kit && listShopping(listNeeds(kit), stock, today(studio.timeZone))
		const entries = listCalendar(course, toldPlan(current)?.story, ordersBySupplier(shopping?.lines ?? []))
		const roomOf = (roomId: number | undefined) => places.find(({ id }) => id === roomId)?.name
		const terms = { course, studioId: studio.id, zone: studio.timeZone, roomOf }
		const text = writeCalendar(
			entries.map((entry) => toCalendarEvent(entry, terms)),
			// Both only ever rise.
			{ name: course.name, sequence: course.version + planId, changedAt: planMadeAt },
		)
		return answerFile(text, { name: `course-${course.id}.ics`, type: 'text/calendar; charset=utf-8' })
	})
}

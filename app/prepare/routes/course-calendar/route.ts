/** The calendar of a course as a file: sessions, when trays are ready, what is made and ordered before. */
import { roomOf } from '../../../../core/plan/compile/drying-terms'
import { listPlaces } from '../../../../db/repositories/places.server'
import { readKit } from '../../../kit/read-kit.server'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { writeCourseCalendar } from '../../write-course-calendar.server'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, params)
		const [current, places] = await Promise.all([readKit(studio, course), listPlaces(studio.id)])
		const text = writeCourseCalendar(studio, current, (roomId) => roomOf({ places }, roomId).name)
		return answerFile(text, { name: `course-${course.id}.ics`, type: 'text/calendar; charset=utf-8' })
	})
}

/** The calendar of a course as a file: sessions, when trays are ready, what is made and ordered before. */
import { readKit } from '../../../kit/read-kit.server'
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { answerFile } from '../../../shared/http/file-answer'
import { loading } from '../../../shared/http/responses.server'
import { writeCourseCalendar } from '../../write-calendars.server'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const course = await courseOfPage(context, params)
		const text = await writeCourseCalendar(studio, await readKit(studio, course))
		return answerFile(text, { name: `course-${course.id}.ics`, type: 'text/calendar; charset=utf-8' })
	})
}

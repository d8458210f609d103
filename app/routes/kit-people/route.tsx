/** The people of a course: what their kits need to know, and no more; from a file, into a file, and forgotten at once. */
import { getCourse } from '../../../db/repositories/courses.server'
import { listStudents } from '../../../db/repositories/students.server'
import { memberContext } from '../../http/contexts'
import { readId } from '../../http/read-input.server'
import { acting, loading } from '../../http/responses.server'
import type { Route } from './+types/route'
import { changePeople } from './change-people.server'
import { PeopleForm } from './people-form'
import './kit-people.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		const [course, students] = await Promise.all([getCourse(studio.id, courseId), listStudents(studio.id, courseId)])
		return { courseId, places: course.studentCount, students }
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(() => changePeople(context.get(memberContext).studio.id, readId(params.courseId), request))
}

export default function KitPeoplePage({ loaderData, actionData }: Route.ComponentProps) {
	// After a file was taken, or everybody was forgotten, the form shows what there is now.
	return <PeopleForm key={JSON.stringify(loaderData.students)} data={loaderData} answer={actionData} />
}

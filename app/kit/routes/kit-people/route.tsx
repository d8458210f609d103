/** The people of a course: what their kits need to know, and no more; from a file, into a file, and forgotten at once. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { getRoster } from '../../../../db/repositories/students.server'
import { memberContext } from '../../../shared/http/contexts'
import { readId } from '../../../shared/http/read-input.server'
import { changing, loading } from '../../../shared/http/responses.server'
import type { Route } from './+types/route'
import { changePeople } from './change-people.server'
import { PeopleForm } from './people-form'
import './kit-people.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { id, studentCount } = await courseOfPage(context, params)
		return { courseId: id, places: studentCount, ...(await getRoster(studio.id, id)) }
	})
}

export function action({ params, request, context }: Route.ActionArgs) {
	const { studio } = context.get(memberContext)
	return changing(
		() => changePeople(studio.id, readId(params.courseId), request),
		() => getRoster(studio.id, readId(params.courseId)),
	)
}

/** Who comes, and what their kits need to know. */
export default function KitPeoplePage({ loaderData, actionData }: Route.ComponentProps) {
	// After a file was taken, or everybody was forgotten, the form shows what there is now.
	return <PeopleForm key={JSON.stringify(loaderData.students)} data={loaderData} answer={actionData} />
}

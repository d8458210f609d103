import { redirect } from 'react-router'
import { deleteCourse } from '../../../db/repositories/courses.server'
import { memberContext } from '../../http/contexts'
import { readId } from '../../http/read-input.server'
import { acting } from '../../http/responses.server'
import type { Route } from './+types/route'

export function loader({ params }: Route.LoaderArgs) {
	return redirect(`/courses/${params.courseId}`)
}

export function action({ params, context }: Route.ActionArgs) {
	return acting(async () => {
		await deleteCourse(context.get(memberContext).studio.id, readId(params.courseId))
		return redirect('/courses')
	})
}

import { redirect } from 'react-router'
import { deleteCourse, getCourse } from '../../../../db/repositories/courses.server'
import { memberContext } from '../../../shared/http/contexts'
import { readBody, readId } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { versionSchema } from '../../../shared/schemas/row-version'
import type { Route } from './+types/route'

export function loader({ params }: Route.LoaderArgs) {
	return redirect(`/courses/${params.courseId}`)
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const courseId = readId(params.courseId)
		await getCourse(studio.id, courseId)
		const { version } = await readBody(request, versionSchema)
		await deleteCourse(studio.id, courseId, version)
		return redirect('/courses')
	})
}

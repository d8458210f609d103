import { getCourse } from '../../../db/repositories/courses.server'
import { memberContext } from '../../http/contexts'
import { readId } from '../../http/read-input.server'
import { loading } from '../../http/responses.server'
import { readPlan } from '../../plans/read-plan.server'
import type { Route } from './+types/route'

/** What a search in the browser starts from: asked for only when one is started. */
export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { coursePlan } = await readPlan(studio, await getCourse(studio.id, readId(params.courseId)))
		const { compiled, plan } = coursePlan
		return Response.json({ compiled, plan })
	})
}

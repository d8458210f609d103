import { getCourse } from '../../../../db/repositories/courses.server'
import { memberContext } from '../../../shared/http/contexts'
import { readId } from '../../../shared/http/read-input.server'
import { loading } from '../../../shared/http/responses.server'
import { readPlan } from '../../read-plan.server'
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

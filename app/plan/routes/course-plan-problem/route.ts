import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readPlan } from '../../read-plan.server'
import type { Route } from './+types/route'

/** What a search in the browser starts from: asked for only when one is started. */
export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { coursePlan } = await readPlan(studio, await courseOfPage(context, params))
		const { compiled, plan } = coursePlan
		return Response.json({ compiled, plan })
	})
}

import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readPlan } from '../../read-plan.server'
import { resolvePins } from '../../../../core/plan/pins/course-pins'
import type { Route } from './+types/route'

/** What a search in the browser starts from: asked for only when one is started. */
export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const stored = await courseOfPage(context, params)
		const { coursePlan, documents, terms } = await readPlan(studio, stored)
		const { id: _, version, ...course } = stored
		const { compiled, plan } = coursePlan
		const { pins } = resolvePins(coursePlan.course, compiled)
		return Response.json({ compiled, pins, plan, course, version, designs: documents, terms })
	})
}

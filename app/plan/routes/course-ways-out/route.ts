import { courseOfPage } from '../../../shared/http/course-of-page.server'
import type { TriedWay } from '../../../../core/plan/ways-out/way-out'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readPlan } from '../../read-plan.server'
import { solve } from '../../solving/solver-pool.server'
import type { Route } from './+types/route'

const TIME_MS = 4500

/** What would make the course fit, each tried; none for a course that fits. `?alone`: single changes, sooner. */
export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const most = new URL(request.url).searchParams.has('alone') ? 1 : 3
		const { studio } = context.get(memberContext)
		const { coursePlan, documents } = await readPlan(studio, await courseOfPage(context, params))
		const fits = coursePlan.status === 'optimal' || coursePlan.status === 'feasible'
		const ways: TriedWay[] = fits
			? []
			: await solve<'ways-out'>(studio.id, { kind: 'ways-out', coursePlan, designs: documents, most, timeMs: TIME_MS })
		return Response.json({ ways })
	})
}

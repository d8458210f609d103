/** The wall, on a second screen of the room. */
import { memberContext } from '../../../shared/http/contexts'
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { loading } from '../../../shared/http/responses.server'
import { readRun, readRunKey } from '../../read-run.server'
import { Wall } from '../../wall/wall'
import { toWallRun } from '../../wall/wall-run'
import type { Route } from './+types/route'

export function meta() {
	return [{ title: 'The wall · Calycine' }]
}

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { courseId, session } = readRunKey(params)
		const run = await readRun(studio, await courseOfPage(context, params), session)
		return { address: `/courses/${courseId}/run/${session}`, studioId: studio.id, run: run && toWallRun(run) }
	})
}

export default function RunWallPage({ loaderData: { run, ...line } }: Route.ComponentProps) {
	if (!run) return <h1 className="wall-quiet">Nothing is planned for this session.</h1>
	return <Wall page={run} line={line} />
}

/** The events of a run as they come. */
import { readRunEvents } from '../../../../db/repositories/runs.server'
import { mayStillRead } from '../../../account/require-member.server'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readRunKey } from '../../read-run.server'
import { streamRun } from '../../stream-run.server'
import type { Route } from './+types/route'

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(() => {
		const { studio } = context.get(memberContext)
		const run = readRunKey(params)
		return streamRun(request, run, {
			read: (after) => readRunEvents(studio.id, run, after),
			isAllowed: () => mayStillRead(request, studio.id),
		})
	})
}

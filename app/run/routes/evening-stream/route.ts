/** What a phone may see of a run, as it comes. */
import { NotFoundError } from '../../../../core/errors'
import { publicEvents } from '../../../../core/run/public-events'
import { findRunCode } from '../../../../db/repositories/run-codes.server'
import { readRunEvents } from '../../../../db/repositories/runs.server'
import { loading } from '../../../shared/http/responses.server'
import { streamRun } from '../../stream-run.server'
import type { Route } from './+types/route'

export function loader({ params, request }: Route.LoaderArgs) {
	return loading(async () => {
		const find = () => findRunCode(params.code, new Date())
		const found = await find()
		if (!found) throw new NotFoundError('This code is not known, or its evening is over.')
		const { member, run } = found
		return streamRun(request, run, {
			read: async (after) => {
				const { events, cursor } = await readRunEvents(member.studio.id, run, after)
				return { events: publicEvents(events), cursor }
			},
			isAllowed: async () => (await find()) !== undefined,
		})
	})
}

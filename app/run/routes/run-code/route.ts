/** Opens the wall to students' phones: a code for this evening. */
import { openRunCode } from '../../../../db/repositories/run-codes.server'
import { memberContext } from '../../../shared/http/contexts'
import { acting } from '../../../shared/http/responses.server'
import { readRunKey } from '../../read-run.server'
import type { Route } from './+types/route'

export function action({ params, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio, userId } = context.get(memberContext)
		return Response.json({ code: await openRunCode(studio.id, userId, readRunKey(params), new Date()) })
	})
}

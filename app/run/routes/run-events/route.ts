/** The door for events: each is taken once, however often it is sent; the answer is what the device did not know. */
import { addRunEvents, readRunEvents } from '../../../../db/repositories/runs.server'
import { log } from '../../../shared/http/log.server'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { acting } from '../../../shared/http/responses.server'
import { concernsLearning, keepObservations } from '../../keep-observations.server'
import { readRunKey } from '../../read-run.server'
import { settlePins, settlesAnything } from '../../settle-pins.server'
import { tellRun } from '../../run-streams.server'
import { sentEventsSchema, type SentEvents } from '../../schemas/run-events'
import type { Route } from './+types/route'

/** Five hundred events with long notes. */
const MOST_BYTES = 2 * 1024 * 1024

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		const run = readRunKey(params)
		const { events, after } = (await readBody(request, sentEventsSchema, { maxBytes: MOST_BYTES })) as SentEvents
		if (events.length > 0) {
			await addRunEvents(studio.id, run, events, new Date())
			tellRun(run)
			// The class goes on meanwhile; a plan takes its seconds.
			if (settlesAnything(events))
				void settlePins(studio, run).catch((error: unknown) =>
					log.warn({ err: error }, 'what was settled in class could not be planned'),
				)
			if (concernsLearning(events))
				void keepObservations(studio, run).catch((error: unknown) =>
					log.warn({ err: error }, 'what a session says of its steps could not be kept'),
				)
		}
		return Response.json(await readRunEvents(studio.id, run, after))
	})
}

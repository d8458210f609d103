/** What of a run anybody in the room may see: what is going on, never who, why, or what was noted. */
import type { RunEvent } from './run-event'

/** The events that the step on the wall hangs on, without a word of anybody. */
export function publicEvents(events: readonly RunEvent[]): RunEvent[] {
	return events.flatMap((event): RunEvent[] => {
		switch (event.type) {
			case 'opened':
			case 'closed':
			case 'entry':
			case 'look':
			case 'paused':
			case 'resumed':
			case 'undo':
				return [event]
			case 'tray': {
				const { where: _, ...bare } = event
				return [bare]
			}
			case 'plan': {
				const { coursePlan: _, ...bare } = event
				return [{ ...bare, reason: '', pins: [] }]
			}
			default:
				return []
		}
	})
}

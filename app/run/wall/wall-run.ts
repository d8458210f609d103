import { publicEvents } from '../../../core/run/public-events'
import type { RunPage } from '../read-run.server'

/** What a wall needs: names have no business on it, nor what tells how late it is. */
export type WallRun = Pick<RunPage, 'courseName' | 'plan' | 'timeZone' | 'cards' | 'known'>

export function toWallRun({ courseName, plan, timeZone, cards, known }: RunPage): WallRun {
	return { courseName, plan, timeZone, cards, known: { ...known, events: publicEvents(known.events) } }
}

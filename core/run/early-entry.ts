/** Whether what comes next would be begun before its pieces are ready. */
import type { RunState } from './fold-run'
import { projectEnd } from './project-end'
import { taskOfEntry } from './run-plan'
import { trayTimes } from './tray-pace'

const MINUTE_MS = 60_000

/**
 * The next step of the session for which pieces are drying here that by even odds are not ready when it comes.
 *
 * @param nowMin - on the wall of the studio, minutes after midnight
 * @param now - the same moment, ms since 1970
 * @returns id of its entry; undefined: nothing is too early, or nothing is known of it
 */
export function earlyEntry(state: RunState, nowMin: number, now: number): string | undefined {
	if (state.opened === undefined || state.closed !== undefined) return undefined
	const { currentLeft = 0 } = projectEnd(state, nowMin, now)
	const next = state.entries.find(({ entry, status }) => status === 'to come' && entry.kind === 'step')
	if (!next) return undefined
	const task = taskOfEntry(next.entry)
	// What is planned later may well wait for its time.
	const begins = now + Math.max(currentLeft, next.entry.startMin - nowMin) * MINUTE_MS
	const isEarly = state.plan.batches.some(({ id, waits }) => {
		const tray = state.trays.find(({ batch }) => batch === id)
		return waits.some((wait) => {
			if (!tray || wait.toTaskId !== task) return false
			const times = trayTimes(tray, wait)
			return times !== undefined && 'p50' in times && times.p50 > begins
		})
	})
	return isEarly ? next.entry.id : undefined
}

/** What asks for the eye of who teaches: a step whose minutes are over, a tray that is worth a look. */
import { minutesRunning, type RunState } from './fold-run'
import { trayTimes } from './tray-pace'

/**
 * Names of all that call at a moment, in the order of the plan: the same while they go on calling, so that who is told
 * once is not told again.
 *
 * @param now - ms since 1970
 */
export function callsOf(state: RunState, now: number): string[] {
	if (state.opened === undefined || state.closed !== undefined) return []
	const over = state.entries.flatMap((own) => {
		const { entry, status } = own
		const minutes = entry.endMin - entry.startMin
		return status === 'running' && minutesRunning(own, state, now) >= minutes ? [`over ${entry.id}`] : []
	})
	const trays = state.plan.batches.flatMap((batch) => {
		const tray = state.trays.find((own) => own.batch === batch.id)
		if (!tray) return []
		return batch.waits.flatMap((wait) => {
			const times = trayTimes(tray, wait)
			const isWorthALook = wait.stage !== undefined && times && 'p50' in times && times.p50 <= now
			return isWorthALook ? [lookCall(batch.id, wait.toTaskId)] : []
		})
	})
	return [...over, ...trays]
}

/** The name under which a tray calls for a look, for what it is to be used for. */
export function lookCall(batch: string, toTaskId: string): string {
	return `look ${batch} ${toTaskId}`
}

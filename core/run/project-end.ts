/**
 * How far behind a run is: when its last entry will be over if all goes on as planned from here, idle minutes used up
 * first, and nothing used before it is dry by even odds.
 */
import { minutesRunning, type RunState } from './fold-run'
import { taskOfEntry } from './run-plan'
import { readyFor } from './tray-pace'

/** Of its planned minutes, what is left of a step that has taken longer than it should: common practice, no source. */
const SHARE_LEFT = 0.15
/** Told from so many minutes on, and in steps of it. */
const STEP_MINUTES = 5
const MINUTE_MS = 60_000

export interface Projection {
	/** Minutes after midnight of the session's day, as real numbers; the planned end where all is done. */
	endMin: number
	plannedEndMin: number
	/** Of the end; negative: ahead. */
	behindMinutes: number
	/** Minutes left of what is going on; undefined: nothing is. */
	currentLeft: number | undefined
}

/**
 * @param nowMin - on the wall of the studio, minutes after midnight of the session's day
 * @param now - the same moment, ms since 1970
 */
export function projectEnd(state: RunState, nowMin: number, now: number): Projection {
	const plannedEndMin = Math.max(0, ...state.plan.entries.map(({ endMin }) => endMin))
	let [moment, currentLeft]: [number, number | undefined] = [nowMin, undefined]
	const ends = new Map<string, number>()
	/** By even odds, of what lies and of what is still to be laid. */
	const readyMin = (task: string) => {
		const { batches } = state.plan
		const lies = nowMin + (readyFor(task, batches, state.trays) - now) / MINUTE_MS
		const toCome = batches.flatMap(({ entry, waits }) => {
			const end = ends.get(entry)
			return end === undefined
				? []
				: waits.flatMap((own) => (own.toTaskId === task ? [end + (own.p50Minutes ?? 0)] : []))
		})
		return Math.max(lies, ...toCome)
	}
	for (const own of state.entries.slice(state.current)) {
		const { entry, status } = own
		if (status === 'done') continue
		const minutes = entry.endMin - entry.startMin
		if (status === 'running') {
			const run = minutesRunning(own, state, now)
			currentLeft = run < minutes ? minutes - run : SHARE_LEFT * minutes
			moment += currentLeft
		} else moment = Math.max(moment, entry.startMin, readyMin(taskOfEntry(entry))) + minutes
		ends.set(entry.id, moment)
	}
	const isOver = state.current >= state.entries.length
	const endMin = isOver ? plannedEndMin : moment
	return { endMin, plannedEndMin, behindMinutes: endMin - plannedEndMin, currentLeft }
}

/** As it is told: nothing below five minutes, then in steps of five; 0: in time. */
export function toldBehind({ behindMinutes }: Pick<Projection, 'behindMinutes'>): number {
	return behindMinutes < STEP_MINUTES ? 0 : Math.floor(behindMinutes / STEP_MINUTES) * STEP_MINUTES
}

/** How far behind a run is: when its last entry will be over if all goes on as planned from here, idle minutes used up first. */
import { minutesRunning, type RunState } from './fold-run'
import type { RunPlan } from './run-plan'

/** Of its planned minutes, what is left of a step that has taken longer than it should: common practice, no source. */
const SHARE_LEFT = 0.15
/** Told from so many minutes on, and in steps of it. */
const STEP_MINUTES = 5

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
export function projectEnd({ entries: planned }: RunPlan, state: RunState, nowMin: number, now: number): Projection {
	const plannedEndMin = Math.max(0, ...planned.map(({ endMin }) => endMin))
	let [moment, currentLeft]: [number, number | undefined] = [nowMin, undefined]
	for (const own of state.entries.slice(state.current)) {
		const { entry, status } = own
		if (status === 'done') continue
		const minutes = entry.endMin - entry.startMin
		if (status === 'running') {
			const run = minutesRunning(own, state, now)
			currentLeft = run < minutes ? minutes - run : SHARE_LEFT * minutes
			moment += currentLeft
		} else moment = Math.max(moment, entry.startMin) + minutes
	}
	const isOver = state.current >= state.entries.length
	const endMin = isOver ? plannedEndMin : moment
	return { endMin, plannedEndMin, behindMinutes: endMin - plannedEndMin, currentLeft }
}

/** As it is told: nothing below five minutes, then in steps of five; 0: in time. */
export function toldBehind({ behindMinutes }: Pick<Projection, 'behindMinutes'>): number {
	return behindMinutes < STEP_MINUTES ? 0 : Math.floor(behindMinutes / STEP_MINUTES) * STEP_MINUTES
}

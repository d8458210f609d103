import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { callsOf } from '../../../core/run/calls'
import type { RunPlan } from '../../../core/run/run-plan'
import { foldRun, type RunState } from '../../../core/run/fold-run'
import { projectEnd, type Projection } from '../../../core/run/project-end'
import { minuteOfDayAt } from '../../../core/time/zone'
import type { RunPage } from '../read-run.server'
import { RunDesk, type DeskState } from './run-desk'
import { NO_STORE, RunStore } from './run-store'
import { useRoomAir } from './use-room-air'

export interface Run {
	desk: RunDesk
	device: DeskState
	state: RunState
	projection: Projection
	/** What asks for a look, by name. */
	calls: string[]
	/** The plan that the session was opened with, its trays in the room's own air. */
	opened: RunPlan
	/** Ms since 1970, and on the wall of the studio, minutes after midnight. */
	now: number
	nowMin: number
}

const TICK_MS = 1_000

/** Where a run is heard of. */
export interface RunLine {
	/** Without a slash at its end. */
	address: string
	/** For whom what is heard and pressed is kept on the device; absent: nothing is. */
	studioId?: number
}

type RunSource = Pick<RunPage, 'plan' | 'timeZone' | 'known'> & Partial<Pick<RunPage, 'waitsInAir'>>

/** A run on this device, from moment to moment; a component that is kept for one session. */
export function useRun(page: RunSource, line: RunLine): Run {
	const { timeZone, known } = page
	const [desk] = useState(() => {
		const store = line.studioId === undefined ? NO_STORE : new RunStore(line.studioId)
		return new RunDesk({ address: line.address, known, store })
	})
	const device = useSyncExternalStore(desk.subscribe, desk.read, desk.read)
	const [ticked, setTicked] = useState(() => Date.now())
	useEffect(() => {
		void desk.open()
		const timer = setInterval(() => setTicked(Date.now()), TICK_MS)
		return () => {
			clearInterval(timer)
			desk.close()
		}
	}, [desk])
	const opened = useRoomAir(page, device.events)
	// What was pressed just now is not in the future.
	const now = Math.max(ticked, device.events.at(-1)?.when ?? 0)
	return useMemo(() => {
		// A session may be taught on another day than planned: the clock on the wall is what counts.
		const nowMin = minuteOfDayAt(now, timeZone)
		const state = foldRun(opened, device.events, now)
		return {
			...{ desk, device, state, opened, now, nowMin },
			projection: projectEnd(state, nowMin, now),
			calls: callsOf(state, now),
		}
	}, [desk, device, opened, now, timeZone])
}

import { useEffect, useRef, useState } from 'react'
import type { RunPage } from '../read-run.server'
import { useForesight } from './use-foresight'
import type { Run } from './use-run'

const MINUTE_MS = 60_000
/** A change that is smaller is noise to who has glue on her fingers. */
const LEAST_CHANGE = 0.1

/** That the session ends in time, from how it stands now; undefined: it is not going on, or is being played. */
export function useChance({ plan, script }: RunPage, run: Run): number | undefined {
	const [shown, setShown] = useState<number>()
	const ask = useForesight()
	const latest = useRef({ run, ask })
	useEffect(() => {
		latest.current = { run, ask }
	})
	const isGoingOn = run.state.opened !== undefined && run.state.closed === undefined
	const minute = Math.floor(run.now / MINUTE_MS)
	const pressCount = run.device.events.length
	useEffect(() => {
		if (!isGoingOn) return
		let isOver = false
		const { device, now, nowMin } = latest.current.run
		const remote = latest.current.ask()
		void remote.chanceOf({ script, plan, events: device.events, present: { now, nowMin } }).then((chance) => {
			if (isOver) return
			setShown((before) => (before === undefined || Math.abs(chance - before) >= LEAST_CHANGE ? chance : before))
		})
		return () => {
			isOver = true
		}
	}, [isGoingOn, minute, pressCount, plan, script])
	return isGoingOn ? shown : undefined
}

import { useEffect, useRef, useState } from 'react'
import type { RunPage } from '../read-run.server'
import { useForesight } from './use-foresight'
import type { Run } from './use-run'

const MINUTE_MS = 60_000
/** A change that is smaller is noise to who has glue on her fingers. */
const LEAST_CHANGE = 0.1

/** That the session ends in time, from how it stands now; undefined: it is not going on, or is being played. */
export function useChance({ script }: RunPage, run: Run): number | undefined {
	const [shown, setShown] = useState<number>()
	const foresight = useForesight()
	const plan = run.opened
	const latest = useRef(run)
	useEffect(() => {
		latest.current = run
	})
	const isGoingOn = run.state.opened !== undefined && run.state.closed === undefined
	const minute = Math.floor(run.now / MINUTE_MS)
	const pressCount = run.device.events.length
	useEffect(() => {
		if (!isGoingOn) return
		let isOver = false
		let isDone = false
		const { device, now, nowMin } = latest.current
		const outlook = { script, plan, events: device.events, present: { now, nowMin } }
		void foresight
			.ask()
			.chanceOf(outlook)
			.then((chance) => {
				isDone = true
				if (isOver) return
				setShown((before) => (before === undefined || Math.abs(chance - before) >= LEAST_CHANGE ? chance : before))
			})
		return () => {
			isOver = true
			if (!isDone) foresight.stop()
		}
	}, [foresight, isGoingOn, minute, pressCount, plan, script])
	return isGoingOn ? shown : undefined
}

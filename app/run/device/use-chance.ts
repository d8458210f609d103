import { wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import { scriptFromNow } from '../../../core/run/script-from-now'
import type { RunPage } from '../read-run.server'
import type { ChanceWorker } from './chance.worker'
import type { Run } from './use-run'

const MINUTE_MS = 60_000
/** A change that is smaller is noise to who has glue on her fingers. */
const LEAST_CHANGE = 0.1

/** That the session ends in time, from how it stands now; undefined: it is not going on, or is being played. */
export function useChance({ plan, script }: RunPage, run: Run): number | undefined {
	const [shown, setShown] = useState<number>()
	const thread = useRef<{ worker: Worker; remote: Remote<ChanceWorker> }>(undefined)
	const latest = useRef(run)
	useEffect(() => {
		latest.current = run
	})
	useEffect(() => () => thread.current?.worker.terminate(), [])
	const isGoingOn = run.state.opened !== undefined && run.state.closed === undefined
	const minute = Math.floor(run.now / MINUTE_MS)
	const pressCount = run.device.events.length
	useEffect(() => {
		if (!isGoingOn) return
		let isOver = false
		if (!thread.current) {
			const worker = new Worker(new URL('./chance.worker.ts', import.meta.url), { type: 'module' })
			thread.current = { worker, remote: wrap<ChanceWorker>(worker) }
		}
		const { state, now, nowMin } = latest.current
		void thread.current.remote.chanceOf(scriptFromNow(script, plan, state, { now, nowMin })).then((chance) => {
			if (isOver) return
			setShown((before) => (before === undefined || Math.abs(chance - before) >= LEAST_CHANGE ? chance : before))
		})
		return () => {
			isOver = true
		}
	}, [isGoingOn, minute, pressCount, plan, script])
	return isGoingOn ? shown : undefined
}

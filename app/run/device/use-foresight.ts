import { wrap, type Remote } from 'comlink'
import { useEffect, useRef } from 'react'
import type { ForesightWorker } from './foresight.worker'

/** A thread of its own that looks ahead, started when it is first asked and ended with the page. */
export function useForesight(): () => Remote<ForesightWorker> {
	const thread = useRef<{ worker: Worker; remote: Remote<ForesightWorker> }>(undefined)
	useEffect(() => {
		return () => {
			thread.current?.worker.terminate()
			thread.current = undefined
		}
	}, [])
	return () => {
		if (!thread.current) {
			const worker = new Worker(new URL('./foresight.worker.ts', import.meta.url), { type: 'module' })
			thread.current = { worker, remote: wrap<ForesightWorker>(worker) }
		}
		return thread.current.remote
	}
}

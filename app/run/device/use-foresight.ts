import { wrap, type Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { ForesightWorker } from './foresight.worker'

/** A thread of its own that looks ahead. */
export class Foresight {
	#thread: { worker: Worker; remote: Remote<ForesightWorker> } | undefined

	/** Started when it is first asked. */
	ask(): Remote<ForesightWorker> {
		if (!this.#thread) {
			const worker = new Worker(new URL('./foresight.worker.ts', import.meta.url), { type: 'module' })
			this.#thread = { worker, remote: wrap<ForesightWorker>(worker) }
		}
		return this.#thread.remote
	}

	/** Whatever it is at is not waited for: the next question finds another thread. */
	stop(): void {
		this.#thread?.worker.terminate()
		this.#thread = undefined
	}
}

/** Ends with the page. */
export function useForesight(): Foresight {
	const [foresight] = useState(() => new Foresight())
	useEffect(() => () => foresight.stop(), [foresight])
	return foresight
}

/** A general constraint solver for outside checks: Chuffed (lazy clause generation) inside the `minizinc` package. */
import { createRequire } from 'node:module'
import path from 'node:path'
import { Worker } from 'node:worker_threads'

export type Answer = 'satisfiable' | 'unsatisfiable' | 'unknown'

/**
 * Whether a model of the MiniZinc language has a solution.
 *
 * @throws {Error} the solver does not understand the model
 */
export async function askMiniZinc(model: string, limitMs: number): Promise<Answer> {
	const folder = path.dirname(createRequire(import.meta.url).resolve('minizinc/minizinc-worker.js'))
	const worker = new Worker(path.join(import.meta.dirname, 'minizinc-thread.mjs'), { workerData: { folder } })
	try {
		return await converse(worker, folder, { model, limitMs })
	} finally {
		await worker.terminate()
	}
}

interface Message {
	type: string
	status?: string
	message?: string
	what?: string
	code?: number
}

function converse(
	worker: Worker,
	folder: string,
	{ model, limitMs }: { model: string; limitMs: number },
): Promise<Answer> {
	return new Promise((resolve, reject) => {
		let answer: Answer = 'unknown'
		worker.on('error', reject)
		worker.on('message', ({ type, status, message, what, code }: Message) => {
			if (type === 'ready') {
				const args = ['--solver', 'chuffed', '-f', '--time-limit', String(limitMs), 'model.mzn']
				worker.postMessage({ args, files: { 'model.mzn': model }, jsonStream: true })
			} else if (type === 'solution') answer = 'satisfiable'
			else if (type === 'status' && status === 'UNSATISFIABLE') answer = 'unsatisfiable'
			else if (type === 'error') reject(new Error(`the solver says: ${what ?? ''} ${message ?? ''}`))
			else if (type === 'exit') {
				if (code === 0) resolve(answer)
				else reject(new Error(`the solver ended with ${code}: ${message ?? ''}`))
			}
		})
		worker.postMessage({ wasmURL: path.join(folder, 'minizinc.wasm'), dataURL: path.join(folder, 'minizinc.data') })
	})
}

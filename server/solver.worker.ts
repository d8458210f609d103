/** A thread of the solver's pool: one job after the other, in the order they come. */
import { parentPort } from 'node:worker_threads'
import { performJob, type SolverJob } from '../app/solving/solver-job'

parentPort?.on('message', (job: SolverJob) => {
	parentPort?.postMessage(performJob(job, () => performance.now()))
})

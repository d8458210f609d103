/** A thread of the solver's pool: one job after the other, in the order they come. */
import { performJob, type SolverJob } from '../app/plan/solving/solver-job'

export default (job: SolverJob) => performJob(job, () => performance.now())

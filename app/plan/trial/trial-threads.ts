/** The two threads beside the page: one answers at once, another looks for better plans until something else is asked. */
import { wrap, type Remote } from 'comlink'
import type { Course } from '../../../core/course/course'
import type { Plan } from '../../../core/plan/problem/plan'
import { fetchProblem } from '../solving/use-plan-search'
import type { TrialWorker } from './trial.worker'
import type { TrialAnswer } from './try-course'

interface Thread {
	worker: Worker
	remote: Remote<TrialWorker>
}

export class TrialThreads {
	readonly #courseId: number
	/** Fetched when it is first needed. */
	#problem: ReturnType<typeof fetchProblem> | undefined
	#quick: Promise<Thread> | undefined
	/** The search that is going on. */
	#search: { worker?: Worker } = {}

	constructor(courseId: number) {
		this.#courseId = courseId
	}

	/** Also where the course has changed on the server: what is asked next fetches designs and terms again. */
	close(): void {
		this.stopImproving()
		void this.#quick?.then(
			({ worker }) => worker.terminate(),
			() => {},
		)
		this.#quick = undefined
		this.#problem = undefined
	}

	/** The plan that stands. */
	async standing(): Promise<Plan | undefined> {
		return (await this.#materials()).plan
	}

	/** The thread that answers at once. */
	async quick(): Promise<Remote<TrialWorker>> {
		this.#quick ??= this.#open()
		return (await this.#quick).remote
	}

	/** A better plan than that, or its proof; undefined: something else was asked meanwhile. */
	async improve(course: Course, start: Plan): Promise<TrialAnswer | undefined> {
		this.stopImproving()
		const search: { worker?: Worker } = {}
		this.#search = search
		const { worker, remote } = await this.#open()
		if (this.#search !== search) {
			worker.terminate()
			return undefined
		}
		search.worker = worker
		const laid = await remote.improve(course, start)
		if (this.#search === search) this.stopImproving()
		return 'answer' in laid ? laid.answer : undefined
	}

	stopImproving(): void {
		this.#search.worker?.terminate()
		this.#search = {}
	}

	#materials(): ReturnType<typeof fetchProblem> {
		this.#problem ??= fetchProblem(this.#courseId)
		return this.#problem
	}

	async #open(): Promise<Thread> {
		const { designs, terms } = await this.#materials()
		const worker = new Worker(new URL('./trial.worker.ts', import.meta.url), { type: 'module' })
		const remote = wrap<TrialWorker>(worker)
		await remote.open({ designs, terms })
		return { worker, remote }
	}
}

/** A search for plans in a thread of the browser, started and stopped by hand. */
import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Course } from '../../../core/course/course'
import type { Design } from '../../../core/design/design'
import type { CompiledCourse } from '../../../core/plan/compile/compiled-course'
import type { PlanTerms } from '../../../core/plan/compile/drying-terms'
import type { Alternative } from '../../../core/plan/exact/find-alternatives'
import type { ExactPlan } from '../../../core/plan/exact/plan-exactly'
import type { Pin } from '../../../core/plan/pins/pin'
import type { Plan } from '../../../core/plan/problem/plan'
import type { Freed } from '../../../core/plan/why/free-wait'
import type { PlanWorker } from './plan.worker'

/** What the search starts from, as the server has it. */
export interface PlanProblem {
	compiled: CompiledCourse
	/** What is settled, as pins of that problem. */
	pins: Pin[]
	plan: Plan | undefined
	/** As they are now; the plan may have been made from others. */
	course: Course
	version: number
	designs: Design[]
	terms: PlanTerms
}

export type SearchState =
	| { kind: 'idle' }
	| { kind: 'improving'; problem: PlanProblem | undefined; best: ExactPlan | undefined; startedAt: number }
	| { kind: 'improved'; problem: PlanProblem; best: ExactPlan; isStopped: boolean }
	| { kind: 'comparing' }
	| { kind: 'compared'; problem: PlanProblem; alternatives: Alternative[] }
	| { kind: 'failed' }

/** A search left alone ends by itself. */
const IMPROVE_MS = 60_000

export function usePlanSearch(courseId: number) {
	const [state, setState] = useState<SearchState>({ kind: 'idle' })
	const thread = useRef<Worker | undefined>(undefined)
	const end = () => {
		thread.current?.terminate()
		thread.current = undefined
	}
	useEffect(() => end, [courseId])

	const begin = async <T>(
		work: (problem: PlanProblem, planner: Remote<PlanWorker>) => Promise<T>,
	): Promise<T | undefined> => {
		end()
		const own = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
		thread.current = own
		try {
			const problem = await fetchProblem(courseId)
			const result = await work(problem, wrap<PlanWorker>(own))
			return thread.current === own ? result : undefined
		} catch {
			// Whatever went wrong on the way, nothing is lost: the plan that stands is still there.
			if (thread.current === own) setState({ kind: 'failed' })
			return undefined
		} finally {
			if (thread.current === own) end()
		}
	}

	return {
		state,
		improve: async () => {
			const startedAt = Date.now()
			setState({ kind: 'improving', problem: undefined, best: undefined, startedAt })
			await begin(async (problem, planner) => {
				setState({ kind: 'improving', problem, best: undefined, startedAt })
				const onProgress = proxy((best: ExactPlan) => {
					setState((now) => (now.kind === 'improving' ? { ...now, best } : now))
				})
				const best = await planner.improve(problem, IMPROVE_MS, onProgress)
				setState({ kind: 'improved', problem, best, isStopped: false })
			})
		},
		compare: async () => {
			setState({ kind: 'comparing' })
			await begin(async (problem, planner) => {
				const alternatives = await planner.alternatives(problem)
				setState({ kind: 'compared', problem, alternatives })
			})
		},
		/** What would change without the wait of an arc. */
		without: (arc: number): Promise<Freed | undefined> => {
			return begin(async (problem, planner) => planner.without(problem, arc))
		},
		stop: () => {
			end()
			setState((now) => {
				if (now.kind !== 'improving' || !now.problem || !now.best) return { kind: 'idle' }
				return { kind: 'improved', problem: now.problem, best: now.best, isStopped: true }
			})
		},
		close: () => {
			end()
			setState({ kind: 'idle' })
		},
	}
}

export async function fetchProblem(courseId: number): Promise<PlanProblem> {
	const response = await fetch(`/courses/${courseId}/plan/problem`)
	if (!response.ok) throw new Error(`the plan could not be fetched: ${response.status}`)
	return (await response.json()) as PlanProblem
}

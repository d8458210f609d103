/** The planner beside the page: looks for better plans and for alternatives, and tells how far it is. */
import { expose } from 'comlink'
import { findAlternatives, type Alternative } from '../../../core/plan/exact/find-alternatives'
import { planExactly, type ExactPlan } from '../../../core/plan/exact/plan-exactly'
import type { Instance } from '../../../core/plan/problem/instance'
import type { Plan } from '../../../core/plan/problem/plan'
import { planWithoutWait, type Freed } from '../../../core/plan/why/free-wait'

/** Each alternative is sought for so long at most. */
const ALTERNATIVE_MS = 1500
const PROGRESS_MS = 120

function within(ms: number) {
	const end = performance.now() + ms
	return () => performance.now() >= end
}

const worker = {
	/** @param onProgress - told of better plans and bounds, now and then */
	improve(
		instance: Instance,
		start: Plan | undefined,
		ms: number,
		onProgress: (progress: ExactPlan) => void,
	): ExactPlan {
		let told = -Infinity
		return planExactly(instance, {
			shouldStop: within(ms),
			...(start && { start }),
			onProgress: (progress) => {
				if (performance.now() - told < PROGRESS_MS) return
				told = performance.now()
				onProgress(progress)
			},
		})
	},

	alternatives(instance: Instance, start: Plan | undefined): Alternative[] {
		let isOver = within(ALTERNATIVE_MS)
		return findAlternatives(instance, start, {
			shouldStop: () => isOver(),
			onSearch: () => {
				isOver = within(ALTERNATIVE_MS)
			},
		})
	},

	without(instance: Instance, arc: number, plan: Plan): Freed | undefined {
		return planWithoutWait(instance, arc, plan, { shouldStop: within(ALTERNATIVE_MS) })
	},
}

export type PlanWorker = typeof worker

expose(worker)

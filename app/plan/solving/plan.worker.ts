/** The planner beside the page: looks for better plans and for alternatives, and tells how far it is. */
import { expose } from 'comlink'
import { findAlternatives, type Alternative } from '../../../core/plan/exact/find-alternatives'
import { planExactly, type ExactPlan } from '../../../core/plan/exact/plan-exactly'
import { planWithoutWait, type Freed } from '../../../core/plan/why/free-wait'
import type { PlanProblem } from './use-plan-search'

/** Each alternative is sought for so long at most. */
const ALTERNATIVE_MS = 1500
const PROGRESS_MS = 120

type Problem = Pick<PlanProblem, 'compiled' | 'pins' | 'plan'>

function within(ms: number) {
	const end = performance.now() + ms
	return () => performance.now() >= end
}

const worker = {
	/** @param onProgress - told of better plans and bounds, now and then */
	improve({ compiled, pins, plan }: Problem, ms: number, onProgress: (progress: ExactPlan) => void): ExactPlan {
		let told = -Infinity
		return planExactly(compiled.instance, {
			pins,
			shouldStop: within(ms),
			...(plan && { start: plan }),
			onProgress: (progress) => {
				if (performance.now() - told < PROGRESS_MS) return
				told = performance.now()
				onProgress(progress)
			},
		})
	},

	alternatives({ compiled, pins, plan }: Problem): Alternative[] {
		let isOver = within(ALTERNATIVE_MS)
		return findAlternatives(compiled.instance, plan, {
			pins,
			shouldStop: () => isOver(),
			onSearch: () => {
				isOver = within(ALTERNATIVE_MS)
			},
		})
	},

	without({ compiled, pins, plan }: Problem, arc: number): Freed | undefined {
		return plan && planWithoutWait(compiled.instance, arc, plan, { pins, shouldStop: within(ALTERNATIVE_MS) })
	},
}

export type PlanWorker = typeof worker

expose(worker)

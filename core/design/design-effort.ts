/** How long a design takes: hands-on minutes of a practised adult, and the longest chain of waits. */
import type { ResolvedDesign } from './resolve-design'
import { minutesOfStep } from './step-work'

export interface DesignEffort {
	/** Minutes of work on one flower, without spares and demonstrations. */
	handsOnMinutes: number
	/** Least clock minutes of one pair of hands from the first step to the last, with the design's usual waits. */
	elapsedMinutes: number
}

/** A step of the longest chain. */
export interface ChainLink {
	stepId: string
	/** Between the step before it and this one, minutes. */
	waitMinutes: number
	/** Of the step itself. */
	workMinutes: number
}

interface TimedStep extends ChainLink {
	/** Since the first step began. */
	endMinute: number
	/** The step that holds it, if one does. */
	heldBy: string | undefined
}

/** Measures one flower of a resolved design. */
export function measureEffort(design: ResolvedDesign): DesignEffort {
	const timed = timeSteps(design)
	const handsOnMinutes = Math.round(timed.reduce((total, { workMinutes }) => total + workMinutes, 0))
	const chainMinutes = Math.round(Math.max(0, ...timed.map(({ endMinute }) => endMinute)))
	return { handsOnMinutes, elapsedMinutes: Math.max(handsOnMinutes, chainMinutes) }
}

/** The steps, from the first on, that no flower can be faster than. */
export function longestChain(design: ResolvedDesign): ChainLink[] {
	const timed = new Map(timeSteps(design).map((step) => [step.stepId, step]))
	const chain: ChainLink[] = []
	let step = [...timed.values()].reduce<TimedStep | undefined>(
		(last, one) => (last && last.endMinute >= one.endMinute ? last : one),
		undefined,
	)
	while (step) {
		const { stepId, waitMinutes, workMinutes, heldBy } = step
		chain.unshift({ stepId, waitMinutes, workMinutes })
		step = heldBy === undefined ? undefined : timed.get(heldBy)
	}
	return chain
}

/** All steps, each as early as its needs allow. */
function timeSteps(design: ResolvedDesign): TimedStep[] {
	const { steps } = design
	const byId = new Map(steps.map((step) => [step.id, step]))
	const known = new Map<string, TimedStep>()
	const time = (stepId: string): TimedStep => {
		const before = known.get(stepId)
		if (before) return before
		const step = byId.get(stepId)
		const workMinutes = step ? minutesOfStep(design, step, { flowers: 1 }) : 0
		let [heldBy, waitMinutes, readyMinute]: [string | undefined, number, number] = [undefined, 0, 0]
		for (const { after, wait } of step?.needs ?? []) {
			const minutes = wait?.usualMinutes ?? 0
			const ready = time(after).endMinute + minutes
			if (ready > readyMinute) [heldBy, waitMinutes, readyMinute] = [after, minutes, ready]
		}
		const timed = { stepId, waitMinutes, workMinutes, endMinute: readyMinute + workMinutes, heldBy }
		known.set(stepId, timed)
		return timed
	}
	return steps.map(({ id }) => time(id))
}

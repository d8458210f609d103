/**
 * A first plan, fast and good, without a proof: biased priority samples, repaired until they fit, then improved by
 * climbing.
 * Not for: proven optima, which `exact/` finds from here.
 */
import { createRng } from '../../random'
import type { Instance } from '../problem/instance'
import { normalise, type NormalInstance } from '../problem/normal-form'
import { OBJECTIVE_LEVELS, type Levels, type Objective } from '../problem/objective'
import type { Placement, Plan } from '../problem/plan'
import { better, climb, sampleSchedules, type Candidate, type SampleTerms } from './candidate'
import { buildNetwork, initialDecisions, type Decisions } from './decisions'
import { relaxAndTighten, repair } from './repair'

/** A plan and its vector; neither, if none was found that keeps every maximum lag. */
export interface QuickPlan {
	objective?: Objective
	plan?: Plan
}

export interface QuickPlanTerms {
	/** 1 if absent. */
	seed?: number
	/** Schedules that may be generated; by default fewer for larger instances, so that the time grows slowly. */
	schedules?: number
	/** What plans are judged by; absent: as today. */
	levels?: Levels
	/** Asked now and then: true to stop with the best so far. */
	shouldStop?: () => boolean
	/** A plan of the instance whose places and swaps are kept: only times are looked for. */
	like?: Plan
}

/** A schedule of 150 tasks costs about ten times one of 40. */
const DEFAULT_TASK_SCHEDULES = 24_000

/**
 * Plans the instance; the same terms give the same plan.
 *
 * @throws {RangeError} the instance has problems; see `validateInstance`
 * @complexity O(schedules · tasks²)
 */
export function planQuickly(
	instance: Instance,
	{ seed = 1, schedules, levels = OBJECTIVE_LEVELS, shouldStop, like }: QuickPlanTerms = {},
): QuickPlan {
	const normal = normalise(instance)
	const most = schedules ?? Math.ceil(DEFAULT_TASK_SCHEDULES / Math.max(25, normal.tasks.length))
	const effort = { schedules: most, ...(shouldStop && { shouldStop }) }
	const terms = { effort, rng: createRng(seed), levels }
	const best = like ? searchTimes(normal, decisionsOf(normal, like), terms) : search(normal, terms)
	if (!best || buildNetwork(normal, best.decisions)?.hasEndless) return {}
	return { objective: toObjective(best), plan: toPlan(normal, best) }
}

/**
 * First something that fits, by three ways of repairing of which each sometimes finds what the others do not;
 * then better ones, sampled around the best and climbed.
 */
function search(instance: NormalInstance, terms: SampleTerms): Candidate | undefined {
	const { effort } = terms
	const total = effort.schedules
	const first = sampleSchedules(instance, initialDecisions(instance), { ...terms, count: 30 })
	let best =
		first && first.score.shortfall > 0 ? climb(instance, first, { ...terms, count: Math.floor(total / 5) }) : first
	if (!best || best.score.shortfall > 0) {
		const share = () => ({ ...terms, effort: { ...effort, schedules: Math.floor(total / 5) } })
		const byPrice = repair(instance, best, { ...share(), thrift: 1, samples: 2 })
		const byGain = repair(instance, best, { ...share(), thrift: 0.3, samples: 2 })
		const tightened = relaxAndTighten(instance, { ...share(), thrift: 0, samples: 3 })
		best = better(better(best, byPrice), better(byGain, tightened))
	}
	if (!best) return undefined
	const rest = Math.max(effort.schedules - Math.floor((3 * total) / 5), Math.floor(total / 5))
	return searchTimes(instance, best.decisions, { ...terms, effort: { ...effort, schedules: rest } }, best)
}

/** The best times for given decisions: samples, and climbing from the best of them; never worse than what is known. */
function searchTimes(
	instance: NormalInstance,
	decisions: Decisions,
	terms: SampleTerms,
	known?: Candidate,
): Candidate | undefined {
	const { effort } = terms
	const count = effort.schedules
	const sampled = sampleSchedules(instance, decisions, {
		...terms,
		count: Math.floor(count / 3),
		effort: { ...effort },
	})
	const best = better(known, sampled)
	return best && climb(instance, best, { ...terms, count, effort: { ...effort } })
}

/** Where each task is done in a plan, and what is swapped. */
function decisionsOf({ tasks }: NormalInstance, { placements, swaps }: Plan): Decisions {
	return { places: tasks.map(({ id }) => placements[id]?.place ?? 'class'), swaps: new Set(swaps) }
}

/** A plan with a shortfall has no other value: it is told as a problem, not as a plan. */
function toObjective({ score }: Candidate): Objective {
	const { lateMinutes: _, ...objective } = score
	return score.shortfall > 0 ? { shortfall: score.shortfall } : objective
}

/** With ids instead of positions. */
function toPlan({ tasks, windows, breaks }: NormalInstance, { decisions, laid, score, sample }: Candidate): Plan {
	const placements = tasks.map(({ id, units, unitMinutes }, i): [string, Placement] | undefined => {
		const place = decisions.places[i] ?? 'class'
		if (units === 0) return undefined
		if (place === 'ahead' || place === 'dropped') return [id, { place }]
		const runs = (laid[i] ?? []).map((run) => ({ ...run, end: run.start + run.units * unitMinutes }))
		return [id, { place, runs }]
	})
	return {
		placements: Object.fromEntries(placements.filter((entry) => entry !== undefined)),
		swaps: [...decisions.swaps].sort((a, b) => a - b),
		...(breaks.length > 0 && { breaks: [...sample.breaks] }),
		extension: Math.max(0, score.finish - (windows.at(-1)?.close ?? 0)),
	}
}

/**
 * Puts what only has to come before other tasks, as a demonstration does, right before the first that needs it. The
 * objective does not mind where it lies; people do. The checker judges every move.
 */
import { checkPlan } from '../checker/check-plan'
import type { Instance } from '../problem/instance'
import { compareObjectives, type Objective } from '../problem/objective'
import type { Placement, Plan, Run } from '../problem/plan'
import { unitMinutesOf } from '../problem/plan-times'

interface LaidRun {
	task: string
	/** Of the run within its task. */
	index: number
	start: number
	end: number
}

interface CheckedPlan {
	plan: Plan
	objective: Objective
}

/** @returns a plan with the same objective */
export function tidyIntroductions(instance: Instance, plan: Plan): Plan {
	const hasBefore = new Set(instance.arcs.map(({ to }) => to))
	const users = new Map<string, Set<string>>()
	for (const { from, to, lag, maxLag } of instance.arcs) {
		if (lag === 0 && maxLag === undefined) users.set(from, (users.get(from) ?? new Set()).add(to))
	}
	const introductions = instance.tasks.filter(({ id }) => {
		return (
			!hasBefore.has(id) &&
			users.has(id) &&
			instance.arcs.every(({ from, to }) => from !== id || users.get(id)?.has(to))
		)
	})
	const { objective } = checkPlan(instance, plan)
	if (!objective) return plan
	return introductions.reduce((tidied, { id }) => moveLate(instance, tidied, id, users.get(id) ?? new Set()), {
		plan,
		objective,
	}).plan
}

/** The introduction as late as it may be in its stretch of unbroken work, what lay behind it moving up. */
function moveLate(instance: Instance, before: CheckedPlan, id: string, users: ReadonlySet<string>): CheckedPlan {
	const { plan } = before
	const laid = layRuns(instance, plan)
	const at = laid.findIndex(({ task }) => task === id)
	const own = laid[at]
	if (!own || laid.filter(({ task }) => task === id).length > 1) return before
	let end = at
	while (laid[end + 1]?.start === laid[end]?.end && !users.has(laid[end + 1]?.task ?? '')) end++
	for (let last = end; last > at; last--) {
		const minutes = own.end - own.start
		const moves = new Map<LaidRun, number>(laid.slice(at + 1, last + 1).map((run) => [run, run.start - minutes]))
		moves.set(own, (laid[last]?.end ?? 0) - minutes)
		const moved = withStarts(plan, moves)
		const { objective } = checkPlan(instance, moved)
		if (objective && compareObjectives(objective, before.objective) <= 0) return { plan: moved, objective }
	}
	return before
}

/** All runs in class in the order of the clock, with minutes from the instance's origin. */
function layRuns({ tasks }: Instance, { placements }: Plan): LaidRun[] {
	const laid = tasks.flatMap((task) => {
		const placement = placements[task.id]
		if (placement?.place !== 'class') return []
		const unitMinutes = unitMinutesOf(task)
		return placement.runs.map(({ start, units }, index) => ({
			task: task.id,
			index,
			start,
			end: start + units * unitMinutes,
		}))
	})
	return laid.sort((a, b) => a.start - b.start)
}

/** The plan with some runs begun at other minutes; ends are left out, since units say them. */
function withStarts(plan: Plan, moves: ReadonlyMap<LaidRun, number>): Plan {
	const placements: Record<string, Placement> = { ...plan.placements }
	for (const [{ task, index }, start] of moves) {
		const placement = placements[task]
		if (!placement || !('runs' in placement)) continue
		const runs = placement.runs.map(({ end: _, ...run }, r): Run => (r === index ? { ...run, start } : run))
		placements[task] = { ...placement, runs }
	}
	return { ...plan, placements }
}

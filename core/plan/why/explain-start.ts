/**
 * Why a run lies where it does: what holds it back from starting earlier, and how far it could move either way while
 * all else stays and the plan gets no worse. The checker judges every move.
 */
import { checkPlan } from '../checker/check-plan'
import { bypassTransparent, type EffectiveArc } from '../checker/effective-arcs'
import { lagMinutes, type Instance } from '../problem/instance'
import { compareObjectives, FELT_LEVELS } from '../problem/objective'
import type { Placement, Plan, Run } from '../problem/plan'
import { endOf, runsOf, unitMinutesOf } from '../problem/plan-times'

/** What keeps a run from starting earlier. */
export type Hold =
	/** It waits for another task; `minutes` of clock time after its end, 0 where there is only an order. */
	| { kind: 'wait'; task: string; arc: number; minutes: number }
	/** The hands are busy with another task until then. */
	| { kind: 'hands'; task: string }
	/** A break is over then. */
	| { kind: 'break' }
	/** The session, or the part of it after a fixed pause, opens then. */
	| { kind: 'opening'; session: number }
	/** It may not come later than so many minutes after another: starting that one later holds it. */
	| { kind: 'limit'; task: string; arc: number; minutes: number }

/** Why a run lies where it does. */
export interface StartExplained {
	/** All that would have to give way for an earlier start; empty: nothing holds it. */
	holds: Hold[]
	/** Clock minutes that the run could start earlier, or later, with all else in place and no level worse. */
	earlierMinutes: number
	/** By which it could begin later with everything else where it is. */
	laterMinutes: number
}

/** Moves beyond this are not looked at. */
const MAX_MOVE = 600

/**
 * Explains one run of a task in class or at home.
 *
 * @param run - index of the run
 * @throws {RangeError} the plan has no such run
 * @complexity O(log of the minutes it can move · cost of the checker)
 */
export function explainStart(instance: Instance, plan: Plan, taskId: string, run = 0): StartExplained {
	const own = runsOf(plan, taskId)[run]
	if (!own) throw new RangeError(`the plan has no run ${run} of "${taskId}"`)
	const before = checkPlan(instance, plan).objective
	const isAsGood = (move: number) => {
		const after = checkPlan(instance, withRunMoved(plan, taskId, run, move)).objective
		return before !== undefined && after !== undefined && compareObjectives(after, before, FELT_LEVELS) <= 0
	}
	return {
		holds: run === 0 ? findHolds(instance, plan, taskId, own) : handsAndOpenings(instance, plan, taskId, own),
		earlierMinutes: countMoves((minutes) => isAsGood(-minutes)),
		laterMinutes: countMoves(isAsGood),
	}
}

/** Doubles the move until it does harm, then bisects. */
function countMoves(isFine: (minutes: number) => boolean): number {
	let [fine, beyond] = [0, 1]
	while (beyond <= MAX_MOVE && isFine(beyond)) {
		fine = beyond
		beyond *= 2
	}
	while (beyond - fine > 1) {
		const middle = (fine + beyond) >> 1
		if (isFine(middle)) fine = middle
		else beyond = middle
	}
	return fine
}

/** The plan with one run begun so many minutes later, or earlier where they are negative; nothing else moves. */
function withRunMoved(plan: Plan, taskId: string, run: number, minutes: number): Plan {
	const placement = plan.placements[taskId]
	if (!placement || !('runs' in placement)) return plan
	const runs = placement.runs.map(({ start, units }, r) => ({ start: start + (r === run ? minutes : 0), units }))
	const moved: Placement = { ...placement, runs }
	return { ...plan, placements: { ...plan.placements, [taskId]: moved } }
}

/** Everything that keeps the run from beginning a minute earlier. */
function findHolds(instance: Instance, plan: Plan, taskId: string, own: Run): Hold[] {
	const isTransparent = (id: string) => {
		const task = instance.tasks.find((other) => other.id === id)
		return plan.placements[id]?.place === 'dropped' || (task !== undefined && 'units' in task && task.units === 0)
	}
	const swapped = new Set(plan.swaps)
	const waits = bypassTransparent(instance.arcs, isTransparent).flatMap((arc): Hold[] => {
		const lag = swapped.has(arc.origin) ? 0 : lagMinutes(arc)
		if (arc.to === taskId) {
			const end = arc.piecewise ? firstUnitEnd(instance, plan, arc.from) : endOf(instance, plan, arc.from)
			return end !== undefined && end + lag === own.start
				? [{ kind: 'wait', task: arc.from, arc: arc.origin, minutes: lag }]
				: []
		}
		if (arc.from !== taskId || arc.maxLag === Infinity || swapped.has(arc.origin)) return []
		return longestWait(instance, plan, arc) === arc.maxLag
			? [{ kind: 'limit', task: arc.to, arc: arc.origin, minutes: arc.maxLag }]
			: []
	})
	return [...waits, ...handsAndOpenings(instance, plan, taskId, own)]
}

/** Work that ends just when it begins, breaks that are over and doors that open just then. */
function handsAndOpenings(instance: Instance, plan: Plan, taskId: string, { start }: Run): Hold[] {
	const holds: Hold[] = []
	for (const { id } of instance.tasks) {
		if (id !== taskId && runsOf(plan, id).some((run) => run.start + run.units * unitMinutes(instance, id) === start)) {
			holds.push({ kind: 'hands', task: id })
		}
	}
	instance.breaks?.forEach(({ minutes }, b) => {
		if ((plan.breaks?.[b] ?? NaN) + minutes === start) holds.push({ kind: 'break' })
	})
	for (const { open, session } of instance.windows) if (open === start) holds.push({ kind: 'opening', session })
	return holds
}

/** Minute at which its first piece is done. */
function firstUnitEnd(instance: Instance, plan: Plan, id: string): number | undefined {
	const first = runsOf(plan, id)[0]
	return first && first.start + unitMinutes(instance, id)
}

/** The most that a piece waits on an arc: after the last of the pieces before, or after the first that it is made from. */
function longestWait(instance: Instance, plan: Plan, { from, to, piecewise, isLimitEach }: EffectiveArc): number {
	const startsOf = (id: string) => {
		const minutes = unitMinutes(instance, id)
		return runsOf(plan, id).flatMap(({ start, units }) => Array.from({ length: units }, (_, k) => start + k * minutes))
	}
	const ends = startsOf(from).map((start) => start + unitMinutes(instance, from))
	const starts = startsOf(to)
	return starts.reduce((most, start, k) => {
		const made = piecewise || isLimitEach ? Math.floor((k * ends.length) / starts.length) : ends.length - 1
		return Math.max(most, start - (ends[made] ?? -Infinity))
	}, -Infinity)
}

/** Of one unit; 0 for a task that is not there. */
function unitMinutes({ tasks }: Instance, id: string): number {
	const task = tasks.find((other) => other.id === id)
	return task ? unitMinutesOf(task) : 0
}

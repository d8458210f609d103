/** What a class that is ahead of its time could begin already: steps of later sessions for which all is there. */
import type { Instance } from '../plan/problem/instance'
import { minutesOfTask, runsOf } from '../plan/problem/plan-times'
import { minutesRunning, type RunState } from './fold-run'
import { remainingProblem, type Remaining, type RunProblem } from './remaining-problem'
import type { RunPlan } from './run-plan'
import type { Present } from './script-from-now'

/** Ahead of the plan by less is none: common practice, no source. */
const LEAST_AHEAD = 10
/** As many as are read at a glance. */
const MOST_TOLD = 3

export interface CouldBegin {
	/** Id of the task. */
	task: string
	/** With what has to be shown before it. */
	minutes: number
}

/**
 * @param opened - the plan that the session was opened with
 * @returns in the order of the plan; empty: the class is not ahead, or nothing fits what is left of the session
 */
export function couldBegin(problem: RunProblem, opened: RunPlan, state: RunState, present: Present): CouldBegin[] {
	if (state.opened === undefined || state.closed !== undefined) return []
	const workLeft = workLeftOf(state, present.now)
	const plannedLeft = state.plan.entries.reduce((sum, { startMin, endMin }) => {
		return sum + Math.max(0, endMin - Math.max(startMin, present.nowMin))
	}, 0)
	const spareMinutes = state.plan.closeMin - present.nowMin - workLeft
	const isAhead = plannedLeft - workLeft >= LEAST_AHEAD || workLeft === 0
	if (!isAhead || spareMinutes < LEAST_AHEAD) return []
	const remaining = remainingProblem(problem, opened, state, present)
	return laterTasks(remaining)
		.flatMap(({ id }) => beginning(problem, remaining, id))
		.filter(({ minutes }) => minutes <= spareMinutes)
		.slice(0, MOST_TOLD)
}

/** Minutes of all that is not done, what is going on with what is left of it. */
function workLeftOf({ entries, pauses }: RunState, now: number): number {
	return entries.reduce((sum, own) => {
		if (own.status === 'done') return sum
		const minutes = own.entry.endMin - own.entry.startMin
		return sum + (own.status === 'running' ? Math.max(0, minutes - minutesRunning(own, { pauses }, now)) : minutes)
	}, 0)
}

function laterTasks({ instance, tonight, near }: Remaining): Instance['tasks'] {
	const startOf = (id: string) => runsOf(near, id)[0]?.start ?? Infinity
	return instance.tasks
		.filter(({ id }) => !tonight.includes(id) && near.placements[id]?.place === 'class')
		.toSorted((a, b) => startOf(a.id) - startOf(b.id))
}

/** Nothing, where something is missing for it, or what follows would then come too late. */
function beginning({ compiled }: RunProblem, remaining: Remaining, task: string): CouldBegin[] {
	const { instance, pins, near, nowClock, tonight } = remaining
	const byId = new Map(instance.tasks.map((own) => [own.id, own]))
	if (compiled.tasks[task]?.type === 'demo') return []
	const isReady = pins.every((pin) => pin.kind !== 'notBefore' || pin.task !== task || pin.minute <= nowClock)
	const needs = instance.arcs.filter(({ to }) => to === task)
	const shows = needs.flatMap(({ from }) => (compiled.tasks[from]?.type === 'demo' && byId.get(from)) || [])
	const isThere = needs.every(({ from, lag }) => {
		return compiled.tasks[from]?.type === 'demo' || (tonight.includes(from) && lag === 0)
	})
	const minutes = [byId.get(task), ...shows].reduce((sum, own) => sum + (own ? minutesOfTask(own) : 0), 0)
	const isUsedInTime = instance.arcs.every(({ from, to, maxLag = Infinity }) => {
		return from !== task || (runsOf(near, to)[0]?.start ?? 0) - (nowClock + minutes) <= maxLag
	})
	return isReady && isThere && isUsedInTime ? [{ task, minutes }] : []
}

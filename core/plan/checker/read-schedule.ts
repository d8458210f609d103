/** A plan's placements read against the instance, each task with the clock times of its units. */
import type { Instance, Task } from '../problem/instance'
import type { Placement, Plan, Run } from '../problem/plan'

export interface ScheduledRun {
	/** Minutes of the instance's clock. */
	start: number
	/** Minutes of the instance's clock. */
	end: number
	/** Of this run. */
	units: number
}

/** A task as the plan has it; `unitStarts[k]` is the clock minute at which unit k begins (none if not placed). */
export interface ScheduledTask {
	task: Task
	/** Of the whole task. */
	units: number
	/** Of one unit. */
	unitMinutes: number
	place: 'class' | 'home' | 'ahead' | 'dropped' | 'vanished'
	runs: ScheduledRun[]
	unitStarts: number[]
}

export interface Schedule {
	tasks: Map<string, ScheduledTask>
	/** What could not be read, a sentence each. */
	errors: string[]
}

/** Reads every placement; what cannot be read is an error and stands without runs. */
export function readSchedule({ tasks }: Instance, plan: Plan): Schedule {
	const errors: string[] = []
	const known = new Set(tasks.map(({ id }) => id))
	for (const id of Object.keys(plan.placements)) {
		if (!known.has(id)) errors.push(`${id}: the instance has no such task`)
	}
	const scheduled = tasks.map((task): [string, ScheduledTask] => {
		return [
			task.id,
			scheduleTask(task, Object.hasOwn(plan.placements, task.id) ? plan.placements[task.id] : undefined, errors),
		]
	})
	return { tasks: new Map(scheduled), errors }
}

/**
 * One task as placed. What cannot be read becomes an error and a task without times, so that the other
 * checks go on and every fault of a plan is told at once.
 */
function scheduleTask(task: Task, placement: Placement | undefined, errors: string[]): ScheduledTask {
	const units = 'units' in task ? task.units : 1
	const unitMinutes = 'units' in task ? task.unitMinutes : task.minutes
	const unplaced = { task, units, unitMinutes, runs: [], unitStarts: [] }
	if (units === 0) return { ...unplaced, place: 'vanished' }
	if (!placement) {
		errors.push(`${task.id}: is not in the plan`)
		return { ...unplaced, place: 'dropped' }
	}
	checkPlace(task, placement, errors)
	if (!('runs' in placement)) return { ...unplaced, place: placement.place }
	const runs = placement.runs.map((run) => readRun(task.id, run, unitMinutes, errors))
	const unitStarts: number[] = []
	for (const run of runs) for (let k = 0; k < run.units; k++) unitStarts.push(run.start + k * unitMinutes)
	if (unitStarts.length !== units) errors.push(`${task.id}: has ${units} units, the plan has ${unitStarts.length}`)
	checkRunShape(task, placement.place, runs, errors)
	return { ...unplaced, place: placement.place, runs, unitStarts: unitStarts.length === units ? unitStarts : [] }
}

/** The task allows the place; left out may be only what has a price for it. */
function checkPlace(task: Task, { place }: Placement, errors: string[]): void {
	if (place === 'dropped') {
		if (task.dropValue === undefined) errors.push(`${task.id}: is mandatory and may not be dropped`)
	} else if (!(task.places ?? ['class']).includes(place)) {
		errors.push(`${task.id}: may not be done ${place === 'class' ? 'in class' : place === 'home' ? 'at home' : place}`)
	}
}

/** Most units that one run is read with, against memory run wild on a hostile plan. */
const MAX_UNITS = 100_000

/** Whole numbers, at least one unit, and an end that fits its units where the plan gives one. */
function readRun(id: string, run: Run, unitMinutes: number, errors: string[]): ScheduledRun {
	const isReadable =
		Number.isInteger(run.start) && Number.isInteger(run.units) && run.units >= 1 && run.units <= MAX_UNITS
	if (!isReadable) {
		errors.push(`${id}: a run needs a whole start and at least one whole unit, got ${run.start} and ${run.units}`)
		return { start: 0, end: 0, units: 0 }
	}
	const end = run.start + run.units * unitMinutes
	if (run.end !== undefined && run.end !== end)
		errors.push(`${id}: a run from ${run.start} ends at ${end}, not ${run.end}`)
	return { start: run.start, end, units: run.units }
}

/** How a task may be cut into runs: as often as its kind allows, each long enough, with a break between. */
function checkRunShape(task: Task, place: 'class' | 'home', runs: readonly ScheduledRun[], errors: string[]): void {
	if (runs.length === 0) errors.push(`${task.id}: has no run`)
	if (runs.length > 1 && place === 'home') errors.push(`${task.id}: homework must be one run, got ${runs.length}`)
	if (runs.length > 1 && !('units' in task)) errors.push(`${task.id}: may not be split, got ${runs.length} runs`)
	const minChunk = ('units' in task ? task.minChunk : undefined) ?? 1
	for (const [r, run] of runs.slice(0, -1).entries()) {
		const next = runs[r + 1]
		if (run.units < minChunk) errors.push(`${task.id}: run ${r + 1} needs at least ${minChunk} units, got ${run.units}`)
		if (next && !(next.start > run.end)) {
			errors.push(
				`${task.id}: needs a break between the run ending at ${run.end} and the one starting at ${next.start}`,
			)
		}
	}
}

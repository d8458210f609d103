/**
 * The instance as planners work on it: tasks and arcs by index, every default filled in, tasks in topological order.
 * Not for: the checker, which reads the raw instance.
 */
import type { Arc, HomeWindow, Instance, Task, Window } from './instance'
import type { AllowedPlace } from '../../vocabulary/work-place'
import { validateInstance } from './validate-instance'

export interface NormalTask {
	id: string
	/** 0: the task vanishes, transparently. */
	units: number
	/** Of one unit, >= 1. */
	unitMinutes: number
	/** Of all units. */
	minutes: number
	/** `units` for a task that may not be split. */
	minChunk: number
	places: ReadonlySet<AllowedPlace>
	/** Of the instructor, where it is made ahead. */
	prepMinutes: number
	/** Lost where it is not done in class. */
	teachValue: number
	/** Undefined: mandatory. */
	dropValue: number | undefined
	/** A mandatory task has none; an optional one without a group is its own. */
	optionGroup: string | undefined
}

export interface NormalArc {
	/** Position of the task. */
	from: number
	/** Position of the task. */
	to: number
	lag: number
	/** Infinity: no limit. */
	maxLag: number
	piecewise: boolean
	/** Undefined: no swap. */
	swapPrep: number | undefined
}

export interface NormalInstance {
	windows: readonly Window[]
	homeWindows: readonly Required<HomeWindow>[]
	tasks: readonly NormalTask[]
	arcs: readonly NormalArc[]
	/** Task indices, each after all its predecessors. */
	order: readonly number[]
	/** Indices into `arcs`, by the task that they lead to. */
	arcsInto: readonly (readonly number[])[]
	/** Indices into `arcs`, by the task that they leave. */
	arcsOutOf: readonly (readonly number[])[]
}

/** @throws {RangeError} the instance has problems; see `validateInstance` */
export function normalise(instance: Instance): NormalInstance {
	const [problem] = validateInstance(instance)
	if (problem) throw new RangeError(`instance ${problem.path}: ${problem.message}`)
	const indexById = new Map(instance.tasks.map(({ id }, index) => [id, index]))
	const arcs = instance.arcs.map((arc) => normaliseArc(arc, indexById))
	const arcsInto: number[][] = instance.tasks.map(() => [])
	const arcsOutOf: number[][] = instance.tasks.map(() => [])
	arcs.forEach(({ from, to }, a) => {
		arcsInto[to]?.push(a)
		arcsOutOf[from]?.push(a)
	})
	return {
		windows: instance.windows,
		homeWindows: (instance.homeWindows ?? gapsBetween(instance.windows)).map((gap) => ({
			maxMinutes: Infinity,
			...gap,
		})),
		tasks: instance.tasks.map(normaliseTask),
		arcs,
		order: sortTopologically(arcs, arcsInto, arcsOutOf),
		arcsInto,
		arcsOutOf,
	}
}

/** A task that may not be split is one of a single unit: the planners then need to know one kind only. */
function normaliseTask(task: Task): NormalTask {
	const [units, unitMinutes] = 'units' in task ? [task.units, task.unitMinutes] : [1, task.minutes]
	const isOptional = task.dropValue !== undefined
	return {
		id: task.id,
		units,
		unitMinutes,
		minutes: units * unitMinutes,
		minChunk: Math.min(units, ('units' in task ? task.minChunk : undefined) ?? 1),
		places: new Set(task.places ?? ['class']),
		prepMinutes: task.prepMinutes ?? 0,
		teachValue: task.teachValue ?? 0,
		dropValue: task.dropValue,
		optionGroup: isOptional ? (task.optionGroup ?? `only ${task.id}`) : undefined,
	}
}

/** By positions instead of ids; a limit that is not set is none. */
function normaliseArc(arc: Arc, indexById: ReadonlyMap<string, number>): NormalArc {
	return {
		from: indexById.get(arc.from) ?? -1,
		to: indexById.get(arc.to) ?? -1,
		lag: arc.lag,
		maxLag: arc.maxLag ?? Infinity,
		piecewise: arc.piecewise ?? false,
		// Without a wait there is nothing to waive.
		swapPrep: arc.lag > 0 ? arc.swapPrep : undefined,
	}
}

/** Between two sessions, not between two windows of one. */
function gapsBetween(windows: readonly Window[]): HomeWindow[] {
	const gaps: HomeWindow[] = []
	for (let w = 1; w < windows.length; w++) {
		const [before, after] = [windows[w - 1], windows[w]]
		if (before && after && before.session !== after.session) gaps.push({ open: before.close, close: after.open })
	}
	return gaps
}

/** Kahn's algorithm; the lowest free index first, so that equal instances give equal orders. */
function sortTopologically(
	arcs: readonly NormalArc[],
	into: readonly number[][],
	outOf: readonly number[][],
): number[] {
	const waitingFor = into.map((list) => list.length)
	const order: number[] = []
	const free = waitingFor.flatMap((count, i) => (count === 0 ? [i] : []))
	for (let i = free.shift(); i !== undefined; i = free.shift()) {
		order.push(i)
		for (const a of outOf[i] ?? []) {
			const to = arcs[a]?.to ?? -1
			const left = (waitingFor[to] ?? 0) - 1
			waitingFor[to] = left
			if (left === 0) free.push(to)
		}
	}
	return order
}

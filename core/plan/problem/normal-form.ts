/**
 * The instance as planners work on it: tasks and arcs by index, every default filled in, tasks in topological order.
 * Not for: the checker, which reads the raw instance.
 */
import {
	ORDINARY_WEIGHTS,
	type Arc,
	type Break,
	type HomeWindow,
	type Instance,
	type StrainWeights,
	type Task,
	type Window,
} from './instance'
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
	isDemo: boolean
}

export interface NormalArc {
	/** Position of the task. */
	from: number
	/** Position of the task. */
	to: number
	/** 0 where it is never over. */
	lag: number
	/** The lag has no end. */
	isNever: boolean
	/** Infinity: no limit. */
	maxLag: number
	/** The most minutes count from each piece of a whole task. */
	isLimitEach: boolean
	piecewise: boolean
	/** Position of the set of dried pieces that waives the lag; undefined: none does. */
	swapSet: number | undefined
	/** Arcs of its set that have to be swapped with it: those that lead to steps before its end. */
	swapNeeds: readonly number[]
}

export interface NormalSession {
	session: number
	/** That should be spare at its end. */
	bufferMinutes: number
	/** Positions of its windows, rising and without a gap. */
	windows: readonly number[]
}

export interface NormalInstance {
	windows: readonly Window[]
	/** In order, with all that have a window. */
	sessions: readonly NormalSession[]
	breaks: readonly Break[]
	weights: StrainWeights
	endEarly: boolean
	homeWindows: readonly Required<HomeWindow>[]
	tasks: readonly NormalTask[]
	arcs: readonly NormalArc[]
	/** Minutes of the instructor for each set of dried pieces, of one arc or of several. */
	swapMinutes: readonly number[]
	/** Ids of the sets that the instance names; those of one arc have none, and come behind. */
	setIds: readonly string[]
	/** By task: what uses it, if it is a demonstration. */
	users: readonly (readonly number[])[]
	/** Pairs of tasks of which the second is wanted straight after the first; no demonstrations, which have users. */
	following: readonly (readonly [from: number, to: number])[]
	/** Pairs of tasks that stand next to each other in a design's order. */
	neighbours: readonly (readonly [earlier: number, later: number])[]
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
	const indexOf = (id: string) => indexById.get(id) ?? -1
	const { swapMinutes, setOf } = listSets(instance)
	const bare = instance.arcs.map((arc, a) => normaliseArc(arc, indexOf, setOf(a)))
	const arcsInto: number[][] = instance.tasks.map(() => [])
	const arcsOutOf: number[][] = instance.tasks.map(() => [])
	bare.forEach(({ from, to }, a) => {
		arcsInto[to]?.push(a)
		arcsOutOf[from]?.push(a)
	})
	const arcs = addSwapNeeds(bare, arcsOutOf)
	const tasks = instance.tasks.map(normaliseTask)
	const isDemo = (i: number) => tasks[i]?.isDemo ?? false
	return {
		windows: instance.windows,
		sessions: listSessions(instance),
		breaks: instance.breaks ?? [],
		weights: { ...ORDINARY_WEIGHTS, ...instance.weights },
		endEarly: instance.endEarly ?? true,
		homeWindows: (instance.homeWindows ?? gapsBetween(instance.windows)).map((gap) => ({
			maxMinutes: Infinity,
			...gap,
		})),
		tasks,
		arcs,
		swapMinutes,
		setIds: (instance.prepared ?? []).map(({ id }) => id),
		users: arcsOutOf.map((own, d) => {
			if (!isDemo(d)) return []
			return [...new Set(own.map((a) => arcs[a]?.to ?? -1))].filter((to) => !isDemo(to))
		}),
		following: instance.arcs.flatMap(({ follows }, a) => {
			const { from = -1, to = -1 } = arcs[a] ?? {}
			return follows && !isDemo(from) ? [[from, to] as const] : []
		}),
		neighbours: (instance.sequence ?? []).flatMap((list) =>
			list.slice(1).map((later, k) => [indexOf(list[k] ?? ''), indexOf(later)] as const),
		),
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
		isDemo: task.demo ?? false,
	}
}

/** By positions instead of ids; a limit that is not set is none. */
function normaliseArc(
	{ from, to, lag, maxLag = Infinity, limit, piecewise = false }: Arc,
	indexOf: (id: string) => number,
	set: number | undefined,
): NormalArc {
	const isNever = lag === 'never'
	return {
		from: indexOf(from),
		to: indexOf(to),
		lag: isNever ? 0 : lag,
		isNever,
		maxLag,
		isLimitEach: limit === 'each',
		piecewise,
		// Without a wait there is nothing to waive.
		swapSet: lag === 0 ? undefined : set,
		swapNeeds: [],
	}
}

/** Every arc that may be swapped belongs to a set: one that has a price of its own, to a set of its own. */
function listSets({ arcs, prepared = [] }: Instance): {
	swapMinutes: number[]
	setOf: (arc: number) => number | undefined
} {
	const swapMinutes = prepared.map(({ minutes }) => minutes)
	const byId = new Map(prepared.map(({ id }, set) => [id, set]))
	const sets = arcs.map(({ swap, swapPrep }) => {
		if (swap !== undefined) return byId.get(swap)
		return swapPrep === undefined ? undefined : swapMinutes.push(swapPrep) - 1
	})
	return { swapMinutes, setOf: (arc) => sets[arc] }
}

/**
 * Nobody colours her own pieces and tapes uncoloured ones that were brought: an arc of a set is swapped only together
 * with those to steps before its end.
 */
function addSwapNeeds(arcs: readonly NormalArc[], outOf: readonly number[][]): NormalArc[] {
	const sizes = new Map<number, number>()
	for (const { swapSet } of arcs) if (swapSet !== undefined) sizes.set(swapSet, (sizes.get(swapSet) ?? 0) + 1)
	return arcs.map((arc) => {
		const { swapSet } = arc
		if (swapSet === undefined || sizes.get(swapSet) === 1) return arc
		const swapNeeds = arcs.flatMap((other, a) => {
			const isOfSet = other !== arc && other.swapSet === swapSet && other.to !== arc.to
			return isOfSet && leadsTo(other.to, arc.to, arcs, outOf) ? [a] : []
		})
		return { ...arc, swapNeeds }
	})
}

/** Whether there is a way along arcs from one task to another. */
function leadsTo(from: number, to: number, arcs: readonly NormalArc[], outOf: readonly number[][]): boolean {
	const reached = new Set([from])
	for (const i of reached) for (const a of outOf[i] ?? []) reached.add(arcs[a]?.to ?? -1)
	return reached.has(to)
}

/** In the order of their windows. */
function listSessions({ windows, sessions = [] }: Instance): NormalSession[] {
	return [...new Set(windows.map(({ session }) => session))].map((session) => ({
		session,
		bufferMinutes: sessions.find((listed) => listed.session === session)?.bufferMinutes ?? 0,
		windows: windows.flatMap((window, w) => (window.session === session ? [w] : [])),
	}))
}

/** Between two sessions, not between two windows of one. */
export function gapsBetween(windows: readonly Window[]): HomeWindow[] {
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

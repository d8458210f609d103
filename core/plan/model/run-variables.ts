/**
 * The runs of each task: when each starts and ends, and how many units come before it.
 * A run that is not used has no length and lies at the end of the one before, so that the last run always ends with
 * the task.
 */
import type { NormalInstance, NormalTask } from '../problem/normal-form'
import { atLeast, atMost, constant, not, type Expression, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import type { PlaceChoices } from './place-choices'

/** One run of a task. */
export interface RunVariables {
	start: Expression
	end: Expression
	/** Units of the task before this run, and before the next one. */
	unitsBefore: Expression
	/** Units done when it ends. */
	unitsAfter: Expression
	/** The run is used. */
	isUsed: Literal
}

/** More runs than this are not looked at: a task of so many is chopped beyond use. */
export const MAX_RUNS = 12

/** The first and the last minute that anything may touch. */
export interface Horizon {
	/** Least minute of anything. */
	start: number
	/** Most minute of anything. */
	end: number
}

/** How many runs a task can have, by its units and its least chunk. */
export function mostRuns({ units, minChunk, places }: NormalTask): number {
	return places.has('class') ? Math.floor((units - 1) / minChunk) + 1 : 1
}

/** By task index; none for a task without units. */
export function addRuns(
	builder: ModelBuilder,
	instance: NormalInstance,
	places: readonly PlaceChoices[],
	horizon: Horizon,
): readonly (readonly RunVariables[])[] {
	return instance.tasks.map((task, i) => {
		const choices = places[i]
		if (task.units === 0 || !choices) return []
		const count = Math.min(MAX_RUNS, mostRuns(task))
		const runs =
			count === 1
				? [addWholeRun(builder, task, choices, horizon)]
				: addSplitRuns(builder, task, { choices, horizon, count })
		addWindows(builder, instance, choices, runs)
		const first = runs[0]
		// Where an unplaced task would lie makes no difference: one place is enough.
		if (first) builder.atLeastOne(choices.placed, atMost(first.start.variable, horizon.start))
		return runs
	})
}

/** One variable, its start: where a task may not be interrupted everything else follows from it. */
function addWholeRun(
	builder: ModelBuilder,
	task: NormalTask,
	{ placed }: PlaceChoices,
	{ start, end }: Horizon,
): RunVariables {
	const variable = builder.solver.addVariable(start, Math.max(start, end - task.minutes))
	builder.solver.decideOn(variable)
	return {
		start: { variable, plus: 0 },
		end: { variable, plus: task.minutes },
		unitsBefore: constant(builder.always, 0),
		unitsAfter: constant(builder.always, task.units),
		isUsed: placed,
	}
}

/**
 * Runs of a task that may be taken up again: each has a start, and borders between them say how many
 * units lie in which. A run without units lies where the one before it ends.
 */
function addSplitRuns(
	builder: ModelBuilder,
	task: NormalTask,
	{ choices, horizon, count }: { choices: PlaceChoices; horizon: Horizon; count: number },
): RunVariables[] {
	const { solver } = builder
	const { units, minChunk, unitMinutes } = task
	const borders: Expression[] = [constant(builder.always, 0)]
	for (let r = 1; r < count; r++) {
		borders.push({ variable: solver.addVariable(Math.min(units, r * minChunk), units), plus: 0 })
	}
	borders.push(constant(builder.always, units))
	const runs: RunVariables[] = []
	for (let r = 0; r < count; r++) {
		const [unitsBefore, unitsAfter] = [borders[r], borders[r + 1]]
		if (!unitsBefore || !unitsAfter) continue
		const start = { variable: solver.addVariable(horizon.start, horizon.end), plus: 0 }
		const end = { variable: solver.addVariable(horizon.start, horizon.end), plus: 0 }
		const isUsed = r === 0 ? choices.placed : builder.addChoice()
		if (r > 0) {
			builder.implies([isUsed], atMost(unitsBefore.variable, units - 1))
			builder.implies([not(isUsed)], atLeast(unitsBefore.variable, units))
			solver.decideOn(unitsBefore.variable)
		}
		solver.decideOn(start.variable)
		runs.push({ start, end, unitsBefore, unitsAfter, isUsed })
		const length = [
			{ of: start, factor: 1 },
			{ of: unitsAfter, factor: unitMinutes },
			{ of: unitsBefore, factor: -unitMinutes },
			{ of: end, factor: -1 },
		]
		builder.equal(length, 0)
		builder.before(unitsBefore, unitsAfter, 0)
		// Every run but the last has its least units.
		if (r < count - 1) builder.before(unitsBefore, unitsAfter, minChunk, [atMost(unitsAfter.variable, units - 1)])
	}
	joinRuns(builder, task, choices, runs)
	return runs
}

/**
 * What all runs of a task have in common: their whole span is no shorter than the work, each ends before
 * the next begins.
 */
function joinRuns(
	builder: ModelBuilder,
	{ units, minutes }: NormalTask,
	choices: PlaceChoices,
	runs: readonly RunVariables[],
): void {
	const [first, last] = [runs[0], runs.at(-1)]
	if (first && last) builder.before(first.start, last.end, minutes)
	runs.forEach((run, r) => {
		const next = runs[r + 1]
		if (!next) return
		builder.before(run.end, next.start, 0)
		builder.before(run.end, next.start, 1, [next.isUsed])
		builder.before(next.start, run.end, 0, [not(next.isUsed)])
		const later = runs[r + 2]
		if (later) builder.implies([later.isUsed], next.isUsed)
	})
	const second = runs[1]
	if (!second) return
	// At home, and where it has no times at all, a task is in one piece.
	builder.implies([choices.atHome], atLeast(second.unitsBefore.variable, units))
	builder.implies([not(choices.placed)], atLeast(second.unitsBefore.variable, units))
}

/** In class each run lies within one window; at home there is one run, within one gap. */
function addWindows(
	builder: ModelBuilder,
	{ windows, homeWindows }: NormalInstance,
	{ inClass, atHome }: PlaceChoices,
	runs: readonly RunVariables[],
): void {
	for (const run of runs) addStretches(builder, windows, inClass, run)
	if (runs[0]) addStretches(builder, homeWindows, atHome, runs[0])
}

/** A run of this place starts in one of the stretches and ends before that one closes. */
function addStretches(
	builder: ModelBuilder,
	stretches: readonly { open: number; close: number }[],
	place: Literal,
	{ start, end }: RunVariables,
): void {
	const [first, last] = [stretches[0], stretches.at(-1)]
	if (!first || !last || place === builder.no) return
	builder.implies([place], atLeast(start.variable, first.open))
	builder.implies([place], atMost(end.variable, last.close - end.plus))
	stretches.forEach(({ close }, w) => {
		const next = stretches[w + 1]
		if (!next) return
		builder.atLeastOne(not(place), atLeast(start.variable, next.open), atMost(end.variable, close - end.plus))
	})
}

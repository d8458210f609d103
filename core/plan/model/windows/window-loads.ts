/**
 * How much of the class work lies in each window. Bounds of single tasks do not say that five of them in one evening
 * are more than it holds, or too few to bridge a wait: sums over windows do.
 */
import type { NormalInstance } from '../../problem/normal-form'
import { atLeast, atMost, not, type Expression, type Literal } from '../literal'
import type { ModelBuilder, Multiple } from '../model-builder'
import type { PlaceChoices } from '../place-choices'
import type { RunVariables } from '../run-variables'

/** Class work by window; a task in one run counts as a whole, another by its units. */
export class WindowLoads {
	readonly #builder: ModelBuilder
	/** By task: minutes of what is counted. */
	readonly #minutes: readonly number[]
	/** By task, by window: how many lie in it; none for a task that is never in class. */
	readonly #inside: readonly (readonly Expression[])[]
	/** By task, by window: how many lie in it or in a later one. */
	readonly #from: readonly (readonly Expression[])[]

	constructor(
		builder: ModelBuilder,
		{
			instance: { windows, tasks },
			places,
			runs,
		}: { instance: NormalInstance; places: readonly PlaceChoices[]; runs: readonly (readonly RunVariables[])[] },
	) {
		this.#builder = builder
		this.#minutes = tasks.map(({ minutes, unitMinutes }, i) => (runs[i]?.length === 1 ? minutes : unitMinutes))
		this.#from = tasks.map(({ units }, i): Expression[] => {
			const [inClass, own = []] = [places[i]?.inClass, runs[i]]
			const [only, second] = own
			if (!only || !inClass || inClass === builder.no) return []
			return windows.map(({ open }, w): Expression => {
				if (second) return addUnitsFrom(builder, own, { units, inClass, open: w === 0 ? -Infinity : open })
				return addWholeFrom(builder, only, { inClass, open: w === 0 ? -Infinity : open })
			})
		})
		this.#inside = this.#from.map((own, i) => {
			const most = runs[i]?.length === 1 ? 1 : (tasks[i]?.units ?? 0)
			const inside = own.map((from, w) => addInside(builder, most, from, own[w + 1]))
			if (own[0]) addParts(builder, inside, own[0])
			return inside
		})
	}

	/** Minutes of a task in a window, as terms of a sum; none: it cannot lie there. */
	inside(task: number, window: number): Multiple[] {
		const of = this.#inside[task]?.[window]
		return of && this.#builder.canBe(atLeast(of.variable, 1 - of.plus))
			? [{ of, factor: this.#minutes[task] ?? 0 }]
			: []
	}

	/** Minutes of all tasks in a window, as terms of a sum. */
	allInside(window: number): Multiple[] {
		return this.#minutes.flatMap((_, task) => this.inside(task, window))
	}

	/** Minutes of all tasks in a window and all later ones, as terms of a sum. */
	allFrom(window: number): Multiple[] {
		return this.#minutes.flatMap((factor, task): Multiple[] => {
			const of = this.#from[task]?.[window]
			return of ? [{ of, factor }] : []
		})
	}
}

/** Where a window opens, and when the task is in class. */
interface FromTerms {
	inClass: Literal
	/** -Infinity: all that is in class lies there or later. */
	open: number
}

/** Of a task in one run: 1 if it begins in the window or later, in class. */
function addWholeFrom(builder: ModelBuilder, { start }: RunVariables, { inClass, open }: FromTerms): Expression {
	const variable = builder.solver.addVariable(0, 1)
	const isFrom = atLeast(variable, 1)
	const isLater = open === -Infinity ? builder.yes : atLeast(start.variable, open - start.plus)
	builder.implies([isFrom], inClass)
	builder.implies([isFrom], isLater)
	builder.implies([inClass, isLater], isFrom)
	return { variable, plus: 0 }
}

/** Of a task in several runs: the units of those that begin in the window or later. */
function addUnitsFrom(
	builder: ModelBuilder,
	runs: readonly RunVariables[],
	{ units, inClass, open }: FromTerms & { units: number },
): Expression {
	const from: Expression = { variable: builder.solver.addVariable(0, units), plus: 0 }
	builder.implies([not(inClass)], atMost(from.variable, 0))
	if (open === -Infinity) builder.implies([inClass], atLeast(from.variable, units))
	else {
		for (const { start, unitsBefore, unitsAfter } of runs) {
			const isLater = atLeast(start.variable, open - start.plus)
			const others = (border: Expression, factor: number): Multiple[] => [
				{ of: border, factor },
				{ of: from, factor },
			]
			// With a run that begins later all units but those before it; with another none of those done with it.
			builder.limit(others(unitsBefore, -1), -units, [inClass, isLater])
			builder.limit(others(unitsAfter, 1), units, [inClass, not(isLater)])
		}
	}
	return from
}

/** What lies in the window itself: what lies from it on, less what lies from the next on. */
function addInside(builder: ModelBuilder, most: number, from: Expression, next: Expression | undefined): Expression {
	if (!next) return from
	const inside: Expression = { variable: builder.solver.addVariable(0, most), plus: 0 }
	addParts(builder, [inside, next], from)
	return inside
}

/** The parts add up to the whole. */
function addParts(builder: ModelBuilder, parts: readonly Expression[], whole: Expression): void {
	builder.equal([...parts.map((of) => ({ of, factor: 1 })), { of: whole, factor: -1 }], 0)
}

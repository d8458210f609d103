/** The levels of the objective as variables that are at least what the plan costs. */
import type { NormalInstance } from '../problem/normal-form'
import type { ObjectiveLevel } from '../problem/objective'
import { atLeast, atMost, not, type Expression, type Literal } from './literal'
import type { ModelBuilder, Multiple } from './model-builder'
import type { PlaceChoices } from './place-choices'
import type { RunVariables } from './run-variables'

/** The variable of each level; a shortfall is not one, but a later close of the last window. */
export type LevelVariables = Record<Exclude<ObjectiveLevel, 'shortfall'>, number>

interface Parts {
	instance: NormalInstance
	places: readonly PlaceChoices[]
	runs: readonly (readonly RunVariables[])[]
	/** By arc: whether dried pieces are brought for it. */
	swaps: ReadonlyMap<number, Literal>
}

/** Adds the levels; each variable is at least what the plan costs there. */
export function addLevels(builder: ModelBuilder, parts: Parts): LevelVariables {
	return {
		valueLost: addSum(builder, valueTerms(parts)),
		prepMinutes: addSum(builder, prepTerms(parts)),
		finish: addFinish(builder, parts),
		waiting: addWaiting(builder, parts),
		splits: addSum(builder, splitTerms(parts)),
	}
}

/** Value lost: what is not practised in class, and what is left out altogether. */
function valueTerms({ instance, places }: Parts): Multiple[] {
	return instance.tasks.flatMap(({ units, teachValue, dropValue = 0 }, i): Multiple[] => {
		const choices = places[i]
		if (units === 0 || !choices) return []
		return [
			{ of: not(choices.inClass), factor: teachValue },
			{ of: choices.dropped, factor: dropValue },
		]
	})
}

/** Minutes of the instructor before the course: parts made ahead, and pieces dried in exchange for a wait. */
function prepTerms({ instance, places, swaps }: Parts): Multiple[] {
	const ahead = instance.tasks.flatMap(({ units, prepMinutes }, i): Multiple[] => {
		const choices = places[i]
		return units === 0 || !choices ? [] : [{ of: choices.ahead, factor: prepMinutes }]
	})
	const swapped = [...swaps].map(([a, swap]): Multiple => ({ of: swap, factor: instance.arcs[a]?.swapPrep ?? 0 }))
	return [...ahead, ...swapped]
}

/** Each run of a task beyond its first. */
function splitTerms({ runs }: Parts): Multiple[] {
	return runs.flatMap((own) => own.slice(1).map(({ isUsed }): Multiple => ({ of: isUsed, factor: 1 })))
}

/**
 * A variable that is at least the sum: the search only ever asks for less of it, so that it need not be at
 * most the sum as well.
 */
function addSum(builder: ModelBuilder, terms: readonly Multiple[]): number {
	const most = terms.reduce((total, { factor }) => total + factor, 0)
	const variable = builder.solver.addVariable(0, most)
	builder.limit([...terms, { of: { variable, plus: 0 }, factor: -1 }], 0)
	return variable
}

/** A variable that is at least the end of every task in class, min. */
function addFinish(builder: ModelBuilder, { instance, places, runs }: Parts): number {
	const [open, close] = [instance.windows[0]?.open ?? 0, instance.windows.at(-1)?.close ?? 0]
	const variable = builder.solver.addVariable(open, close)
	runs.forEach((own, i) => {
		const [end, inClass] = [own.at(-1)?.end, places[i]?.inClass]
		if (end && inClass) builder.before(end, { variable, plus: 0 }, 0, [inClass])
	})
	return variable
}

/** Waiting, window by window: the minutes until it is last used, less the minutes of work. */
function addWaiting(builder: ModelBuilder, { instance, places, runs }: Parts): number {
	const { windows, tasks } = instance
	const usedUntil = windows.map(({ open, close }) => builder.solver.addVariable(open, close))
	windows.forEach((window, w) => {
		const until: Expression = { variable: usedUntil[w] ?? 0, plus: 0 }
		runs.forEach((own, i) => {
			const inClass = places[i]?.inClass
			if (!inClass) return
			for (const { start, end } of own) {
				const isInside = [atLeast(start.variable, window.open), atMost(start.variable, window.close - 1)]
				builder.before(end, until, 0, [inClass, ...isInside])
			}
		})
		const next = windows[w + 1]
		if (next?.session !== window.session) return
		// Who works after the break has been there before it.
		builder.implies([atLeast(usedUntil[w + 1] ?? 0, next.open + 1)], atLeast(until.variable, window.close))
	})
	const work = tasks.map(({ minutes }, i): Multiple => ({ of: places[i]?.inClass ?? builder.no, factor: -minutes }))
	const used = usedUntil.map((variable): Multiple => ({ of: { variable, plus: 0 }, factor: 1 }))
	const waiting = builder.solver.addVariable(
		0,
		windows.reduce((total, { open, close }) => total + close - open, 0),
	)
	const opens = windows.reduce((total, { open }) => total + open, 0)
	builder.limit([...used, ...work, { of: { variable: waiting, plus: 0 }, factor: -1 }], opens)
	return waiting
}

/** Until when each window is used: what people wait inside it, and what is spare behind it. */
import type { NormalInstance } from '../../problem/normal-form'
import type { BreakVariables } from '../break-variables'
import { atLeast, not, startsIn, type Expression, type Literal } from '../literal'
import { lessOf, type ModelBuilder, type Multiple } from '../model-builder'
import type { PlaceChoices } from '../place-choices'
import type { RunVariables } from '../run-variables'
import { WindowLoads } from './window-loads'

/** What is laid into windows. */
export interface WindowParts {
	instance: NormalInstance
	places: readonly PlaceChoices[]
	runs: readonly (readonly RunVariables[])[]
	breaks: readonly BreakVariables[]
}

/** What rules ask of the windows of one model. */
export interface WindowUse {
	/** By window: at least the end of its last class work; its opening where it is not used. */
	usedUntil: readonly Expression[]
	/** By window: at least the minutes that people wait in it. */
	waiting: readonly Expression[]
	/** By window: breaks that may be held in it. */
	held: readonly (readonly HeldBreak[])[]
	loads: WindowLoads
}

/** A break in one window. */
export interface HeldBreak {
	/** Position of the break. */
	index: number
	minutes: number
	/** It lies there and ends no later than the work. */
	isHeld: Literal
}

/** The variables of all windows, and what holds of each by itself and of all together. */
export function addWindowUse(builder: ModelBuilder, parts: WindowParts): WindowUse {
	const { windows, tasks } = parts.instance
	const loads = new WindowLoads(builder, parts)
	const usedUntil = addUsedUntil(builder, parts)
	const held = windows.map((_, w) => addHeld(builder, parts, w, usedUntil[w]))
	const waiting = windows.map(({ open, close }, w): Expression => {
		const waited: Expression = { variable: builder.solver.addVariable(0, close - open), plus: 0 }
		const until: Multiple = { of: usedUntil[w] ?? waited, factor: 1 }
		const busy = [...loads.allInside(w), ...heldTerms(held[w])]
		builder.limit([...busy, ...lessOf([until])], -open)
		builder.limit([until, ...lessOf(busy), { of: waited, factor: -1 }], open)
		return waited
	})
	// Over all windows together nothing depends on which of them holds what.
	const work = tasks.map(({ minutes }, i): Multiple => ({
		of: parts.places[i]?.inClass ?? builder.no,
		factor: minutes,
	}))
	const opens = windows.reduce((total, { open }) => total + open, 0)
	builder.limit([...sumOf(usedUntil), ...lessOf([...work, ...heldTerms(held.flat()), ...sumOf(waiting)])], opens)
	return { usedUntil, waiting, held, loads }
}

/** Each once, as terms of a sum. */
export function sumOf(expressions: readonly Expression[]): Multiple[] {
	return expressions.map((of) => ({ of, factor: 1 }))
}

/** The minutes of breaks, as terms of a sum. */
export function heldTerms(held: readonly HeldBreak[] = []): Multiple[] {
	return held.map(({ isHeld, minutes }) => ({ of: isHeld, factor: minutes }))
}

function addUsedUntil(builder: ModelBuilder, { instance: { windows }, places, runs }: WindowParts): Expression[] {
	const usedUntil = windows.map(({ open, close }): Expression => {
		return { variable: builder.solver.addVariable(open, close), plus: 0 }
	})
	usedUntil.forEach((until, w) => {
		const [window, next, nextUntil] = [windows[w], windows[w + 1], usedUntil[w + 1]]
		if (!window) return
		runs.forEach((own, i) => {
			const inClass = places[i]?.inClass ?? builder.no
			for (const { start, end } of own) builder.before(end, until, 0, [inClass, ...startsIn(start, window)])
		})
		if (!nextUntil || next?.session !== window.session) return
		// Who works after the pause has been there before it.
		builder.implies([atLeast(nextUntil.variable, next.open + 1)], atLeast(until.variable, window.close))
	})
	return usedUntil
}

/** The breaks in a window that end no later than its work. */
function addHeld(
	builder: ModelBuilder,
	{ instance: { windows }, breaks }: WindowParts,
	w: number,
	until: Expression | undefined,
): HeldBreak[] {
	return breaks.flatMap(({ start, end, minutes, windows: own }, index): HeldBreak[] => {
		const window = windows[w]
		if (!window || !until || !own.includes(w)) return []
		const isHere = own.length > 1 ? startsIn(start, window) : []
		const isHeld = builder.addGain()
		for (const literal of isHere) builder.implies([isHeld], literal)
		builder.before(end, until, 0, [isHeld])
		// Who works on after it began has held it.
		builder.before(until, start, 0, [not(isHeld), ...isHere])
		return [{ index, minutes, isHeld }]
	})
}

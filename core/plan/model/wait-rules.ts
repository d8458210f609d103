/** The order and the waits between tasks, with swaps, closure and what dropped tasks leave behind. */
import type { NormalArc, NormalInstance } from '../problem/normal-form'
import { not, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import type { PlaceChoices } from './place-choices'
import type { RunVariables } from './run-variables'
import type { UnitStarts } from './unit-starts'

/** An arc that holds when the tasks that it passes over are dropped. */
interface EffectiveWait {
	/** Position of the task. */
	from: number
	to: number
	/** Least minutes. */
	lag: number
	/** Most minutes; Infinity: none set. */
	maxLag: number
	/** Unit by unit. */
	piecewise: boolean
	/** The arc whose wait this is. */
	arc: number
	/** Literals, each a task passed over that is dropped. */
	passing: readonly Literal[]
}

interface Parts {
	instance: NormalInstance
	places: readonly PlaceChoices[]
	runs: readonly (readonly RunVariables[])[]
}

/** Adds all waits; returns the literal of each swap by arc index. */
export function addWaits(builder: ModelBuilder, parts: Parts, units: UnitStarts): ReadonlyMap<number, Literal> {
	const { instance, places } = parts
	const swaps = new Map<number, Literal>()
	instance.arcs.forEach(({ from, swapPrep }, a) => {
		const inClass = places[from]?.inClass
		if (swapPrep === undefined || !inClass || inClass === builder.no) return
		const swap = builder.addChoice(1)
		swaps.set(a, swap)
		builder.implies([swap], inClass)
	})
	for (const wait of effectiveWaits(builder, parts)) {
		addClosure(builder, places, wait)
		addLags(builder, parts, { wait, swap: swaps.get(wait.arc), units })
	}
	return swaps
}

/**
 * Waits between tasks that are there. A task that vanishes or is left out passes on what it waited for:
 * its followers wait for what came before it, on condition that it is left out.
 */
function effectiveWaits(builder: ModelBuilder, { instance, places }: Parts): EffectiveWait[] {
	const { tasks, arcs, arcsOutOf } = instance
	const waits: EffectiveWait[] = []
	const follow = (arc: NormalArc, first: Omit<EffectiveWait, 'to'>) => {
		const dropped = places[arc.to]?.dropped ?? builder.no
		if (tasks[arc.to]?.units !== 0) waits.push({ ...first, to: arc.to })
		if (dropped === builder.no) return
		const passing = dropped === builder.yes ? first.passing : [...first.passing, dropped]
		for (const a of arcsOutOf[arc.to] ?? []) {
			const next = arcs[a]
			if (next) follow(next, { ...first, maxLag: Infinity, piecewise: first.piecewise && next.piecewise, passing })
		}
	}
	arcs.forEach((arc, a) => {
		if (tasks[arc.from]?.units === 0) return
		follow(arc, { from: arc.from, lag: arc.lag, maxLag: arc.maxLag, piecewise: arc.piecewise, arc: a, passing: [] })
	})
	// A way over a dropped task of the same group as one of its ends never counts.
	return waits.filter(({ from, to, passing }) => {
		return passing.every((drop) => drop !== places[from]?.dropped && drop !== places[to]?.dropped)
	})
}

/**
 * Who finishes what was made ahead has to have it ahead: what leads up to a task made ahead is made ahead
 * too, and what may not lie long after it as well.
 */
function addClosure(
	builder: ModelBuilder,
	places: readonly PlaceChoices[],
	{ from, to, maxLag, passing }: EffectiveWait,
): void {
	const [first, second] = [places[from], places[to]]
	if (!first || !second) return
	builder.implies([...passing, second.ahead, not(first.dropped)], first.ahead)
	if (maxLag < Infinity) builder.implies([first.ahead, not(second.dropped)], second.ahead)
}

/**
 * Least and most minutes from the end of one task to the start of the other, unit by unit where a piece
 * may go on as soon as it is dry.
 */
function addLags(
	builder: ModelBuilder,
	{ instance, places, runs }: Parts,
	{ wait, swap, units }: { wait: EffectiveWait; swap: Literal | undefined; units: UnitStarts },
): void {
	const { from, to, lag, maxLag, piecewise, passing } = wait
	const [first, second, target] = [places[from], places[to], instance.tasks[to]]
	const [end, start, lastEnd] = [runs[from]?.at(-1)?.end, runs[to]?.[0]?.start, runs[to]?.at(-1)?.end]
	if (!first || !second || !target || !end || !start || !lastEnd) return
	const bothPlaced = [...passing, first.placed, second.placed]
	const waited = swap ? [...bothPlaced, not(swap)] : bothPlaced
	if (swap) builder.implies([...passing, swap, not(second.dropped)], second.inClass)
	if (piecewise && target.units > 1 && target.units === instance.tasks[from]?.units) {
		const unitMinutes = instance.tasks[from].unitMinutes
		const [earlier, later] = [units.of(from), units.of(to)]
		earlier.forEach((unit, k) => {
			const other = later[k]
			if (!other) return
			if (swap && lag > 0) builder.before(unit, other, unitMinutes, bothPlaced)
			builder.before(unit, other, unitMinutes + lag, waited)
			if (maxLag < Infinity) builder.before(other, unit, -(unitMinutes + maxLag), waited)
		})
		return
	}
	if (swap && lag > 0) builder.before(end, start, 0, bothPlaced)
	builder.before(end, start, lag, waited)
	// The maximum binds the start of the last unit.
	if (maxLag < Infinity) builder.before(lastEnd, end, -(maxLag + target.unitMinutes), waited)
}

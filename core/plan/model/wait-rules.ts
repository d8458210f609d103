/** The order and the waits between tasks, with swaps, closure and what dropped tasks leave behind. */
import type { NormalArc, NormalInstance, NormalTask } from '../problem/normal-form'
import { not, type Literal } from './literal'
import type { ModelBuilder } from './model-builder'
import type { PlaceChoices } from './place-choices'
import type { RunVariables } from './run-variables'
import type { UnitStarts } from './unit-starts'

/** An arc that holds when the tasks that it passes over are dropped. */
export interface EffectiveWait {
	/** Position of the task. */
	from: number
	to: number
	/** Least minutes. */
	lag: number
	/** The least has no end. */
	isNever: boolean
	/** Most minutes; Infinity: none set. */
	maxLag: number
	/** The most count from each piece of a whole task. */
	isLimitEach: boolean
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

/** What of dried pieces may be brought. */
export interface Swaps {
	/** By arc: whether dried pieces are brought for it. */
	byArc: ReadonlyMap<number, Literal>
	/** By set of dried pieces: whether it is made at all. */
	bySet: ReadonlyMap<number, Literal>
}

/** Adds all waits. */
export function addWaits(builder: ModelBuilder, parts: Parts, units: UnitStarts): Swaps {
	const swaps = addSwaps(builder, parts)
	for (const wait of effectiveWaits(builder, parts)) {
		addClosure(builder, parts, wait)
		addLags(builder, parts, { wait, swap: swaps.byArc.get(wait.arc), units })
	}
	addShowing(builder, parts)
	return swaps
}

/** A choice for each arc that dried pieces may waive, and for each set of them that serves several. */
function addSwaps(builder: ModelBuilder, { instance: { arcs, tasks }, places }: Parts): Swaps {
	const byArc = new Map<number, Literal>()
	const arcsOfSet = new Map<number, Literal[]>()
	arcs.forEach(({ from, swapSet }, a) => {
		const inClass = places[from]?.inClass
		if (swapSet === undefined || !inClass || inClass === builder.no) return
		const swap = builder.addChoice(1)
		byArc.set(a, swap)
		arcsOfSet.set(swapSet, [...(arcsOfSet.get(swapSet) ?? []), swap])
		builder.implies([swap], inClass)
	})
	for (const [a, swap] of byArc) {
		for (const needed of arcs[a]?.swapNeeds ?? []) {
			const to = arcs[needed]?.to ?? -1
			if (tasks[to]?.units === 0) continue
			builder.atLeastOne(not(swap), byArc.get(needed) ?? builder.no, places[to]?.dropped ?? builder.no)
		}
	}
	const bySet = new Map<number, Literal>()
	for (const [set, swaps] of arcsOfSet) {
		const [only, second] = swaps
		if (!only) continue
		const isMade = second ? builder.addChoice(1) : only
		if (second) for (const swap of swaps) builder.implies([swap], isMade)
		bySet.set(set, isMade)
	}
	return { byArc, bySet }
}

/** Students use in class only what was shown in class. */
function addShowing(builder: ModelBuilder, { instance: { tasks, users }, places }: Parts): void {
	users.forEach((own, d) => {
		if (tasks[d]?.units === 0) return
		for (const j of own) builder.implies([places[j]?.inClass ?? builder.no], places[d]?.inClass ?? builder.no)
	})
}

/**
 * Waits between tasks that are there. A task that vanishes or is left out passes on what it waited for:
 * its followers wait for what came before it, on condition that it is left out.
 */
export function effectiveWaits(
	builder: ModelBuilder,
	{ instance, places }: Pick<Parts, 'instance' | 'places'>,
): EffectiveWait[] {
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
		const { from, lag, isNever, maxLag, isLimitEach, piecewise } = arc
		follow(arc, { from, lag, isNever, maxLag, isLimitEach, piecewise, arc: a, passing: [] })
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
	{ instance, places }: Parts,
	{ from, to, maxLag, passing }: EffectiveWait,
): void {
	const [first, second] = [places[from], places[to]]
	if (!first || !second) return
	// Nobody gives a demonstration to herself.
	if (!instance.tasks[from]?.isDemo) builder.implies([...passing, second.ahead, not(first.dropped)], first.ahead)
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
	const { from, to, lag, isNever, maxLag, piecewise, passing } = wait
	const [first, second] = [places[from], places[to]]
	const [source, target] = [instance.tasks[from], instance.tasks[to]]
	const [end, start] = [runs[from]?.at(-1)?.end, runs[to]?.[0]?.start]
	if (!first || !second || !source || !target || !end || !start) return
	const bothPlaced = [...passing, first.placed, second.placed]
	const waited = swap ? [...bothPlaced, not(swap)] : bothPlaced
	if (swap) builder.implies([...passing, swap, not(second.dropped)], second.inClass)
	if (isNever) builder.implies(waited, builder.no)
	const ends: PairOfEnds = { builder, units, from, to, fromTask: source, toTask: target }
	if (piecewise && (target.units > 1 || source.units > 1)) {
		if (swap && (lag > 0 || isNever)) addPieceWaits(ends, 0, bothPlaced)
		if (!isNever) addPieceWaits(ends, lag, waited)
	} else {
		if (swap && (lag > 0 || isNever)) builder.before(end, start, 0, bothPlaced)
		if (!isNever) builder.before(end, start, lag, waited)
	}
	if (maxLag === Infinity) return
	if (source.units > 1 && (piecewise || wait.isLimitEach)) return addPieceLimits(ends, maxLag, waited)
	const lastEnd = runs[to]?.at(-1)?.end
	// The maximum binds the start of the last unit.
	if (lastEnd) builder.before(lastEnd, end, -(maxLag + target.unitMinutes), waited)
}

/** Two tasks whose units wait for each other. */
interface PairOfEnds {
	builder: ModelBuilder
	units: UnitStarts
	from: number
	to: number
	fromTask: NormalTask
	toTask: NormalTask
}

/** Each unit after those that it is made from. */
function addPieceWaits(
	{ builder, units, from, to, fromTask, toTask }: PairOfEnds,
	lag: number,
	conditions: readonly Literal[],
): void {
	const [earlier, later] = [units.of(from), units.of(to)]
	const share = fromTask.units / toTask.units
	later.forEach((start, k) => {
		const made = earlier[Math.ceil((k + 1) * share) - 1]
		if (made) builder.before(made, start, fromTask.unitMinutes + lag, conditions)
	})
}

/** Each unit soon enough after the first of those that it is made from. */
function addPieceLimits(
	{ builder, units, from, to, fromTask, toTask }: PairOfEnds,
	maxLag: number,
	conditions: readonly Literal[],
): void {
	const [earlier, later] = [units.of(from), units.of(to)]
	const share = fromTask.units / toTask.units
	later.forEach((start, k) => {
		const made = earlier[Math.floor(k * share)]
		if (made) builder.before(start, made, -(fromTask.unitMinutes + maxLag), conditions)
	})
}

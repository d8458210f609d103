/**
 * No two runs at once: for two runs that no wait keeps apart, a choice which comes first.
 * Most pairs never meet, so the choices are made when they are needed: a model that lacks some of them allows more, and
 * what it refutes is refuted; a solution in which two runs overlap asks for theirs.
 */
import type { NormalInstance } from '../problem/normal-form'
import { findFollowers } from './followers'
import { not, type Literal } from './literal'
import type { BreakVariables } from './break-variables'
import type { ModelBuilder } from './model-builder'
import type { PlaceChoices } from './place-choices'
import type { RunVariables } from './run-variables'

/** `isFirst` is true if `one` comes before `other`. */
export interface OrderChoice {
	/** The one run ends before the other begins. */
	isFirst: Literal
	one: RunVariables
	other: RunVariables
}

/** A run by its task and its number; breaks count on after the tasks, each with one run. */
export interface RunIndex {
	task: number
	run: number
}

/** The choices that have been asked for so far. */
export class OrderChoices {
	readonly #builder: ModelBuilder
	/** Of the tasks, and of the breaks after them. */
	readonly #runs: readonly (readonly RunVariables[])[]
	readonly #places: readonly PlaceChoices[]
	readonly #isAfter: readonly ReadonlySet<number>[]
	/** Choices already made, by the key of the pair. */
	readonly #byPair = new Map<number, OrderChoice>()
	/** Runs that all others have been put in order with. */
	readonly #included = new Map<number, RunIndex>()
	/** By the variable of the choice. */
	readonly byVariable = new Map<number, OrderChoice>()

	constructor(
		builder: ModelBuilder,
		instance: NormalInstance,
		{
			runs,
			breaks,
			places,
		}: {
			runs: readonly (readonly RunVariables[])[]
			breaks: readonly BreakVariables[]
			places: readonly PlaceChoices[]
		},
	) {
		this.#builder = builder
		this.#runs = [...runs, ...breaks.map((own) => [own])]
		this.#places = places
		this.#isAfter = findFollowers(instance).wholly
	}

	/** The variable that says which comes first; undefined if it has not been asked for, or a wait says it. */
	find(a: RunIndex, b: RunIndex): number | undefined {
		const choice = this.#byPair.get(keyOf(a, b)) ?? this.#byPair.get(keyOf(b, a))
		return choice && choice.isFirst[0] >> 1
	}

	/** At level 0: two runs that were found at once are put in order, whatever the waits were thought to say of them. */
	separate(a: RunIndex, b: RunIndex): void {
		this.include([a, b])
		if (this.find(a, b) !== undefined) return
		if (a.task < b.task) this.#choose(a, b)
		else this.#choose(b, a)
	}

	/** At level 0: makes the choices between these runs and all that were included before. */
	include(runs: readonly RunIndex[]): void {
		for (const run of runs) {
			const key = run.task * RUN_BASE + run.run
			if (this.#included.has(key)) continue
			for (const other of this.#included.values()) {
				if (run.task < other.task) this.#add(run, other)
				else this.#add(other, run)
			}
			this.#included.set(key, run)
		}
	}

	/** Makes the choice between two runs of different tasks, if no wait makes it. */
	#add(a: RunIndex, b: RunIndex): void {
		if (!this.#isAfter[a.task]?.has(b.task) && !this.#isAfter[b.task]?.has(a.task)) this.#choose(a, b)
	}

	/** @param a - of the earlier task of the two */
	#choose(a: RunIndex, b: RunIndex): void {
		if (a.task === b.task) return
		const [one, other] = [this.#runs[a.task]?.[a.run], this.#runs[b.task]?.[b.run]]
		const builder = this.#builder
		const areMet = [...this.#meets(a, b), ...this.#meets(b, a)]
		if (!one || !other || areMet.includes(builder.no)) return
		const isFirst = builder.addChoice()
		const choice = { isFirst, one, other }
		builder.before(one.end, other.start, 0, [isFirst, ...areMet])
		builder.before(other.end, one.start, 0, [not(isFirst), ...areMet])
		this.#byPair.set(keyOf(a, b), choice)
		this.byVariable.set(isFirst[0] >> 1, choice)
		this.#linkToNeighbours(a, b, isFirst)
	}

	/** When a run may meet the other: a break only while it is in class. */
	#meets(own: RunIndex, other: RunIndex): Literal[] {
		const isUsed = this.#runs[own.task]?.[own.run]?.isUsed ?? this.#builder.no
		const isBreak = other.task >= this.#places.length
		const inClass = isBreak ? this.#places[own.task]?.inClass : undefined
		return inClass ? [isUsed, inClass] : [isUsed]
	}

	/** What comes before a run comes before the later runs of its task too. */
	#linkToNeighbours(a: RunIndex, b: RunIndex, isFirst: Literal): void {
		const orderAt = (run: number, other: number) => {
			return this.#byPair.get(keyOf({ task: a.task, run }, { task: b.task, run: other }))?.isFirst
		}
		const [below, above] = [orderAt(a.run - 1, b.run), orderAt(a.run + 1, b.run)]
		const [left, right] = [orderAt(a.run, b.run - 1), orderAt(a.run, b.run + 1)]
		if (below) this.#builder.implies([isFirst], below)
		if (above) this.#builder.implies([above], isFirst)
		if (left) this.#builder.implies([left], isFirst)
		if (right) this.#builder.implies([isFirst], right)
	}
}

/** Tasks and runs are counted below these. */
const RUN_BASE = 64
/** More tasks than any instance has, so that a pair of runs packs into one number and finds its choice. */
const TASK_BASE = 4096

/** One number for an ordered pair of runs. */
function keyOf(a: RunIndex, b: RunIndex): number {
	return ((a.task * RUN_BASE + a.run) * TASK_BASE + b.task) * RUN_BASE + b.run
}

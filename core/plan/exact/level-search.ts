/**
 * Pushes the levels of the objective down in turn until each is proven. Every level is worked on in slices, in turn
 * by the whole search (from below: can the bound itself be reached? from above: is there anything better?) and by
 * searches near the best plan. A level that resists is left after a while at its best value, so that those below it
 * get their share, and is taken up again with longer slices.
 */
import type { Level } from '../model/level-rules'
import { atMost, toLiterals, type Literal } from '../model/literal'
import type { PlanModel } from '../model/plan-model'
import type { Plan } from '../problem/plan'
import type { Neighbourhoods } from './neighbourhoods'

/** What the search tells, and asks, as it goes. */
export interface SearchHooks {
	/** True to stop. */
	shouldStop: () => boolean
	/** Before a level is worked on for the first time: a plan to look near, which may need its last window extended. */
	onLevel: (level: Level) => Plan | undefined
	/** A better plan stands in the model. Takes it; returns the best plan and what it is worth. */
	onPlan: () => Incumbent
	/** The level is at least so much, all before it being proven. */
	onBound: (level: Level, bound: number) => void
	/** Nothing below the value exists in that level. */
	onProven: (level: Level, value: number) => void
}

/** The best plan so far, with its value at every level. */
export interface Incumbent {
	plan: Plan
	/** Of every level that is searched. */
	values: Readonly<Partial<Record<Level, number>>>
}

/** Steps of the first slices; a second is about half a million to a million. */
const FIRST_SLICE = 60_000
/**
 * Propagations of the kernel. A probe asks whether a level can be lowered at all, and gives up early;
 * a neighbourhood leaves most of the plan as it stands, and may think longer about the rest.
 */
const PROBE_STEPS = 5_000
const NEIGHBOURHOOD_STEPS = 30_000
/** From above a level is asked to fall by this share of what is open, so that a long way down takes few steps. */
const STEPS_FROM_ABOVE = 4
/** Near the best plan a search has so many slices for one of the whole: it finds more, and proves nothing. */
const NEAR_SLICES = 3
/** A level gets so many slices, whole and near the best plan, before the next has its turn. */
const SLICES_A_TURN = 4

/** The search on one model, from a plan that it must beat. */
export class LevelSearch {
	readonly #model: PlanModel
	readonly #neighbourhoods: Neighbourhoods
	readonly #hooks: SearchHooks
	/** The best plan so far. */
	#incumbent: Incumbent
	/** Levels that have had a turn. */
	readonly #begun = new Set<Level>()
	/** Steps of the next search; more where little came of the last ones. */
	#slice = FIRST_SLICE

	constructor(model: PlanModel, incumbent: Incumbent, neighbourhoods: Neighbourhoods, hooks: SearchHooks) {
		this.#model = model
		this.#incumbent = incumbent
		this.#neighbourhoods = neighbourhoods
		this.#hooks = hooks
	}

	/** @param levels - the most important first */
	run(levels: readonly Level[]): void {
		let open = [...levels]
		this.#model.follow(this.#incumbent.plan)
		while (open.length > 0 && !this.#hooks.shouldStop()) {
			// Values that are good enough so far, for the levels above the one at work.
			const kept: Literal[] = []
			let proven = 0
			for (const level of open) {
				this.#takeUp(level, kept)
				const isProven = this.#work(level, kept)
				if (isProven && kept.length === 0) {
					this.#prove(level)
					proven++
				} else kept.push(atMost(this.#model.level(level), this.#value(level)))
				if (this.#hooks.shouldStop()) break
			}
			open = open.slice(proven)
			this.#slice *= 2
		}
	}

	/**
	 * Nothing of this level is below what the incumbent has: from here on it is a rule, so that the next
	 * level is searched among plans that are no worse in this one.
	 */
	#prove(level: Level): void {
		const value = this.#value(level)
		this.#model.solver.reset()
		this.#model.solver.require(...atMost(this.#model.level(level), value))
		this.#hooks.onProven(level, value)
	}

	/** Looks beside a plan that somebody else has made with what is settled by now. */
	#takeUp(level: Level, kept: readonly Literal[]): void {
		if (this.#begun.has(level)) return
		this.#begun.add(level)
		const near = this.#hooks.onLevel(level)
		if (!near) return
		this.#model.follow(near)
		this.#try(kept, NEAR_SLICES * this.#slice)
		this.#model.follow(this.#incumbent.plan)
	}

	/** Works on one level, those above kept; true if nothing is better. */
	#work(level: Level, kept: readonly Literal[]): boolean {
		const variable = this.#model.level(level)
		let bound = this.#probe(level, kept)
		if (kept.length === 0) this.#hooks.onBound(level, bound)
		let turns = 0
		// From below a step is as long as the last ones were easy, from above as short as they were hard.
		let step = 1
		let share = STEPS_FROM_ABOVE
		while (bound < this.#value(level)) {
			if (this.#hooks.shouldStop() || turns >= 2 * SLICES_A_TURN) return false
			const value = this.#value(level)
			const isFromBelow = turns++ % 2 === 0
			const fromBelow = Math.min(value - 1, bound + step - 1)
			const target = isFromBelow ? fromBelow : value - Math.max(1, Math.floor((value - bound) / share))
			const outcome = this.#try([...kept, atMost(variable, target)], this.#slice)
			if (outcome === 'refuted') {
				bound = kept.length === 0 ? this.#raise(level, target + 1) : target + 1
				step *= 2
				turns = Math.max(0, turns - 1)
			} else if (outcome === 'better') share = STEPS_FROM_ABOVE
			else {
				if (isFromBelow) step = Math.max(1, Math.floor(step / STEPS_FROM_ABOVE))
				else share *= 2
				this.#searchNear(level, kept)
			}
		}
		return true
	}

	/** Bisects for the least value that is not refuted at once. */
	#probe(level: Level, kept: readonly Literal[]): number {
		const { solver } = this.#model
		const variable = this.#model.level(level)
		solver.reset()
		let bound = solver.trail.min(variable)
		let above = this.#value(level)
		while (bound < above && !this.#hooks.shouldStop()) {
			const middle = Math.floor((bound + above) / 2)
			const outcome = this.#try([...kept, atMost(variable, middle)], PROBE_STEPS)
			if (outcome === 'refuted') bound = kept.length === 0 ? this.#raise(level, middle + 1) : middle + 1
			else above = Math.min(middle, this.#value(level))
		}
		return bound
	}

	/** The level is at least so much; what follows may be more. */
	#raise(level: Level, bound: number): number {
		const { solver } = this.#model
		const variable = this.#model.level(level)
		solver.reset()
		solver.require(2 * variable, bound)
		solver.reset()
		const raised = solver.isOpen ? solver.trail.min(variable) : this.#value(level)
		const least = Math.min(this.#value(level), Math.max(bound, raised))
		this.#hooks.onBound(level, least)
		return least
	}

	/** What the best plan so far has at a level. */
	#value(level: Level): number {
		return this.#incumbent.values[level] ?? 0
	}

	/** Frees some tasks of the best plan at a time. */
	#searchNear(level: Level, kept: readonly Literal[]): void {
		const { solver } = this.#model
		const last = solver.steps + NEAR_SLICES * this.#slice
		while (solver.steps < last && !this.#hooks.shouldStop()) {
			if (this.#neighbourhoods.isWhole) return this.#neighbourhoods.restart()
			const free = this.#neighbourhoods.choose(this.#incumbent.plan)
			solver.reset()
			const target = atMost(this.#model.level(level), this.#value(level) - 1)
			if (!solver.isOpen || solver.trail.isFalse(...target)) return
			const frozen = this.#model.freezeAllBut(free)
			this.#neighbourhoods.learn(this.#try([...kept, target, ...frozen], NEIGHBOURHOOD_STEPS))
		}
	}

	/**
	 * One search under assumptions, which are withdrawn afterwards. A plan that is found becomes the
	 * incumbent, and the saved values of the model follow it, so that the next search begins beside it.
	 */
	#try(assumptions: readonly Literal[], steps: number): 'better' | 'refuted' | 'stopped' {
		const { status } = this.#model.solve({
			assumptions: toLiterals(assumptions),
			steps,
			shouldStop: this.#hooks.shouldStop,
		})
		if (status !== 'satisfied') return status
		this.#incumbent = this.#hooks.onPlan()
		this.#model.follow(this.#incumbent.plan)
		return 'better'
	}
}

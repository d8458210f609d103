/**
 * Search with learning over bound literals: decide, propagate, learn from each clash, jump back.
 * Deterministic: the same calls give the same answers, whatever the clock says.
 * Source: lazy clause generation (O. Ohrimenko, P. Stuckey, M. Codish, 2009) with the restarts of M. Luby (1993),
 * from memory.
 */
import { ActivityOrder } from './activity-order'
import { Clauses } from './clauses'
import { ConflictAnalysis } from './conflict-analysis'
import { Differences, MAX_CONDITIONS } from './differences'
import type { Propagator } from './propagator'
import { Rules, type Rule } from './rules'
import { BY_CLAUSE, DECISION, Trail, type Literals } from './trail'

/** Chooses what to try for a variable that conflicts point to: a literal that is neither true nor false, or none. */
export type Branching = (variable: number, trail: Trail) => readonly [side: number, value: number] | undefined

/** How a search ended. */
export type SolveAnswer =
	| { status: 'satisfied' }
	/** No solution under the assumptions; those in the core are enough for that. None: there is none at all. */
	| { status: 'refuted'; core: Literals }
	| { status: 'stopped' }

/** What a search takes for true, and how far it may go. */
export interface SolveTerms {
	/** Literals to take for true, in this order. */
	assumptions?: Readonly<Literals>
	/** Steps (bounds propagated) after which to give up: a measure of work that no clock disturbs. */
	steps?: number
	/** Asked now and then: true to give up. */
	shouldStop?: () => boolean
}

/** Conflicts between restarts, times the next number of Luby's sequence (Luby, Sinclair, Zuckerman 1993). */
const RESTART_UNIT = 100
/** Learnt clauses that are kept before the less useful half goes, and how much that number grows each time. */
const FIRST_REDUCTION = 2000
const REDUCTION_GROWTH = 500
/** How many conflicts, or decisions, pass between two questions whether to stop. */
const STOP_INTERVAL = 16
/** The clock is not asked at every decision: it takes longer than most of them. */
const DECISION_STOP_INTERVAL = 4096

/** Bits of a 32-bit number but its sign. */
const MAX_PROPAGATORS = 31

/** Variables, constraints and the search over them; what is learnt stays from one search to the next. */
export class Solver {
	/** All that is known, with what it came from. */
	readonly trail = new Trail()
	readonly #clauses = new Clauses(this.trail)
	readonly #rules = new Rules(this.trail)
	readonly #differences = new Differences(this.trail)
	readonly #propagators: Propagator[] = []
	readonly #order = new ActivityOrder()
	readonly #analysis = new ConflictAnalysis(
		this.trail,
		{ clauses: this.#clauses, rules: this.#rules, differences: this.#differences, propagators: this.#propagators },
		(x) => this.#order.bump(x),
	)
	/** By side: the propagators to tell, as bits. */
	readonly #listeners: number[] = []
	/** Entries of the trail up to which everything has been propagated. */
	#due = 0
	/** Least value first, unless somebody says otherwise. */
	#branch: Branching = (variable, trail) => [2 * variable + 1, -trail.min(variable)]
	/** There is no solution at all, whatever is assumed. */
	#isRefuted = false
	/** Learnt clauses at which the less useful go. */
	#reduceAt = FIRST_REDUCTION
	conflicts = 0
	decisions = 0
	/** Bounds propagated. */
	steps = 0

	/** False once it is known that nothing satisfies all constraints. */
	get isOpen(): boolean {
		return !this.#isRefuted
	}

	/**
	 * An integer variable.
	 *
	 * @returns its number; `2 * number` is its lower side, `2 * number + 1` its upper one
	 */
	addVariable(min: number, max: number): number {
		return this.trail.addVariable(min, max)
	}

	/** Conflicts and `branch` decide over this variable; the others follow, or are set to their least value at the end. */
	decideOn(variable: number, activity = 0): void {
		this.#order.addCandidate(variable, activity)
	}

	/** How a free variable is narrowed. Without it the variable takes its least value. */
	branchBy(branch: Branching): void {
		this.#branch = branch
	}

	/** At least one of the literals holds. At level 0. */
	addClause(literals: Readonly<Literals>): void {
		const least = new Map<number, number>()
		for (let k = 0; k < literals.length; k += 2) {
			const [side = 0, value = 0] = [literals[k], literals[k + 1]]
			if (this.trail.isTrue(side, value)) return
			if (!this.trail.isFalse(side, value)) least.set(side, Math.min(value, least.get(side) ?? Infinity))
		}
		const open = [...least].flat()
		if (open.length === 0) this.#isRefuted = true
		else if (open.length === 2) this.require(open[0] ?? 0, open[1] ?? 0)
		else this.#clauses.add(open, 0)
	}

	/** At level 0. */
	addRule(rule: Rule): void {
		const { conditions, terms, bound } = rule
		const [first = 0, firstFactor, second = 0, secondFactor] = terms
		const isDifference = terms.length === 4 && firstFactor === 1 && secondFactor === 1
		if (isDifference && conditions.length <= 2 * MAX_CONDITIONS) {
			this.#differences.add(first, second, bound, conditions)
		} else this.#rules.add(rule)
	}

	/**
	 * At level 0.
	 *
	 * @throws {RangeError} the 32nd: whom a side wakes is kept in the bits of one number
	 */
	addPropagator(propagator: Propagator): void {
		if (this.#propagators.length >= MAX_PROPAGATORS) throw new RangeError(`at most ${MAX_PROPAGATORS} propagators`)
		const bit = 1 << this.#propagators.length
		this.#propagators.push(propagator)
		for (const side of propagator.sides) this.#listeners[side] = (this.#listeners[side] ?? 0) | bit
		this.#due |= bit
	}

	/** Makes a literal true for good. At level 0. */
	require(side: number, value: number): void {
		if (!this.trail.rise(side, value, DECISION, 0)) this.#isRefuted = true
	}

	/** Back to level 0, with all that follows there drawn. */
	reset(): void {
		this.#backtrackTo(0)
		if (this.#isRefuted) return
		if (this.#propagate()) this.trail.commitRoot()
		else this.#isRefuted = true
	}

	/**
	 * Searches for values that satisfy all constraints and assumptions. After `satisfied` they stand in the trail until
	 * the next call.
	 */
	solve({ assumptions = [], steps = Infinity, shouldStop = () => false }: SolveTerms = {}): SolveAnswer {
		this.reset()
		if (this.#isRefuted) return { status: 'refuted', core: [] }
		this.#lastStep = this.steps + steps
		this.#assumed = assumptions.length >> 1
		for (let restart = 1; ; restart++) {
			const answer = this.#descend(assumptions, this.conflicts + RESTART_UNIT * luby(restart), shouldStop)
			if (answer) return answer
			if (this.#clauses.learntCount > this.#reduceAt) this.#reduce()
			this.#backtrackTo(assumptions.length >> 1)
		}
	}

	/** An answer leaves no decisions behind: the next question begins at the root. */
	#give(answer: SolveAnswer): SolveAnswer {
		this.#backtrackTo(0)
		return answer
	}

	/** Levels that the assumptions of this search take. */
	#assumed = 0
	/** Of `steps`, at which this search gives up. */
	#lastStep = Infinity

	/** One run between two restarts; undefined if it ended at its limit of conflicts. */
	#descend(assumptions: Readonly<Literals>, last: number, shouldStop: () => boolean): SolveAnswer | undefined {
		for (;;) {
			if (!this.#propagate()) {
				this.conflicts++
				if (!this.#learn()) return { status: 'refuted', core: [] }
				const isLast = this.steps >= this.#lastStep || (this.conflicts % STOP_INTERVAL === 0 && shouldStop())
				if (isLast) return this.#give({ status: 'stopped' })
				continue
			}
			if (this.trail.level === 0) this.trail.commitRoot()
			if (this.conflicts >= last) return undefined
			const failed = this.#assume(assumptions)
			if (failed === 'assumed') continue
			if (failed) return this.#give({ status: 'refuted', core: failed })
			if (++this.decisions % DECISION_STOP_INTERVAL === 0 && shouldStop()) return this.#give({ status: 'stopped' })
			if (!this.#decide()) return { status: 'satisfied' }
		}
	}

	/** Opens a level for the next assumption that is not yet true; the core, if it is false. */
	#assume(assumptions: Readonly<Literals>): 'assumed' | Literals | undefined {
		for (let k = 2 * this.trail.level; k < assumptions.length; k += 2) {
			const [side = 0, value = 0] = [assumptions[k], assumptions[k + 1]]
			if (this.trail.isFalse(side, value)) {
				// What speaks against it, and the assumption itself.
				return [...this.#analysis.blame([side ^ 1, 1 - value]), side, value]
			}
			this.trail.openLevel()
			if (this.trail.isTrue(side, value)) continue
			this.trail.rise(side, value, DECISION, 0)
			return 'assumed'
		}
		return undefined
	}

	/**
	 * Narrows one variable that is not settled, the most active first.
	 *
	 * @returns false: every variable is settled, and what stands is a solution
	 */
	#decide(): boolean {
		for (let x = this.#order.take(); x !== undefined; x = this.#order.take()) {
			if (this.trail.min(x) === this.trail.max(x)) continue
			const literal = this.#branch(x, this.trail)
			if (!literal) {
				this.#skipped.push(x)
				continue
			}
			// It may have to be decided on again, more narrowly.
			this.#order.putBack(x)
			return this.#try(literal[0], literal[1])
		}
		return this.#settle()
	}

	/** Candidates that had nothing to decide; they are put back with the next step back. */
	readonly #skipped: number[] = []
	/** Variables below this number are known to be settled. */
	#settledUpTo = 0

	/** Nothing is left to decide on: the rest takes its least values, one after the other. */
	#settle(): boolean {
		const { trail } = this
		const count = trail.sideCount >> 1
		for (let x = this.#settledUpTo; x < count; x++) {
			if (trail.min(x) === trail.max(x)) continue
			this.#settledUpTo = x
			return this.#try(2 * x + 1, -trail.min(x))
		}
		return false
	}

	/** A level of its own for one decision, which can then be taken back. */
	#try(side: number, value: number): true {
		this.trail.openLevel()
		this.trail.rise(side, value, DECISION, 0)
		return true
	}

	/**
	 * Learns the clause of the conflict, goes back to where it asserts something, and lets it.
	 *
	 * @returns false: the conflict needs no decision, so there is no solution at all
	 */
	#learn(): boolean {
		const learnt = this.#analysis.learn()
		if (!learnt) {
			this.#isRefuted = true
			this.#backtrackTo(0)
			return false
		}
		const { literals } = learnt
		// Assumptions would only be made again: what follows from some of them is drawn above them all.
		const kept = literals.length === 2 ? 0 : Math.min(this.#assumed, this.trail.level - 1)
		this.#backtrackTo(Math.max(learnt.level, Math.min(kept, learnt.conflictLevel - 1)))
		const [side = 0, value = 0] = literals
		this.#order.decay()
		if (literals.length === 2) this.trail.rise(side, value, DECISION, 0)
		else this.trail.rise(side, value, BY_CLAUSE, this.#clauses.add(literals, learnt.levels))
		return true
	}

	/** At the root alone, where no learnt clause is a reason for anything that holds. */
	#reduce(): void {
		this.reset()
		this.#clauses.reduce()
		this.#reduceAt = this.#clauses.learntCount + FIRST_REDUCTION + REDUCTION_GROWTH
	}

	/** Takes back all decisions above a level; what they settled may be decided on again. */
	#backtrackTo(level: number): void {
		const { trail } = this
		if (level >= trail.level) return
		const start = trail.levelStarts[level] ?? 0
		for (let entry = trail.length - 1; entry >= start; entry--) this.#order.putBack((trail.side[entry] ?? 0) >> 1)
		for (let x = this.#skipped.pop(); x !== undefined; x = this.#skipped.pop()) this.#order.putBack(x)
		this.#settledUpTo = 0
		trail.backtrackTo(level)
	}

	/** Draws all that follows; false on a clash. */
	#propagate(): boolean {
		const { trail } = this
		for (;;) {
			while (trail.head < trail.length) {
				const entry = trail.head++
				this.steps++
				const side = trail.side[entry] ?? 0
				this.#due |= this.#listeners[side] ?? 0
				// A later entry of this side will tell all that this one could.
				if (trail.latest[side] !== entry) continue
				if (!this.#clauses.propagate(side) || !this.#differences.propagate(side) || !this.#rules.propagate(side)) {
					return false
				}
			}
			if (!this.#differences.propagateFresh() || !this.#rules.propagateWaiting()) return false
			if (trail.head < trail.length) continue
			const bit = this.#due & -this.#due
			if (bit === 0) return true
			this.#due ^= bit
			const index = 31 - Math.clz32(bit)
			if (this.#propagators[index]?.propagate(trail, index) === false) return false
		}
	}
}

/** The sequence 1, 1, 2, 1, 1, 2, 4, ... of M. Luby, A. Sinclair and D. Zuckerman (1993). */
function luby(index: number): number {
	let power = 1
	while (power - 1 < index) power *= 2
	if (power - 1 === index) return power / 2
	return luby(index - power / 2 + 1)
}

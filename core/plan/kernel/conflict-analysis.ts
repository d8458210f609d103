/**
 * From a clash to what is to be learnt: the clause of the first unique implication point, or the decisions to blame.
 * A set of literals keeps the strongest value asked for of each side; resolving replaces a literal by those it follows
 * from. Source: M. Moskewicz et al., Chaff, 2001; N. Eén and N. Sörensson, 2003 (from memory).
 */
import type { Clauses } from './clauses'
import type { Differences } from './differences'
import type { Propagator } from './propagator'
import type { Rules } from './rules'
import { BY_CLAUSE, BY_DIFFERENCE, BY_RULE, BY_PROPAGATOR, DECISION, type Literals, type Trail } from './trail'

/** The clause that a conflict teaches, and where to jump back to. */
export interface Learnt {
	/** The first literal is the one that the backjump makes true; the second lies at the level jumped to. */
	literals: Literals
	/** To go back to. */
	level: number
	/** Of the conflict. */
	conflictLevel: number
	/** How many levels the literals span. */
	levels: number
}

/** How deep a literal's reasons are followed to see that it goes without saying. */
const MAX_DEPTH = 8

/** Reads the trail backwards; keeps its work arrays between conflicts. */
export class ConflictAnalysis {
	readonly #trail: Trail
	readonly #clauses: Clauses
	readonly #rules: Rules
	readonly #differences: Differences
	readonly #propagators: readonly Propagator[]
	readonly #bump: (variable: number) => void
	/** By side: the value asked for, and the trail entry that gave it; entry -1 where the side is not in the set. */
	#asked = new Int32Array(256)
	/** By side: the trail's entry of the literal in the set; -1: none. */
	#entry = new Int32Array(256).fill(-1)
	/** Those that are in the set. */
	#sides: number[] = []
	/** Literals of the set at the level of the conflict. */
	#open = 0
	/** Of the decisions that clashed. */
	#conflictLevel = 0

	constructor(
		trail: Trail,
		{
			clauses,
			rules,
			differences,
			propagators,
		}: { clauses: Clauses; rules: Rules; differences: Differences; propagators: readonly Propagator[] },
		bump: (variable: number) => void,
	) {
		this.#trail = trail
		this.#clauses = clauses
		this.#rules = rules
		this.#differences = differences
		this.#propagators = propagators
		this.#bump = bump
	}

	/** What the present clash of the trail teaches; undefined if it needs no decision: nothing is left to try. */
	learn(): Learnt | undefined {
		this.#begin()
		this.#addAll(this.#clashLiterals())
		// A clash may lie wholly below the present level, if a rule was slow to see it.
		this.#conflictLevel = this.#topLevel()
		if (this.#conflictLevel === 0) return undefined
		this.#open = this.#sides.filter((side) => this.#levelOf(side) === this.#conflictLevel).length
		const top = this.#resolveToOne()
		const kept = this.#sides.filter((side) => (this.#entry[side] ?? -1) >= 0 && side !== top)
		const needed = kept.filter((side) => !this.#goesWithoutSaying(side))
		return this.#toLearnt(top, needed)
	}

	/** The decisions from which these true literals follow. */
	blame(literals: Readonly<Literals>): Literals {
		this.#begin()
		this.#conflictLevel = -1
		this.#addAll(literals)
		const decisions: Literals = []
		for (let entry = this.#trail.length - 1; entry >= 0; entry--) {
			const side = this.#trail.side[entry] ?? 0
			if (this.#entry[side] !== entry) continue
			this.#entry[side] = -1
			// The decision itself, which may say more than was asked of it.
			if (this.#trail.kind[entry] === DECISION) decisions.push(side, this.#trail.valueBefore(side, entry + 1))
			else this.#addAll(this.#reasonOf(entry, this.#asked[side] ?? 0))
		}
		return decisions
	}

	/** Clears what the last analysis left, only where it wrote: the arrays are as long as there are sides. */
	#begin(): void {
		while (this.#trail.sideCount > this.#asked.length) {
			this.#asked = new Int32Array(2 * this.#asked.length)
			this.#entry = new Int32Array(this.#asked.length).fill(-1)
		}
		for (const side of this.#sides) this.#entry[side] = -1
		this.#sides = []
		this.#open = 0
	}

	/** The literals that cannot hold together: the reason of the bound, as weak as clashes, and the other side. */
	#clashLiterals(): Literals {
		const { side, kind, ref } = this.#trail.clash
		const other = this.#trail.lower[side ^ 1] ?? 0
		const literals: Literals = [side ^ 1, other]
		this.#explain({ side, value: 1 - other, kind, ref, entry: this.#trail.length }, literals)
		return literals
	}

	/**
	 * Why the entry holds, as literals that were true before it. Asked for less than the entry says, a rule
	 * may give a weaker reason, and weaker reasons make stronger clauses.
	 */
	#reasonOf(entry: number, value: number): Literals {
		const { side, kind, ref } = this.#trail
		const literals: Literals = []
		this.#explain(
			{ side: side[entry] ?? 0, value, kind: kind[entry] ?? DECISION, ref: ref[entry] ?? 0, entry },
			literals,
		)
		return literals
	}

	#explain(
		{ side, value, kind, ref, entry }: { side: number; value: number; kind: number; ref: number; entry: number },
		out: Literals,
	): void {
		if (kind === BY_DIFFERENCE) this.#differences.explain(ref, value, entry, out)
		else if (kind === BY_RULE) this.#rules.explain(ref, value, entry, out)
		else if (kind === BY_CLAUSE) this.#clauses.explain(ref, side, out)
		else if (kind === BY_PROPAGATOR) this.#explainPropagator({ side, value, ref, entry }, out)
	}

	#explainPropagator(
		{ side, value, ref, entry }: { side: number; value: number; ref: number; entry: number },
		out: Literals,
	): void {
		const [propagator = 0, ...note] = this.#trail.records.slice(ref, ref + 5)
		const [first = 0, second = 0, third = 0, fourth = 0] = note
		this.#propagators[propagator]?.explain(
			{ side, value, note: [first, second, third, fourth], entry },
			this.#trail,
			out,
		)
	}

	/** Pairs of side and value. */
	#addAll(literals: Readonly<Literals>): void {
		for (let k = 0; k < literals.length; k += 2) this.#add(literals[k] ?? 0, literals[k + 1] ?? 0)
	}

	/**
	 * Takes a literal into the set: one entry for each side, with the strongest value asked of it. What
	 * holds at the root is left out, since it holds always.
	 */
	#add(side: number, value: number): void {
		const known = this.#entry[side] ?? -1
		if (known >= 0 && (this.#asked[side] ?? 0) >= value) return
		const entry = this.#trail.entryOf(side, value)
		if (entry < 0 || this.#trail.levelOf[entry] === 0) return
		if (this.#trail.levelOf[entry] === this.#conflictLevel) {
			if (known < 0 || this.#trail.levelOf[known] !== this.#conflictLevel) this.#open++
		}
		if (known < 0) this.#sides.push(side)
		this.#asked[side] = value
		this.#entry[side] = entry
		this.#bump(side >> 1)
	}

	/** Decision level of the set's literal on that side; 0 where there is none. */
	#levelOf(side: number): number {
		const entry = this.#entry[side] ?? -1
		return entry < 0 ? 0 : (this.#trail.levelOf[entry] ?? 0)
	}

	/** The deepest level among the literals of the set. */
	#topLevel(): number {
		return this.#sides.reduce((level, side) => Math.max(level, this.#levelOf(side)), 0)
	}

	/** Resolves from the latest entry back until one literal of the level is left; returns its side. */
	#resolveToOne(): number {
		let entry = this.#trail.length - 1
		for (;;) {
			const side = this.#trail.side[entry] ?? 0
			if (this.#entry[side] === entry) {
				if (this.#open === 1) return side
				this.#entry[side] = -1
				this.#sides.splice(this.#sides.lastIndexOf(side), 1)
				this.#open--
				this.#addAll(this.#reasonOf(entry, this.#asked[side] ?? 0))
			}
			entry--
		}
	}

	/** Whether a literal of the set follows from the others. */
	#goesWithoutSaying(side: number): boolean {
		return this.#follows(this.#entry[side] ?? -1, this.#asked[side] ?? 0, 0)
	}

	/**
	 * Whether a literal follows from others of the set, so that it may be left out (clause minimisation,
	 * Sörensson and Biere 2009). Depth-bound: a literal too many is no fault, only a longer clause.
	 */
	#follows(entry: number, value: number, depth: number): boolean {
		if (this.#trail.kind[entry] === DECISION || depth > MAX_DEPTH) return false
		const reason = this.#reasonOf(entry, value)
		for (let k = 0; k < reason.length; k += 2) {
			const [side = 0, asked = 0] = [reason[k], reason[k + 1]]
			const own = this.#entry[side] ?? -1
			// A stronger literal of the set will do if it came first; a later one might itself lean on this one.
			if (own >= 0 && own < entry && (this.#asked[side] ?? 0) >= asked) continue
			const earlier = this.#trail.entryOf(side, asked)
			if (earlier < 0 || this.#trail.levelOf[earlier] === 0) continue
			if (!this.#follows(earlier, asked, depth + 1)) return false
		}
		return true
	}

	/**
	 * The clause that forbids the conflict, its asserting literal first, with the level to go back to and how
	 * many levels it spans (LBD: the fewer, the longer the clause is worth keeping; Audemard and Simon 2009).
	 */
	#toLearnt(top: number, others: readonly number[]): Learnt {
		const literals: Literals = [top ^ 1, 1 - (this.#asked[top] ?? 0)]
		const levels = new Set([this.#conflictLevel])
		let level = 0
		let second = -1
		for (const side of others) {
			const own = this.#levelOf(side)
			levels.add(own)
			if (own > level) {
				level = own
				second = literals.length
			}
			literals.push(side ^ 1, 1 - (this.#asked[side] ?? 0))
		}
		if (second > 2) {
			const [side = 0, value = 0] = [literals[2], literals[3]]
			literals[2] = literals[second] ?? 0
			literals[3] = literals[second + 1] ?? 0
			literals[second] = side
			literals[second + 1] = value
		}
		return { literals, level, conflictLevel: this.#conflictLevel, levels: levels.size }
	}
}

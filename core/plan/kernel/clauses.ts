/**
 * Clauses of bound literals, each watched by two of them that are not false.
 * A literal [side >= value] becomes false when its other side rises to 1 - value: the watch lies with that side, and
 * looks only at bounds that have passed this threshold.
 * Source: two watched literals (M. Moskewicz et al., Chaff, 2001, from memory).
 */
import { BY_CLAUSE, grown, type Literals, type Trail } from './trail'

/** Before its literals a clause has the count of literals, and its count of levels (0: not learnt). */
const HEADER = 2
/** A watch is four numbers: clause, threshold, and a literal of the clause that may spare the look at it. */
const WATCH = 4
/** A learnt clause of so few levels is kept for ever: it joins parts of the search that often meet. */
const CORE_LEVELS = 2

/** Clauses in one array, and the watches on them. */
export class Clauses {
	readonly #trail: Trail
	/** All clauses one behind the other: a header, then pairs of side and value. */
	#arena = new Int32Array(4096)
	/** Length of the arena that is written. */
	#used = 0
	/** By side: what is to be looked at when it becomes false. */
	readonly #watches: number[][] = []
	learntCount = 0

	constructor(trail: Trail) {
		this.#trail = trail
	}

	/**
	 * Adds a clause of at least two literals, of which the first two are not false, or become so last.
	 *
	 * @param levels - levels that a learnt clause spans; 0 for a clause of the problem
	 * @returns where it lies, as a reason
	 */
	add(literals: Readonly<Literals>, levels: number): number {
		const ref = this.#used
		const size = literals.length >> 1
		while (ref + HEADER + literals.length > this.#arena.length) this.#arena = grown(this.#arena)
		this.#arena[ref] = size
		this.#arena[ref + 1] = levels
		for (let k = 0; k < literals.length; k++) this.#arena[ref + HEADER + k] = literals[k] ?? 0
		this.#used = ref + HEADER + literals.length
		if (levels > 0) this.learntCount++
		this.#watch(ref, 0, 1)
		this.#watch(ref, 1, 0)
		return ref
	}

	/**
	 * Draws what follows from the rise of a side.
	 *
	 * @returns false on a clash
	 */
	propagate(side: number): boolean {
		const list = this.#watches[side]
		if (!list) return true
		const { lower } = this.#trail
		const bound = lower[side] ?? 0
		const { length } = list
		let kept = 0
		let isFine = true
		for (let w = 0; w < length; w += WATCH) {
			const ref = list[w] ?? 0
			const threshold = list[w + 1] ?? 0
			let guardSide = list[w + 2] ?? 0
			let guardValue = list[w + 3] ?? 0
			const isSpared = !isFine || threshold > bound || (lower[guardSide] ?? 0) >= guardValue
			if (!isSpared) {
				this.#putFalseSecond(ref, side ^ 1, 1 - threshold)
				const arena = this.#arena
				guardSide = arena[ref + HEADER] ?? 0
				guardValue = arena[ref + HEADER + 1] ?? 0
				if ((lower[guardSide] ?? 0) < guardValue) {
					if (this.#findOther(ref)) continue
					isFine = this.#trail.rise(guardSide, guardValue, BY_CLAUSE, ref)
				}
			}
			list[kept] = ref
			list[kept + 1] = threshold
			list[kept + 2] = guardSide
			list[kept + 3] = guardValue
			kept += WATCH
		}
		list.length = kept
		return isFine
	}

	/** The literals that made a literal of the clause true: the negations of all others. */
	explain(ref: number, side: number, out: Literals): void {
		const arena = this.#arena
		const end = ref + HEADER + 2 * (arena[ref] ?? 0)
		for (let at = ref + HEADER; at < end; at += 2) {
			const other = arena[at] ?? 0
			if (other !== side) out.push(other ^ 1, 1 - (arena[at + 1] ?? 0))
		}
	}

	/**
	 * At level 0 only: forgets the half of the learnt clauses that spans the most levels, and what is true anyway.
	 *
	 * @complexity O(clauses · log clauses + literals)
	 */
	reduce(): void {
		const learnt: number[] = []
		for (const { ref, levels } of this.#each()) if (levels > CORE_LEVELS) learnt.push(ref)
		const cost = (ref: number) => (this.#arena[ref + 1] ?? 0) * 1024 + Math.min(1023, this.#arena[ref] ?? 0)
		// At equal cost the older goes first.
		learnt.sort((a, b) => cost(b) - cost(a) || a - b)
		const dropped = new Set(learnt.slice(0, learnt.length >> 1))
		const kept: { literals: number[]; levels: number }[] = []
		for (const { ref, size, levels } of this.#each()) {
			if (dropped.has(ref)) continue
			const literals = [...this.#arena.subarray(ref + HEADER, ref + HEADER + 2 * size)]
			if (!this.#isTrueAtRoot(literals)) kept.push({ literals, levels })
		}
		this.#used = 0
		this.learntCount = 0
		for (const list of this.#watches) if (list) list.length = 0
		for (const { literals, levels } of kept) this.add(this.#withFalseLast(literals), levels)
	}

	*#each(): Generator<{ ref: number; size: number; levels: number }> {
		for (let ref = 0; ref < this.#used;) {
			const size = this.#arena[ref] ?? 0
			yield { ref, size, levels: this.#arena[ref + 1] ?? 0 }
			ref += HEADER + 2 * size
		}
	}

	/** Such a clause holds for ever and need not be kept. */
	#isTrueAtRoot(literals: readonly number[]): boolean {
		for (let k = 0; k < literals.length; k += 2) {
			if (this.#trail.isTrue(literals[k] ?? 0, literals[k + 1] ?? 0)) return true
		}
		return false
	}

	/** Literals that are false at the root go to the end, where they are never watched again. */
	#withFalseLast(literals: readonly number[]): number[] {
		const open: number[] = []
		const lost: number[] = []
		for (let k = 0; k < literals.length; k += 2) {
			const [side = 0, value = 0] = [literals[k], literals[k + 1]]
			;(this.#trail.isFalse(side, value) ? lost : open).push(side, value)
		}
		return [...open, ...lost]
	}

	/**
	 * Has the clause looked at when the watched literal becomes false. Beside the reference lies a guard,
	 * another literal of the clause: where that is true the clause itself need not be read.
	 */
	#watch(ref: number, position: number, guard: number): void {
		const at = ref + HEADER + 2 * position
		const guardAt = ref + HEADER + 2 * guard
		const side = (this.#arena[at] ?? 0) ^ 1
		const list = (this.#watches[side] ??= [])
		list.push(ref, 1 - (this.#arena[at + 1] ?? 0), this.#arena[guardAt] ?? 0, this.#arena[guardAt + 1] ?? 0)
	}

	/**
	 * The watched literal that has just become false goes to the second place: the first is the one that may
	 * have to be made true.
	 */
	#putFalseSecond(ref: number, side: number, value: number): void {
		const arena = this.#arena
		const at = ref + HEADER
		if (arena[at] !== side || arena[at + 1] !== value) return
		arena[at] = arena[at + 2] ?? 0
		arena[at + 1] = arena[at + 3] ?? 0
		arena[at + 2] = side
		arena[at + 3] = value
	}

	/** Puts a literal that is not false in the place of the second, and watches it. */
	#findOther(ref: number): boolean {
		const arena = this.#arena
		const { lower } = this.#trail
		const second = ref + HEADER + 2
		const end = ref + HEADER + 2 * (arena[ref] ?? 0)
		for (let at = second + 2; at < end; at += 2) {
			const side = arena[at] ?? 0
			const value = arena[at + 1] ?? 0
			if ((lower[side ^ 1] ?? 0) >= 1 - value) continue
			arena[at] = arena[second] ?? 0
			arena[at + 1] = arena[second + 1] ?? 0
			arena[second] = side
			arena[second + 1] = value
			this.#watch(ref, 1, 0)
			return true
		}
		return false
	}
}

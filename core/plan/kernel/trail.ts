/**
 * Whole-number variables by their bounds, and the trail of how each bound came about.
 * A variable has two sides: side 2x holds the lower bound of x, side 2x + 1 that of -x, so an upper bound is a lower
 * bound too and every fact is of one form, the literal [side >= value]. Its negation is [side ^ 1 >= 1 - value].
 * Source: lazy clause generation (O. Ohrimenko, P. Stuckey, M. Codish, 2009, from memory); that a literal need not be
 * a variable of its own, but can be read off the trail, is common in later solvers.
 */

/** Why a bound rose. A decision has no reason; the others say where theirs is kept. */
export const DECISION = 0
export const BY_CLAUSE = 1
export const BY_RULE = 2
export const BY_DIFFERENCE = 3
/** A propagator was right; `Trail.records` says which and what it needs to explain itself. */
export const BY_PROPAGATOR = 4

/** A bound that cannot rise to the value its reason gives, since the other side forbids it. */
export interface Clash {
	side: number
	value: number
	/** What made it clash: a clause, a rule, a difference, a propagator. */
	kind: number
	/** Which of them. */
	ref: number
}

/** Literals as pairs in one list: side, value, side, value, ... */
export type Literals = number[]

/** What a propagator notes with a bound that it raises. */
export type Note = readonly [number, number, number, number]

/** All bounds as they stand, and every step that led there. */
export class Trail {
	/** By side; integers within 31 bits. */
	lower = new Int32Array(256)
	/** The bounds that need no reason, by side. */
	rootLower = new Int32Array(256)
	/** By side: its latest entry, or -1. */
	latest = new Int32Array(256).fill(-1)
	sideCount = 0

	/** By entry. */
	side = new Int32Array(1024)
	before = new Int32Array(1024)
	previous = new Int32Array(1024)
	kind = new Uint8Array(1024)
	ref = new Int32Array(1024)
	levelOf = new Int32Array(1024)
	length = 0

	/** Trail length at which each level began; level 0 has no start. */
	readonly levelStarts: number[] = []
	/** Entries before this one have been propagated. */
	head = 0
	clash: Clash = { side: 0, value: 0, kind: DECISION, ref: 0 }
	/** Propagator, and what it noted: see `riseBy`. */
	readonly records: number[] = []

	/** Number of decisions that stand. */
	get level(): number {
		return this.levelStarts.length
	}

	/** @returns the new variable x; its sides are 2x and 2x + 1 */
	addVariable(min: number, max: number): number {
		if (!(min <= max)) throw new RangeError(`a variable needs min <= max, got ${min} and ${max}`)
		const side = this.sideCount
		this.sideCount += 2
		if (this.sideCount > this.lower.length) {
			this.lower = grown(this.lower)
			this.rootLower = grown(this.rootLower)
			this.latest = grown(this.latest, -1)
		}
		this.lower[side] = this.rootLower[side] = min
		this.lower[side + 1] = this.rootLower[side + 1] = -max
		return side >> 1
	}

	/** Least value that the variable may still have. */
	min(variable: number): number {
		return this.lower[2 * variable] ?? 0
	}

	/** Greatest value that the variable may still have. */
	max(variable: number): number {
		return -(this.lower[2 * variable + 1] ?? 0)
	}

	/** Whether the side is known to be at least the value. */
	isTrue(side: number, value: number): boolean {
		return (this.lower[side] ?? 0) >= value
	}

	/** Whether the side is known to stay below the value: its opposite has risen too far. */
	isFalse(side: number, value: number): boolean {
		return (this.lower[side ^ 1] ?? 0) >= 1 - value
	}

	/** What rises from here on is taken back with the decision that comes next. */
	openLevel(): void {
		this.levelStarts.push(this.length)
	}

	/**
	 * Makes [side >= value] true for the given reason.
	 *
	 * @returns false if the other side forbids it; `clash` then says what
	 */
	rise(side: number, value: number, kind: number, ref: number): boolean {
		const before = this.lower[side] ?? 0
		if (before >= value) return true
		if (value + (this.lower[side ^ 1] ?? 0) > 0) {
			this.clash = { side, value, kind, ref }
			return false
		}
		const entry = this.length
		if (entry === this.side.length) this.#growEntries()
		this.side[entry] = side
		this.before[entry] = before
		this.previous[entry] = this.latest[side] ?? -1
		this.kind[entry] = kind
		this.ref[entry] = ref
		this.levelOf[entry] = this.levelStarts.length
		this.latest[side] = entry
		this.lower[side] = value
		this.length = entry + 1
		return true
	}

	/**
	 * The same for a propagator, which is asked for its reason only if a conflict needs it.
	 *
	 * @param note - four numbers that let it find its reason again
	 */
	riseBy(propagator: number, side: number, value: number, note: Note): boolean {
		if ((this.lower[side] ?? 0) >= value) return true
		const ref = this.records.length
		this.records.push(propagator, note[0], note[1], note[2], note[3])
		return this.rise(side, value, BY_PROPAGATOR, ref)
	}

	/** Undoes all levels above. */
	backtrackTo(level: number): void {
		if (level >= this.levelStarts.length) return
		const start = this.levelStarts[level] ?? 0
		for (let entry = this.length - 1; entry >= start; entry--) {
			const side = this.side[entry] ?? 0
			this.lower[side] = this.before[entry] ?? 0
			this.latest[side] = this.previous[entry] ?? -1
			if (this.kind[entry] === BY_PROPAGATOR) this.records.length = this.ref[entry] ?? 0
		}
		this.length = start
		this.levelStarts.length = level
		this.head = Math.min(this.head, start)
	}

	/** At level 0, with all propagated: what holds now needs no reason ever after. */
	commitRoot(): void {
		for (let entry = 0; entry < this.length; entry++) {
			const side = this.side[entry] ?? 0
			this.latest[side] = -1
			this.rootLower[side] = this.lower[side] ?? 0
		}
		this.length = 0
		this.head = 0
		this.records.length = 0
	}

	/** The entry that made a true literal true, or -1 if it holds at the root. */
	entryOf(side: number, value: number): number {
		let entry = this.latest[side] ?? -1
		while (entry >= 0 && (this.before[entry] ?? 0) >= value) entry = this.previous[entry] ?? -1
		return entry
	}

	/** The bound as it stood before an entry was made. */
	valueBefore(side: number, entry: number): number {
		let value = this.lower[side] ?? 0
		for (let at = this.latest[side] ?? -1; at >= entry; at = this.previous[at] ?? -1) value = this.before[at] ?? 0
		return value
	}

	/** Arrays of numbers cannot grow: each is copied into one of twice the length. */
	#growEntries(): void {
		this.side = grown(this.side)
		this.before = grown(this.before)
		this.previous = grown(this.previous)
		this.ref = grown(this.ref)
		this.levelOf = grown(this.levelOf)
		const kind = new Uint8Array(2 * this.kind.length)
		kind.set(this.kind)
		this.kind = kind
	}
}

/** Twice as long, with the same content. */
export function grown(array: Int32Array, filler = 0): Int32Array<ArrayBuffer> {
	const longer = new Int32Array(2 * array.length)
	longer.set(array)
	if (filler !== 0) longer.fill(filler, array.length)
	return longer
}

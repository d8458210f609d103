/**
 * Conditional difference rules: if all conditions hold, then one side and another add up to at most a bound; with one
 * side turned round, that one thing comes a while before another. Nearly all rules are of this form, so it has a
 * fixed layout; the general form is in `rules.ts`.
 */
import { BY_DIFFERENCE, grown, type Literals, type Trail } from './trail'

/** A rule in the arena: both sides, bound, count of conditions, then the conditions as side and value. */
const CONDITIONS_AT = 4
/** A rule with more of them belongs to the general ones. */
export const MAX_CONDITIONS = 4
/**
 * Numbers of one rule in the arena: two sides, the bound, and room for all conditions, so that the n-th
 * rule is found without an index.
 */
const STRIDE = CONDITIONS_AT + 2 * MAX_CONDITIONS
/** A reason names the rule and which of its conditions or sides it concerns. */
const POSITIONS = 8
/** What a rule made rise, for its reason: positions behind those of the conditions, one for each side. */
const FIRST_SIDE = MAX_CONDITIONS
const SECOND_SIDE = MAX_CONDITIONS + 1

/** Difference rules in one array, woken by the sides that they look at. */
export class Differences {
	readonly #trail: Trail
	/** Rules one behind the other, each as long as the stride. */
	#arena = new Int32Array(1024 * STRIDE)
	/** Rules so far. */
	#count = 0
	/** By side: rules to look at when it rises. */
	readonly #wakes: number[][] = []
	/** Rules that have not been looked at yet. */
	readonly #fresh: number[] = []

	constructor(trail: Trail) {
		this.#trail = trail
	}

	/** @param conditions - at most `MAX_CONDITIONS` literals */
	add(first: number, second: number, bound: number, conditions: Readonly<Literals>): void {
		const rule = this.#count++
		const at = rule * STRIDE
		if (at + STRIDE > this.#arena.length) this.#arena = grown(this.#arena)
		this.#arena.set([first, second, bound, conditions.length >> 1, ...conditions], at)
		for (const side of new Set([first, second])) (this.#wakes[side] ??= []).push(rule)
		for (let k = 0; k < conditions.length; k += 2) {
			const side = conditions[k] ?? 0
			if (side !== first && side !== second) (this.#wakes[side] ??= []).push(rule)
		}
		this.#fresh.push(rule)
	}

	/** The rules added since; false on a clash. */
	propagateFresh(): boolean {
		for (let rule = this.#fresh.pop(); rule !== undefined; rule = this.#fresh.pop()) {
			if (!this.#apply(rule)) return false
		}
		return true
	}

	/** @returns false on a clash */
	propagate(side: number): boolean {
		const list = this.#wakes[side]
		if (!list) return true
		for (let k = 0; k < list.length; k++) if (!this.#apply(list[k] ?? 0)) return false
		return true
	}

	/** The literals from which the rule drew that its side, or the opposite of a condition, is at least the value. */
	explain(ref: number, value: number, entry: number, out: Literals): void {
		const arena = this.#arena
		const position = ref % POSITIONS
		const at = ((ref - position) / POSITIONS) * STRIDE
		const conditions = arena[at + 3] ?? 0
		for (let k = 0; k < conditions; k++) {
			const condition = at + CONDITIONS_AT + 2 * k
			if (k !== position) out.push(arena[condition] ?? 0, arena[condition + 1] ?? 0)
		}
		const [first, second, bound] = [arena[at] ?? 0, arena[at + 1] ?? 0, arena[at + 2] ?? 0]
		if (position === FIRST_SIDE) out.push(second, value + bound)
		else if (position === SECOND_SIDE) out.push(first, value + bound)
		else {
			const own = this.#trail.valueBefore(first, entry)
			out.push(first, own, second, bound + 1 - own)
		}
	}

	/**
	 * Passes the bound of each side on to the other, if the conditions hold; if all but one hold, and what the
	 * rule says cannot be, that one becomes false.
	 *
	 * @returns false: the rule clashes with what holds
	 */
	#apply(rule: number): boolean {
		const arena = this.#arena
		const { lower } = this.#trail
		const at = rule * STRIDE
		const first = arena[at] ?? 0
		const second = arena[at + 1] ?? 0
		const bound = arena[at + 2] ?? 0
		const [ofFirst, ofSecond] = [(lower[first] ?? 0) - bound, (lower[second] ?? 0) - bound]
		// Most often the rule says nothing new, whether or not its conditions hold.
		if (ofSecond <= (lower[first ^ 1] ?? 0) && ofFirst <= (lower[second ^ 1] ?? 0)) return true
		let open = -1
		const end = at + CONDITIONS_AT + 2 * (arena[at + 3] ?? 0)
		for (let condition = at + CONDITIONS_AT; condition < end; condition += 2) {
			const side = arena[condition] ?? 0
			const value = arena[condition + 1] ?? 0
			if ((lower[side] ?? 0) >= value) continue
			if (open >= 0 || (lower[side ^ 1] ?? 0) >= 1 - value) return true
			open = condition
		}
		const ref = rule * POSITIONS
		if (open >= 0) {
			if (ofFirst + ofSecond + bound <= 0) return true
			const position = (open - at - CONDITIONS_AT) >> 1
			return this.#trail.rise((arena[open] ?? 0) ^ 1, 1 - (arena[open + 1] ?? 0), BY_DIFFERENCE, ref + position)
		}
		return (
			this.#trail.rise(first ^ 1, ofSecond, BY_DIFFERENCE, ref + FIRST_SIDE) &&
			this.#trail.rise(second ^ 1, ofFirst, BY_DIFFERENCE, ref + SECOND_SIDE)
		)
	}
}

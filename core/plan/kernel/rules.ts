/**
 * Conditional linear rules: if all conditions (literals) hold, then a sum of positive multiples of sides is at most
 * a bound. Two terms say that one thing comes a while before another; many terms are a level of the objective.
 * Explanations are made when asked for, and as weak as they may be: what the sum has to spare is taken off its terms.
 */
import { BY_RULE, grown, type Literals, type Trail } from './trail'

/** A rule in the arena: count of conditions, count of terms, bound, conditions (side, value), terms (side, factor). */
const HEADER = 3
/** A reason names the rule and which of its conditions or terms it concerns. */
const POSITION_BITS = 11
/** Conditions and terms of one rule; a longer sum is a sum of sums (model-builder). */
export const MAX_POSITIONS = 1 << POSITION_BITS
/** Longer rules wait until the short ones have nothing more to say. */
const SHORT_TERMS = 4

/** If all conditions hold, the terms add up to at most the bound. */
export interface Rule {
	/** The rule speaks only where all of them hold. */
	conditions: Readonly<Literals>
	/** side, factor > 0, side, factor, ... */
	terms: readonly number[]
	/** That the sum may not exceed. */
	bound: number
}

/** Linear rules in one array, woken by the sides that they look at. */
export class Rules {
	readonly #trail: Trail
	/** Rules one behind the other. */
	#arena = new Int32Array(4096)
	/** Length of the arena that is written. */
	#used = 0
	/** Where each rule begins in the arena. */
	#starts = new Int32Array(256)
	#count = 0
	/** By side: rules to look at when it rises. */
	readonly #wakes: number[][] = []
	/** Rules to look at next. */
	readonly #waiting: number[] = []
	/** 1 for those in the queue, so that none is in it twice. */
	#isWaiting = new Uint8Array(256)

	constructor(trail: Trail) {
		this.#trail = trail
	}

	/** @throws {RangeError} the rule has too many terms */
	add({ conditions, terms, bound }: Rule): void {
		if ((conditions.length + terms.length) / 2 >= MAX_POSITIONS) {
			throw new RangeError(`a rule has at most ${MAX_POSITIONS} parts, got ${(conditions.length + terms.length) / 2}`)
		}
		const rule = this.#count++
		const start = this.#used
		while (start + HEADER + conditions.length + terms.length > this.#arena.length) this.#arena = grown(this.#arena)
		if (rule === this.#starts.length) {
			this.#starts = grown(this.#starts)
			const isWaiting = new Uint8Array(2 * this.#isWaiting.length)
			isWaiting.set(this.#isWaiting)
			this.#isWaiting = isWaiting
		}
		this.#starts[rule] = start
		this.#arena.set([conditions.length >> 1, terms.length >> 1, bound, ...conditions, ...terms], start)
		this.#used = start + HEADER + conditions.length + terms.length
		for (let k = 0; k < conditions.length; k += 2) this.#wake(conditions[k] ?? 0, rule)
		for (let k = 0; k < terms.length; k += 2) this.#wake(terms[k] ?? 0, rule)
		this.#wait(rule)
	}

	/** @returns false on a clash */
	propagate(side: number): boolean {
		const list = this.#wakes[side]
		if (!list) return true
		for (let k = 0; k < list.length; k++) {
			const rule = list[k] ?? 0
			if ((this.#arena[(this.#starts[rule] ?? 0) + 1] ?? 0) > SHORT_TERMS) this.#wait(rule)
			else if (!this.#apply(rule)) return false
		}
		return true
	}

	/** The rules that were put off; false on a clash. */
	propagateWaiting(): boolean {
		for (let rule = this.#waiting.pop(); rule !== undefined; rule = this.#waiting.pop()) {
			this.#isWaiting[rule] = 0
			if (!this.#apply(rule)) return false
		}
		return true
	}

	/** The literals from which the rule drew [side >= value] when it made this entry of the trail. */
	explain(ref: number, value: number, entry: number, out: Literals): void {
		const arena = this.#arena
		const start = this.#starts[ref >> POSITION_BITS] ?? 0
		const position = ref & (MAX_POSITIONS - 1)
		const conditions = arena[start] ?? 0
		const firstTerm = start + HEADER + 2 * conditions
		const end = firstTerm + 2 * (arena[start + 1] ?? 0)
		for (let k = 0; k < conditions; k++) {
			const at = start + HEADER + 2 * k
			if (k !== position) out.push(arena[at] ?? 0, arena[at + 1] ?? 0)
		}
		const skipped = firstTerm + 2 * (position - conditions)
		const factor = position < conditions ? 0 : (arena[skipped + 1] ?? 0)
		// The least sum of the other terms from which the bound still follows.
		let slack = -((arena[start + 2] ?? 0) + factor * (value - 1) + 1)
		for (let at = firstTerm; at < end; at += 2) {
			if (at === skipped && factor > 0) continue
			slack += (arena[at + 1] ?? 0) * this.#trail.valueBefore(arena[at] ?? 0, entry)
		}
		this.#explainTerms({ firstTerm, end, skipped: factor > 0 ? skipped : -1, slack, entry }, out)
	}

	#explainTerms(
		{ firstTerm, end, skipped, slack, entry }: Record<'firstTerm' | 'end' | 'skipped' | 'slack' | 'entry', number>,
		out: Literals,
	): void {
		const arena = this.#arena
		let left = slack
		for (let at = firstTerm; at < end; at += 2) {
			if (at === skipped) continue
			const side = arena[at] ?? 0
			const factor = arena[at + 1] ?? 1
			const value = this.#trail.valueBefore(side, entry)
			const root = this.#trail.rootLower[side] ?? 0
			if (value === root) continue
			if (factor * (value - root) <= left) {
				left -= factor * (value - root)
				continue
			}
			// With many terms the slack is best spent on literals that vanish altogether.
			const spent = end - firstTerm <= 4 ? Math.floor(left / factor) : 0
			left -= spent * factor
			out.push(side, value - spent)
		}
	}

	/** Takes up a rule: false on a clash. */
	#apply(rule: number): boolean {
		const arena = this.#arena
		const { lower } = this.#trail
		const start = this.#starts[rule] ?? 0
		const conditions = arena[start] ?? 0
		let open = -1
		for (let k = 0; k < conditions; k++) {
			const at = start + HEADER + 2 * k
			const side = arena[at] ?? 0
			const value = arena[at + 1] ?? 0
			if ((lower[side] ?? 0) >= value) continue
			if ((lower[side ^ 1] ?? 0) >= 1 - value || open >= 0) return true
			open = k
		}
		const firstTerm = start + HEADER + 2 * conditions
		const end = firstTerm + 2 * (arena[start + 1] ?? 0)
		let slack = arena[start + 2] ?? 0
		for (let at = firstTerm; at < end; at += 2) slack -= (arena[at + 1] ?? 0) * (lower[arena[at] ?? 0] ?? 0)
		const ref = rule << POSITION_BITS
		if (open >= 0) {
			if (slack >= 0) return true
			const at = start + HEADER + 2 * open
			return this.#trail.rise((arena[at] ?? 0) ^ 1, 1 - (arena[at + 1] ?? 0), BY_RULE, ref | open)
		}
		for (let at = firstTerm, position = conditions; at < end; at += 2, position++) {
			const side = arena[at] ?? 0
			const most = (lower[side] ?? 0) + Math.floor(slack / (arena[at + 1] ?? 1))
			if (-most <= (lower[side ^ 1] ?? 0)) continue
			if (!this.#trail.rise(side ^ 1, -most, BY_RULE, ref | position)) return false
		}
		return true
	}

	/** The rule is looked at again when that side rises. */
	#wake(side: number, rule: number): void {
		const list = (this.#wakes[side] ??= [])
		if (list.at(-1) !== rule) list.push(rule)
	}

	/** Puts the rule in the queue once, however often it is woken. */
	#wait(rule: number): void {
		if (this.#isWaiting[rule] === 1) return
		this.#isWaiting[rule] = 1
		this.#waiting.push(rule)
	}
}

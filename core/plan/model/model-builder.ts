/** Builds constraints of the kernel out of literals and expressions. */
import { MAX_POSITIONS } from '../kernel/rules'
import { Solver } from '../kernel/solver'
import { atLeast, isSame, not, toLiterals, type Expression, type Literal } from './literal'

/** Of one rule: conditions and the side of a part come beside them. */
const MOST_TERMS = MAX_POSITIONS / 2

/** A multiple of a literal's truth (0 or 1), or of an expression. */
export interface Multiple {
	of: Literal | Expression
	/** Whole. */
	factor: number
}

/** The terms, taken off. */
export function lessOf(terms: readonly Multiple[]): Multiple[] {
	return terms.map(({ of, factor }) => ({ of, factor: -factor }))
}

/** A solver with constraints in the words of the model. */
export class ModelBuilder {
	readonly solver = new Solver()
	/** A variable that is 1. */
	readonly always = this.solver.addVariable(1, 1)
	/** The literal that always holds. */
	readonly yes = atLeast(this.always, 1)
	/** The literal that never holds. */
	readonly no = not(this.yes)

	/** By variable: the value to try first, where the best plan so far has none. */
	readonly firstTries = new Map<number, number>()

	/** A new decision of yes or no. */
	addChoice(activity = 0): Literal {
		const variable = this.solver.addVariable(0, 1)
		this.solver.decideOn(variable, activity)
		return atLeast(variable, 1)
	}

	/** A choice that gains where it may be made: tried last, and first as yes. */
	addGain(): Literal {
		const gain = this.addChoice(-1)
		this.firstTries.set(gain[0] >> 1, 1)
		return gain
	}

	/** Whether the literal may still hold, as far as is known without any decision. */
	canBe([side, value]: Literal): boolean {
		return !this.solver.trail.isFalse(side, value)
	}

	/** A cost, decided on when all else is: first as nothing. */
	addCost(most: number): Expression {
		const variable = this.solver.addVariable(0, most)
		this.solver.decideOn(variable, -2)
		this.firstTries.set(variable, 0)
		return { variable, plus: 0 }
	}

	/** At least one of them. */
	atLeastOne(...literals: readonly Literal[]): void {
		if (literals.some((literal) => isSame(literal, this.yes))) return
		this.solver.addClause(toLiterals(literals.filter((literal) => !isSame(literal, this.no))))
	}

	/** If all of them, then that. */
	implies(conditions: readonly Literal[], consequence: Literal): void {
		this.atLeastOne(...conditions.map(not), consequence)
	}

	/** If all conditions hold: `earlier` + `lag` <= `later`. */
	before(earlier: Expression, later: Expression, lag: number, conditions: readonly Literal[] = []): void {
		const terms = [2 * earlier.variable, 1, 2 * later.variable + 1, 1]
		this.#addRule(terms, later.plus - earlier.plus - lag, conditions)
	}

	/** If all conditions hold: the sum is at most the bound. */
	limit(sum: readonly Multiple[], bound: number, conditions: readonly Literal[] = []): void {
		const terms = new Map<number, number>()
		let left = bound
		for (const { of, factor } of sum) {
			if (factor === 0) continue
			const [side, plus] = 'variable' in of ? [2 * of.variable, of.plus] : [of[0], 1 - of[1]]
			left -= factor * plus
			// A negative multiple of a side is a positive one of the other.
			const positive = factor > 0 ? side : side ^ 1
			terms.set(positive, (terms.get(positive) ?? 0) + Math.abs(factor))
		}
		this.#addRule(this.#shorten([...terms]).flat(), left, conditions)
	}

	/** If all conditions hold: the sum is the value. */
	equal(sum: readonly Multiple[], value: number, conditions: readonly Literal[] = []): void {
		this.limit(sum, value, conditions)
		this.limit(lessOf(sum), -value, conditions)
	}

	/**
	 * A variable that is at least the sum: the search only ever asks for less of it, so that it need not be at most the sum
	 * as well.
	 *
	 * @param terms - none of which can be negative
	 */
	addSum(terms: readonly Multiple[]): number {
		const { trail } = this.solver
		const mostOf = ({ of }: Multiple) => ('variable' in of ? trail.max(of.variable) + of.plus : 1)
		const most = terms.reduce((total, term) => total + term.factor * mostOf(term), 0)
		const variable = this.solver.addVariable(0, most)
		this.limit([...terms, { of: { variable, plus: 0 }, factor: -1 }], 0)
		return variable
	}

	/**
	 * A sum that one rule can hold: of a longer one, parts of it become variables that are at least as large, whatever the
	 * conditions.
	 */
	#shorten(terms: [side: number, factor: number][]): [side: number, factor: number][] {
		if (terms.length <= MOST_TERMS) return terms
		const parts: [number, number][] = []
		for (let k = 0; k < terms.length; k += MOST_TERMS) parts.push([this.#addPart(terms.slice(k, k + MOST_TERMS)), 1])
		return this.#shorten(parts)
	}

	/** @returns the side of a variable that is at least the sum of the terms */
	#addPart(terms: readonly [side: number, factor: number][]): number {
		const { trail } = this.solver
		const leastOf = (side: number) => (side % 2 === 0 ? trail.min(side >> 1) : -trail.max(side >> 1))
		const mostOf = (side: number) => -leastOf(side ^ 1)
		const sumOf = (value: (side: number) => number) =>
			terms.reduce((sum, [side, factor]) => sum + factor * value(side), 0)
		const part = this.solver.addVariable(sumOf(leastOf), sumOf(mostOf))
		this.#addRule([...terms.flat(), 2 * part + 1, 1], 0, [])
		return 2 * part
	}

	/** Conditions that always hold are left out; a rule of which one never holds is no rule. */
	#addRule(terms: readonly number[], bound: number, conditions: readonly Literal[]): void {
		const open: number[] = []
		for (const literal of conditions) {
			if (isSame(literal, this.no)) return
			if (!isSame(literal, this.yes)) open.push(literal[0], literal[1])
		}
		this.solver.addRule({ conditions: open, terms, bound })
	}
}

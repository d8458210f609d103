/** A literal of the kernel as a pair, for building the model; see `kernel/trail.ts`. */
import type { Literals } from '../kernel/trail'

/** [side, value]: the side's bound is at least the value. */
export type Literal = readonly [side: number, value: number]

/** [x >= value]. */
export const atLeast = (variable: number, value: number): Literal => [2 * variable, value]

/** [x <= value]. */
export const atMost = (variable: number, value: number): Literal => [2 * variable + 1, -value]

/** What is true where the literal is false. */
export const not = ([side, value]: Literal): Literal => [side ^ 1, 1 - value]

/** The same fact in the same form. */
export const isSame = (a: Literal, b: Literal): boolean => a[0] === b[0] && a[1] === b[1]

/** As the kernel takes them: one list of sides and values. */
export function toLiterals(literals: readonly Literal[]): Literals {
	return literals.flat()
}

/** A window, or a gap at home. */
interface Stretch {
	/** Minute of the instance's clock. */
	open: number
	/** After it opens. */
	close: number
}

/** A variable and a constant: the end of a task in one run is its start plus its minutes. */
export interface Expression {
	/** Number of the variable. */
	variable: number
	/** Added to its value. */
	plus: number
}

/** Of a start: that a run begins in the stretch. */
export const startsIn = ({ variable, plus }: Expression, { open, close }: Stretch): Literal[] => [
	atLeast(variable, open - plus),
	atMost(variable, close - 1 - plus),
]

/** Of an end: that a run ends in the stretch. */
export const endsIn = ({ variable, plus }: Expression, { open, close }: Stretch): Literal[] => [
	atLeast(variable, open + 1 - plus),
	atMost(variable, close - plus),
]

/** A number as an expression, from the variable that is always 1. */
export const constant = (always: number, value: number): Expression => ({ variable: always, plus: value - 1 })

import type { FieldProblem } from '../../../core/errors'

/** What an action answers when it refuses. */
export interface Refusal {
	refused: true
	/** For the whole form. */
	message: string
	problems: FieldProblem[]
}

/** What an action answered, if it refused. */
export function asRefusal(answer: unknown): (Refusal & Record<string, unknown>) | undefined {
	const isOne = typeof answer === 'object' && answer !== null && 'refused' in answer
	// Actions answer so in one place, and in this shape.
	return isOne ? (answer as Refusal & Record<string, unknown>) : undefined
}

/** Looks problems up by their field; undefined: it has none. */
export function problemsByField(problems: readonly FieldProblem[]): (field: string) => string | undefined {
	return (field) => problems.find(({ path }) => path === field)?.message
}

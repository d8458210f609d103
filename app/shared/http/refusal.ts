import type { FieldProblem } from '../../../core/errors'

/** What an action answers when it refuses. */
export interface Refusal {
	refused: true
	/** For the whole form. */
	message: string
	problems: FieldProblem[]
}

/** Looks problems up by their field; undefined: it has none. */
export function problemsByField(problems: readonly FieldProblem[]): (field: string) => string | undefined {
	return (field) => problems.find(({ path }) => path === field)?.message
}

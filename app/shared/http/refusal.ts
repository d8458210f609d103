import type { FieldProblem } from '../../../core/errors'

/** What an action answers when it refuses. */
export interface Refusal {
	refused: true
	/** For the whole form. */
	message: string
	problems: FieldProblem[]
}

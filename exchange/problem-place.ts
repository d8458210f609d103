/** Places of problems in a document, in one notation: `course.sessions[1].date`, `parts[2].outline`. */
import type { FieldProblem } from '../core/errors'

/** A JSON pointer, or a path that is in the notation already; the document itself is ''. */
export function toPlace(path: string): string {
	if (!path.startsWith('/')) return path
	const parts = path.split('/').filter((part) => part !== '')
	return parts.map((part, p) => (/^\d+$/.test(part) ? `[${part}]` : p === 0 ? part : `.${part}`)).join('')
}

/** '/course/sessions/1/date' as course.sessions[1].date. */
export function placed({ path, message }: FieldProblem): FieldProblem {
	return { path: toPlace(path), message }
}

/** Failures that the user can act on; anything else that is thrown is a bug. */

/** Root of the family. */
export abstract class AppError extends Error {}

/** A problem with one field of an input; `path` as in `sessions[0].endMin`, empty for the whole. */
export interface FieldProblem {
	/** Of the field; empty: the whole. */
	path: string
	/** For a person, in a sentence. */
	message: string
}

/** Input that breaks a rule, field by field. */
export class InputError extends AppError {
	readonly problems: readonly FieldProblem[]

	constructor(problems: readonly FieldProblem[], options?: ErrorOptions) {
		super(problems.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join('; '), options)
		this.problems = problems
	}
}

/** It does not exist, or belongs to somebody else: the two are not told apart. */
export class NotFoundError extends AppError {}

/** One of a list that was asked for does not exist. */
export class MissingInListError extends NotFoundError {
	/** From 0. */
	readonly position: number

	constructor(message: string, position: number) {
		super(message)
		this.position = position
	}
}

/** Whoever asks may not do it in her studio. */
export class ForbiddenError extends AppError {}

/** Too much is asked at once: later it will work. */
export class BusyError extends AppError {}

/** What keeps the data does not answer, or has no room left: nothing was written, and later it may work. */
export class UnavailableError extends AppError {}

/** More than is taken in one go. */
export class TooLargeError extends AppError {}

/** Somebody else has changed it meanwhile, or the name is taken. */
export class ConflictError extends AppError {}

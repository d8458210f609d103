/** Failures turned into answers: the one place that knows status codes. */
import { data } from 'react-router'
import {
	AppError,
	BusyError,
	ConflictError,
	ForbiddenError,
	InputError,
	NotFoundError,
	TooLargeError,
	UnavailableError,
} from '../../../core/errors'
import type { Refusal } from './refusal'

/** Runs a loader or a middleware; what the user can act on becomes a page that says so. */
export async function loading<T>(work: () => Promise<T>): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (error instanceof AppError) throw data(error.message, { status: statusOf(error) })
		throw error
	}
}

/** Runs an action; what the user can act on becomes a refusal, shown where she typed. */
export async function acting<T>(work: () => Promise<T>) {
	try {
		return await work()
	} catch (error) {
		if (error instanceof AppError) return data(toRefusal(error), { status: statusOf(error) })
		throw error
	}
}

/**
 * Runs a change; where somebody else was quicker, the refusal carries what that one saved, for the window to show.
 *
 * @param readCurrent - what stands there now
 */
export async function changing<T, C>(work: () => Promise<T>, readCurrent: () => Promise<C>) {
	return acting(async () => {
		try {
			return await work()
		} catch (error) {
			if (!(error instanceof ConflictError)) throw error
			return data({ ...toRefusal(error), current: await readCurrent() }, { status: statusOf(error) })
		}
	})
}

function toRefusal(error: AppError): Refusal {
	const problems = error instanceof InputError ? [...error.problems] : []
	const isByField = problems.some(({ path }) => path !== '')
	const own = problems[0]?.message ?? error.message
	return { refused: true, message: isByField ? 'Some fields need another look.' : own, problems }
}

function statusOf(error: AppError): number {
	if (error instanceof InputError) return 400
	if (error instanceof ForbiddenError) return 403
	if (error instanceof NotFoundError) return 404
	if (error instanceof ConflictError) return 409
	if (error instanceof TooLargeError) return 413
	if (error instanceof BusyError) return 429
	return error instanceof UnavailableError ? 503 : 422
}

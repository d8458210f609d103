/** Failures turned into answers: the one place that knows status codes. */
import { data } from 'react-router'
import { AppError, BusyError, ConflictError, InputError, NotFoundError } from '../../core/errors'
import type { Refusal } from './refusal'

/** Runs a loader; a missing thing becomes a 404 page. */
export async function loading<T>(work: () => Promise<T>): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (error instanceof NotFoundError) throw data(error.message, { status: 404 })
		if (error instanceof InputError) throw data(error.message, { status: 400 })
		if (error instanceof BusyError) throw data(error.message, { status: 429 })
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

function toRefusal(error: AppError): Refusal {
	const problems = error instanceof InputError ? [...error.problems] : []
	return {
		refused: true,
		message: error instanceof InputError ? 'Some fields need another look.' : error.message,
		problems,
	}
}

function statusOf(error: AppError): number {
	if (error instanceof InputError) return 400
	if (error instanceof NotFoundError) return 404
	if (error instanceof BusyError) return 429
	return error instanceof ConflictError ? 409 : 422
}

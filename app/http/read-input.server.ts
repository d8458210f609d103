/** Input of requests, read against a schema. */
import { ValidationError, type InferType, type ObjectSchema } from 'yup'
import { InputError, NotFoundError } from '../../core/errors'

/** A whole number from the path; anything else is a thing that does not exist. */
export function readId(value: string | undefined): number {
	const id = Number(value)
	if (!Number.isSafeInteger(id) || id < 1) throw new NotFoundError('There is no such page.')
	return id
}

/**
 * The body as JSON, or as the fields of a plain form.
 *
 * @throws {InputError} by field
 */
export async function readBody<S extends ObjectSchema<object>>(request: Request, schema: S): Promise<InferType<S>> {
	return readValue(await parseBody(request), schema)
}

/** @throws {InputError} by field */
export async function readValue<S extends ObjectSchema<object>>(value: unknown, schema: S): Promise<InferType<S>> {
	try {
		return await schema.validate(value, { abortEarly: false })
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error
		const inner = error.inner.length > 0 ? error.inner : [error]
		throw new InputError(
			inner.map(({ path = '', message }) => ({ path, message })),
			{ cause: error },
		)
	}
}

/** The fields of a body as they were sent, for what reads them by their intent. */
export async function readFields(request: Request): Promise<Record<string, unknown>> {
	const body = await parseBody(request)
	return typeof body === 'object' && body !== null ? { ...body } : {}
}

async function parseBody(request: Request): Promise<unknown> {
	if (!request.headers.get('Content-Type')?.includes('application/json'))
		return Object.fromEntries([...(await request.formData())].filter(([key]) => !isInherited(key)))
	try {
		return JSON.parse(await request.text(), (key, value: unknown) => (isInherited(key) ? undefined : value))
	} catch (error) {
		throw new InputError([{ path: '', message: 'The request could not be read.' }], { cause: error })
	}
}

/** Whether every object has such a key from its prototype: the schema library takes those for fields of its own. */
function isInherited(key: string): boolean {
	return key in Object.prototype
}

/** Input of requests, read against a schema. */
import { ValidationError, type InferType, type ObjectSchema } from 'yup'
import { InputError, NotFoundError, TooLargeError } from '../../../core/errors'
import { tellIntent } from './told-intent.server'
import type { IntentOf } from '../schemas/intent'

/** Larger bodies are refused unread: a course of many sessions has some 20 kB. */
const USUAL_BYTES = 256 * 1024

interface BodyTerms {
	/** Most bytes of the body. */
	maxBytes?: number
}

/** A number from the path, written as we write it; anything else is a thing that does not exist. */
export function readId(value: string | undefined): number {
	if (value === undefined || !/^[1-9]\d{0,9}$/.test(value)) throw new NotFoundError('There is no such page.')
	return Number(value)
}

/**
 * The body as JSON, or as the fields of a plain form.
 *
 * @throws {InputError} by field
 * @throws {TooLargeError} it says that it is longer than may be
 */
export async function readBody<S extends ObjectSchema<object>>(
	request: Request,
	schema: S,
	terms: BodyTerms = {},
): Promise<InferType<S>> {
	return readValue(await parseBody(request, terms), schema)
}

/**
 * The body of an action that can do several things, each with a schema of its own.
 *
 * @throws {InputError} by field; the field `intent`: it asks for none of them
 * @throws {TooLargeError} it says that it is longer than may be
 */
export async function readIntent<S extends Record<string, ObjectSchema<object>>>(
	request: Request,
	schemas: S,
	terms: BodyTerms = {},
): Promise<IntentOf<S>> {
	const body = await parseBody(request, terms)
	const { intent, ...fields } = typeof body === 'object' && body !== null ? (body as Record<string, unknown>) : {}
	const schema = typeof intent === 'string' && Object.hasOwn(schemas, intent) ? schemas[intent] : undefined
	if (!schema) throw new InputError([{ path: 'intent', message: 'This cannot be done here.' }])
	tellIntent(String(intent))
	// The schema is the one of that intent.
	return { intent, ...(await readValue(fields, schema)) } as IntentOf<S>
}

/** Whether the page sent what its form holds, and not one of the smaller things that it can do. */
export function isJson(request: Request): boolean {
	return request.headers.get('Content-Type')?.includes('application/json') ?? false
}

/**
 * A file with the fields of its form.
 *
 * @param terms.field - of the file
 * @throws {InputError} by field; there is no file in it
 * @throws {TooLargeError} it says that it is longer than may be
 */
export async function readUpload<S extends ObjectSchema<object>>(
	request: Request,
	schema: S,
	{ field, maxBytes = USUAL_BYTES }: BodyTerms & { field: string },
): Promise<{ file: Uint8Array; fields: InferType<S> }> {
	refuseLong(request, maxBytes)
	const form = await request.formData().catch((error: unknown) => {
		throw unreadable(error)
	})
	const file = form.get(field)
	if (!(file instanceof Blob) || file.size === 0) throw new InputError([{ path: field, message: 'Choose a file' }])
	form.delete(field)
	const bytes = new Uint8Array(await file.arrayBuffer())
	return { file: bytes, fields: await readValue(readFields(form), schema) }
}

export async function readValue<S extends ObjectSchema<object>>(value: unknown, schema: S): Promise<InferType<S>> {
	try {
		return await schema.validate(value, { abortEarly: false })
	} catch (error) {
		// The schema library's transforms and tests take for granted the shapes that they ask for: {} where a text belongs
		// ends in a TypeError.
		if (error instanceof TypeError) throw unreadable(error)
		if (!(error instanceof ValidationError)) throw error
		const inner = error.inner.length > 0 ? error.inner : [error]
		throw new InputError(
			inner.map(({ path = '', message }) => ({ path, message })),
			{ cause: error },
		)
	}
}

/**
 * JSON in a field of a form.
 *
 * @throws {InputError} it is none
 */
export function readJson(text: string): unknown {
	try {
		return JSON.parse(text, refuseOdd)
	} catch (error) {
		throw unreadable(error)
	}
}

async function parseBody(request: Request, { maxBytes = USUAL_BYTES }: BodyTerms): Promise<unknown> {
	refuseLong(request, maxBytes)
	try {
		if (isJson(request)) return JSON.parse(await request.text(), refuseOdd)
		return readFields(await request.formData())
	} catch (error) {
		throw unreadable(error)
	}
}

/** Node holds the sender to the length announced; the server refuses bodies that announce none. */
function refuseLong(request: Request, maxBytes: number): void {
	if (Number(request.headers.get('Content-Length') ?? 0) > maxBytes)
		throw new TooLargeError('That is more than Calycine takes in one go.')
}

/** @throws {InputError} what no column can hold */
function readFields(form: FormData): Record<string, unknown> {
	try {
		const fields = [...form].filter(([key]) => !isInherited(key))
		return Object.fromEntries(fields.map(([key, value]) => [key, refuseOdd(key, value)]))
	} catch (error) {
		throw unreadable(error)
	}
}

function unreadable(cause: unknown): InputError {
	return new InputError([{ path: '', message: 'The request could not be read.' }], { cause })
}

/** Drops keys that every object has, and refuses what no column can hold: half a character, a file where a text belongs. */
function refuseOdd(key: string, value: unknown): unknown {
	if (typeof value === 'string' && !(value.isWellFormed() && key.isWellFormed()))
		throw new TypeError('half a character')
	if (value instanceof Blob) throw new TypeError('a file')
	return isInherited(key) ? undefined : value
}

/** Whether every object has such a key from its prototype: the schema library takes those for fields of its own. */
function isInherited(key: string): boolean {
	return key in Object.prototype
}

/** Documents from outside, read against their published JSON Schemas; every problem names its place. */
import type { AnySchemaObject, ErrorObject, ValidateFunction } from 'ajv'
import { Ajv2020 } from 'ajv/dist/2020'
import { DESIGN_FORMAT_VERSION, type Design } from '../core/designs/design'
import { validateDesign } from '../core/designs/validate-design'
import { InputError, type FieldProblem } from '../core/errors'
import type { Instance } from '../core/planning/instance'
import type { Plan } from '../core/planning/plan'
import { validateInstance } from '../core/planning/validate-instance'
import designSchema from './schemas/design.schema.json'
import planSchema from './schemas/plan.schema.json'
import instanceSchema from './schemas/planning-instance.schema.json'

const ajv = new Ajv2020({
	allErrors: true,
	allowUnionTypes: true,
	discriminator: true,
	strict: true,
	strictRequired: false,
	strictTypes: false,
})
const isDesign = ajv.compile<Design>(designSchema)
const isInstance = ajv.compile<Instance>(instanceSchema)
const isPlan = ajv.compile<Plan>(planSchema)

/** So many problems are reported; a document with more is a different document. */
const MAX_PROBLEMS = 50

/**
 * Reads a design in the exchange form.
 *
 * @throws {InputError} every problem by JSON pointer; a newer version of the format is refused by name
 */
export function readDesign(document: unknown): Design {
	const version = isObject(document) ? document['formatVersion'] : undefined
	if (typeof version === 'number' && version > DESIGN_FORMAT_VERSION) {
		const message = `This design was written by a newer Calycine (format ${version}); this one reads up to ${DESIGN_FORMAT_VERSION}`
		throw new InputError([{ path: '/formatVersion', message }])
	}
	const design = read(isDesign, document)
	return refuse(validateDesign(design), design)
}

/** @throws {InputError} every problem by JSON pointer */
export function readInstance(document: unknown): Instance {
	const instance = read(isInstance, document)
	return refuse(validateInstance(instance), instance)
}

/** @throws {InputError} every problem by JSON pointer */
export function readPlan(document: unknown): Plan {
	return read(isPlan, document)
}

/**
 * A document against a schema of its own, compiled once.
 *
 * @throws {InputError} every problem by JSON pointer
 */
export function readAgainst<T>(schema: AnySchemaObject, document: unknown): T {
	return read(ajv.compile<T>(schema), document)
}

function read<T>(isValid: ValidateFunction<T>, document: unknown): T {
	if (isValid(document)) return document
	// An "if" only repeats what its branch has said.
	const errors = (isValid.errors ?? []).filter(({ keyword }) => keyword !== 'if')
	throw new InputError(errors.slice(0, MAX_PROBLEMS).map(toProblem))
}

function refuse<T>(problems: readonly FieldProblem[], value: T): T {
	if (problems.length > 0) throw new InputError(problems.slice(0, MAX_PROBLEMS))
	return value
}

function toProblem({ instancePath, message = 'is not valid', params }: ErrorObject): FieldProblem {
	const detail = 'additionalProperty' in params ? ` "${String(params['additionalProperty'])}"` : ''
	const allowed = 'allowedValues' in params ? `: ${(params['allowedValues'] as unknown[]).join(', ')}` : ''
	return { path: instancePath || '/', message: `${message}${detail}${allowed}` }
}

function isObject(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null
}

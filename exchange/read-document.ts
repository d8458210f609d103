/** Documents from outside, read against their published JSON Schemas; every problem names its place. */
import type { AnySchemaObject, ErrorObject, ValidateFunction } from 'ajv'
import { Ajv2020 } from 'ajv/dist/2020'
import { DESIGN_FORMAT_VERSION, type Design } from '../core/design/design'
import { upgradeDesign } from '../core/design/upgrade-design'
import { countProblems } from '../core/design/count-problems'
import { validateDesign } from '../core/design/validate-design'
import { InputError, type FieldProblem } from '../core/errors'
import type { Instance } from '../core/plan/problem/instance'
import type { NamedPlan } from '../core/plan/named-plan'
import type { Plan } from '../core/plan/problem/plan'
import { validateInstance } from '../core/plan/problem/validate-instance'
import designSchema from './schemas/design.schema.json'
import planSchema from './schemas/plan.schema.json'
import instanceSchema from './schemas/planning-instance.schema.json'

const TERMS = {
	allowUnionTypes: true,
	discriminator: true,
	strict: true,
	strictRequired: false,
	strictTypes: false,
}
/** Says whether, and stops at the first problem: a megabyte of nonsense takes no time. */
const brief = new Ajv2020(TERMS)
/** Says everything that is wrong: asked only where a document is wrong, and small enough. */
const thorough = new Ajv2020({ ...TERMS, allErrors: true })

/** So many problems are reported; a document with more is a different document. */
const MAX_PROBLEMS = 50
/** The largest instances of 1 000 tasks have some 20 000, a course with six designs and its shelf as many. */
const MAX_VALUES = 60_000
/** Of a wrong document with more only the first problem is told. */
const MOST_LOOKED_THROUGH = 12_000
/** As many as an instance has arcs. */
const MOST_SWAPS = 10_000

/**
 * Reads a design in the exchange form; one of an older form is brought to the newest.
 *
 * @throws {InputError} every problem by JSON pointer; a newer version of the format is refused by name
 */
export function readDesign(document: unknown): Design {
	const design = readDraft(document)
	return refuse(countProblems(design), design)
}

/**
 * A design in the making: as `readDesign`, but its counts need not go together yet.
 *
 * @throws {InputError} as `readDesign`
 */
export function readDraft(document: unknown): Design {
	const version = isObject(document) ? document['formatVersion'] : undefined
	if (typeof version === 'number' && version > DESIGN_FORMAT_VERSION) {
		const message = `This design was written by a newer Calycine (format ${version}); this one reads up to ${DESIGN_FORMAT_VERSION}`
		throw new InputError([{ path: '/formatVersion', message }])
	}
	const design = readAgainst<Design>(designSchema, upgradeDesign(document))
	return refuse(validateDesign(design), design)
}

/** @throws {InputError} every problem by JSON pointer */
export function readInstance(document: unknown): Instance {
	const instance = readAgainst<Instance>(instanceSchema, document)
	return refuse(validateInstance(instance), instance)
}

/** @throws {InputError} every problem by JSON pointer */
export function readPlan(document: unknown): Plan {
	return readAgainst<Plan>(planSchema, document)
}

/**
 * A plan that names its exchanges.
 *
 * @throws {InputError} every problem by JSON pointer
 */
export function readNamedPlan(document: unknown): NamedPlan {
	const swaps = isObject(document) ? document['swaps'] : undefined
	const isNames = Array.isArray(swaps) && swaps.length <= MOST_SWAPS && swaps.every((id) => typeof id === 'string')
	if (!isObject(document) || !isNames)
		throw new InputError([{ path: '/swaps', message: 'names the exchanges of the plan' }])
	return { ...readPlan({ ...document, swaps: [] }), swaps }
}

/**
 * A document against a schema; each is compiled once.
 *
 * @throws {InputError} every problem by JSON pointer
 */
export function readAgainst<T>(schema: AnySchemaObject, document: unknown): T {
	if (hasMoreValuesThan(document, MAX_VALUES))
		throw new InputError([{ path: '/', message: `holds more than ${MAX_VALUES} values: this is no document of ours` }])
	const isValid: ValidateFunction<T> = brief.compile<T>(schema)
	if (isValid(document)) return document
	const errors = hasMoreValuesThan(document, MOST_LOOKED_THROUGH) ? isValid.errors : allErrors(schema, document)
	// An "if" only repeats what its branch has said.
	const told = (errors ?? []).filter(({ keyword }) => keyword !== 'if')
	throw new InputError(told.slice(0, MAX_PROBLEMS).map(toProblem))
}

function allErrors(schema: AnySchemaObject, document: unknown): ValidateFunction['errors'] {
	const isValid = thorough.compile(schema)
	isValid(document)
	return isValid.errors
}

/** Checked first: the check against a schema looks for every problem of every value. */
function hasMoreValuesThan(document: unknown, most: number): boolean {
	const waiting = [document]
	let count = 0
	for (let value = waiting.pop(); value !== undefined; value = waiting.pop()) {
		if (++count > most) return true
		if (typeof value === 'object' && value !== null) for (const inner of Object.values(value)) waiting.push(inner ?? 0)
	}
	return false
}

function refuse<T>(problems: readonly FieldProblem[], value: T): T {
	if (problems.length > 0) throw new InputError(problems.slice(0, MAX_PROBLEMS))
	return value
}

function toProblem({ instancePath, keyword, message = 'is not valid', params }: ErrorObject): FieldProblem {
	const detail = 'additionalProperty' in params ? ` "${String(params['additionalProperty'])}"` : ''
	const allowed = 'allowedValues' in params ? `: ${(params['allowedValues'] as unknown[]).join(', ')}` : ''
	// A field that is there though it has no meaning beside the others.
	const told = keyword === 'false schema' ? 'has no meaning here' : message
	return { path: instancePath || '/', message: `${told}${detail}${allowed}` }
}

function isObject(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null
}

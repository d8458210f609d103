/** The question that an address of the drying screen asks, for the screen itself and for whoever links there. */
import { ValidationError } from 'yup'
import { InputError, type FieldProblem } from '../../core/errors'
import { toQuestion, type Known } from './ask-drying'
import { dryingSchema, type DryingAddress } from './drying-address'

export interface ReadAddress {
	address: DryingAddress
	problems: FieldProblem[]
	/** It can be answered, though some of it may have its usual value. */
	isAnswerable: boolean
}

/** What cannot be understood takes its usual value, and is told. */
export function readAddress(search: URLSearchParams, known: Known): ReadAddress {
	const usual = { ...dryingSchema.getDefault(), room: known.places[0]?.id ?? 0 }
	const given = Object.fromEntries([...search].filter(([key, value]) => key in dryingSchema.fields && value !== ''))
	const problems = problemsOf({ ...usual, ...given }).map(({ path, message }) => {
		return { path, message: `${message}, not “${given[path] ?? ''}”` }
	})
	const wrong = new Set(problems.map(({ path }) => path))
	const understood = Object.fromEntries(Object.entries(given).filter(([key]) => !wrong.has(key)))
	const address = dryingSchema.validateSync({ ...usual, ...understood }, { stripUnknown: true })
	try {
		toQuestion(address, known)
		return { address, problems, isAnswerable: true }
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		return { address, problems: [...problems, ...error.problems], isAnswerable: false }
	}
}

function problemsOf(values: object): FieldProblem[] {
	try {
		dryingSchema.validateSync(values, { abortEarly: false, stripUnknown: true })
		return []
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error
		return (error.inner.length > 0 ? error.inner : [error]).map(({ path = '', message }) => ({ path, message }))
	}
}

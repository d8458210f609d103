import { ValidationError, type AnyObjectSchema } from 'yup'
import type { FieldProblem } from '../../../core/errors'

/** What is wrong with values, by field; empty: nothing. */
export async function schemaProblems(schema: AnyObjectSchema, values: object): Promise<FieldProblem[]> {
	try {
		await schema.validate(values, { abortEarly: false })
		return []
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error
		return (error.inner.length > 0 ? error.inner : [error]).map(({ path = '', message }) => ({ path, message }))
	}
}

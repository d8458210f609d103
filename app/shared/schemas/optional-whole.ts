import { number } from 'yup'

/** A whole number, or a field left empty, which says nothing. */
export const optionalWhole = (message: string) =>
	number()
		.transform((value: unknown, given: unknown) => (given === '' || given === null ? undefined : value))
		.integer(message)
		.typeError(message)

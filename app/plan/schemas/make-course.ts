import { number, object, string } from 'yup'
import { picksShape } from '../../shared/schemas/picks'

/** A way of a design that is to become a course, in the slot of the address. */
export const makeCourseSchema = object({
	designId: string().required('Choose a design').max(60),
	flowers: number().required().integer().min(1).max(20),
	picks: picksShape(),
}).noUnknown()

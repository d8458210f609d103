import { object, string } from 'yup'
import { rowId } from '../../shared/schemas/row-version'

/** What the log does with an observation, by intent. */
export const logActions = {
	'leave-out': object({
		id: rowId().required(),
		reason: string().trim().required('Say why, so that you know it in a year').max(200, 'At most 200 characters'),
	}).noUnknown(),
	/** Plans go by what is learnt now, or by what the designs state. */
	'plan-with': object({}).noUnknown(),
	'plan-stated': object({}).noUnknown(),
	'take-in': object({ id: rowId().required() }).noUnknown(),
}

import { object, string } from 'yup'

/** How a new design begins: from a skeleton, or like one of the studio's own. */
export const newDesignSchema = object({
	name: string().trim().required('Give the design a name').max(80, 'At most 80 characters'),
	from: string()
		.required('Choose what to start from')
		.matches(/^(skeleton|like):[a-z0-9-]{1,60}$/, 'Choose what to start from'),
}).noUnknown()

import { mixed, object, string, type InferType } from 'yup'

/** The text of a file, looked at first and taken in then. */
export const importSchema = object({
	intent: mixed<'look' | 'take'>().oneOf(['look', 'take']).required(),
	text: string().required('The file is empty').max(4_000_000, 'The file is larger than 4 MB'),
	/** What becomes of a design whose id is taken. */
	onTaken: mixed<'both' | 'replace'>().oneOf(['both', 'replace']).default('both'),
}).noUnknown()

export type ImportInput = InferType<typeof importSchema>

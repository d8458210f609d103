import { mixed, object, string } from 'yup'

export const LARGEST_FILE = 4_000_000

const text = string().required('The file is empty').max(LARGEST_FILE, 'The file is larger than 4 MB')

/** The text of a file, looked at first and taken in then. */
export const importActions = {
	look: object({ text }).noUnknown(),
	take: object({
		text,
		/** What becomes of a design whose id is taken. */
		onTaken: mixed<'both' | 'replace'>().oneOf(['both', 'replace']).default('both'),
		/** To replace: the newest version of each id that is taken, as it was looked at. */
		versions: mixed<Record<string, number>>()
			.default({})
			.test('versions', 'Look at the file again', (value) => Object.values(value ?? {}).every(Number.isSafeInteger)),
	}).noUnknown(),
}

import { object, string } from 'yup'
import { rowId, rowVersion } from '../../shared/schemas/row-version'

/** What is said of a photo. */
const words = {
	caption: string().default('').trim().max(160, 'At most 160 characters'),
	/** Empty: it shows the whole design. */
	stepId: string().default('').max(60),
}
const which = { id: rowId().required(), version: rowVersion() }

/** What the page does with photos that are there, by intent. */
export const photoActions = {
	change: object({ ...which, ...words }).noUnknown(),
	delete: object(which).noUnknown(),
}

/** What is sent beside a new photo. */
export const newPhotoSchema = object(words).noUnknown()

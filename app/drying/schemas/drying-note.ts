/** What was seen of the piece of the address that it is sent to; or an entry to be forgotten. */
import { number, object, ref } from 'yup'
import { rowId } from '../../shared/schemas/row-version'

const HOURS = 'A number of hours from 0 to 2000'

const hours = () => number().transform(empty).typeError(HOURS).min(0, HOURS).max(2000, HOURS)
const empty = (value: unknown, original: unknown) => (original === '' ? undefined : value)

export const dryingNoteActions = {
	note: object({
		notReadyHours: hours().required(HOURS),
		readyHours: hours().moreThan(ref('notReadyHours'), 'Must be later than when it was not ready yet'),
	}).noUnknown(),
	forget: object({ id: rowId().required() }).noUnknown(),
}

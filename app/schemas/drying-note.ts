import { mixed, number, object, ref } from 'yup'

const HOURS = 'A number of hours from 0 to 2000'

const hours = () => number().typeError(HOURS).min(0, HOURS).max(2000, HOURS)
const empty = (value: unknown, original: unknown) => (original === '' ? undefined : value)

/** What was seen of the piece of the address that it is sent to; or an entry to be forgotten. */
export const dryingNoteSchema = object({
	intent: mixed<'note' | 'forget'>().oneOf(['note', 'forget']).required(),
	id: number()
		.integer()
		.when('intent', { is: 'forget', then: (schema) => schema.required() }),
	notReadyHours: hours()
		.transform(empty)
		.when('intent', { is: 'note', then: (schema) => schema.required(HOURS) }),
	readyHours: hours()
		.transform(empty)
		.when('intent', {
			is: 'note',
			then: (schema) => schema.moreThan(ref('notReadyHours'), 'Must be later than when it was not ready yet'),
		}),
}).noUnknown()

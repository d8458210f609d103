import { boolean, number, object, ref, string } from 'yup'
import { rowId } from '../../shared/schemas/row-version'

const MINUTES = 'Minutes from 0.5 to 2000'
const PIECES = 'A whole number of pieces'
const WAITING = 'A whole number of students, from 0 to 500'
const GRAMS = 'Grams from 1 to 100 000'

const id = () => rowId().required()
const pieces = () => number().typeError(PIECES).required(PIECES).integer(PIECES).min(0, PIECES).max(100_000, PIECES)

/** What the log does, by intent. */
export const logActions = {
	'leave-out': object({
		id: id(),
		reason: string().trim().required('Say why, so that you know it in a year').max(200, 'At most 200 characters'),
	}).noUnknown(),
	'take-in': object({ id: id() }).noUnknown(),
	'correct-minutes': object({
		id: id(),
		minutes: number().typeError(MINUTES).required(MINUTES).min(0.5, MINUTES).max(2000, MINUTES),
	}).noUnknown(),
	'correct-breakage': object({
		id: id(),
		made: pieces().min(1, PIECES),
		broken: pieces().max(ref('made'), 'More broke than were made'),
	}).noUnknown(),
	'correct-paste': object({
		id: id(),
		usedG: number().typeError(GRAMS).required(GRAMS).min(1, GRAMS).max(100_000, GRAMS),
	}).noUnknown(),
	'correct-wires': object({
		id: id(),
		handed: pieces().min(1, PIECES),
		used: pieces().min(1, PIECES).max(ref('handed'), 'More were used than were handed out'),
	}).noUnknown(),
	'correct-queue': object({
		id: id(),
		waiting: number().typeError(WAITING).required(WAITING).integer(WAITING).min(0, WAITING).max(500, WAITING),
	}).noUnknown(),
	/** What was observed counts again. */
	'as-observed': object({ id: id() }).noUnknown(),
	/** Plans go by what is learnt now, or by what the designs state. */
	'plan-with': object({}).noUnknown(),
	'plan-stated': object({}).noUnknown(),
	/** Whether it is learnt how fast people are who come again. */
	'learn-students': object({ learns: boolean().required() }).noUnknown(),
	'forget-student': object({ person: string().required().max(80) }).noUnknown(),
	/** A file of classes (CSV). */
	import: object({ text: string().required('The file is empty').max(4_000_000, 'At most 4 MB at once') }).noUnknown(),
}

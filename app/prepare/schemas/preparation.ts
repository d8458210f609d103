/** What is done and settled of the work before class, and when somebody is free for it. */
import { array, number, object, string, type InferType } from 'yup'
import { optionalWhole } from '../../shared/schemas/optional-whole'
import { isCalendarDate } from '../../../core/time/calendar'

const MOST_SPANS = 30
const MOST_EXCEPTIONS = 200

const date = () => string().test('day', 'A day, as 2026-03-12', (text) => text === undefined || isCalendarDate(text))
const task = { courseId: number().required().integer().min(1), taskId: string().required().max(190) }
const minute = (label: string) =>
	number().required(`${label}, please`).integer('A whole minute').min(0, 'From 0:00').max(1440, 'Until 24:00')

const dayLimit = () => optionalWhole('Whole minutes').min(15, 'At least 15').max(1440, 'At most 24 h')

const span = {
	startMin: minute('From when'),
	endMin: minute('Until when').test('after', 'After it begins', function (end) {
		const { startMin } = this.parent as { startMin?: number }
		return startMin === undefined || end === undefined || end > startMin
	}),
}

export const preparationActions = {
	done: object(task).noUnknown(),
	undone: object(task).noUnknown(),
	/** Without a day: whenever it is best. */
	settle: object({ ...task, day: date() }).noUnknown(),
	'more-time': object({ date: date().required(), ...span }).noUnknown(),
	'longer-days': object({ mostMinutesADay: dayLimit().required() }).noUnknown(),
	'make-feed': object({}).noUnknown(),
	'revoke-feed': object({}).noUnknown(),
}

export const freeTimeSchema = object({
	weekly: array(object({ weekday: number().required('Which day?').integer().min(1).max(7), ...span }).noUnknown())
		.required()
		.max(MOST_SPANS, 'No more than 30 stretches'),
	exceptions: array(
		object({
			date: date().required('Which day?'),
			spans: array(object(span).noUnknown()).required().max(MOST_SPANS),
			mostMinutes: dayLimit(),
		}).noUnknown(),
	)
		.required()
		.max(MOST_EXCEPTIONS, 'No more than 200 days'),
	mostMinutesADay: dayLimit().required('How many minutes?'),
}).noUnknown()

export type FreeTimeInput = InferType<typeof freeTimeSchema>

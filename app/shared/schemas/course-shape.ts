/** A course's fields as they come from outside: their shape; what is right of them is core's. */
import { array, boolean, mixed, number, object, string } from 'yup'
import { PACES, PLAN_FOR, type Course } from '../../../core/course/course'
import { SPARE_CONFIDENCES } from '../../../core/course/validate-course'
import { picksShape } from './picks'
import { optionalWhole } from './optional-whole'
import { rowId } from './row-version'

const whole = (label: string) =>
	number().typeError(`${label} is a number`).required(`${label} is missing`).integer(`${label} is a whole number`)

/** A place of the studio; none: the first of its kind. Forms say null for none. */
const placeId = () => rowId().transform((value: unknown) => (value === null ? undefined : value))

const sessionShape = object({
	date: string().required('The date is missing'),
	startMin: whole('The start'),
	endMin: whole('The end'),
	setUpMinutes: whole('Setting up'),
	clearAwayMinutes: whole('Clearing away'),
	breaks: array(
		object({
			startMin: whole('The start of the break'),
			minutes: whole('The break'),
			mayMoveMinutes: optionalWhole('Whole minutes'),
		}).noUnknown(),
	).default([]),
	roomId: placeId(),
	bufferMinutes: optionalWhole('Whole minutes'),
}).noUnknown()

export const courseShape = object({
	name: string().trim().default(''),
	studentCount: whole('The number of students'),
	pace: mixed<Course['pace']>().oneOf(PACES, 'Choose a pace').required('Choose a pace'),
	planFor: mixed<Course['planFor']>().oneOf(PLAN_FOR, 'Choose whom to plan for').required('Choose whom to plan for'),
	spareConfidence: number().oneOf(SPARE_CONFIDENCES, 'Choose one of the three').required('Choose how sure'),
	demoFlowers: whole('The number to show'),
	homeworkMinutes: whole('Homework'),
	homeAfterDays: optionalWhole('Whole days'),
	endEarly: boolean().transform((value: unknown) => value || undefined),
	designs: array(
		object({
			designId: string().required('Choose a design'),
			key: string().transform((value: string) => value || undefined),
			name: string().trim(),
			flowersPerStudent: whole('The number of pieces'),
			picks: picksShape(),
		}).noUnknown(),
	).required(),
	storeId: placeId(),
	sessions: array(sessionShape).required(),
})

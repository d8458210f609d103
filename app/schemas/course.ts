/** The course as its form sends it. Rules between sessions are core's, and both sides ask them. */
import { array, mixed, number, object, string } from 'yup'
import { PACES, PLAN_FOR, type Course } from '../../core/courses/course'
import { toWindows } from '../../core/courses/session-windows'
import { InputError, type FieldProblem } from '../../core/errors'

const whole = (label: string) =>
	number().typeError(`${label} is a number`).required(`${label} is missing`).integer(`${label} is a whole number`)

/** Minutes after midnight; an empty time field counts as missing. */
const minuteOfDay = (label: string) => whole(label).min(0).max(1440, `${label} must be within the day`)

const duration = (label: string, max: number) =>
	whole(label).min(0, `${label} cannot be negative`).max(max, `At most ${max} minutes`)

/** A place of the studio; none: the first of its kind. Forms say null for none. */
function placeId() {
	return number()
		.transform((value: unknown) => (value === null ? undefined : value))
		.integer('Choose a place')
		.min(1, 'Choose a place')
}

const sessionSchema = object({
	date: string()
		.required('The date is missing')
		.matches(/^\d{4}-\d{2}-\d{2}$/, 'A date as 2026-03-01')
		.test('exists', 'There is no such day', (value) => value === undefined || isRealDate(value)),
	startMin: minuteOfDay('The start'),
	endMin: minuteOfDay('The end'),
	setUpMinutes: duration('Setting up', 120),
	clearAwayMinutes: duration('Clearing away', 120),
	breaks: array(
		object({ startMin: minuteOfDay('The start of the break'), minutes: duration('The break', 240) }).noUnknown(),
	)
		.default([])
		.max(6, 'At most 6 breaks'),
	roomId: placeId(),
}).noUnknown()

export const courseSchema = object({
	name: string().trim().required('Give the course a name').max(120, 'At most 120 characters'),
	studentCount: whole('The number of students').min(1, 'At least 1 student').max(60, 'At most 60 students'),
	pace: mixed<Course['pace']>().oneOf(PACES, 'Choose a pace').required('Choose a pace'),
	planFor: mixed<Course['planFor']>().oneOf(PLAN_FOR, 'Choose whom to plan for').required('Choose whom to plan for'),
	spareConfidence: number().oneOf([0.8, 0.9, 0.95], 'Choose one of the three').required('Choose how sure'),
	demoFlowers: whole('The number to show').min(0, 'Cannot be negative').max(10, 'At most 10'),
	homeworkMinutes: duration('Homework', 600),
	designs: array(
		object({
			designId: string().required('Choose a design').max(60),
			flowersPerStudent: whole('The number of pieces').min(1, 'At least 1').max(30, 'At most 30'),
			picks: mixed<Record<string, string>>()
				.default({})
				.test('picks', 'Choose one of the options', (value) => value === undefined || isRecordOfText(value)),
		}).noUnknown(),
	)
		.required()
		.min(1, 'Choose at least one design')
		.max(6, 'At most 6 designs')
		.test('different', 'Each design once: raise its number instead', (designs) => {
			const ids = (designs ?? []).map(({ designId }) => designId)
			return new Set(ids).size === ids.length
		}),
	storeId: placeId(),
	sessions: array(sessionSchema).required().min(1, 'Add at least one session').max(30, 'At most 30 sessions'),
}).noUnknown()

/** A change of a stored course: it says which version was read, and whether a newer one may be written over. */
export const courseChangeSchema = courseSchema.shape({ version: whole('The version').min(1) })

/** What core says of the sessions, by field. */
export function checkSessions({ sessions }: Pick<Course, 'sessions'>): readonly FieldProblem[] {
	try {
		toWindows(sessions)
		return []
	} catch (error) {
		if (error instanceof InputError) return error.problems
		throw error
	}
}

function isRealDate(value: string): boolean {
	const date = new Date(`${value}T00:00:00Z`)
	return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(value)
}

function isRecordOfText(value: object): boolean {
	const entries = Object.entries(value)
	return (
		entries.length <= 10 &&
		entries.every(([key, option]) => key.length <= 60 && typeof option === 'string' && option.length <= 60)
	)
}

/** What is told by hand of a session that was taught without the tablet. Empty lines are not sent. */
import { array, number, object, string } from 'yup'

const MINUTES = 'Minutes from 0.5 to 2000'
const STUDENTS = 'A whole number from 1 to 500'
const PIECES = 'A whole number from 0 to 10 000'
const WAITING = 'A whole number of students, from 0 to 500'
const GRAMS = 'Grams from 0 to 100 000'
/** More than any session has. */
const MOST_LINES = 300

const name = () => string().required().max(300)

export const toldSchema = object({
	studentCount: number().typeError(STUDENTS).required(STUDENTS).integer(STUDENTS).min(1, STUDENTS).max(500, STUDENTS),
	/** Whose minutes are told. */
	told: string<'most' | 'all'>().oneOf(['most', 'all']).required(),
	minutes: array(
		object({
			task: name(),
			minutes: number().typeError(MINUTES).required(MINUTES).min(0.5, MINUTES).max(2000, MINUTES),
		}).noUnknown(),
	)
		.max(MOST_LINES)
		.required(),
	broken: array(
		object({
			part: name(),
			pieces: number().typeError(PIECES).required(PIECES).integer(PIECES).min(0, PIECES).max(10_000, PIECES),
		}).noUnknown(),
	)
		.max(MOST_LINES)
		.required(),
	waiting: array(
		object({
			tool: name(),
			students: number().typeError(WAITING).required(WAITING).integer(WAITING).min(0, WAITING).max(500, WAITING),
		}).noUnknown(),
	)
		.max(MOST_LINES)
		.required(),
	wires: array(
		object({
			wire: name(),
			pieces: number().typeError(PIECES).required(PIECES).integer(PIECES).min(0, PIECES).max(10_000, PIECES),
		}).noUnknown(),
	)
		.max(MOST_LINES)
		.required(),
	left: array(
		object({
			paste: name(),
			leftG: number().typeError(GRAMS).required(GRAMS).min(0, GRAMS).max(100_000, GRAMS),
		}).noUnknown(),
	)
		.max(MOST_LINES)
		.required(),
}).noUnknown()

/** A course made again, and one taken in from a file. */
import { number, object, string } from 'yup'
import { COURSE_LIMITS } from '../../../core/course/validate-course'

const { students, nameLength } = COURSE_LIMITS
const COUNT = `Whole students from ${students.min} to ${students.max}`

export const againSchema = object({
	name: string().trim().required('Give the course a name').max(nameLength.max, `At most ${nameLength.max} characters`),
	firstDate: string().required('Choose the first day').max(10),
	studentCount: number()
		.typeError(COUNT)
		.required(COUNT)
		.integer(COUNT)
		.min(students.min, COUNT)
		.max(students.max, COUNT),
}).noUnknown()

/** Of the file; a course with six designs and its plan has some hundred kB. */
export const LARGEST_COURSE_FILE = 4_000_000

export const importCourseSchema = object({
	text: string().required('Choose a file').max(LARGEST_COURSE_FILE, 'At most 4 MB are taken'),
}).noUnknown()

/** The people of a course as their form sends them. */
import { array, boolean, mixed, object, string, type InferType } from 'yup'
import { PACES, type Pace } from '../../../core/course/course'
import { ALLERGENS, type Allergen } from '../../../core/vocabulary/allergen'
import { COURSE_LIMITS } from '../../../core/course/validate-course'
import { DIETS, type Diet, type Student } from '../../../core/kit/student'
import { rowVersion, versionSchema } from '../../shared/schemas/row-version'

/** Absent: as the group. Forms say null or nothing for none. */
const level = () =>
	mixed<Pace>()
		.transform((value: unknown) => (value === null || value === '' ? undefined : value))
		.oneOf([...PACES, undefined], 'Choose a level')

export const studentSchema = object({
	name: string().trim().required('A name, or a nickname').max(80, 'At most 80 characters'),
	level: level(),
	isLeftHanded: boolean().default(false),
	avoids: array(mixed<Allergen>().oneOf(ALLERGENS, 'Choose from the list').required()).default([]),
	diet: mixed<Diet>().oneOf(DIETS, 'Choose a diet').default('any'),
	isChild: boolean().default(false),
	notes: string().trim().default('').max(300, 'At most 300 characters'),
}).noUnknown()

export const peopleSchema = object({
	students: array(studentSchema)
		.required()
		.max(COURSE_LIMITS.students.max, `At most ${COURSE_LIMITS.students.max} people`),
	/** Of the list as it was read. */
	version: rowVersion(),
}).noUnknown()

export type PeopleInput = InferType<typeof peopleSchema>

/** As core knows it. */
export function toStudent({ level: pace, ...student }: PeopleInput['students'][number]): Student {
	return { ...student, ...(pace && { level: pace }) }
}

/** What else the page may ask for, by its intent. */
export const peopleActions = {
	forget: versionSchema,
	import: object({
		text: string().required('The file is empty').max(200_000, 'The file is larger than 200 kB'),
		version: rowVersion(),
	}).noUnknown(),
}

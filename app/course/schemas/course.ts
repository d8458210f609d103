/** The course as its form sends it: here its shape; what is right of it is core's, and both sides ask that. */
import { ValidationError } from 'yup'
import type { Course } from '../../../core/course/course'
import { validateCourse } from '../../../core/course/validate-course'
import { courseShape } from '../../shared/schemas/course-shape'
import { rowVersion } from '../../shared/schemas/row-version'

export const courseSchema = courseShape
	.test('course', (value, { createError }) => {
		// Of another shape, the fields themselves say what is wrong.
		if (!courseShape.isValidSync(value)) return true
		const problems = validateCourse(value as Course).map(({ path, message }) => createError({ path, message }))
		return problems.length === 0 || new ValidationError(problems)
	})
	.noUnknown()

/** A change of a stored course: it says which version was read. */
export const courseChangeSchema = courseSchema.shape({ version: rowVersion() })

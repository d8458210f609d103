/** A course as the plan's picture changes it: with what its form does not show. What is right of it core says where it is kept. */
import { mixed } from 'yup'
import { isCoursePin, type CoursePin } from '../../../core/course/course-pin'
import { courseShape } from '../../shared/schemas/course-shape'

export const wholeCourseSchema = courseShape
	.shape({
		waits: mixed<Record<string, number>>().test('waits', 'Whole minutes by wait', isRecordOfNumbers),
		pins: mixed<CoursePin[]>().test('pins', 'There is no such thing to settle', isListOfPins),
	})
	.noUnknown()

function isRecordOfNumbers(value: unknown): boolean {
	if (value === undefined) return true
	return typeof value === 'object' && value !== null && Object.values(value).every((one) => typeof one === 'number')
}

function isListOfPins(value: unknown): boolean {
	return value === undefined || (Array.isArray(value) && value.every(isCoursePin))
}

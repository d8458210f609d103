/** What a list of courses is asked, as its address says it; and what is done with those that are chosen. */
import { array, object } from 'yup'
import { COURSE_ORDERS, type CourseFilter } from '../../../core/course/course-filter'
import { rowId, rowVersion } from '../../shared/schemas/row-version'
import { readSearch } from '../../shared/address'

/** As many as a page shows. */
const MOST_CHOSEN = 50

/** Reads the address; what is not understood narrows nothing. */
export function readCourseFilter(search: URLSearchParams): CourseFilter {
	const when = search.get('when')
	const plan = search.get('plan')
	return {
		search: readSearch(search) || undefined,
		when: when === 'ahead' || when === 'over' ? when : undefined,
		plan: plan === 'fits' || plan === 'open' ? plan : undefined,
		order: COURSE_ORDERS.find((order) => order === search.get('order')),
	}
}

export const courseListActions = {
	delete: object({
		courses: array(object({ id: rowId().required(), version: rowVersion() }).noUnknown())
			.required()
			.min(1, 'Choose a course')
			.max(MOST_CHOSEN),
	}).noUnknown(),
}

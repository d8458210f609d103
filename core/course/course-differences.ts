/** What two states of a course say differently, for somebody who must choose between them. */
import { isSameData } from '../sorted-keys'
import type { Course } from './course'

/** A field of the course that differs; for lists, how many entries each side has. */
export interface CourseDifference {
	/** What the two say differently. */
	field: keyof Course
	/** As this window has it. */
	mine: string | number | boolean
	/** As it was saved meanwhile. */
	theirs: string | number | boolean
}

/** Everything that a course says for itself; designs and sessions are compared one by one. */
const FIELDS = [
	'name',
	'studentCount',
	'pace',
	'planFor',
	'spareConfidence',
	'demoFlowers',
	'homeworkMinutes',
	'homeAfterDays',
	'endEarly',
	'designs',
	'sessions',
	'storeId',
] as const satisfies (keyof Course)[]

/** The differing fields, in the order of the form. Lists count as different if any entry is. */
export function compareCourses(mine: Course, theirs: Course): CourseDifference[] {
	return FIELDS.flatMap((field) => {
		const [own, other] = [valueOf(mine, field), valueOf(theirs, field)]
		if (typeof own !== 'object' && typeof other !== 'object')
			return own === other ? [] : [{ field, mine: own ?? '', theirs: other ?? '' }]
		const [ownList, otherList] = [own as object[], other as object[]]
		return isSameData(ownList, otherList) ? [] : [{ field, mine: ownList.length, theirs: otherList.length }]
	})
}

/** The version of a design and the key of an item are not set in the form: they do not count. */
function valueOf(course: Course, field: keyof Course) {
	if (field !== 'designs') return course[field]
	return course.designs.map(({ designId, name, flowersPerStudent, picks }) => {
		return { designId, ...(name && { name }), flowersPerStudent, picks }
	})
}

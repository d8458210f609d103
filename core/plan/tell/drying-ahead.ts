import type { CourseWait } from '../compile/compiled-course'

/**
 * Clock minutes to allow for pieces that the instructor makes herself and brings dry: as sure as it gets where it was
 * computed, and the design's own where it was not, or where it never ends in the rooms of the course. No day is reckoned
 * from a wait that does not end.
 */
export function minutesAhead({ p90Minutes, plannedMinutes, usualMinutes }: CourseWait): number {
	return p90Minutes ?? plannedMinutes ?? usualMinutes
}

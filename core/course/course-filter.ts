/** What a list of courses is narrowed to, and its order. */
export interface CourseFilter {
	/** Words that all stand in the name of the course or of one of its designs. */
	search?: string | undefined
	/** Its last session lies ahead (or today), or is over. */
	when?: 'ahead' | 'over' | undefined
	/** Its newest plan fits, or something keeps it from fitting: a shortfall, or no plan. */
	plan?: 'fits' | 'open' | undefined
	order?: CourseOrder | undefined
}

/** The first is the usual one: whose last session is latest first. */
export const COURSE_ORDERS = ['latest', 'soonest', 'name', 'largest'] as const
export type CourseOrder = (typeof COURSE_ORDERS)[number]

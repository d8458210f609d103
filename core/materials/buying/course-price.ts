/** Price of a course: what one student more costs, what it costs whoever comes, and where it pays. Whole cents. */

export interface CourseCosts {
	/** Materials of one student's kit. */
	perStudentCents: number
	/** Demo set, dried pieces, reserve, room, pay: whoever comes. */
	fixedCents: number
}

/** What all of it costs with so many students. */
export function totalCostCents({ perStudentCents, fixedCents }: CourseCosts, studentCount: number): number {
	return fixedCents + perStudentCents * studentCount
}

/**
 * The least number of students at which a price covers the costs.
 *
 * @returns undefined where no number does, since each costs more than she pays
 */
export function breakEvenCount({ perStudentCents, fixedCents }: CourseCosts, priceCents: number): number | undefined {
	if (fixedCents <= 0 && priceCents >= perStudentCents) return 0
	const margin = priceCents - perStudentCents
	return margin > 0 ? Math.ceil(fixedCents / margin) : undefined
}

/** The least price in whole cents that covers the costs with so many students, > 0. */
export function coveringPriceCents(costs: CourseCosts, studentCount: number): number {
	return Math.ceil(totalCostCents(costs, studentCount) / studentCount)
}

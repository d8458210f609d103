/** What a course would cost by one of its plans, reckoned as the page of costs reckons the plan that stands. */
import { kitStudioOf, packClassKit } from '../../../../core/kit/class-kit'
import { instructorHours, priceCourse } from '../../../../core/kit/price-course'
import { listNeeds } from '../../../../core/kit/shopping-list'
import type { DesignInCourse } from '../../../../core/plan/compile/compile-course'
import type { CoursePlan } from '../../../../core/plan/plan-course'
import { present } from '../../../../core/present'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { getCourseMoney } from '../../../../db/repositories/courses.server'
import { readStock, toStock } from '../../../../db/repositories/stock/read-stock.server'
import { getRoster } from '../../../../db/repositories/students.server'

/** Whole cents: materials, room, her pay and the rest. */
export type PricePlan = (plan: CoursePlan, designs: readonly DesignInCourse[]) => number

/** Reads once what the price of every plan of a course hangs on. */
export async function readPricing(studio: Studio, courseId: number): Promise<PricePlan> {
	const [stored, { students }, { money }] = await Promise.all([
		readStock(studio.id),
		getRoster(studio.id, courseId),
		getCourseMoney(studio.id, courseId),
	])
	const stock = toStock(stored)
	const terms = { stockLengthsMm: studio.wireLengthsMm, terms: studio.kitTerms }
	return ({ course, compiled, objective, ...made }, designs) => {
		const plan = present(made.plan, 'a plan to price')
		const { studentCount } = course
		const roster = students.slice(0, studentCount)
		const kit = packClassKit(course, designs, { compiled, plan, roster, studio: kitStudioOf(terms, stock, designs) })
		const hours = instructorHours(course, objective)
		return priceCourse(listNeeds(kit), stock.offers, { money, hours, studentCount }).totalCents
	}
}

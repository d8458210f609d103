/** What a course costs and brings: materials by what is used of them, her own time, the room, and the price. */
import { breakEvenCount, coveringPriceCents, totalCostCents, type CourseCosts } from '../materials/buying/course-price'
import type { Course } from '../course/course'
import type { Objective } from '../plan/problem/objective'
import type { Offer } from '../materials/buying/plan-orders'
import type { ClassNeed } from './shopping-list'

/** As the instructor sets it, whole cents. */
export interface CourseMoney {
	/** Asked of each student. */
	priceCents: number
	/** Of all sessions. */
	roomCents: number
	/** Of her own hour, in class and before. */
	payCentsPerHour: number
	/** Whatever else the course costs, once. */
	otherCents: number
}

export const NO_MONEY: CourseMoney = { priceCents: 0, roomCents: 0, payCentsPerHour: 0, otherCents: 0 }

/** One thing used up, at the cheapest price at which it is offered. */
export interface CostLine {
	key: string
	name: string
	kind: ClassNeed['kind']
	unit: ClassNeed['unit']
	/** Of the whole class. */
	amount: number
	/** undefined: nobody offers it. */
	costCents: number | undefined
	/** What it would cost without a student. */
	fixedCents: number
	/** The pack that is cheapest for what it holds. */
	pack?: Pick<Offer, 'amount' | 'priceCents'>
}

export interface CoursePrice extends CourseCosts {
	lines: CostLine[]
	/** Of all lines that have a price. */
	materialCents: number
	/** For the instructor's hours. */
	payCents: number
	/** Material, room, pay and the rest. */
	totalCents: number
	/** price · students. */
	incomeCents: number
	/** Fewest with whom the course pays; undefined: never at this price. */
	breakEvenStudents: number | undefined
	/** Least price a student at which it pays with all places taken. */
	coveringPriceCents: number
	/** Names of things without a price: the costs are too low by them. */
	withoutPrice: string[]
}

/** Of the instructor: all of every session, and what she does before by the plan; one of the older form says nothing of that. */
export function instructorHours(
	{ sessions }: Pick<Course, 'sessions'>,
	{ prepMinutes = 0 }: Pick<Partial<Objective>, 'prepMinutes'> = {},
): number {
	return sessions.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, prepMinutes) / 60
}

/** @param hours - of the instructor, in class and before */
export function priceCourse(
	needs: readonly ClassNeed[],
	offers: readonly Offer[],
	{ money, hours, studentCount }: { money: CourseMoney; hours: number; studentCount: number },
): CoursePrice {
	const lines = needs.map((need) => costOf(need, offers))
	const materialCents = lines.reduce((sum, { costCents = 0 }) => sum + costCents, 0)
	const demoCents = lines.reduce((sum, { fixedCents }) => sum + fixedCents, 0)
	const payCents = Math.round(money.payCentsPerHour * hours)
	// Rounded up for each student: the sum over students is never below what is used.
	const perStudentCents = Math.ceil((materialCents - demoCents) / studentCount)
	const costs = { perStudentCents, fixedCents: demoCents + payCents + money.roomCents + money.otherCents }
	return {
		...costs,
		lines,
		materialCents,
		payCents,
		totalCents: totalCostCents(costs, studentCount),
		incomeCents: money.priceCents * studentCount,
		breakEvenStudents: breakEvenCount(costs, money.priceCents),
		coveringPriceCents: coveringPriceCents(costs, studentCount),
		withoutPrice: lines.filter(({ costCents }) => costCents === undefined).map(({ name }) => name),
	}
}

/** At the price of the cheapest pack by amount: what is left in a pack is not this course's cost. */
function costOf({ key, name, kind, unit, amount, fixedAmount }: ClassNeed, offers: readonly Offer[]): CostLine {
	const own = offers.filter(({ itemId }) => itemId === key)
	const common = { key, name, kind, unit, amount }
	const [pack] = own.toSorted((a, b) => a.priceCents / a.amount - b.priceCents / b.amount)
	if (!pack) return { ...common, costCents: undefined, fixedCents: 0 }
	const centsEach = pack.priceCents / pack.amount
	return {
		...common,
		costCents: Math.round(amount * centsEach),
		fixedCents: Math.round(fixedAmount * centsEach),
		pack: { amount: pack.amount, priceCents: pack.priceCents },
	}
}

/** The kits of a course as they stand: packed from its plan, for its people, from the studio's shelf. */
import type { DesignInCourse } from '../../core/plan/compile/compile-course'
import type { Design } from '../../core/design/design'
import type { PlanTerms } from '../../core/plan/compile/drying-terms'
import type { CoursePlan } from '../../core/plan/plan-course'
import { kitStudioOf, packClassKit, type ClassKit } from '../../core/kit/class-kit'
import { instructorHours } from '../../core/kit/price-course'
import type { Stock } from '../../core/kit/stock'
import type { Student } from '../../core/kit/student'
import { NotFoundError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import type { StoredCourse } from '../../db/repositories/courses.server'
import { readStock, toStock } from '../../db/repositories/stock/read-stock.server'
import { getRoster } from '../../db/repositories/students.server'
import { remember } from '../shared/http/remember.server'
import { readPlan } from '../plan/read-plan.server'

/** Of one studio some pages of some courses are open at once. */
const rememberKit = remember<ClassKit>(100)

export interface CurrentKit {
	course: StoredCourse
	coursePlan: CoursePlan
	planId: number
	planMadeAt: Date
	designs: DesignInCourse[]
	/** Their documents, in the same order. */
	documents: Design[]
	/** Of the studio, as they are now. */
	terms: PlanTerms
	/** Of what the plan would be made from today. */
	fingerprint: string
	roster: Student[]
	stock: Stock
	/** undefined: there is no plan. */
	kit: ClassKit | undefined
	/** For the head of every page. */
	state: KitState
	/** Of the instructor: in class, and before by the plan. */
	hours: number
}

export interface KitState {
	courseId: number
	hasPlan: boolean
	isOutdated: boolean
	shortfallMinutes: number
}

export async function readKit(studio: Studio, course: StoredCourse): Promise<CurrentKit> {
	const [current, stored, { students: roster }] = await Promise.all([
		readPlan(studio, course),
		readStock(studio.id),
		getRoster(studio.id, course.id),
	])
	const { coursePlan, planId, planMadeAt, designs, documents, terms, fingerprint, isOutdated } = current
	const stock = toStock(stored)
	const { compiled, plan, objective } = coursePlan
	// By what the plan was made with: a kit changes with its plan, and not by itself.
	const pasteUsed = coursePlan.terms.learnt?.paste
	const usual = { stockLengthsMm: studio.wireLengthsMm, terms: studio.kitTerms, pasteUsed }
	const kitStudio = kitStudioOf(usual, stock, designs)
	// A plan is never changed, and the course names the versions of its designs.
	const inputs = [studio.id, course, planId, roster, kitStudio]
	const kit =
		plan && rememberKit(inputs, () => packClassKit(course, designs, { compiled, plan, roster, studio: kitStudio }))
	return {
		course,
		coursePlan,
		planId,
		planMadeAt,
		designs,
		documents,
		terms,
		fingerprint,
		roster,
		stock,
		kit,
		hours: instructorHours(course, objective),
		state: {
			courseId: course.id,
			hasPlan: plan !== undefined,
			isOutdated,
			shortfallMinutes: objective?.shortfall ?? 0,
		},
	}
}

/**
 * The same for papers and files, which nobody asks for before there is a plan.
 *
 * @throws {NotFoundError} there is none
 */
export async function requireKit(studio: Studio, course: StoredCourse): Promise<CurrentKit & { kit: ClassKit }> {
	const current = await readKit(studio, course)
	if (!current.kit) throw new NotFoundError('There are no kits without a plan.')
	return { ...current, kit: current.kit }
}

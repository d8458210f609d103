/** The kits of a course as they stand: packed from its plan, for its people, from the studio's shelf. */
import type { DesignInCourse } from '../../core/courses/compile-course'
import type { Design } from '../../core/designs/design'
import { packClassKit, type ClassKit } from '../../core/kits/class-kit'
import { offcutsOf, ownedToolsOf, type Stock } from '../../core/kits/stock'
import type { Student } from '../../core/kits/student'
import { NotFoundError } from '../../core/errors'
import type { Studio } from '../../db/repositories/accounts.server'
import { getCourse, type StoredCourse } from '../../db/repositories/courses.server'
import { readStock, toStock } from '../../db/repositories/stock.server'
import { getRoster } from '../../db/repositories/students.server'
import { readPlan } from '../plans/read-plan.server'

export interface CurrentKit {
	course: StoredCourse
	designs: DesignInCourse[]
	/** Their documents, in the same order. */
	documents: Design[]
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

/** @throws {NotFoundError} the studio has no such course */
export async function readKit(studio: Studio, courseId: number): Promise<CurrentKit> {
	const course = await getCourse(studio.id, courseId)
	const [{ coursePlan, designs, documents, isOutdated }, stored, { students: roster }] = await Promise.all([
		readPlan(studio, course),
		readStock(studio.id),
		getRoster(studio.id, courseId),
	])
	const stock = toStock(stored)
	const { compiled, plan, objective } = coursePlan
	const tools = designs.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	const kit =
		plan &&
		packClassKit(course, designs, {
			compiled,
			plan,
			roster,
			studio: {
				stockLengthsMm: studio.wireLengthsMm,
				terms: studio.kitTerms,
				offcuts: offcutsOf(stock),
				owned: ownedToolsOf(stock, tools),
			},
		})
	const minutes = course.sessions.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0)
	return {
		course,
		designs,
		documents,
		roster,
		stock,
		kit,
		hours: (minutes + (objective?.prepMinutes ?? 0)) / 60,
		state: {
			courseId,
			hasPlan: plan !== undefined,
			isOutdated,
			shortfallMinutes: objective?.shortfall ?? 0,
		},
	}
}

/** The same for papers and files, which nobody asks for before there is a plan. */
export async function requireKit(studio: Studio, courseId: number): Promise<CurrentKit & { kit: ClassKit }> {
	const current = await readKit(studio, courseId)
	if (!current.kit) throw new NotFoundError('There are no kits without a plan.')
	return { ...current, kit: current.kit }
}

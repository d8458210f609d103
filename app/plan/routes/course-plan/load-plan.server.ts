/** What the plan's screen shows. */
import { giveKeys } from '../../../../core/course/course-items'
import { compareTerms } from '../../../../core/plan/tell/term-differences'
import type { Studio } from '../../../../db/repositories/accounts.server'
import type { StoredCourse } from '../../../../db/repositories/courses.server'
import { countPlans } from '../../../../db/repositories/plans.server'
import { toldPlan } from '../../told-plan.server'
import { listNewerDesigns } from '../../newer-designs.server'
import { showPlan } from '../../show-plan'
import { isImproving } from '../../solving/make-plan.server'
import { readPlan } from '../../read-plan.server'

export async function loadPlan(studio: Studio, course: StoredCourse, selectedTaskId: string | null) {
	const courseId = course.id
	const [current, newerDesigns] = await Promise.all([readPlan(studio, course), listNewerDesigns(studio.id, course)])
	const { isOutdated, planId, documents, terms } = current
	const { id: _, version, ...plain } = course
	return {
		...showPlan(current, toldPlan(current), selectedTaskId),
		courseId,
		version,
		/** As it stands. */
		course: plain,
		items: giveKeys(plain.designs).flatMap(({ key }, d) => {
			const { design } = current.designs[d] ?? {}
			return design ? [{ key, name: design.name, choices: documents[d]?.choices ?? [] }] : []
		}),
		rooms: terms.places.filter(({ kind }) => kind === 'room').map(({ id, name }) => ({ id, name })),
		isOutdated,
		/** Since the plan was made. */
		changed: isOutdated ? compareTerms(plain, current.coursePlan.terms, terms) : [],
		isImproving: isImproving(courseId),
		newerDesigns,
		planId,
		planCounts: await countPlans(studio.id, courseId),
	}
}

export type PlanData = Awaited<ReturnType<typeof loadPlan>>

/** Plans of a course side by side: the one that stands, earlier ones, and those set aside. */
import type { CoursePlan } from '../../../../core/plan/plan-course'
import { resolveCourse } from '../../../../core/plan/plan-course'
import { comparePlans } from '../../../../core/plan/tell/plan-differences'
import { leastSure } from '../../../../core/plan/tell/threads'
import { present } from '../../../../core/present'
import type { Studio } from '../../../../db/repositories/accounts.server'
import type { StoredCourse } from '../../../../db/repositories/courses.server'
import { listAside, listPlans, type StoredPlan } from '../../../../db/repositories/plans.server'
import { wallTimeOf } from '../../../shared/http/studio-clock.server'
import { readPricing } from './price-plan.server'
import { pinDesigns } from '../../pin-designs.server'
import { toldPlan } from '../../told-plan.server'

/** More have no room above one another. */
export const MOST_COMPARED = 3

/** @param asked - ids of plans, as the address says them; those that there are not any more are passed over */
export async function loadCompared(studio: Studio, course: StoredCourse, asked: readonly string[]) {
	const [kept, aside, priceOf] = await Promise.all([
		listPlans(studio.id, course.id),
		listAside(studio.id, course.id),
		readPricing(studio, course.id),
	])
	const [standing, ...earlier] = kept
	const offered = [...(standing ? [standing] : []), ...aside, ...earlier].filter(({ document }) => document.plan)
	const wanted = offered.filter(({ id }) => asked.includes(String(id)))
	const chosen = (wanted.length > 0 ? wanted : offered.slice(0, 2)).slice(0, MOST_COMPARED)
	const first = chosen[0]?.document
	return {
		courseId: course.id,
		version: course.version,
		currency: studio.kitTerms.currency,
		offered: offered.map((plan) => ({ id: plan.id, name: nameOf(plan) })),
		compared: await Promise.all(chosen.map(async (plan) => tellCompared(studio, plan, first))),
	}

	function nameOf({ id, asideName, createdAt }: StoredPlan) {
		const madeAt = wallTimeOf(createdAt, studio.timeZone)
		return { asideName, madeAt, stands: id === standing?.id }
	}

	async function tellCompared(own: Studio, plan: StoredPlan, beside: CoursePlan | undefined) {
		const { id, document, fingerprint } = plan
		const { documents } = await pinDesigns(own.id, document.course)
		const designs = resolveCourse(document.course, documents, document.terms)
		const told = toldPlan({ coursePlan: document, designs, fingerprint })
		const { story } = present(told, 'a plan to compare')
		const { objective, status, proven, bounds } = document
		return {
			id,
			name: nameOf(plan),
			story,
			figures: {
				...{ objective, status, proven, bounds },
				sessions: story.sessions.filter(({ tiles }) => tiles.length > 0).length,
				prepMinutes: story.prepMinutes,
				leastSure: leastSure(story.threads),
				pins: document.course.pins?.length ?? 0,
				costCents: priceOf(document, designs),
			},
			differences: beside && beside !== document ? comparePlans(beside, document) : [],
		}
	}
}

export type Compared = Awaited<ReturnType<typeof loadCompared>>['compared'][number]
export type ComparedName = Compared['name']

/** Quick plans are improved when there is time, one after another, and none is forgotten. */
import { beforeAll, expect, test, vi } from 'vitest'
import { memberContext } from '../../app/shared/http/contexts'
import { improveLater, isImproving } from '../../app/plan/solving/make-plan.server'
import { createPlannedCourse } from '../../app/plan/save-course.server'
import { readPlanTerms } from '../../app/plan/plan-terms.server'
import { pinDesigns } from '../../app/plan/pin-designs.server'
import { planCourse } from '../../core/plan/plan-course'
import { present } from '../../core/present'
import { createPlan, findNewestPlan } from '../../db/repositories/plans.server'
import { demoCourse } from '../support/demo-designs'
import { contextOf, foundStudio, freshDatabase } from '../support/studios'

beforeAll(freshDatabase)

test('one that comes while an older one is being improved has its turn', async () => {
	const { studio } = contextOf(await foundStudio(['magnolia'])).get(memberContext)
	const courseId = await createPlannedCourse(studio, demoCourse('Magnolia on Thursdays'))
	const { course, documents } = await pinDesigns(studio.id, demoCourse('Magnolia on Thursdays'))
	const terms = await readPlanTerms(studio, documents)
	const job = { course, designs: documents, terms }
	const plan = planCourse(course, documents, terms, { nodes: 0 })
	const keep = async () => {
		const planId = await createPlan(studio.id, { courseId, fingerprint: 'quick', document: plan })
		return { courseId, planId, fingerprint: 'quick', plan }
	}

	const [first, second] = [await keep(), await keep()]
	improveLater(studio, job, first)
	improveLater(studio, job, second)
	await vi.waitFor(() => expect(isImproving(courseId)).toBe(false), { timeout: 30_000 })

	const newest = present(await findNewestPlan(studio.id, courseId), 'the newest plan')
	expect(newest.id).toBeGreaterThan(second.planId)
	expect([plan.status, newest.document.status]).toEqual(['feasible', 'optimal'])
})

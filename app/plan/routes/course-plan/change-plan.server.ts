/** What the plan's screen can change. */
import { withExtraSession } from '../../../../core/course/extra-session'
import { applyEdit } from '../../../../core/plan/edit/course-edit'
import { withFlowers, withLaterEnd } from '../../../../core/plan/ways-out/ways-out'
import { ConflictError } from '../../../../core/errors'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { getCourse } from '../../../../db/repositories/courses.server'
import { withoutPin } from '../../../../core/course/course-pin'
import { deleteAside } from '../../../../db/repositories/plans.server'
import { bringBackPlan, keepPlan } from '../../keep-plan.server'
import { keepTrial, readPin, setAside } from '../../keep-trial.server'
import { planAnew } from '../../read-plan.server'
import { setWait, takeNewDesigns, updatePlannedCourse } from '../../save-course.server'
import type { PlanAction } from '../../schemas/plan-action'

/**
 * @throws {InputError} by field: what the course would become is none
 * @throws {ConflictError} the course, or the plan that stands, is not the one that was shown any more
 * @throws {NotFoundError} the studio has no such course, or the course no such plan
 */
export async function changePlan(studio: Studio, courseId: number, action: PlanAction): Promise<void> {
	const course = await getCourse(studio.id, courseId)
	if (action.version !== course.version)
		throw new ConflictError('The course was changed in another window meanwhile: look again.')
	switch (action.intent) {
		case 'plan-anew':
			return planAnew(studio, course, action.planId)
		case 'take-new-designs':
			return takeNewDesigns(studio, course)
		case 'set-wait':
			return setWait(studio, course, action.key, action.minutes)
		case 'free-wait':
			return setWait(studio, course, action.key, undefined)
		case 'set-buffer': {
			const { session, minutes } = action
			return updatePlannedCourse(studio, { ...course, ...applyEdit(course, { kind: 'buffer', session, minutes }) })
		}
		case 'add-session':
			return updatePlannedCourse(studio, { ...course, ...withExtraSession(course) })
		case 'end-later':
			return updatePlannedCourse(studio, { ...course, sessions: withLaterEnd(course, action.minutes) })
		case 'fewer-flowers':
			return updatePlannedCourse(studio, { ...course, ...withFlowers(course, action.design, action.flowers) })
		case 'take-option': {
			const { item, choice, option } = action
			return updatePlannedCourse(studio, { ...course, ...applyEdit(course, { kind: 'pick', item, choice, option }) })
		}
		case 'keep-plan':
			return keepPlan(studio, course, { text: action.plan, shownId: action.planId })
		case 'bring-back':
			return bringBackPlan(studio, course, action.planId)
		case 'keep-trial':
			return keepTrial(studio, course, action)
		case 'set-aside':
			return setAside(studio, course, action)
		case 'forget-aside':
			return deleteAside(studio.id, course.id, action.planId)
		case 'lift-pin':
			return updatePlannedCourse(studio, { ...course, pins: withoutPin(course.pins ?? [], readPin(action.pin)) })
	}
}

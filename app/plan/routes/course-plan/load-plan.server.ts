/** What the plan's screen shows. */
import { listTooTight } from '../../../../core/plan/compile/find-tight'
import type { CoursePlan } from '../../../../core/plan/plan-course'
import { tellStep } from '../../../../core/plan/tell/step-story'
import { roomOf, storeOf, type DryingTerms } from '../../../../core/plan/compile/drying-terms'
import type { Plan } from '../../../../core/plan/problem/plan'
import { explainStart } from '../../../../core/plan/why/explain-start'
import type { Studio } from '../../../../db/repositories/accounts.server'
import type { StoredCourse } from '../../../../db/repositories/courses.server'
import { countPlans } from '../../../../db/repositories/plans.server'
import { hopelessOf, toldPlan } from '../../told-plan.server'
import { listNewerDesigns } from '../../newer-designs.server'
import { isImproving } from '../../solving/make-plan.server'
import { readPlan } from '../../read-plan.server'

export async function loadPlan(studio: Studio, course: StoredCourse, selectedTaskId: string | null) {
	const courseId = course.id
	const [current, newerDesigns] = await Promise.all([readPlan(studio, course), listNewerDesigns(studio.id, course)])
	const { coursePlan, isOutdated, planId } = current
	const { compiled, plan, status, objective, proven, bounds } = coursePlan
	const planCount = await countPlans(studio.id, courseId)
	const told = toldPlan(current)
	const story = told?.story
	return {
		courseId,
		version: course.version,
		isOutdated,
		isImproving: isImproving(courseId),
		newerDesigns,
		status,
		objective,
		proven,
		bounds,
		planId,
		planCount,
		story,
		late: (story?.shortfall?.lateTaskIds ?? []).flatMap((taskId) => compiled.tasks[taskId] ?? []),
		selected: story && selectedTaskId ? tellStep(compiled, story, selectedTaskId) : undefined,
		why: plan && selectedTaskId ? explainStep(compiled, plan, selectedTaskId) : undefined,
		dryingLinks: told?.links ?? {},
		hopeless: told?.hopeless ?? hopelessOf(current),
		softening: told?.softening ?? [],
		tight: status === 'impossible' ? nameTight(compiled) : [],
		onRoom: story?.onRoom ?? [],
		waitsByHand: Object.keys(course.waits ?? {}),
		confidence: coursePlan.terms.confidence,
		places: namePlaces(coursePlan),
	}
}

export type PlanData = Awaited<ReturnType<typeof loadPlan>>

/** Limits that the work itself breaks, by the steps that they stand between. */
function nameTight({ instance, tasks }: CoursePlan['compiled']) {
	return listTooTight(instance).map(({ arc, limitMinutes, leastMinutes }) => {
		const { from = '', to = '' } = instance.arcs[arc] ?? {}
		return { from: tasks[from], to: tasks[to], limitMinutes, leastMinutes }
	})
}

/** What holds the step's first run, in the words of the course; undefined if it is not in class. */
function explainStep({ instance, tasks, arcs }: CoursePlan['compiled'], plan: Plan, taskId: string) {
	if (plan.placements[taskId]?.place !== 'class') return undefined
	const { holds, earlierMinutes, laterMinutes } = explainStart(instance, plan, taskId)
	// Where it follows a task, that the hands are busy with that task goes without saying.
	const followed = new Set(holds.flatMap((hold) => (hold.kind === 'wait' ? [hold.task] : [])))
	const told = holds.filter((hold) => hold.kind !== 'hands' || !followed.has(hold.task))
	const named = told.map((hold) => {
		const source = 'task' in hold ? tasks[hold.task] : undefined
		return { ...hold, ...(source && { source }), isDrying: 'arc' in hold && arcs[hold.arc]?.wait !== undefined }
	})
	return { holds: named, earlierMinutes, laterMinutes }
}

/** Where the course meets, and where its pieces lie between. */
function namePlaces({ course, terms }: { course: CoursePlan['course']; terms: DryingTerms }) {
	const rooms = [...new Set(course.sessions.map(({ roomId }) => roomOf(terms, roomId).name))]
	return { rooms, store: storeOf(terms, course.storeId).name }
}

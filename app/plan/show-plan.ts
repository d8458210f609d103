/** What the plan's screen shows of a plan: the same of the one that stands, on the server, and of one that is tried, in a worker. */
import type { PinPlace } from '../../core/course/course-pin'
import { roomOf, storeOf, type DryingTerms } from '../../core/plan/compile/drying-terms'
import { listTooTight } from '../../core/plan/compile/find-tight'
import type { CoursePlan } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import { tellStep } from '../../core/plan/tell/step-story'
import { explainStart } from '../../core/plan/why/explain-start'
import { nameOfTask } from './words/tasks'
import { hopelessOf, type PlanToTell, type ToldPlan } from './tell-course-plan'

/**
 * @param told - undefined: there is no plan
 * @param selectedTaskId - the step whose card is open
 */
export function showPlan(current: PlanToTell, told: ToldPlan | undefined, selectedTaskId: string | null) {
	const { coursePlan } = current
	const { compiled, plan, status, objective, proven, bounds, course } = coursePlan
	const story = told?.story
	return {
		status,
		objective,
		proven,
		bounds,
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
		names: Object.fromEntries(Object.entries(compiled.tasks).map(([id, source]) => [id, nameOfTask(source)])),
		mayBe: selectedTaskId ? placesOf(compiled, selectedTaskId) : [],
	}
}

export type ShownPlan = ReturnType<typeof showPlan>

/** Where the design lets a step be done. */
function placesOf({ instance }: CoursePlan['compiled'], taskId: string): PinPlace[] {
	const task = instance.tasks.find(({ id }) => id === taskId)
	if (!task) return []
	return [...(task.places ?? (['class'] as const)), ...(task.dropValue === undefined ? [] : (['dropped'] as const))]
}

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

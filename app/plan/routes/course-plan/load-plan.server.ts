/** What the plan's screen shows. */
import { present } from '../../../../core/present'
import { findSoftening } from '../../../../core/plan/tell/find-softening'
import type { CoursePlan } from '../../../../core/plan/plan-course'
import { tellPlan, type HopelessWait } from '../../../../core/plan/tell/plan-story'
import { tellStep } from '../../../../core/plan/tell/step-story'
import { beliefOf, roomOf, storeOf, type DryingTerms } from '../../../../core/plan/compile/drying-terms'
import type { DesignInCourse } from '../../../../core/plan/compile/compile-course'
import type { Plan } from '../../../../core/plan/problem/plan'
import { explainStart } from '../../../../core/plan/why/explain-start'
import { pieceOfPart } from '../../../../core/design/piece-of-part'
import { findWhatHelps } from '../../../../core/drying/what-helps'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { getCourse } from '../../../../db/repositories/courses.server'
import { countPlans } from '../../../../db/repositories/plans.server'
import { askOfThreads, findPart } from '../../drying-threads.server'
import { listNewerDesigns } from '../../newer-designs.server'
import { isImproving } from '../../solving/make-plan.server'
import { readPlan } from '../../read-plan.server'
import { rungWords } from '../../../drying/words/drying'

const RUNGS_TOLD = 3

export async function loadPlan(studio: Studio, courseId: number, selectedTaskId: string | null) {
	const course = await getCourse(studio.id, courseId)
	const [{ coursePlan, designs, isOutdated, planId }, newerDesigns] = await Promise.all([
		readPlan(studio, course),
		listNewerDesigns(studio.id, course),
	])
	const { compiled, plan, status, objective, proven, bounds } = coursePlan
	const planCount = await countPlans(studio.id, courseId)
	const told = plan && askOfThreads(coursePlan, designs, tellPlan(compiled, plan, coursePlan.course.sessions))
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
		hopeless: (story?.hopeless ?? []).map((wait) => ({ ...wait, helps: whatHelps(coursePlan, designs, wait) })),
		softening: story ? findSoftening(coursePlan, designs, story.threads) : [],
		waitsByHand: Object.keys(course.waits ?? {}),
		confidence: coursePlan.terms.confidence,
		places: namePlaces(coursePlan),
	}
}

export type PlanData = Awaited<ReturnType<typeof loadPlan>>

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

/** What would make a hopeless wait possible, in words; each was tried. */
function whatHelps({ compiled, course, terms }: CoursePlan, designs: readonly DesignInCourse[], wait: HopelessWait) {
	const found = findPart({ compiled }, designs, wait.fromTaskId)
	const piece = found && pieceOfPart(found.part, found.parts, terms.standard)
	if (!piece || !wait.stage) return []
	const { climate, movement } = storeOf(terms, course.storeId)
	const path = {
		startMinuteOfDay: present(course.sessions[0], 'the first session').startMin,
		stays: [{ hours: Infinity, climate, movement }],
	}
	const { rungs } = findWhatHelps(piece, path, wait.stage, beliefOf(terms, found.part.paste))
	return rungs
		.filter(({ p90 }) => p90 !== undefined)
		.slice(0, RUNGS_TOLD)
		.map(rungWords)
}

/** Where the course meets, and where its pieces lie between. */
function namePlaces({ course, terms }: { course: CoursePlan['course']; terms: DryingTerms }) {
	const rooms = [...new Set(course.sessions.map(({ roomId }) => roomOf(terms, roomId).name))]
	return { rooms, store: storeOf(terms, course.storeId).name }
}

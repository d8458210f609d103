/** What the plan's screen shows. */
import { findSoftening } from '../../../../core/plan/tell/find-softening'
import type { CoursePlan } from '../../../../core/plan/plan-course'
import { tellPlan, type HopelessWait, type PlanStory, type Thread } from '../../../../core/plan/tell/plan-story'
import { tellStep } from '../../../../core/plan/tell/step-story'
import { beliefOf, roomOf, storeOf, type DryingTerms } from '../../../../core/plan/compile/drying-terms'
import type { DesignInCourse } from '../../../../core/plan/compile/compile-course'
import { daysBetween } from '../../../../core/time/calendar'
import type { Plan } from '../../../../core/plan/problem/plan'
import { explainStart } from '../../../../core/plan/why/explain-start'
import { pieceOfPart } from '../../../../core/design/piece-of-part'
import { findWhatHelps } from '../../../../core/drying/what-helps'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { getCourse } from '../../../../db/repositories/courses.server'
import { countPlans } from '../../../../db/repositories/plans.server'
import { addressOfPart, toDryingLink } from '../../../drying/drying-address'
import { listNewerDesigns } from '../../newer-designs.server'
import { isImproving } from '../../solving/make-plan.server'
import { readPlan } from '../../read-plan.server'
import { rungWords } from '../../../drying/words/drying'
import { clock } from '../../../shared/words/times'

const RUNGS_TOLD = 3

export async function loadPlan(studio: Studio, courseId: number, selectedTaskId: string | null) {
	const course = await getCourse(studio.id, courseId)
	const [{ coursePlan, designs, isOutdated, planId }, newerDesigns] = await Promise.all([
		readPlan(studio, course),
		listNewerDesigns(studio.id, course),
	])
	const { compiled, plan, status, objective, proven, bounds } = coursePlan
	const planCount = await countPlans(studio.id, courseId)
	const story = plan && tellPlan(compiled, plan, coursePlan.course.sessions)
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
		dryingLinks: story ? linkThreads(coursePlan, designs, story) : {},
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

/** To the drying of each thread's piece, with the rooms and times of the plan, by the wait's key. */
function linkThreads(coursePlan: CoursePlan, designs: readonly DesignInCourse[], story: PlanStory) {
	const links = story.threads.flatMap((thread): [string, string][] => {
		const address = thread.stage && partAddress(coursePlan, designs, thread.fromTaskId)
		if (!address || thread.wait.basis === 'film' || thread.wait.basis === 'stated') return []
		return [[thread.wait.key, toDryingLink({ ...address, stage: thread.stage, ...whenAndWhere(coursePlan, thread) })]]
	})
	return Object.fromEntries(links)
}

function partAddress({ compiled }: CoursePlan, designs: readonly DesignInCourse[], taskId: string) {
	const found = findPart({ compiled }, designs, taskId)
	const address = found && addressOfPart(found.part, found.parts)
	return found && address && { ...address, what: `${found.designName}, ${found.part.name.toLowerCase()}`.slice(0, 80) }
}

function findPart({ compiled }: Pick<CoursePlan, 'compiled'>, designs: readonly DesignInCourse[], taskId: string) {
	const source = compiled.tasks[taskId]
	if (source?.type !== 'step') return undefined
	const design = designs.find(({ design: { id } }) => id === source.designId)?.design
	const part = design?.parts.find(({ id }) => id === source.partId)
	return design && part ? { designName: design.name, part, parts: design.parts } : undefined
}

function whenAndWhere({ course, terms }: CoursePlan, { from, to }: Thread) {
	const [made, needed] = [course.sessions[from.session], course.sessions[to.session]]
	if (!made || !needed) return {}
	return {
		room: roomOf(terms, made.roomId).id,
		start: clock(from.minute),
		moved: clock(made.endMin),
		then: storeOf(terms, course.storeId).id,
		days: Math.min(30, daysBetween(made.date, needed.date)),
		by: clock(to.minute),
	}
}

/** What would make a hopeless wait possible, in words; each was tried. */
function whatHelps({ compiled, course, terms }: CoursePlan, designs: readonly DesignInCourse[], wait: HopelessWait) {
	const found = findPart({ compiled }, designs, wait.fromTaskId)
	const piece = found && pieceOfPart(found.part, found.parts, terms.standard)
	if (!piece || !wait.stage) return []
	const { climate, movement } = storeOf(terms, course.storeId)
	const path = { startMinuteOfDay: course.sessions[0]?.startMin ?? 0, stays: [{ hours: Infinity, climate, movement }] }
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

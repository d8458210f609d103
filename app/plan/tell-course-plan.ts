/** A plan as its screens tell it, with what the drying model says about its waits: the same on the server and in a worker. */
import { pieceOfPart } from '../../core/design/piece-of-part'
import { findWhatHelps } from '../../core/drying/what-helps'
import type { DesignInCourse } from '../../core/plan/compile/compile-course'
import { beliefOf, storeOf, toDryingPath } from '../../core/plan/compile/drying-terms'
import type { CoursePlan } from '../../core/plan/plan-course'
import { findSoftening } from '../../core/plan/tell/find-softening'
import { listHopeless, type HopelessWait } from '../../core/plan/tell/doubtful-waits'
import { tellPlan } from '../../core/plan/tell/plan-story'
import { present } from '../../core/present'
import { rungWords } from '../drying/words/drying'
import { askOfThreads, findPart, type DryingThreads, type RememberChance } from './drying-threads'

/** A plan with the items of its course. */
export interface PlanToTell {
	coursePlan: CoursePlan
	designs: readonly DesignInCourse[]
}

export interface ToldPlan extends DryingThreads {
	/** Waits that never end in their room, with what would help, in words. */
	hopeless: (HopelessWait & { helps: string[] })[]
	softening: ReturnType<typeof findSoftening>
}

const RUNGS_TOLD = 3

/** Undefined: there is no plan. */
export function tellCoursePlan(
	{ coursePlan, designs }: PlanToTell,
	rememberChance: RememberChance,
): ToldPlan | undefined {
	const { compiled, plan, course } = coursePlan
	if (!plan) return undefined
	const threads = askOfThreads(coursePlan, designs, tellPlan(compiled, plan, course.sessions), rememberChance)
	return {
		...threads,
		hopeless: hopelessOf({ coursePlan, designs }),
		softening: findSoftening(coursePlan, designs, threads.story.threads),
	}
}

/** Waits that never end in their room, with what would help; they are told where there is no plan too. */
export function hopelessOf({ coursePlan, designs }: PlanToTell): ToldPlan['hopeless'] {
	const { compiled, plan = { swaps: [] } } = coursePlan
	return listHopeless(compiled, plan).map((wait) => ({ ...wait, helps: whatHelps(coursePlan, designs, wait) }))
}

/** What would make a hopeless wait possible, in words; each was tried. */
function whatHelps(
	{ compiled, course, terms }: CoursePlan,
	designs: readonly DesignInCourse[],
	wait: HopelessWait,
): string[] {
	const found = findPart({ compiled }, designs, wait.fromTaskId)
	const piece = found && pieceOfPart(found.part, found.parts, terms.standard)
	if (!piece || !wait.stage) return []
	const store = storeOf(terms, course.storeId)
	const { date, startMin: minuteOfDay } = present(course.sessions[0], 'the first session')
	const path = toDryingPath([{ place: store, hours: Infinity }], { date, minuteOfDay })
	const { rungs } = findWhatHelps(piece, path, wait.stage, beliefOf(terms, found.part.paste))
	return rungs
		.filter(({ plan }) => plan !== undefined)
		.slice(0, RUNGS_TOLD)
		.map(rungWords)
}

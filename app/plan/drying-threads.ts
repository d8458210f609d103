/**
 * The threads of a told plan and the drying screen say the same: each thread links to the screen's question, and its
 * chance is the answer to just that question.
 */
import type { DesignInCourse } from '../../core/plan/compile/compile-course'
import { roomOf, storeOf } from '../../core/plan/compile/drying-terms'
import type { CoursePlan } from '../../core/plan/plan-course'
import type { PlanStory } from '../../core/plan/tell/plan-story'
import type { Thread } from '../../core/plan/tell/threads'
import { daysBetween } from '../../core/time/calendar'
import { clock } from '../../core/time/wall-clock'
import { askSure, type Known } from '../drying/ask-drying'
import { addressOfPart, MOST_DRYING_DAYS, toDryingLink } from '../drying/drying-address'
import { readAddress } from '../drying/read-address'

/** How sure a link's question is answered; whoever asks often remembers it by both. */
export type RememberChance = (asked: readonly [link: string, known: Known], compute: () => Chance) => Chance

/** Nothing, where it cannot be asked. */
interface Chance {
	/** In [0, 1]. */
	sure?: number
}

export interface DryingThreads {
	/** With how sure each piece's drying is. */
	story: PlanStory
	/** Addresses of the drying screen by the wait's key. */
	links: Record<string, string>
}

/** Asks the drying model of every thread that hangs on a piece. */
export function askOfThreads(
	coursePlan: CoursePlan,
	designs: readonly DesignInCourse[],
	story: PlanStory,
	rememberChance: RememberChance,
): DryingThreads {
	const { places, standard, observations } = coursePlan.terms
	const known = { places, standard, observations }
	const links: Record<string, string> = {}
	const threads = story.threads.map((thread): Thread => {
		const link = linkOf(coursePlan, designs, thread)
		if (link === undefined) return thread
		links[thread.wait.key] = link
		return { ...thread, ...rememberChance([link, known], () => chanceOf(link, known)) }
	})
	return { story: { ...story, threads }, links }
}

/** What the screen answers that opens at the link; nothing where it cannot be asked. */
function chanceOf(link: string, known: Known): Chance {
	const { address, isAnswerable } = readAddress(new URLSearchParams(link.split('?')[1]), known)
	return isAnswerable ? { sure: askSure(address, known) } : {}
}

function linkOf(coursePlan: CoursePlan, designs: readonly DesignInCourse[], thread: Thread): string | undefined {
	const address = thread.stage && partAddress(coursePlan, designs, thread.fromTaskId)
	if (!address || thread.wait.basis === 'film' || thread.wait.basis === 'stated') return undefined
	return toDryingLink({ ...address, stage: thread.stage, ...whenAndWhere(coursePlan, thread) })
}

function partAddress({ compiled }: CoursePlan, designs: readonly DesignInCourse[], taskId: string) {
	const found = findPart({ compiled }, designs, taskId)
	const address = found && addressOfPart(found.part, found.parts)
	return found && address && { ...address, what: `${found.designName}, ${found.part.name.toLowerCase()}`.slice(0, 80) }
}

/** The part that a step of the plan makes. */
export function findPart(
	{ compiled }: Pick<CoursePlan, 'compiled'>,
	designs: readonly DesignInCourse[],
	taskId: string,
) {
	const source = compiled.tasks[taskId]
	if (source?.type !== 'step') return undefined
	const design = designs.find(({ design: { id } }) => id === source.designId)?.design
	const part = design?.parts.find(({ of }) => of === source.partId)
	return design && part ? { designName: design.name, part, parts: design.parts } : undefined
}

function whenAndWhere({ course, terms }: CoursePlan, { least: { from, to } }: Thread) {
	const [made, needed] = [course.sessions[from.session], course.sessions[to.session]]
	if (!made || !needed) return {}
	return {
		room: roomOf(terms, made.roomId).id,
		start: clock(from.minute),
		moved: clock(made.endMin),
		then: storeOf(terms, course.storeId).id,
		days: Math.min(MOST_DRYING_DAYS, daysBetween(made.date, needed.date)),
		by: clock(to.minute),
	}
}

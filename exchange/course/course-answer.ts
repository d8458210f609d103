/**
 * A planned course as the command-line door tells it: what is done when and where, how long everything waits and how sure
 * that is, and what would help where it does not fit. Moments are YYYY-MM-DDTHH:MM on the wall clock.
 */
import type { CourseWait, TaskSource } from '../../core/plan/compile/compiled-course'
import type { CoursePlan, PlanningEffort } from '../../core/plan/plan-course'
import type { Plan } from '../../core/plan/problem/plan'
import type { ElsewhereTask } from '../../core/plan/tell/elsewhere-story'
import { layTasks, tellPlan, type PlanStory, type Tile } from '../../core/plan/tell/plan-story'
import { rankWays } from '../../core/plan/ways-out/way-out'
import { tryWaysOut } from '../../core/plan/ways-out/ways-out'
import { lagMinutes } from '../../core/plan/problem/instance'
import { toMoment } from '../../core/time/wall-clock'
import { wallTimeAfter } from '../../core/time/zone'
import { tellKit } from '../kit/kit-answer'
import type { CourseDocument } from './course-document'

/** What a task is, by ids; `of` counts a student's pieces, or flowers. */
interface ToldTask {
	item: string | null
	part: string | null
	step: string
	pieces: number
	of: number
}

/**
 * @param made - of the document's course
 * @param effortOf - for each way out that is tried
 */
export function tellCourse(
	document: CourseDocument,
	{ made, ms }: { made: CoursePlan; ms: number },
	effortOf: () => PlanningEffort,
): object {
	const { course, compiled, plan, status, objective, proven, bounds } = made
	const story = plan && tellPlan(compiled, plan, course.sessions)
	return {
		status,
		objective: objective ?? null,
		proven,
		bounds,
		ms,
		...(plan && story ? tellWork(made, plan, story) : NO_WORK),
		waits: tellWaits(made, story),
		waysOut:
			status === 'optimal' || status === 'feasible'
				? []
				: rankWays([...tryWaysOut(made, document.resolved, { effortOf, documents: document.designs })]),
		kit: plan ? tellKit(document, { compiled, plan }) : null,
	}
}

/** What a claim that is sure means. */
const SURE = 0.9

const NO_WORK = { sessions: [], ahead: [], home: [], exchanged: [], dropped: [] }

function tellWork({ compiled }: CoursePlan, plan: Plan, story: PlanStory): object {
	const momentAt = (clockMinute: number) => toMoment(wallTimeAfter(compiled.origin, clockMinute))
	return {
		sessions: story.sessions.map(({ number, session, tiles, breaks, spareMinutes }) => ({
			session: number,
			date: session.date,
			used: tiles.length === 0 ? null : [at(session.date, firstOf(tiles)), at(session.date, lastOf(tiles))],
			spare: spareMinutes,
			steps: [
				...tiles.flatMap(({ startMin, endMin, source, pieceCount }) =>
					tasksOf(source, pieceCount).map((task) => ({
						startMin,
						endMin,
						kind: source.type === 'demo' ? 'show' : 'step',
						...task,
					})),
				),
				...breaks.map(({ startMin, minutes }) => ({
					startMin,
					endMin: startMin + minutes,
					kind: 'break',
					item: null,
					part: null,
					step: null,
					pieces: 0,
					of: 0,
				})),
			]
				.toSorted((a, b) => a.startMin - b.startMin)
				.map(({ startMin, endMin, ...step }) => ({
					start: at(session.date, startMin),
					end: at(session.date, endMin),
					...step,
				})),
		})),
		ahead: story.ahead.map((task) => ({ ...elsewhere(task), minutes: task.minutes })),
		home: layTasks(compiled, plan)
			.filter(({ place }) => place === 'home')
			.flatMap(({ taskId, start, end }) => {
				const source = compiled.tasks[taskId]
				return source ? [{ start: momentAt(start), end: momentAt(end), kind: 'step', ...taskOf(source) }] : []
			}),
		exchanged: story.swaps.map(({ fromTaskId, prepMinutes }) => {
			const { item, part, step, pieces } = taskOf(compiled.tasks[fromTaskId])
			return { item, part, afterStep: step, pieces, minutes: prepMinutes }
		}),
		dropped: story.dropped.map(elsewhere),
	}
}

function elsewhere({ source }: ElsewhereTask) {
	const { item, part, step, pieces } = taskOf(source)
	return { item, part, step, pieces }
}

/** @param pieces - of this run; absent: all of them */
function taskOf(source: TaskSource | undefined, pieces?: number): ToldTask {
	if (source?.type !== 'step') return { item: null, part: null, step: source?.techniqueId ?? '', pieces: 0, of: 0 }
	const { designId, partId = null, stepId, pieceCount } = source
	return { item: designId, part: partId, step: stepId, pieces: pieces ?? pieceCount, of: pieceCount }
}

/** What the halves of the class do by turns are two steps at the same time. */
function tasksOf(source: TaskSource, pieces: number): ToldTask[] {
	const task = taskOf(source, pieces)
	if (source.type !== 'step' || !source.halves) return [task]
	const { stepId: step, partId: part = null, pieceCount } = source.halves.second
	return [task, { ...task, part, step, pieces: pieceCount, of: pieceCount }]
}

/** Every wait, whether or not the plan has to wait for it. */
function tellWaits({ compiled }: CoursePlan, story: PlanStory | undefined): object[] {
	return compiled.instance.arcs.flatMap((arc, a) => {
		const { stage, wait } = compiled.arcs[a] ?? {}
		const from = compiled.tasks[arc.from]
		if (!wait || !from) return []
		const thread = story?.threads.find(({ fromTaskId, toTaskId }) => fromTaskId === arc.from && toTaskId === arc.to)
		const isWaited = thread !== undefined && !thread.isSwapped
		return [
			{
				item: from.type === 'step' ? from.designId : null,
				from: stepOf(from),
				to: stepOf(compiled.tasks[arc.to]),
				...(wait.film === undefined ? { stage: stage ?? null } : { film: wait.film }),
				...promiseOf(wait),
				slackMinutes: isWaited ? thread.least.minutes - lagMinutes(arc) : null,
			},
		]
	})
}

function stepOf(source: TaskSource | undefined): string {
	return source?.type === 'step' ? source.stepId : ''
}

function promiseOf({ basis, p50Minutes, p90Minutes, plannedMinutes, claim, chance, sureBelow }: CourseWait) {
	const isComputed = p50Minutes !== undefined || claim !== undefined
	const plan = basis === 'by hand' || !isComputed ? plannedMinutes : p90Minutes
	return {
		hours:
			claim === 'unlikely' || claim === 'never'
				? null
				: { p50: p50Minutes === undefined ? null : p50Minutes / 60, plan: plan === undefined ? null : plan / 60 },
		basis,
		claim: claim ?? null,
		chance: chance ?? (claim === 'sure' ? SURE : null),
		sureBelow: sureBelow ?? null,
	}
}

function firstOf(tiles: readonly Tile[]): number {
	return Math.min(...tiles.map(({ startMin }) => startMin))
}

function lastOf(tiles: readonly Tile[]): number {
	return Math.max(...tiles.map(({ endMin }) => endMin))
}

/** Of a session's own day; what runs over midnight stays on it. */
function at(date: string, minuteOfDay: number): string {
	return toMoment({ date, minuteOfDay })
}

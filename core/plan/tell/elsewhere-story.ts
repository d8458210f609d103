/** What of a plan is not done in class: ahead, at home, left out, or brought dry. */
import { present } from '../../present'
import type { Session } from '../../course/course'
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { CompiledCourse, CourseWait, TaskSource } from '../compile/compiled-course'
import type { Plan } from '../problem/plan'
import { exchangesOf } from '../problem/exchanges'
import type { LaidTask } from './laid-task'
import { minuteIn, sessionOf } from './session-minutes'

/** A task that is not done in class. */
export interface ElsewhereTask {
	taskId: string
	source: TaskSource
	/** Instructor's minutes ahead, or the student's minutes at home; 0 if dropped. */
	minutes: number
	/** At home: after which session (index); after the last it is to finish at home. */
	afterSession?: number
	/** Ahead: the longest wait before the class goes on with it; absent: none. */
	dries?: { stage: DryingStage | undefined; wait: CourseWait }
	/** Ahead: the first step in class that goes on with it; absent: none does. */
	neededAt?: StoryPlace
	/** Ahead: what goes on with it ahead as well; without a wait at once. */
	leadsTo?: { taskId: string; wait?: CourseWait }[]
}

/** A session, from 0, and a minute after midnight of its day. */
export interface StoryPlace {
	session: number
	minute: number
}

export interface SwapStory {
	fromTaskId: string
	/** All that go on with the set. */
	toTaskIds: string[]
	stage: DryingStage | undefined
	wait: CourseWait
	/** Of the instructor, for the dried pieces. */
	prepMinutes: number
	/** The first step that goes on with the set. */
	neededAt: StoryPlace
}

/** Words for a task; every task of a compiled course has them. */
export function sourceOf({ tasks }: CompiledCourse, taskId: string): TaskSource {
	return tasks[taskId] ?? { type: 'demo', techniqueId: taskId, label: taskId }
}

/** What is not done in class, by where it is done instead. */
export function listElsewhere(
	compiled: CompiledCourse,
	plan: Plan,
	laid: readonly LaidTask[],
	sessions: readonly Session[],
) {
	const ahead: ElsewhereTask[] = []
	const home: ElsewhereTask[] = []
	const dropped: ElsewhereTask[] = []
	for (const task of compiled.instance.tasks) {
		const place = plan.placements[task.id]?.place
		const source = sourceOf(compiled, task.id)
		if (place === 'ahead') {
			const after = usesAhead(compiled, plan, { taskId: task.id, laid, sessions })
			ahead.push({ taskId: task.id, source, minutes: task.prepMinutes ?? 0, ...after })
		}
		if (place === 'dropped') dropped.push({ taskId: task.id, source, minutes: 0 })
		if (place === 'home') {
			const { start, end } = present(
				laid.find(({ taskId }) => taskId === task.id),
				'the time of what is done at home',
			)
			home.push({ taskId: task.id, source, minutes: end - start, afterSession: sessionOf(compiled, start) })
		}
	}
	return { ahead, home, dropped }
}

/** What comes of a task that is done ahead: how long it dries, and when the class goes on with it. */
function usesAhead(
	compiled: CompiledCourse,
	{ placements }: Plan,
	{ taskId, laid, sessions }: { taskId: string; laid: readonly LaidTask[]; sessions: readonly Session[] },
): Pick<ElsewhereTask, 'dries' | 'neededAt' | 'leadsTo'> {
	const { instance, arcs } = compiled
	const own = instance.arcs.flatMap((arc, a) => (arc.from === taskId ? [{ to: arc.to, source: arcs[a] }] : []))
	const waits = own.flatMap(({ source }) => (source?.wait ? [{ stage: source.stage, wait: source.wait }] : []))
	const [dries] = waits.toSorted((a, b) => lengthOf(b.wait) - lengthOf(a.wait))
	const neededAt = firstUse(
		compiled,
		own.map(({ to }) => to),
		laid,
		sessions,
	)
	const leadsTo = own
		.filter(({ to }) => placements[to]?.place === 'ahead')
		.map(({ to, source }) => ({ taskId: to, ...(source?.wait && { wait: source.wait }) }))
	return { ...(dries && { dries }), ...(neededAt && { neededAt }), ...(leadsTo.length > 0 && { leadsTo }) }
}

/** What never comes is longest. */
function lengthOf({ plannedMinutes = Infinity }: CourseWait): number {
	return plannedMinutes
}

/** Where the first of the tasks begins in class. */
function firstUse(
	compiled: CompiledCourse,
	taskIds: readonly string[],
	laid: readonly LaidTask[],
	sessions: readonly Session[],
): StoryPlace | undefined {
	const [first] = laid
		.filter(({ taskId, place }) => place === 'class' && taskIds.includes(taskId))
		.toSorted((a, b) => a.start - b.start)
	if (!first) return undefined
	const session = sessionOf(compiled, first.start)
	return { session, minute: minuteIn(compiled, sessions[session], session, first.start) }
}

/** Dried pieces brought in exchange for waits, each set once, with the minutes that it takes before the course. */
export function listSwaps(
	compiled: CompiledCourse,
	plan: Plan,
	laid: readonly LaidTask[],
	sessions: readonly Session[],
): SwapStory[] {
	const { instance, arcs } = compiled
	return exchangesOf(instance, plan).flatMap(({ from, to, arc, minutes }) => {
		const source = arcs[arc]
		const neededAt = firstUse(compiled, [...to], laid, sessions)
		if (!source?.wait || !neededAt) return []
		const { stage, wait } = source
		return [{ fromTaskId: from, toTaskIds: [...to], stage, wait, prepMinutes: minutes, neededAt }]
	})
}

/** One step of a told plan: where it stands, what it waits for, and what waits for it. */
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { CompiledCourse, CourseWait, TaskSource } from '../compile/compiled-course'
import type { PlanStory } from './plan-story'
import type { Thread } from './threads'

export interface StepWait {
	other: TaskSource
	stage: DryingStage | undefined
	wait: CourseWait
	isSwapped: boolean
	thread: Thread
}

export interface StepStory {
	taskId: string
	source: TaskSource
	/** Minutes of the whole task. */
	minutes: number
	/** Its runs: index of the session, minutes after midnight of its day. */
	runs: { session: number; startMin: number; endMin: number; pieceCount: number }[]
	/** What has to be dry, or done, before it. */
	waitsFor: StepWait[]
	/** What goes on with what it makes. */
	isWaitedForBy: StepWait[]
	/** Steps that only have to come before it; some of them by so many minutes at most. */
	after: { other: TaskSource; withinMinutes: number | undefined }[]
}

/** @returns undefined if the plan has no such task in class */
export function tellStep(compiled: CompiledCourse, story: PlanStory, taskId: string): StepStory | undefined {
	const source = compiled.tasks[taskId]
	const runs = story.sessions.flatMap(({ tiles }, session) => {
		return tiles
			.filter((tile) => tile.taskId === taskId)
			.map(({ startMin, endMin, pieceCount }) => ({ session, startMin, endMin, pieceCount }))
	})
	if (!source || runs.length === 0) return undefined
	const toWait = (thread: Thread, otherId: string): StepWait[] => {
		const other = compiled.tasks[otherId]
		const { stage, wait, isSwapped } = thread
		return other ? [{ other, stage, wait, isSwapped, thread }] : []
	}
	return {
		taskId,
		source,
		minutes: runs.reduce((total, { startMin, endMin }) => total + endMin - startMin, 0),
		runs,
		waitsFor: story.threads
			.filter(({ toTaskId }) => toTaskId === taskId)
			.flatMap((thread) => toWait(thread, thread.fromTaskId)),
		isWaitedForBy: story.threads
			.filter(({ fromTaskId }) => fromTaskId === taskId)
			.flatMap((thread) => toWait(thread, thread.toTaskId)),
		after: compiled.instance.arcs
			.filter(({ to }, a) => to === taskId && !compiled.arcs[a]?.wait)
			.flatMap(({ from, maxLag }) => {
				const other = compiled.tasks[from]
				return other ? [{ other, withinMinutes: maxLag }] : []
			}),
	}
}

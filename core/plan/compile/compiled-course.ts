/** A course compiled into a planning instance, with the words for every task and arc of it. */
import type { Tint } from '../../design/design'
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { WaitSource } from './find-waits'
import type { HalvesOffer } from './halve-class'
import type { Instance } from '../problem/instance'
import type { ClockOrigin } from '../../time/zone'

/** One of two steps that the halves of a class do by turns. */
export interface HalfStep {
	/** Absent: that of the task. */
	designId?: string
	stepId: string
	/** Absent: a step of the assembly. */
	partId?: string
	partName: string
	label: string
	/** Per student. */
	pieceCount: number
}

/** What a task of the instance stands for. */
export type TaskSource =
	| {
			type: 'step'
			designId: string
			designName: string
			stepId: string
			/** Steps done together with it at each piece; absent: none, or the class works in halves. */
			alsoSteps?: string[]
			/** The left half of the class begins with the first, the right half with the second; then they change over. */
			halves?: { first: HalfStep; second: HalfStep; changeAfterMinutes: number }
			/** Absent: a step of the assembly. */
			partId?: string
			/** The part's name, or the design's for a step of the assembly. */
			partName: string
			tint: Tint | undefined
			label: string
			sentence: string
			/** Pieces per student, spares included; flowers for a step of the assembly. */
			pieceCount: number
			/** Pieces in each unit of the task. */
			batchSizes: number[]
	  }
	| { type: 'demo'; techniqueId: string; label: string }

/** What an arc of the instance stands for. */
export interface ArcSource {
	/** The stage that is waited for; undefined where there is only an order. */
	stage: DryingStage | undefined
	/** Absent: there is only an order. */
	wait?: CourseWait
}

/** A wait of a course, and the key under which it can be set by hand. */
export interface CourseWait extends WaitSource {
	key: string
	/** Clock minutes as the design states them. */
	usualMinutes: number
}

export interface CompiledCourse {
	instance: Instance
	/** Clock minute 0 of the instance. */
	origin: ClockOrigin
	/** By task id. */
	tasks: Record<string, TaskSource>
	/** By arc index. */
	arcs: ArcSource[]
	/** Steps that the class might do in halves; absent: none. */
	halves?: HalvesOffer[]
}

export type StepSource = Extract<TaskSource, { type: 'step' }>

/** Steps of one design that are done at the same pieces. */
export interface TaskWork extends Pick<StepSource, 'designId' | 'partId' | 'partName' | 'pieceCount'> {
	/** In the order in which they are done; at least one. */
	stepIds: string[]
}

/** What a task stands for: one work, or two where the halves of a class do them by turns. */
export function worksOfTask(source: StepSource): TaskWork[] {
	const { stepId, alsoSteps = [], halves, designId } = source
	if (!halves) return [{ ...source, stepIds: [stepId, ...alsoSteps] }]
	return [halves.first, halves.second].map((half) => ({ designId, ...half, stepIds: [half.stepId] }))
}

/** The task in which a step is done: its own, or one that it shares with another. */
export function taskOfStep({ tasks }: Pick<CompiledCourse, 'tasks'>, designId: string, stepId: string): string {
	const own = `${designId}/${stepId}`
	if (tasks[own]) return own
	const shared = Object.entries(tasks).find(
		([, source]) =>
			source.type === 'step' &&
			worksOfTask(source).some((work) => work.designId === designId && work.stepIds.includes(stepId)),
	)
	return shared?.[0] ?? own
}

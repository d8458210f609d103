/** A step of a resolved design beside the planning task that it becomes. */
import type { ResolvedStep } from '../../design/resolve-design'
import type { Task } from '../problem/instance'
import type { TaskSource } from './compiled-course'

/** A step on its way to a task. */
export interface StepTask {
	id: string
	step: ResolvedStep
	/** Done together with it, piece by piece. */
	more: readonly ResolvedStep[]
	task: Task
	source: TaskSource
	/** Instructor's minutes to do this step alone for all students. */
	instructorMinutes: number
	/** Of which there are fewer than students. */
	scarceTools: string[]
	/** Minutes of one student where so many share the tools. */
	minutesFor: (studentCount: number) => number
}

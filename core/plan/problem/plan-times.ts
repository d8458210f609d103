/** When a task of a plan begins and ends. Not for: the checker, which reads plans by itself. */
import type { Instance, Task } from './instance'
import type { Plan, Run } from './plan'

/** Minutes of one unit; of the whole, where a task cannot be interrupted. */
export function unitMinutesOf(task: Task): number {
	return 'units' in task ? task.unitMinutes : task.minutes
}

/** Of all its units. */
export function minutesOfTask(task: Task): number {
	return 'units' in task ? task.units * task.unitMinutes : task.minutes
}

/** Work in class, of one student. */
export function classMinutes({ tasks }: Pick<Instance, 'tasks'>, { placements }: Plan): number {
	return tasks.reduce((sum, task) => (placements[task.id]?.place === 'class' ? sum + minutesOfTask(task) : sum), 0)
}

/** The runs of a task in class or at home; none if it is elsewhere. */
export function runsOf({ placements }: Plan, taskId: string): readonly Run[] {
	const placement = placements[taskId]
	return placement && 'runs' in placement ? placement.runs : []
}

/** Clock minute after a task's last unit, or undefined if it has no times. */
export function endOf({ tasks }: Instance, plan: Plan, taskId: string): number | undefined {
	const [task, last] = [tasks.find(({ id }) => id === taskId), runsOf(plan, taskId).at(-1)]
	return task && last && last.start + last.units * unitMinutesOf(task)
}

/** Demonstrations: each technique is shown once per course, to everybody, before the first step that uses it. */
import type { ResolvedDesign } from '../../design/resolve-design'
import type { Arc, Task } from '../problem/instance'
import type { TaskSource } from './compiled-course'
import type { StepTask } from './step-task'

/** Value lost if a technique is not shown: nobody uses it in class. */
const DEMO_VALUE = 5

/**
 * Demonstrations as tasks, with an arc to every step that uses the technique. One may leave the class where all of its
 * steps may; as long as one of them is done there it is shown there.
 */
export function compileDemos(
	steps: readonly StepTask[],
	designs: readonly ResolvedDesign[],
): { tasks: Task[]; arcs: Arc[]; sources: Record<string, TaskSource> } {
	const tasks: Task[] = []
	const arcs: Arc[] = []
	const sources: Record<string, TaskSource> = {}
	for (const techniqueId of new Set(steps.flatMap((item) => techniquesOf(item)))) {
		const users = steps.filter((item) => techniquesOf(item).includes(techniqueId)).map(({ task }) => task)
		const described = designs.flatMap(({ techniques }) => techniques.filter(({ id }) => id === techniqueId))
		const minutes = Math.max(...described.map(({ demoMinutes }) => demoMinutes))
		const id = `show/${techniqueId}`
		const isMovable = users.every(({ places }) => places?.some((place) => place !== 'class'))
		const [group] = users.map(({ optionGroup }) => optionGroup)
		const areAllOfOneExtra = group !== undefined && users.every(({ optionGroup }) => optionGroup === group)
		tasks.push({
			id,
			minutes: Math.max(1, Math.round(minutes)),
			places: isMovable ? ['class', 'ahead'] : ['class'],
			teachValue: DEMO_VALUE,
			demo: true,
			...(areAllOfOneExtra && { dropValue: 0, optionGroup: group }),
		})
		arcs.push(...users.map((user) => ({ from: id, to: user.id, lag: 0 })))
		sources[id] = { type: 'demo', techniqueId, label: described[0]?.name ?? techniqueId }
	}
	return { tasks, arcs, sources }
}

/** Of all steps of a task. */
function techniquesOf({ step, more }: StepTask): string[] {
	return [step, ...more].flatMap(({ technique }) => technique ?? [])
}

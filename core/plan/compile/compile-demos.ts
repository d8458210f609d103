/** Demonstrations: each technique is shown once per course, to everybody, before the first step that uses it. */
import type { ResolvedDesign } from '../../design/resolve-design'
import type { Arc, Task } from '../problem/instance'
import type { TaskSource } from './compiled-course'
import type { StepTask } from './step-task'

/** Value lost if a technique is not shown: all steps that use it are done ahead, or students work from a hand-out. */
const UNNEEDED_DEMO_VALUE = 5
/** A demonstration that a step needs is worth more than any step: it is never left out to save time. */
const NEEDED_DEMO_VALUE = 10

/**
 * Demonstrations as tasks, with an arc to every step that uses the technique. What is done ahead needs its
 * predecessors ahead, so a demonstration may leave the class as soon as one of its steps may: dearly, where others stay.
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
		const areAllMovable = users.every(({ places }) => places?.includes('ahead'))
		const isMovable = users.some(({ places }) => places?.includes('ahead'))
		const [group] = users.map(({ optionGroup }) => optionGroup)
		const areAllOfOneExtra = group !== undefined && users.every(({ optionGroup }) => optionGroup === group)
		tasks.push({
			id,
			minutes: Math.max(1, Math.round(minutes)),
			places: isMovable ? ['class', 'ahead'] : ['class'],
			teachValue: areAllMovable ? UNNEEDED_DEMO_VALUE : NEEDED_DEMO_VALUE,
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

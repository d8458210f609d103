/** A course with everything allowed that a design might allow: dried pieces for every wait, and every part made ahead. */
import type { Course } from '../../course/course'
import { INSTRUCTOR_FACTOR } from '../../course/pace'
import type { CompiledCourse } from '../compile/compiled-course'
import { lagMinutes, type Instance, type PreparedSet, type Task } from '../problem/instance'
import { minutesOfTask } from '../problem/plan-times'
import type { Relief } from '../problem/relief'
import type { WayOut } from './way-out'

/** An instance that allows more, with what it allows. */
export interface Relaxed {
	instance: Instance
	reliefs: { way: WayOut; relief: Relief }[]
}

/** Sets of dried pieces, and parts made ahead, that are allowed besides: those that promise most. */
const MOST_OF_A_KIND = 8
/** Waits that are longer are all the same; those without end among them, min. */
const MOST_LAG = 1_000_000

/** @param course - whose students the instructor would work for */
export function relaxInstance(compiled: CompiledCourse, course: Course): Relaxed {
	const dried = allowDried(compiled, course)
	const ahead = allowAhead({ ...compiled, instance: dried.instance }, course)
	return { instance: ahead.instance, reliefs: [...dried.reliefs, ...ahead.reliefs] }
}

/** Pieces after a step that others wait for and that may not be brought yet, the longest waits first. */
function allowDried({ instance, tasks }: CompiledCourse, course: Course): Relaxed {
	const longest = new Map<string, number>()
	for (const arc of instance.arcs) {
		if (arc.lag === 0 || arc.swap !== undefined || arc.swapPrep !== undefined) continue
		longest.set(arc.from, Math.max(longest.get(arc.from) ?? 0, Math.min(MOST_LAG, lagMinutes(arc))))
	}
	const chosen = [...longest]
		.filter(([id]) => tasks[id]?.type === 'step')
		.toSorted(([, a], [, b]) => b - a)
		.slice(0, MOST_OF_A_KIND)
		.map(([id]) => id)
	const prepared = chosen.map((id): PreparedSet => ({ id: setOf(id), minutes: minutesUpTo(id, instance, course) }))
	const arcs = instance.arcs.map((arc) => {
		const isFree = arc.lag !== 0 && arc.swap === undefined && arc.swapPrep === undefined
		return isFree && chosen.includes(arc.from) ? { ...arc, swap: setOf(arc.from) } : arc
	})
	return {
		instance: { ...instance, arcs, prepared: [...(instance.prepared ?? []), ...prepared] },
		reliefs: chosen.flatMap((id) => {
			const from = tasks[id]
			return from ? [{ way: { kind: 'swap', from }, relief: { sets: [setOf(id)], ahead: [] } }] : []
		}),
	}
}

/** Apart from the sets that the design allows. */
function setOf(taskId: string): string {
	return `brought besides: ${taskId}`
}

/** Parts that may not be made ahead yet, those with the most minutes first. */
function allowAhead({ instance, tasks }: CompiledCourse, course: Course): Relaxed {
	const parts = new Map<string, { designName: string; partName: string; ids: string[]; minutes: number }>()
	for (const task of instance.tasks) {
		const source = tasks[task.id]
		if (source?.type !== 'step' || source.partId === undefined || task.places?.includes('ahead')) continue
		const key = `${source.designId}/${source.partId}`
		const { designName, partName } = source
		const part = parts.get(key) ?? { designName, partName, ids: [], minutes: 0 }
		parts.set(key, { ...part, ids: [...part.ids, task.id], minutes: part.minutes + aloneMinutes(task, course) })
	}
	const chosen = [...parts.values()].toSorted((a, b) => b.minutes - a.minutes).slice(0, MOST_OF_A_KIND)
	const allowed = new Set(chosen.flatMap(({ ids }) => ids))
	return {
		instance: {
			...instance,
			tasks: instance.tasks.map((task) => {
				if (!allowed.has(task.id)) return task
				return { ...task, places: [...(task.places ?? ['class']), 'ahead'], prepMinutes: aloneMinutes(task, course) }
			}),
		},
		reliefs: chosen.map(({ designName, partName, ids }) => ({
			way: { kind: 'ahead', designName, partName },
			relief: { sets: [], ahead: ids },
		})),
	}
}

/** Minutes of the instructor alone for a step and all that leads up to it. */
function minutesUpTo(id: string, { tasks, arcs }: Instance, course: Course): number {
	const needed = new Set([id])
	for (const to of needed) for (const arc of arcs) if (arc.to === to) needed.add(arc.from)
	return tasks.reduce((sum, task) => {
		return needed.has(task.id) && !task.demo ? sum + aloneMinutes(task, course) : sum
	}, 0)
}

/** Minutes of the instructor alone for all students, from those of one student: an estimate, since no design says it. */
function aloneMinutes(task: Task, { studentCount }: Course): number {
	return Math.ceil(INSTRUCTOR_FACTOR * studentCount * minutesOfTask(task))
}

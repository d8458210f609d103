/** Instances with the structure of a real class: chains of parts that meet in an assembly, in evenings a week apart. */
import { createRng, type Rng } from '../../core/random'
import type { Arc, Instance, Task, Window } from '../../core/plan/problem/instance'

const STEPS_PER_PART = 4
const WEEK = 7 * 1440
const EVENING = 120

/** The same seed and count give the same instance; the evenings hold the work with a fifth to spare. */
export function classInstance(seed: number, taskCount: number): Instance {
	const rng = createRng(seed)
	const between = (from: number, to: number) => from + Math.floor(rng() * (to - from + 1))
	const partCount = Math.floor(taskCount / (STEPS_PER_PART + 1))
	const tasks: Task[] = []
	const arcs: Arc[] = []
	let joined: string | undefined
	for (let p = 0; p < partCount; p++) {
		const ids = Array.from({ length: STEPS_PER_PART }, (_, s) => `part-${p}-step-${s}`)
		tasks.push(...ids.map((id, s) => partStep(id, s, between, rng)))
		arcs.push(...ids.slice(1).map((to, s) => partArc(ids[s] ?? '', to, s, between, rng)))
		const join = `join-${p}`
		tasks.push({ id: join, minutes: between(5, 20), teachValue: between(3, 9) })
		arcs.push({ from: ids.at(-1) ?? '', to: join, lag: between(0, 30) })
		if (joined) arcs.push({ from: joined, to: join, lag: 0 })
		joined = join
	}
	while (tasks.length < taskCount) tasks.push({ id: `extra-${tasks.length}`, minutes: between(4, 12), dropValue: 2 })
	return { name: `class-${taskCount}-${seed}`, windows: evenings(tasks), tasks, arcs }
}

function partStep(id: string, s: number, between: (from: number, to: number) => number, rng: Rng): Task {
	const terms = {
		id,
		teachValue: between(2, 8),
		...(s < 2 && rng() < 0.3 && { places: ['class' as const, 'ahead' as const], prepMinutes: between(10, 60) }),
	}
	return rng() < 0.5
		? { ...terms, units: between(2, 6), unitMinutes: between(1, 4) }
		: { ...terms, minutes: between(4, 18) }
}

function partArc(from: string, to: string, s: number, between: (from: number, to: number) => number, rng: Rng): Arc {
	if (s !== 1) return { from, to, lag: s === 0 ? 0 : between(0, 40) }
	return { from, to, lag: between(120, 1200), ...(rng() < 0.5 && { swapPrep: between(20, 90) }) }
}

function evenings(tasks: readonly Task[]): Window[] {
	const work = tasks.reduce(
		(total, task) => total + ('units' in task ? task.units * task.unitMinutes : task.minutes),
		0,
	)
	return Array.from({ length: Math.max(2, Math.ceil((1.2 * work) / EVENING)) }, (_, s) => {
		return { open: s * WEEK, close: s * WEEK + EVENING, session: s + 1 }
	})
}

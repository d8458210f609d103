/**
 * The judge of plans: every rule of the class-plan problem, and the objective vector of a plan that keeps them.
 * It reads the raw instance, so that a planner's mistake cannot hide here. With the planners it shares the types of the
 * problem and the rules of what an instance may be (problem/); that of bypassed tasks (effective-arcs) is read by the
 * explanations of why/ too, and by no planner.
 * Not for: whether a plan is the best, or an extension the least.
 */
import type { Arc, Instance } from '../problem/instance'
import type { Objective } from '../problem/objective'
import type { Plan } from '../problem/plan'
import { validateInstance } from '../problem/validate-instance'
import { checkArc, checkClosure } from './check-arcs'
import { bypassTransparent, type EffectiveArc } from './effective-arcs'
import { checkBreaks } from './check-breaks'
import { checkWindows, openWindows } from './check-windows'
import { measureObjective } from './measure-objective'
import { readSchedule, type Schedule } from './read-schedule'

export interface PlanReport {
	/** The plan keeps every rule of the instance. */
	ok: boolean
	/** One sentence a broken rule; empty if `ok`. */
	errors: string[]
	/** Present if `ok`. */
	objective?: Objective
}

/**
 * Checks a plan against its instance.
 *
 * @returns all broken rules, or the objective vector; `shortfall` alone if the plan needs its last window extended
 * @complexity O(runs · log runs + runs · windows + arcs · units)
 */
export function checkPlan(instance: Instance, plan: Plan): PlanReport {
	const problems = validateInstance(instance)
	if (problems.length > 0) {
		return { ok: false, errors: problems.map(({ path, message }) => `instance ${path}: ${message}`) }
	}
	const schedule = readSchedule(instance, plan)
	const windows = openWindows(instance, plan.extension)
	const errors = [
		...schedule.errors,
		...checkExtension(plan),
		...checkWindows(instance, windows, schedule),
		...checkBreaks(instance, windows, plan, schedule),
		...checkHands(schedule),
		...checkDemos(instance, schedule),
		...checkOptionGroups(schedule),
		...checkOrder(instance, plan, schedule),
	]
	return errors.length > 0
		? { ok: false, errors }
		: { ok: true, errors, objective: measureObjective(instance, plan, schedule) }
}

/** How much later than the last window work may end, min. */
function checkExtension({ extension }: Plan): string[] {
	return Number.isInteger(extension) && extension >= 0
		? []
		: [`the extension must be whole minutes >= 0, got ${extension}`]
}

/** The same student has one pair of hands: no two runs overlap, in class or at home. */
function checkHands({ tasks }: Schedule): string[] {
	const runs = [...tasks.values()].flatMap(({ task, runs }) => runs.map((run) => ({ ...run, id: task.id })))
	runs.sort((a, b) => a.start - b.start || a.end - b.end)
	return runs.flatMap((run, r) => {
		const next = runs[r + 1]
		return next && next.start < run.end
			? [`${next.id} starts at ${next.start}, before ${run.id} ends at ${run.end}`]
			: []
	})
}

/** A group is dropped or kept as a whole; tasks without units do not count. */
function checkOptionGroups({ tasks }: Schedule): string[] {
	const keptByGroup = new Map<string, { kept: number; dropped: number }>()
	for (const { task, place } of tasks.values()) {
		if (task.optionGroup === undefined || place === 'vanished') continue
		const counts = keptByGroup.get(task.optionGroup) ?? { kept: 0, dropped: 0 }
		counts[place === 'dropped' ? 'dropped' : 'kept']++
		keptByGroup.set(task.optionGroup, counts)
	}
	return [...keptByGroup].flatMap(([group, { kept, dropped }]) => {
		return kept > 0 && dropped > 0 ? [`option group ${group}: ${dropped} tasks are dropped and ${kept} kept`] : []
	})
}

/** Students never use in class what was not shown in class. */
function checkDemos({ arcs }: Instance, { tasks }: Schedule): string[] {
	return arcs.flatMap(({ from, to }) => {
		const [shown, user] = [tasks.get(from), tasks.get(to)]
		if (!shown?.task.demo || shown.place === 'class' || shown.place === 'vanished') return []
		if (user?.task.demo || user?.place !== 'class') return []
		return [`${from} is not shown in class, but ${to} uses it there`]
	})
}

/** Waits between tasks that are there, whatever lies between them, and which of them dried pieces waive. */
function checkOrder(instance: Instance, plan: Plan, schedule: Schedule): string[] {
	const isTransparent = (id: string) => ['dropped', 'vanished'].includes(schedule.tasks.get(id)?.place ?? 'dropped')
	const arcs = bypassTransparent(instance.arcs, isTransparent)
	const swapped = new Set(plan.swaps)
	return [
		...checkSwaps(instance.arcs, plan.swaps, arcs, schedule),
		...checkSets(instance.arcs, plan.swaps, schedule),
		...arcs.flatMap((arc) => [
			...checkClosure(arc, schedule),
			...checkArc(swapped.has(arc.origin) ? { ...arc, lag: 0, maxLag: Infinity } : arc, schedule),
		]),
	]
}

/** A swap needs an arc that allows it and a wait to waive, with both ends (round dropped tasks) in class. */
function checkSwaps(
	arcs: readonly Arc[],
	swaps: readonly number[],
	effective: readonly EffectiveArc[],
	{ tasks }: Schedule,
): string[] {
	return swaps.flatMap((index, position) => {
		const arc = arcs[index]
		if (!arc) return [`swap ${index}: there is no such arc`]
		const name = `swap ${index} (${arc.from} to ${arc.to})`
		if (swaps.indexOf(index) !== position) return [`${name}: is listed twice`]
		if ((arc.swapPrep ?? arc.swap) === undefined || arc.lag === 0) return [`${name}: the arc allows no swap`]
		const waived = effective.filter(({ origin }) => origin === index)
		const areInClass = waived.every(({ from, to }) => [from, to].every((id) => tasks.get(id)?.place === 'class'))
		return waived.length > 0 && areInClass ? [] : [`${name}: both tasks must be done in class`]
	})
}

/** Nobody works on her own pieces and then goes on with brought ones that lack that work. */
function checkSets(arcs: readonly Arc[], swaps: readonly number[], { tasks }: Schedule): string[] {
	return swaps.flatMap((index) => {
		const arc = arcs[index]
		if (!arc?.swap) return []
		const before = arcs.flatMap((other, o) => {
			const place = tasks.get(other.to)?.place ?? 'vanished'
			const isDone = place !== 'dropped' && place !== 'vanished'
			const isEarlier = other.swap === arc.swap && other.to !== arc.to && isDone && leadsTo(arcs, other.to, arc.to)
			return isEarlier && !swaps.includes(o) ? [other.to] : []
		})
		return before.map((id) => `swap ${index} (${arc.from} to ${arc.to}): ${id} before it still works on other pieces`)
	})
}

/** Whether arcs lead from one task to another. */
function leadsTo(arcs: readonly Arc[], from: string, to: string): boolean {
	const reached = new Set([from])
	for (const id of reached) for (const arc of arcs) if (arc.from === id) reached.add(arc.to)
	return reached.has(to)
}

/**
 * A plan as near to an older one as pins allow: first only what breaks a pin is laid anew and the rest keeps its places,
 * its splits and its order; then the rest keeps its sessions only; then what lies around it is laid anew too, at last
 * everything. Of what had to be laid anew as many steps as can be found go back to their sessions.
 */
import { atLeast, atMost, not, toLiterals, type Literal } from '../model/literal'
import { literalsByPlace } from '../model/place-choices'
import { PlanModel } from '../model/plan-model'
import { findBrokenPins, type Pin } from '../pins/pin'
import type { Instance } from '../problem/instance'
import { normalise, type NormalInstance } from '../problem/normal-form'
import type { Plan } from '../problem/plan'
import { runsOf } from '../problem/plan-times'
import { sessionAt } from '../problem/session-at'

/** Propagations of each attempt but the last: some 50 ms. */
const NEAR_STEPS = 40_000
/** And of the last, which frees everything: half a second. */
const WHOLE_STEPS = 400_000
/** Of each attempt to move fewer steps, and of them all. */
const FEWER_STEPS = 40_000
const ALL_FEWER_STEPS = 80_000
/** In larger courses such an attempt finds nothing, and she waits for it. */
const MOST_TASKS_FOR_FEWER = 100

/**
 * @param before - of this instance, or of what it was before a change: what it says of other tasks is passed over
 * @returns undefined: none was found in that effort
 * @throws {RangeError} a pin names a task that the instance does not have
 */
export function layRound(instance: Instance, before: Plan, pins: readonly Pin[]): Plan | undefined {
	const normal = normalise(instance)
	const model = new PlanModel(normal, pins)
	for (const pin of model.pins) model.solver.require(...pin)
	model.follow(before)
	for (const { free, isOrderKept, steps } of ringsAround(normal, before, findBroken(instance, before, pins))) {
		model.solver.reset()
		if (!model.solver.isOpen) return undefined
		const kept = isOrderKept
			? model.freezeAllBut(free)
			: normal.tasks.flatMap((_, i) => (free.has(i) ? [] : keepSessions(model, normal, before, i)))
		const { status } = model.solve({ assumptions: toLiterals(kept), steps })
		if (status === 'satisfied') return moveFewer(model, normal, before)
	}
	return undefined
}

/** The plan that the model has found, or one in which fewer steps leave their places and their sessions. */
function moveFewer(model: PlanModel, normal: NormalInstance, before: Plan): Plan {
	const found = model.readPlan()
	if (normal.tasks.length > MOST_TASKS_FOR_FEWER) return found
	const kept = [
		...normal.tasks.map((_, i) => [...keepPlace(model, normal, before, i), ...keepSessions(model, normal, before, i)]),
		// To bring something dry besides is no less of a change.
		...[...model.swaps.byArc].map(([a, swap]) => [before.swaps.includes(a) ? swap : not(swap)]),
	].filter((literals) => literals.length > 0)
	let fewest = kept.filter(
		(literals) => !literals.every(([side, value]) => model.solver.trail.isTrue(side, value)),
	).length
	let plan = found
	let least = 0
	const moved = model.countBroken(kept)
	const last = model.solver.steps + ALL_FEWER_STEPS
	while (least < fewest && model.solver.steps < last) {
		const target = Math.floor((least + fewest - 1) / 2)
		model.follow(plan)
		const { status } = model.solve({ assumptions: toLiterals([atMost(moved, target)]), steps: FEWER_STEPS })
		if (status === 'satisfied') {
			plan = model.readPlan()
			fewest = model.solver.trail.min(moved)
		} else least = target + 1
	}
	return plan
}

/** A plan of another instance may lack tasks that pins speak of: those pins are broken too. */
function findBroken(instance: Instance, before: Plan, pins: readonly Pin[]): Set<string> {
	const missing = instance.tasks.filter(({ id }) => !before.placements[id]).map(({ id }) => id)
	const broken = findBrokenPins(instance, before, pins).flatMap((pin) => {
		if (pin.kind === 'swap') {
			const arc = instance.arcs[pin.arc]
			return arc ? [arc.from, arc.to] : []
		}
		return 'task' in pin ? [pin.task] : [pin.first, pin.second]
	})
	return new Set([...missing, ...broken])
}

/** That a task is done where it was, in class, at home or elsewhere; nothing of one that the plan does not have. */
function keepPlace(model: PlanModel, { tasks }: NormalInstance, before: Plan, i: number): Literal[] {
	const [choices, placement] = [model.places[i], before.placements[tasks[i]?.id ?? '']]
	return choices && placement ? [literalsByPlace(choices)[placement.place]] : []
}

/** That a task which was in class stays in its sessions, in whatever order; nothing of another. */
function keepSessions(model: PlanModel, { tasks, windows }: NormalInstance, before: Plan, i: number): Literal[] {
	const id = tasks[i]?.id ?? ''
	const [own, first, last] = [runsOf(before, id), model.runs[i]?.[0], model.runs[i]?.at(-1)]
	if (before.placements[id]?.place !== 'class' || !first || !last) return []
	const at = (run: (typeof own)[number] | undefined) => sessionAt(windows, run?.start ?? 0)
	const open = windows.find(({ session }) => session === at(own[0]))?.open
	const close = windows.findLast(({ session }) => session === at(own.at(-1)))?.close
	if (open === undefined || close === undefined) return []
	return [atLeast(first.start.variable, open - first.start.plus), atMost(last.end.variable, close - last.end.plus)]
}

/** What may be laid elsewhere in an attempt, by index, and what is kept of the rest. */
interface Ring {
	free: ReadonlySet<number>
	/** Its order; else only the sessions that it lies in. */
	isOrderKept: boolean
	/** Of propagation. */
	steps: number
}

/** Each attempt leaves more open than the one before. */
function* ringsAround(normal: NormalInstance, before: Plan, broken: ReadonlySet<string>): Generator<Ring> {
	const { tasks, arcs } = normal
	const all = new Set(tasks.map((_, i) => i))
	const first = new Set([...all].filter((i) => broken.has(tasks[i]?.id ?? '')))
	yield { free: first, isOrderKept: true, steps: NEAR_STEPS }
	yield { free: first, isOrderKept: false, steps: NEAR_STEPS }
	const joined = new Set(first)
	for (const { from, to } of arcs) {
		if (first.has(from)) joined.add(to)
		if (first.has(to)) joined.add(from)
	}
	yield { free: joined, isOrderKept: false, steps: NEAR_STEPS }
	const chain = new Set([...reach(first, arcs, 'from', 'to'), ...reach(first, arcs, 'to', 'from')])
	yield { free: chain, isOrderKept: false, steps: NEAR_STEPS }
	const sessionsOf = (i: number) => {
		return runsOf(before, tasks[i]?.id ?? '').map(({ start }) => sessionAt(normal.windows, start))
	}
	const sessions = new Set([...joined].flatMap(sessionsOf))
	const around = new Set(
		[...all].filter((i) => joined.has(i) || sessionsOf(i).some((session) => sessions.has(session))),
	)
	yield { free: around, isOrderKept: false, steps: NEAR_STEPS }
	yield { free: all, isOrderKept: true, steps: WHOLE_STEPS }
}

/** The tasks that are come to along arcs from one side to the other, those to begin with included. */
function reach(
	first: ReadonlySet<number>,
	arcs: NormalInstance['arcs'],
	here: 'from' | 'to',
	there: 'from' | 'to',
): Set<number> {
	const reached = new Set(first)
	for (const task of reached) for (const arc of arcs) if (arc[here] === task) reached.add(arc[there])
	return reached
}

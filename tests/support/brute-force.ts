/** The best plan of a tiny instance by trying all of them; judged by the checker alone. */
import { checkPlan } from '../../core/plan/checker/check-plan'
import type { Instance, Task } from '../../core/plan/problem/instance'
import { compareObjectives, OBJECTIVE_LEVELS, type Levels, type Objective } from '../../core/plan/problem/objective'
import type { Placement, Plan, Run } from '../../core/plan/problem/plan'

/** More plans than this are not tried: the instance is not tiny. */
const MAX_PLANS = 2_500

/** The least objective over all plans without an extension, undefined if none fits; 'too many' if it is not tiny. */
export function bestByEnumeration(
	instance: Instance,
	levels: Levels = OBJECTIVE_LEVELS,
): Objective | undefined | 'too many' {
	const swappable = instance.arcs.flatMap((arc, a) =>
		(arc.swapPrep ?? arc.swap) !== undefined && arc.lag !== 0 ? [a] : [],
	)
	const pauses = breakStarts(instance)
	let best: Objective | undefined
	let tried = 0
	const tryPlan = (placements: Record<string, Placement>) => {
		for (const swaps of subsets(swappable)) {
			for (const breaks of pauses) {
				const plan: Plan = { placements, swaps, extension: 0, ...(instance.breaks && { breaks }) }
				if (++tried > MAX_PLANS) return
				const { objective } = checkPlan(instance, plan)
				if (objective && (!best || compareObjectives(objective, best, levels) < 0)) best = objective
			}
		}
	}
	const options = instance.tasks.map((task): [string, Placement[]] => [task.id, [...placementsOf(instance, task)]])
	const descend = (index: number, placements: Record<string, Placement>, taken: readonly Span[]) => {
		const option = options[index]
		if (tried > MAX_PLANS) return
		if (!option) return tryPlan(placements)
		const [id, choices] = option
		for (const placement of choices) {
			const spans = spansOf(placement, instance.tasks[index])
			if (spans.some((span) => taken.some((other) => span.start < other.end && other.start < span.end))) continue
			descend(index + 1, { ...placements, [id]: placement }, [...taken, ...spans])
		}
	}
	descend(0, {}, [])
	return tried > MAX_PLANS ? 'too many' : best
}

/** Every way of beginning the breaks. */
function breakStarts({ breaks = [] }: Instance): number[][] {
	return breaks.reduce<number[][]>(
		(ways, { earliest, latest }) =>
			ways.flatMap((way) => Array.from({ length: latest - earliest + 1 }, (_, k) => [...way, earliest + k])),
		[[]],
	)
}

interface Span {
	start: number
	end: number
}

function spansOf(placement: Placement, task: Task | undefined): Span[] {
	if (!('runs' in placement) || !task) return []
	const unitMinutes = 'units' in task ? task.unitMinutes : task.minutes
	return placement.runs.map(({ start, units }) => ({ start, end: start + units * unitMinutes }))
}

function subsets(items: readonly number[]): number[][] {
	return items.reduce<number[][]>((sets, item) => [...sets, ...sets.map((set) => [...set, item])], [[]])
}

function* placementsOf(instance: Instance, task: Task): Generator<Placement> {
	const units = 'units' in task ? task.units : 1
	const unitMinutes = 'units' in task ? task.unitMinutes : task.minutes
	if (units === 0) return yield { place: 'dropped' }
	const places = task.places ?? ['class']
	if (task.dropValue !== undefined) yield { place: 'dropped' }
	if (places.includes('ahead')) yield { place: 'ahead' }
	if (places.includes('home')) {
		for (const { start, end } of homeStretches(instance)) {
			for (let at = start; at + units * unitMinutes <= end; at++) yield { place: 'home', runs: [{ start: at, units }] }
		}
	}
	for (const runs of unitSequences(instance, units, unitMinutes)) yield { place: 'class', runs }
}

function homeStretches({ windows, homeWindows }: Instance): Span[] {
	if (homeWindows) return homeWindows.map(({ open, close }) => ({ start: open, end: close }))
	return windows.flatMap((window, w) => {
		const next = windows[w + 1]
		return next && next.session !== window.session ? [{ start: window.close, end: next.open }] : []
	})
}

/** Every way of laying units in order into the windows, joined to runs where they touch. */
function* unitSequences({ windows }: Instance, units: number, unitMinutes: number, from = -Infinity): Generator<Run[]> {
	if (units === 0) return yield []
	for (const { open, close } of windows) {
		for (let start = Math.max(open, from); start + unitMinutes <= close; start++) {
			for (const rest of unitSequences({ windows } as Instance, units - 1, unitMinutes, start + unitMinutes)) {
				const [next, ...others] = rest
				yield next && next.start === start + unitMinutes
					? [{ start, units: next.units + 1 }, ...others]
					: [{ start, units: 1 }, ...rest]
			}
		}
	}
}

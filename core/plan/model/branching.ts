/**
 * What to try for a variable that conflicts point to: what the best plan so far has, so that the search stays near it.
 * Starts are narrowed to a window; within it the orders decide.
 */
import type { Branching } from '../kernel/solver'
import type { Trail } from '../kernel/trail'
import type { NormalInstance } from '../problem/normal-form'
import type { OrderChoice } from './order-choices'
import type { RunVariables } from './run-variables'

/** Values of the best plan so far, by variable. */
export type SavedValues = Map<number, number>

interface BranchingTerms {
	/** By variable. */
	orders: ReadonlyMap<number, OrderChoice>
	/** What has a start to be narrowed: runs of tasks, and breaks. */
	runs: readonly (readonly Pick<RunVariables, 'start'>[])[]
	saved: SavedValues
	/** By variable: what to try where nothing is saved. */
	firstTries: ReadonlyMap<number, number>
}

/** What to try for each kind of variable of the model. */
export function branchOn(
	{ windows, homeWindows }: NormalInstance,
	{ orders, runs, saved, firstTries }: BranchingTerms,
): Branching {
	const borders = [...new Set([...windows, ...homeWindows].map(({ open }) => open))].sort((a, b) => a - b)
	const starts = new Set(runs.flat().map(({ start }) => start.variable))
	const borderUpTo = (time: number) => borders.findLast((border) => border <= time) ?? -Infinity
	const borderAfter = (time: number) => borders.find((border) => border > time) ?? Infinity

	const narrow = (x: number, trail: Trail) => {
		const [min, max] = [trail.min(x), trail.max(x)]
		const wished = saved.get(x)
		const value = wished !== undefined && wished >= min && wished <= max ? wished : min
		const [from, to] = [borderUpTo(value), borderAfter(value) - 1]
		if (max > to) return [2 * x + 1, -to] as const
		return min < from ? ([2 * x, from] as const) : undefined
	}

	return (x, trail) => {
		if (starts.has(x)) return narrow(x, trail)
		const [min, max] = [trail.min(x), trail.max(x)]
		const choice = orders.get(x)
		const value = choice
			? orderOf(choice, trail, saved.get(x))
			: (saved.get(x) ?? firstTries.get(x) ?? (max > 1 ? max : min))
		const wished = Math.min(max, Math.max(min, value))
		return max > wished ? [2 * x + 1, -wished] : [2 * x, wished]
	}
}

/** As it is already decided by the times, else as it was, else by the times that are possible. */
function orderOf({ one, other }: OrderChoice, trail: Trail, wished: number | undefined): number {
	const latestEnd = (run: RunVariables) => trail.max(run.end.variable) + run.end.plus
	const earliestStart = (run: RunVariables) => trail.min(run.start.variable) + run.start.plus
	if (latestEnd(one) <= earliestStart(other)) return 1
	if (latestEnd(other) <= earliestStart(one)) return 0
	return wished ?? (earliestStart(one) <= earliestStart(other) ? 1 : 0)
}

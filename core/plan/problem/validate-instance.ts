/**
 * What makes a well-typed instance meaningless: times out of order, unknown tasks, a circle of arcs.
 * Not for: the types of fields, which the JSON schema at the border checks.
 */
import type { Arc, Instance, Task } from './instance'

/** A problem and the place of the document where it lies, as a JSON pointer. */
export interface InstanceProblem {
	/** As a JSON pointer. */
	path: string
	/** For a person. */
	message: string
}

/**
 * All problems of an instance, none if it can be planned.
 *
 * @complexity O(windows + tasks + arcs)
 */
export function validateInstance(instance: Instance): InstanceProblem[] {
	return [
		...windowProblems(instance),
		...homeWindowProblems(instance),
		...taskProblems(instance),
		...arcProblems(instance),
		...circleProblems(instance),
	]
}

/** In order, apart, and at least one: everything that follows leans on it. */
function windowProblems({ windows }: Instance): InstanceProblem[] {
	if (windows.length === 0) return [{ path: '/windows', message: 'there must be at least one window' }]
	return windows.flatMap((window, w) => {
		const path = `/windows/${w}`
		const problems = stretchProblems(window, path)
		const next = windows[w + 1]
		if (next && !(window.close < next.open)) {
			problems.push({ path, message: `must close before the next window opens at ${next.open}, got ${window.close}` })
		}
		if (next && next.session < window.session) {
			problems.push({ path, message: `sessions must be in order, got ${window.session} before ${next.session}` })
		}
		return problems
	})
}

/** In order and apart, though there may be none. */
function homeWindowProblems({ homeWindows = [] }: Instance): InstanceProblem[] {
	return homeWindows.flatMap((window, h) => {
		const path = `/homeWindows/${h}`
		const problems = stretchProblems(window, path)
		const next = homeWindows[h + 1]
		if (next && next.open < window.close) {
			problems.push({ path, message: `must not overlap the next one, which opens at ${next.open}` })
		}
		return problems
	})
}

/** It has a length. */
function stretchProblems({ open, close }: { open: number; close: number }, path: string): InstanceProblem[] {
	return open < close ? [] : [{ path, message: `must close after it opens at ${open}, got ${close}` }]
}

/** Ids are used once, and every task has somewhere to be done. */
function taskProblems({ tasks }: Instance): InstanceProblem[] {
	const seen = new Set<string>()
	return tasks.flatMap((task, t) => {
		const path = `/tasks/${t}`
		const problems: InstanceProblem[] = []
		if (seen.has(task.id)) problems.push({ path, message: `the id "${task.id}" is used twice` })
		seen.add(task.id)
		if (task.places?.length === 0) problems.push({ path, message: 'places must not be empty' })
		if (task.optionGroup !== undefined && task.dropValue === undefined) {
			problems.push({ path, message: 'a task of an option group needs a dropValue' })
		}
		return problems
	})
}

/** Both ends are tasks, and the lags can be kept. */
function arcProblems({ tasks, arcs }: Instance): InstanceProblem[] {
	const byId = new Map(tasks.map((task) => [task.id, task]))
	return arcs.flatMap((arc, a) => {
		const path = `/arcs/${a}`
		const from = byId.get(arc.from)
		const to = byId.get(arc.to)
		if (!from || !to) return [{ path, message: `unknown task "${from ? arc.to : arc.from}"` }]
		return lagProblems(arc, from, to).map((message) => ({ path, message }))
	})
}

/** A most that is below the least can never be kept; unit by unit needs as many units on both sides. */
function lagProblems(arc: Arc, from: Task, to: Task): string[] {
	const messages: string[] = []
	if (arc.maxLag !== undefined && arc.maxLag < arc.lag) {
		messages.push(`maxLag must be >= lag ${arc.lag}, got ${arc.maxLag}`)
	}
	const [fromUnits, toUnits] = [unitsOf(from), unitsOf(to)]
	// A task without units vanishes, and its arcs with it.
	if (arc.piecewise && fromUnits !== toUnits && fromUnits > 0 && toUnits > 0) {
		messages.push(`piecewise needs equally many units, got ${fromUnits} and ${toUnits}`)
	}
	return messages
}

/** A task that may not be split is one unit. */
function unitsOf(task: Task): number {
	return 'units' in task ? task.units : 1
}

/** Tasks that wait for each other all round would wait for ever (Kahn 1962: what is left when nothing is free). */
function circleProblems({ tasks, arcs }: Instance): InstanceProblem[] {
	const waitingFor = new Map(tasks.map((task) => [task.id, 0]))
	for (const { to } of arcs) waitingFor.set(to, (waitingFor.get(to) ?? 0) + 1)
	const free = [...waitingFor].filter(([, count]) => count === 0).map(([id]) => id)
	const followers = groupFollowers(arcs)
	for (let id = free.pop(); id !== undefined; id = free.pop()) {
		waitingFor.delete(id)
		for (const to of followers.get(id) ?? []) {
			const left = (waitingFor.get(to) ?? 0) - 1
			waitingFor.set(to, left)
			if (left === 0) free.push(to)
		}
	}
	if (waitingFor.size === 0) return []
	return [{ path: '/arcs', message: `the arcs run in a circle through ${[...waitingFor.keys()].join(', ')}` }]
}

/** By the task that they wait for. */
function groupFollowers(arcs: readonly Arc[]): Map<string, string[]> {
	const followers = new Map<string, string[]>()
	for (const { from, to } of arcs) followers.set(from, [...(followers.get(from) ?? []), to])
	return followers
}

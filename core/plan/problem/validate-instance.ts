/**
 * What makes a well-typed instance meaningless: times out of order, unknown tasks, a circle of arcs.
 * Not for: the types of fields, which the JSON schema at the border checks.
 */
import type { Arc, Instance } from './instance'

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
		...sessionProblems(instance),
		...breakProblems(instance),
		...homeWindowProblems(instance),
		...taskProblems(instance),
		...preparedProblems(instance),
		...arcProblems(instance),
		...sequenceProblems(instance),
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

/** Each session is listed once, and has a window. */
function sessionProblems({ windows, sessions = [] }: Instance): InstanceProblem[] {
	return sessions.flatMap(({ session }, s) => {
		const path = `/sessions/${s}`
		const problems: InstanceProblem[] = []
		if (!windows.some((window) => window.session === session))
			problems.push({ path, message: `there is no window of session ${session}` })
		if (sessions.findIndex((other) => other.session === session) !== s)
			problems.push({ path, message: `session ${session} is listed twice` })
		return problems
	})
}

/** A break has a span to begin in, and somewhere in it a window holds it whole. */
function breakProblems({ windows, breaks = [] }: Instance): InstanceProblem[] {
	return breaks.flatMap(({ session, minutes, earliest, latest }, b) => {
		const path = `/breaks/${b}`
		if (latest < earliest) return [{ path, message: `latest must be >= earliest ${earliest}, got ${latest}` }]
		const fits = windows.some((window) => {
			const start = Math.max(earliest, window.open)
			return window.session === session && start <= latest && start + minutes <= window.close
		})
		return fits ? [] : [{ path, message: `${minutes} minutes fit into no window of session ${session}` }]
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

/** Ids of prepared sets are used once. */
function preparedProblems({ prepared = [] }: Instance): InstanceProblem[] {
	return prepared.flatMap(({ id }, p) => {
		const isFirst = prepared.findIndex((other) => other.id === id) === p
		return isFirst ? [] : [{ path: `/prepared/${p}`, message: `the id "${id}" is used twice` }]
	})
}

/** A list of the design's order names tasks, each once. */
function sequenceProblems({ tasks, sequence = [] }: Instance): InstanceProblem[] {
	const known = new Set(tasks.map(({ id }) => id))
	return sequence.flatMap((list, s) =>
		list.flatMap((id, k) => {
			const path = `/sequence/${s}/${k}`
			if (!known.has(id)) return [{ path, message: `unknown task "${id}"` }]
			return list.indexOf(id) === k ? [] : [{ path, message: `"${id}" is listed twice` }]
		}),
	)
}

/** Both ends are tasks, and the lags can be kept. */
function arcProblems({ tasks, arcs, prepared = [] }: Instance): InstanceProblem[] {
	const byId = new Map(tasks.map((task) => [task.id, task]))
	const sets = new Set(prepared.map(({ id }) => id))
	return arcs.flatMap((arc, a) => {
		const path = `/arcs/${a}`
		const from = byId.get(arc.from)
		const to = byId.get(arc.to)
		if (!from || !to) return [{ path, message: `unknown task "${from ? arc.to : arc.from}"` }]
		return [...lagProblems(arc), ...swapProblems(arc, sets)].map((message) => ({ path, message }))
	})
}

/** A most that is below the least can never be kept, and nothing limits a wait without end. */
function lagProblems({ lag, maxLag }: Arc): string[] {
	if (maxLag === undefined) return []
	if (lag === 'never') return ['an arc that is never over has no maxLag']
	return maxLag < lag ? [`maxLag must be >= lag ${lag}, got ${maxLag}`] : []
}

/** A swap has one price. */
function swapProblems({ swap, swapPrep }: Arc, sets: ReadonlySet<string>): string[] {
	if (swap === undefined) return []
	if (swapPrep !== undefined) return ['has both a swap and a swapPrep']
	return sets.has(swap) ? [] : [`unknown prepared set "${swap}"`]
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

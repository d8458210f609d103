/** The objective vector of a plan that keeps every rule, with the figures it is made of. */
import { ORDINARY_WEIGHTS, type Instance, type Window } from '../problem/instance'
import { ANOTHER_SESSION_MINUTES, type Objective } from '../problem/objective'
import type { Plan } from '../problem/plan'
import { bypassTransparent } from './effective-arcs'
import type { Schedule, ScheduledRun, ScheduledTask } from './read-schedule'

/** @returns `shortfall` alone if the plan extends the last window, else all levels */
export function measureObjective(instance: Instance, plan: Plan, { tasks }: Schedule): Objective {
	if (plan.extension > 0) return { shortfall: plan.extension }
	const done = [...tasks.values()].filter(({ place }) => place !== 'vanished')
	const inClass = done.filter(({ place }) => place === 'class')
	const classRuns = inClass.flatMap(({ runs }) => runs)
	const sessions = listSessions(instance, plan, classRuns)
	const positionOf = (run: ScheduledRun) => sessions.findIndex(({ runs }) => runs.includes(run)) + 1
	const figures = {
		waiting: sum(sessions.map(waitingOf)),
		splits: sum(inClass.map(({ runs }) => runs.length - 1)),
		crowding: sum(sessions.map(crowdingOf)),
		apart: measureApart(instance, plan, tasks),
	}
	const weights = { ...ORDINARY_WEIGHTS, ...instance.weights }
	return {
		shortfall: 0,
		valueLost: sum(done.map(valueLostBy)),
		prepMinutes: measurePreparation(instance, plan, done),
		lastSession: (instance.endEarly ?? true) ? classRuns.reduce((last, run) => Math.max(last, positionOf(run)), 0) : 0,
		strain:
			weights.waiting * figures.waiting +
			weights.split * figures.splits +
			weights.crowding * figures.crowding +
			weights.apart * figures.apart,
		late: sum(classRuns.map((run) => (run.end - run.start) * (positionOf(run) - 1))),
		order: countTurned(instance, tasks),
		soon: measureSoon(instance, tasks),
		finish: classRuns.reduce((latest, { end }) => Math.max(latest, end), instance.windows[0]?.open ?? 0),
		...figures,
	}
}

/** What is not taught in class, and what is left out altogether. */
function valueLostBy({ task, place }: ScheduledTask): number {
	const taught = place === 'class' ? 0 : (task.teachValue ?? 0)
	return taught + (place === 'dropped' ? (task.dropValue ?? 0) : 0)
}

/** The instructor's minutes: work ahead, and dried pieces, those of a set once. */
function measurePreparation({ arcs, prepared = [] }: Instance, { swaps }: Plan, done: ScheduledTask[]): number {
	const ahead = done.map(({ task, place }) => (place === 'ahead' ? (task.prepMinutes ?? 0) : 0))
	const single = swaps.map((index) => arcs[index]?.swapPrep ?? 0)
	const chosen = prepared.filter(({ id }) => swaps.some((index) => arcs[index]?.swap === id))
	return sum(ahead) + sum(single) + sum(chosen.map(({ minutes }) => minutes))
}

/** A session as the plan uses it. */
interface UsedSession {
	windows: Window[]
	bufferMinutes: number
	runs: ScheduledRun[]
	breaks: { start: number; end: number }[]
	/** Of its last class run; -Infinity without class work. */
	lastEnd: number
}

/** In order, with those that are not used. */
function listSessions({ windows, sessions = [], breaks = [] }: Instance, plan: Plan, runs: readonly ScheduledRun[]) {
	return [...new Set(windows.map(({ session }) => session))].map((session): UsedSession => {
		const own = windows.filter((window) => window.session === session)
		const inside = runs.filter((run) => own.some(({ open, close }) => open <= run.start && run.end <= close))
		return {
			windows: own,
			bufferMinutes: sessions.find((listed) => listed.session === session)?.bufferMinutes ?? 0,
			runs: inside,
			breaks: breaks.flatMap((terms, b) => {
				const start = plan.breaks?.[b] ?? 0
				return terms.session === session ? [{ start, end: start + terms.minutes }] : []
			}),
			lastEnd: inside.reduce((latest, { end }) => Math.max(latest, end), -Infinity),
		}
	})
}

/**
 * Hands-on minutes without work, from the first opening to the end of the last class task: the idle tail of a session
 * is free, standing about between two tasks is not, and a break taken meanwhile is none.
 */
function waitingOf({ windows, runs, breaks, lastEnd }: UsedSession): number {
	const held = breaks.filter(({ end }) => end <= lastEnd)
	return handsOnBetween(windows, -Infinity, lastEnd) - minutesOf(runs) - minutesOf(held)
}

/** Minutes that lack of what should be spare at the end, in a session with class work. */
function crowdingOf({ windows, bufferMinutes, runs, lastEnd }: UsedSession): number {
	return runs.length === 0 ? 0 : Math.max(0, bufferMinutes - handsOnBetween(windows, lastEnd, Infinity))
}

/** Minutes between what belongs together: a demonstration and its first user in class, and what follows straight on. */
function measureApart(instance: Instance, plan: Plan, tasks: Schedule['tasks']): number {
	const apart = (from: ScheduledTask | undefined, to: ScheduledTask | undefined) =>
		from && to ? apartOf(instance, plan, tasks, from, to) : 0
	const demonstrations = instance.tasks.map(({ id, demo }) => {
		const shown = tasks.get(id)
		if (!demo || shown?.place !== 'class') return 0
		const users = instance.arcs.flatMap(({ from, to }) => {
			const user = tasks.get(to)
			return from === id && user && !user.task.demo && user.place === 'class' ? [user] : []
		})
		const [first] = users.toSorted((a, b) => (a.unitStarts[0] ?? 0) - (b.unitStarts[0] ?? 0))
		return apart(shown, first)
	})
	const following = instance.arcs.map(({ from, to, follows }) => {
		const [one, other] = [tasks.get(from), tasks.get(to)]
		const isCounted = follows && !one?.task.demo && one?.place === 'class' && other?.place === 'class'
		return isCounted ? apart(one, other) : 0
	})
	return sum(demonstrations) + sum(following)
}

/** Hands-on minutes from the end of the one to the start of the other, less breaks and demonstrations between. */
function apartOf(
	{ windows, breaks = [], tasks: all }: Instance,
	plan: Plan,
	tasks: Schedule['tasks'],
	one: ScheduledTask,
	other: ScheduledTask,
): number {
	const [last, first] = [one.runs.at(-1), other.runs[0]]
	if (!last || !first || first.start < last.end) return 0
	const between = (stretch: { start: number; end: number }) =>
		Math.max(0, Math.min(stretch.end, first.start) - Math.max(stretch.start, last.end))
	const pauses = breaks.map(({ minutes }, b) => {
		const start = plan.breaks?.[b] ?? 0
		return between({ start, end: start + minutes })
	})
	const shown = all.flatMap(({ id, demo }) => {
		const task = tasks.get(id)
		return demo && task?.place === 'class' ? task.runs.map(between) : []
	})
	const sessionOf = (run: ScheduledRun) =>
		windows.find(({ open, close }) => open <= run.start && run.end <= close)?.session
	const isApart = sessionOf(last) !== sessionOf(first)
	const minutes = handsOnBetween(windows, last.end, first.start) - sum(pauses) - sum(shown)
	return minutes + (isApart ? ANOTHER_SESSION_MINUTES : 0)
}

/** Neighbours in a design's order that are begun the other way round in class. */
function countTurned({ sequence = [] }: Instance, tasks: Schedule['tasks']): number {
	const firstStart = (id: string) => {
		const task = tasks.get(id)
		return task?.place === 'class' ? task.unitStarts[0] : undefined
	}
	const turned = sequence.flatMap((list) =>
		list.slice(1).map((later, k): number => {
			const [before, after] = [firstStart(list[k] ?? ''), firstStart(later)]
			return before !== undefined && after !== undefined && after < before ? 1 : 0
		}),
	)
	return sum(turned)
}

/** What must dry until another session lies first in its own: hands-on minutes from that one's opening to its end. */
function measureSoon({ windows, arcs }: Instance, tasks: Schedule['tasks']): number {
	const isTransparent = (id: string) => ['dropped', 'vanished'].includes(tasks.get(id)?.place ?? 'dropped')
	const waits = bypassTransparent(arcs, isTransparent).filter(({ lag }) => lag !== 0)
	const sessionOf = (run: ScheduledRun | undefined) =>
		windows.find(({ open, close }) => run && open <= run.start && run.end <= close)?.session
	const minutes = [...tasks.values()].map((task) => {
		const last = task.runs.at(-1)
		if (task.place !== 'class' || !last) return 0
		const own = sessionOf(last)
		const driesLonger = waits.some(({ from, to }) => {
			const later = tasks.get(to)
			return from === task.task.id && later?.place === 'class' && sessionOf(later.runs[0]) !== own
		})
		const ofSession = windows.filter(({ session }) => session === own)
		return driesLonger ? handsOnBetween(ofSession, -Infinity, last.end) : 0
	})
	return sum(minutes)
}

/** Minutes of windows between two moments. */
function handsOnBetween(windows: readonly Window[], from: number, to: number): number {
	return sum(windows.map(({ open, close }) => Math.max(0, Math.min(close, to) - Math.max(open, from))))
}

/** Of stretches that do not overlap. */
function minutesOf(stretches: readonly { start: number; end: number }[]): number {
	return sum(stretches.map(({ start, end }) => end - start))
}

/** Of an empty list 0. */
function sum(values: readonly number[]): number {
	return values.reduce((total, value) => total + value, 0)
}

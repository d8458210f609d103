/** What of a plan every rehearsal plays, whatever the minutes: sessions, demonstrations, the order of work, and waits. */
import { bypassTransparent } from '../plan/checker/effective-arcs'
import { gapsBetween } from '../plan/problem/normal-form'
import type { Instance, Task } from '../plan/problem/instance'
import type { Plan, Run } from '../plan/problem/plan'
import { endOf, unitMinutesOf } from '../plan/problem/plan-times'
import { present } from '../present'
import { sessionAt } from '../plan/problem/session-at'
import type { Drying, PlayedSession, Show, Wait, WorkItem } from './script'

/** One run of a task in class. */
export interface PlannedRun {
	taskId: string
	/** Index among the tasks of the instance. */
	task: number
	/** Index of the session. */
	session: number
	start: number
	end: number
	/** Units before it, in it, and of the whole task. */
	firstUnit: number
	units: number
	unitCount: number
}

export type Order = Pick<WorkItem, 'task' | 'session' | 'start' | 'end' | 'shows' | 'waits' | 'isFirst' | 'mayGoHome'>

export interface PlanScript {
	sessions: PlayedSession[]
	shows: Show[]
	runs: { run: PlannedRun; order: Order }[]
	tasks: { id: string; homeEnd?: number }[]
	/** By index of a drying: the arc of the instance whose wait it is. */
	dryingArcs: number[]
}

/** @throws {RangeError} the plan has a task that the instance does not */
export function followPlan(instance: Instance, plan: Plan): PlanScript {
	const sessionNumbers = [...new Set(instance.windows.map(({ session }) => session))]
	const sessionOf = (minute: number) =>
		Math.max(0, sessionNumbers.indexOf(sessionAt(instance.windows, minute) ?? sessionNumbers[0] ?? 0))
	const placeOf = (id: string) => plan.placements[id]?.place
	const inOrder = instance.tasks
		.flatMap((task, t) => runsInClass(task, plan).map((run) => ({ task, t, ...run })))
		.toSorted((a, b) => a.run.start - b.run.start || a.t - b.t)
	const worked = inOrder.filter(({ task }) => !task.demo)
	const shown = inOrder.filter(({ task }) => task.demo)
	const swaps = new Set(plan.swaps)
	const dryingArcs: number[] = []
	const indexOf = new Map(instance.tasks.map(({ id }, t) => [id, t]))
	const arcs = bypassTransparent(instance.arcs, (id) => placeOf(id) === 'dropped' || placeOf(id) === undefined)
	const waitsOf = (id: string): Wait[] =>
		arcs.flatMap(({ from, to, lag, piecewise, origin }) => {
			const isHere = placeOf(from) === 'class' || placeOf(from) === 'home'
			const index = indexOf.get(from)
			if (to !== id || !isHere || index === undefined || instance.tasks[index]?.demo) return []
			const wait: Wait = { from: index, isPiecewise: piecewise && placeOf(from) === 'class' }
			// With dried pieces in exchange there is only the order.
			if (swaps.has(origin) || lag === 0 || lag === 'never') return [wait]
			const known = dryingArcs.indexOf(origin)
			const { swap, swapPrep } = present(instance.arcs[origin], 'an arc of the plan')
			const mayBeDried = (swap ?? swapPrep) !== undefined
			const drying = known < 0 ? dryingArcs.push(origin) - 1 : known
			return [{ ...wait, drying, ...(mayBeDried && { mayBeDried }) }]
		})
	// Shown in several goes, it is known after the last.
	const showOf = (demo: string) => shown.findLastIndex(({ task }) => task.id === demo)
	const showsOf = (id: string) =>
		instance.arcs.flatMap(({ from, to }) => (to === id && showOf(from) >= 0 ? [showOf(from)] : []))
	return {
		sessions: sessionNumbers.map((number, s) => playedSession(instance, plan, number, sessionNumbers[s + 1])),
		shows: shown.map(({ task, run }) => ({
			session: sessionOf(run.start),
			start: run.start,
			minutes: unitMinutesOf(task) * run.units,
			itemsBefore: worked.filter((other) => other.run.start < run.start).length,
		})),
		runs: worked.map(({ task, t, run, firstUnit, unitCount }) => {
			const session = sessionOf(run.start)
			const times = { start: run.start, end: run.start + run.units * unitMinutesOf(task), session }
			return {
				run: { taskId: task.id, task: t, ...times, firstUnit, units: run.units, unitCount },
				order: {
					task: t,
					...times,
					shows: firstUnit === 0 ? showsOf(task.id) : [],
					waits: waitsOf(task.id),
					isFirst: firstUnit === 0,
					mayGoHome: task.places?.includes('home') === true,
				},
			}
		}),
		tasks: instance.tasks.map(({ id }) => {
			const homeEnd = placeOf(id) === 'home' ? endOf(instance, plan, id) : undefined
			return { id, ...(homeEnd !== undefined && { homeEnd }) }
		}),
		dryingArcs,
	}
}

function runsInClass(task: Task, { placements }: Plan): { run: Run; firstUnit: number; unitCount: number }[] {
	const placement = placements[task.id]
	if (placement?.place !== 'class') return []
	const unitCount = placement.runs.reduce((sum, { units }) => sum + units, 0)
	let firstUnit = 0
	return placement.runs.map((run) => {
		const before = firstUnit
		firstUnit += run.units
		return { run, firstUnit: before, unitCount }
	})
}

/** Its hands-on time, with tea and with what lies between its windows as pauses. */
function playedSession(instance: Instance, plan: Plan, number: number, next: number | undefined): PlayedSession {
	const windows = instance.windows.filter(({ session }) => session === number)
	const [open, close] = [windows[0]?.open ?? 0, windows.at(-1)?.close ?? 0]
	const isLast = next === undefined
	const gaps = windows.slice(1).map((window, w) => {
		const start = windows[w]?.close ?? window.open
		return { start, minutes: window.open - start }
	})
	const tea = (instance.breaks ?? []).flatMap(({ session, minutes, earliest }, b) =>
		session === number ? [{ start: plan.breaks?.[b] ?? earliest, minutes }] : [],
	)
	const home = (instance.homeWindows ?? gapsBetween(instance.windows)).find((gap) => gap.open === close)
	return {
		open,
		// A plan that does not fit has its last session go on for so long.
		close: isLast ? close + plan.extension : close,
		pauses: [...gaps, ...tea].toSorted((a, b) => a.start - b.start),
		homeMinutes: home ? (home.maxMinutes ?? home.close - home.open) : 0,
	}
}

/** Lags of the plan, to the minute. */
export function plannedDryings(instance: Instance, dryingArcs: readonly number[]): Drying[] {
	return dryingArcs.map((arc) => {
		const lag = instance.arcs[arc]?.lag
		return { kind: 'fixed', minutes: typeof lag === 'number' ? lag : 0 }
	})
}

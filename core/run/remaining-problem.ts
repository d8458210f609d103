/**
 * What is left of a course in the middle of a session, as a class-plan problem of its own: what is done is gone and only
 * its drying still holds, what is going on has the minutes that are left of it, and nothing begins before the present.
 */
import type { CompiledCourse } from '../plan/compile/compiled-course'
import type { Pin } from '../plan/pins/pin'
import type { Arc, Break, Instance, Task, Window } from '../plan/problem/instance'
import type { Plan, Placement, Run } from '../plan/problem/plan'
import { minutesOfTask, unitMinutesOf } from '../plan/problem/plan-times'
import type { EntryState, RunState } from './fold-run'
import { projectEnd } from './project-end'
import { taskOfEntry, type RunPlan } from './run-plan'
import { heldMinutes, type Present } from './script-from-now'
import { trayTimes } from './tray-pace'

/** A course with the plan that its session was opened with. */
export interface RunProblem {
	compiled: Pick<CompiledCourse, 'instance' | 'tasks' | 'arcs'>
	plan: Plan
	pins: readonly Pin[]
}

export interface Remaining {
	instance: Instance
	/** What stands: where each task is done, what is brought, what may not begin yet, and what is going on. */
	pins: Pin[]
	/** The plan as it was, of what is left. */
	near: Plan
	/** By task: the clock minute by which it has to begin, for what was done before it. */
	deadlines: ReadonlyMap<string, number>
	/** Arcs and breaks that are left, by their positions in the course's instance. */
	arcsKept: readonly number[]
	breaksKept: readonly number[]
	/** Ids of tasks that are to be done in this session from here on, in the order of the plan; what is going on first. */
	tonight: string[]
	/** Task that is going on. */
	running: string | undefined
	/** Clock minutes of the present, and of a minute on the wall this evening. */
	nowClock: number
	clockOf: (wallMin: number) => number
}

const MINUTE_MS = 60_000
/** How late a break may still begin where its time is over. */
const BREAK_PATIENCE = 15

/** @throws {RangeError} the instance has no such session */
export function remainingProblem(
	{ compiled, plan, pins }: RunProblem,
	opened: RunPlan,
	state: RunState,
	present: Present,
): Remaining {
	const { instance } = compiled
	const number = opened.session
	const first = instance.windows.find(({ session }) => session === number)
	if (!first) throw new RangeError(`the instance has no session ${number}`)
	const clockOf = (wallMin: number) => first.open + wallMin - opened.openMin
	const clockAt = (when: number) => clockOf(present.nowMin + (when - present.now) / MINUTE_MS)
	const nowClock = Math.ceil(clockOf(present.nowMin))
	const { currentLeft = 0 } = projectEnd(state, present.nowMin, present.now)
	const soFar: SessionSoFar = {
		...{ state, number, opened, nowClock, clockAt },
		entries: new Map(state.entries.map((own) => [own.entry.id, own])),
		leftMinutes: Math.max(1, Math.ceil(currentLeft)),
		goesOn: nowClock + Math.ceil(heldMinutes(state, present.now)),
		close: clockOf(state.plan.closeMin),
		firstOpen: first.open,
	}
	const tasks = new Map(instance.tasks.map((task) => [task.id, leftOfTask(task, plan.placements[task.id], soFar)]))
	const left = [...tasks.values()].filter(({ units }) => units > 0)
	const isLeft = (id: string) => (tasks.get(id)?.units ?? 0) > 0
	const arcsKept = instance.arcs.flatMap((arc, a) => (isLeft(arc.from) && isLeft(arc.to) ? [a] : []))
	const swapped = new Set(plan.swaps)
	const bounds = boundsOfDone(compiled, tasks, swapped, soFar)
	const running = left.find(({ isRunning }) => isRunning)?.task.id
	const pauses = breaksFrom(instance.breaks ?? [], soFar)
	return {
		instance: leftOfInstance(instance, left, arcsKept, pauses, soFar),
		pins: [
			...left.map(({ task, place }): Pin => ({ kind: 'place', task: task.id, place })),
			...left.map((own) => beginningOf(own, bounds.release, soFar)),
			...arcsKept.map((a, arc): Pin => ({ kind: 'swap', arc, isSwapped: swapped.has(a) })),
			...pins.flatMap((pin) => keptPin(pin, isLeft, running)),
		],
		near: {
			placements: Object.fromEntries(left.map(({ task, rest }) => [task.id, rest])),
			swaps: arcsKept.flatMap((a, arc) => (swapped.has(a) ? [arc] : [])),
			...(plan.breaks && { breaks: pauses.map(({ b, pause }) => Math.max(plan.breaks?.[b] ?? 0, pause.earliest)) }),
			extension: 0,
		},
		deadlines: bounds.deadlines,
		breaksKept: pauses.map(({ b }) => b),
		tonight: tonightOf(left, soFar, instance.windows),
		...{ arcsKept, running, nowClock, clockOf },
	}
}

/** Where the session stands, on the clock of the instance. */
interface SessionSoFar {
	state: RunState
	/** From 1. */
	number: number
	opened: RunPlan
	/** By id. */
	entries: ReadonlyMap<string, EntryState>
	nowClock: number
	/** When work goes on: now, or when tea or what is shown is over. */
	goesOn: number
	close: number
	firstOpen: number
	clockAt: (when: number) => number
	/** Of what is going on. */
	leftMinutes: number
}

interface DoneBounds {
	/** By task: before it, something that was done is not ready. */
	release: ReadonlyMap<string, number>
	deadlines: ReadonlyMap<string, number>
}

/** What is done holds what comes after it: until it is dry, and no longer than it may lie. */
function boundsOfDone(
	{ instance, arcs }: RunProblem['compiled'],
	tasks: ReadonlyMap<string, LeftOfTask>,
	swapped: ReadonlySet<number>,
	soFar: SessionSoFar,
): DoneBounds {
	const release = new Map<string, number>()
	const deadlines = new Map<string, number>()
	for (const [a, arc] of instance.arcs.entries()) {
		const [from, to] = [tasks.get(arc.from), tasks.get(arc.to)]
		if (!from || from.units > 0 || from.end === undefined || !to || to.units === 0) continue
		const readyAt = swapped.has(a) ? from.end : readyClock(arc, from.end, arcs[a]?.wait && soFar)
		release.set(arc.to, Math.max(release.get(arc.to) ?? -Infinity, readyAt))
		if (arc.maxLag !== undefined)
			deadlines.set(arc.to, Math.min(deadlines.get(arc.to) ?? Infinity, from.end + arc.maxLag))
	}
	return { release, deadlines }
}

function leftOfInstance(
	instance: Instance,
	left: readonly LeftOfTask[],
	arcsKept: readonly number[],
	pauses: readonly { pause: Break }[],
	{ number, goesOn, close, nowClock }: SessionSoFar,
): Instance {
	const ids = new Set(left.map(({ task }) => task.id))
	return {
		...instance,
		windows: windowsFrom(instance.windows, number, goesOn, close),
		...(instance.sessions && { sessions: instance.sessions.filter(({ session }) => session > number) }),
		...(instance.breaks && { breaks: pauses.map(({ pause }) => pause) }),
		...(instance.homeWindows && {
			homeWindows: instance.homeWindows
				.filter((window) => window.close > nowClock)
				.map((window) => ({ ...window, open: Math.max(window.open, nowClock) })),
		}),
		tasks: left.map(({ task, units, isRunning }) => (isRunning ? shortened(task, units) : withUnits(task, units))),
		arcs: arcsKept.flatMap((a) => instance.arcs[a] ?? []),
		...(instance.sequence && { sequence: instance.sequence.map((list) => list.filter((id) => ids.has(id))) }),
	}
}

/** What is going on goes on; the rest waits for the present, and for what it is made from. */
function beginningOf({ task, isRunning }: LeftOfTask, release: DoneBounds['release'], { goesOn }: SessionSoFar): Pin {
	if (isRunning) return { kind: 'start', task: task.id, minute: goesOn }
	const minute = Math.ceil(Math.max(goesOn, release.get(task.id) ?? -Infinity))
	return { kind: 'notBefore', task: task.id, minute }
}

interface LeftOfTask {
	task: Task
	/** Of its units, those that are not done. */
	units: number
	isRunning: boolean
	place: Placement['place']
	/** When its last unit so far was done, clock minutes; undefined: nothing of it has been done here. */
	end: number | undefined
	/** Where the rest of it was to be done. */
	rest: Placement
}

function leftOfTask(task: Task, placement: Placement | undefined, soFar: SessionSoFar): LeftOfTask {
	const bare = { task, units: 0, isRunning: false, end: undefined, place: placement?.place ?? 'dropped' }
	// What is made ahead is there; what is left out is not waited for.
	if (!placement || !('runs' in placement)) return { ...bare, rest: { place: 'dropped' } }
	const unit = unitMinutesOf(task)
	const known = new Set(soFar.opened.entries.map(({ id }) => id))
	let isRunning = false
	let end: number | undefined
	let units = 0
	const runs: Run[] = []
	for (const [r, run] of placement.runs.entries()) {
		const id = `${task.id}#${r + 1}`
		const entry = soFar.entries.get(id)
		const endsAt = run.start + run.units * unit
		// What is being shown holds the room, and is then over.
		const isShowing = entry?.status === 'running' && entry.entry.kind === 'show'
		const isOver =
			entry?.status === 'done' ||
			isShowing ||
			run.start < soFar.firstOpen ||
			(placement.place === 'home' && endsAt <= soFar.nowClock)
		if (isOver) {
			end = entry?.most ? soFar.clockAt(entry.most.when) : isShowing ? soFar.nowClock : endsAt
			continue
		}
		const isNow = entry?.status === 'running'
		// What has left the session by a way that was taken still has to be done.
		const own = isNow ? Math.min(run.units, Math.max(1, Math.ceil(soFar.leftMinutes / unit))) : run.units
		isRunning ||= isNow && known.has(id)
		units += own
		runs.push({ start: Math.max(run.start, soFar.nowClock), units: own })
	}
	// A step that cannot be interrupted is told by its minutes.
	const left = isRunning && !('units' in task) ? soFar.leftMinutes : units
	return { task, units: left, isRunning, place: placement.place, end, rest: { place: placement.place, runs } }
}

function withUnits(task: Task, units: number): Task {
	return 'units' in task ? { ...task, units } : task
}

/** What is going on: its units that are left, or its minutes. */
function shortened(task: Task, left: number): Task {
	return 'units' in task ? withUnits(task, left) : { ...task, minutes: Math.min(left, minutesOfTask(task)) }
}

/** When what was done is ready for what comes after it: by what was felt, or else by its wait. */
function readyClock(arc: Arc, end: number, soFar: SessionSoFar | undefined): number {
	if (soFar) {
		const { state, number, clockAt } = soFar
		const id = `${arc.from}@${number}`
		const tray = state.trays.find(({ batch }) => batch === id)
		const wait = state.plan.batches.find((batch) => batch.id === id)?.waits.find(({ toTaskId }) => toTaskId === arc.to)
		const times = tray && tray.looks.length > 0 && wait && trayTimes(tray, wait)
		if (times) return clockAt('felt' in times ? times.felt : times.p90)
	}
	return arc.lag === 'never' ? end : end + arc.lag
}

function windowsFrom(windows: readonly Window[], number: number, now: number, close: number): Window[] {
	const last = windows.findLast(({ session }) => session === number)
	return windows.flatMap((window): Window[] => {
		if (window.session > number) return [window]
		if (window.session < number) return []
		const own = { ...window, open: Math.max(window.open, now), close: window === last ? close : window.close }
		return own.close > own.open ? [own] : []
	})
}

/** Those that are still to come, and for which there is time, by position; one whose time is over may begin soon. */
function breaksFrom(
	breaks: readonly Break[],
	{ state, number, goesOn, close }: SessionSoFar,
): { b: number; pause: Break }[] {
	const told = state.entries.filter(({ entry }) => entry.kind === 'break')
	const own = breaks.filter(({ session }) => session === number)
	return breaks.flatMap((pause, b) => {
		if (pause.session > number) return [{ b, pause }]
		const entry = pause.session === number ? told[own.indexOf(pause)] : undefined
		if (entry?.status !== 'to come') return []
		const earliest = Math.max(pause.earliest, goesOn)
		const minutes = entry.entry.endMin - entry.entry.startMin
		if (earliest + minutes >= close) return []
		return [{ b, pause: { ...pause, minutes, earliest, latest: Math.max(pause.latest, earliest + BREAK_PATIENCE) } }]
	})
}

/** What was settled of what is left; of this evening the present decides when. */
function keptPin(pin: Pin, isLeft: (id: string) => boolean, running: string | undefined): Pin[] {
	switch (pin.kind) {
		case 'session':
			return isLeft(pin.task) && pin.task !== running ? [pin] : []
		case 'before':
		case 'beside':
			return isLeft(pin.first) && isLeft(pin.second) ? [pin] : []
		default:
			return []
	}
}

function tonightOf(
	left: readonly LeftOfTask[],
	{ number, firstOpen, entries }: SessionSoFar,
	windows: readonly Window[],
): string[] {
	const next = windows.find(({ session }) => session > number)?.open ?? Infinity
	// What has left the session by a way that was taken has no entry in it any more.
	const here = new Set([...entries.values()].map(({ entry }) => taskOfEntry(entry)))
	const starts = left.flatMap(({ task, rest, isRunning }) => {
		const start = 'runs' in rest && rest.place === 'class' ? rest.runs[0]?.start : undefined
		if (start === undefined || start < firstOpen || start >= next || !here.has(task.id)) return []
		return [{ id: task.id, start: isRunning ? -1 : start }]
	})
	return starts.toSorted((a, b) => a.start - b.start).map(({ id }) => id)
}

/**
 * Where a run stands: its events, folded over what its session is to bring. One press carries an evening: "most are done"
 * ends a step, lets the next one begin and lays its trays down; what nobody pressed is inferred as an interval, and says so.
 */
import type { DryingStage } from '../vocabulary/drying-stage'
import type { NamedPlan } from '../plan/named-plan'
import {
	countingEvents,
	mergeEvents,
	type Attendance,
	type FactOf,
	type NoteTopic,
	type RunEvent,
	type WayBackChoice,
} from './run-event'
import { taskOfEntry, type RunEntry, type RunPlan } from './run-plan'
import { readyFor } from './tray-pace'

/** A moment, ms since 1970; inferred: it lies somewhere from `from` to `when`. */
export interface Mark {
	when: number
	/** Absent: it was pressed. */
	from?: number
	/** Other devices, or other presses, said other moments of the same: all of them, in order. */
	others?: number[]
}

export interface EntryState {
	entry: RunEntry
	status: 'to come' | 'running' | 'done'
	begun?: Mark
	/** Most of the class are done: it is over. */
	most?: Mark
	all?: Mark
	/** By place, of those who were marked. */
	students: ReadonlyMap<number, number>
}

export interface TrayState {
	batch: string
	/** Undefined: not yet. */
	laid?: Mark
	pieces?: number
	where?: string
	looks: { when: number; stage: DryingStage; isReached: boolean; isNoFurther?: boolean }[]
}

export interface RunState {
	opened?: number
	closed?: number
	/** In order; without an end it is going on. */
	pauses: { from: number; until?: number }[]
	/** In the order of the plan. */
	entries: EntryState[]
	/** Index of the entry that is running or comes next; the number of entries: all are done. */
	current: number
	trays: TrayState[]
	/** By place: the last that was said, and when. */
	attendance: ReadonlyMap<number, { is: Attendance; when: number }>
	broken: FactOf<'broken'>[]
	spares: FactOf<'spare'>[]
	/** For tools, as they came. */
	queues: FactOf<'waited'>[]
	/** Of who was away, by place. */
	waysBack: ReadonlyMap<number, WayBackChoice>
	/** Who finishes what at home. */
	takenHome: FactOf<'home'>[]
	/** As they came. */
	notes: { when: number; text: string; photo?: string }[]
	/** Finished by hand: the last that was said of each. */
	lines: Partial<Record<NoteTopic, string>>
	/** The last one. */
	reading?: { when: number; temperatureC: number; humidity: number }
	/** The ways to go on that were taken, the last of which holds. */
	taken: { id: string; when: number; reason: string }[]
	/** The plan of the session as it is now. */
	plan: RunPlan
	/** Of the course, as the ways that were taken settle it; absent: as it was at the opening, or planned anew since. */
	coursePlan?: NamedPlan
}

const MINUTE_MS = 60_000

/**
 * @param opened - the plan that the session was opened with
 * @param events - of all devices, in any order
 * @param now - ms since 1970: what is shown, and breaks, end by themselves after their planned minutes
 * @complexity O(events · log events + events · entries)
 */
export function foldRun(opened: RunPlan, events: readonly RunEvent[], now: number): RunState {
	const counting = countingEvents(mergeEvents(events))
	const plan = planAfter(opened, counting)
	const state: RunState = {
		...{
			pauses: [],
			entries: [],
			current: 0,
			broken: [],
			spares: [],
			queues: [],
			takenHome: [],
			notes: [],
			lines: {},
			taken: [],
			plan,
		},
		trays: [],
		attendance: new Map(),
		waysBack: new Map(),
	}
	for (const event of counting) noteRoom(state, event)
	state.trays = plan.batches.map(({ id }) => trayAsTold(id, counting))
	state.entries = layEntries(plan, counting, { ...state, until: state.closed ?? now })
	const current = state.entries.findIndex(({ status }) => status !== 'done')
	state.current = current < 0 ? state.entries.length : current
	return state
}

/** The plan with what was taken last; entries that it does not know are none of the session. */
function planAfter(plan: RunPlan, counting: readonly RunEvent[]): RunPlan {
	const last = counting.findLast((event) => event.type === 'plan')
	if (last?.type !== 'plan') return plan
	const byId = new Map(plan.entries.map((entry) => [entry.id, entry]))
	return {
		...plan,
		closeMin: last.closeMin,
		entries: last.entries.flatMap(({ entry, startMin, endMin }) => {
			const own = byId.get(entry)
			return own ? [{ ...own, startMin, endMin }] : []
		}),
	}
}

/** What is of the room, and not of an entry. */
function noteRoom(state: RunState, event: RunEvent): void {
	const { when } = event
	switch (event.type) {
		case 'opened':
			state.opened ??= when
			return
		case 'closed':
			state.closed = when
			return
		case 'attendance':
			state.attendance = new Map(state.attendance).set(event.place, { is: event.is, when })
			return
		case 'broken':
			state.broken.push(event)
			return
		case 'spare':
			state.spares.push(event)
			return
		case 'waited':
			state.queues.push(event)
			return
		case 'way back':
			state.waysBack = new Map(state.waysBack).set(event.place, event.is)
			return
		case 'home':
			state.takenHome.push(event)
			return
		case 'note':
			if (event.about) state.lines[event.about] = event.text
			else state.notes.push({ when, text: event.text, ...(event.photo !== undefined && { photo: event.photo }) })
			return
		case 'reading':
			state.reading = { when, temperatureC: event.temperatureC, humidity: event.humidity }
			return
		case 'plan':
			state.taken.push({ id: event.id, when, reason: event.reason })
			// What settles nothing leaves the course's plan as it was.
			if (event.coursePlan) state.coursePlan = event.coursePlan
			return
		case 'paused':
			if (!isPaused(state)) state.pauses.push({ from: when })
			return
		case 'resumed': {
			const last = state.pauses.at(-1)
			if (last && isPaused(state)) last.until = Math.max(last.from, when)
		}
	}
}

/**
 * Each entry as it was pressed, or as it follows from what was pressed of the others, and from what is dry; trays are laid
 * as their steps are done.
 */
function layEntries(
	{ entries, batches }: RunPlan,
	events: readonly RunEvent[],
	{ opened, pauses, trays, until }: Pick<RunState, 'opened' | 'pauses' | 'trays'> & { until: number },
): EntryState[] {
	const pressed = entries.map((entry) => pressesOf(entry, events))
	/** The last entry of which anything was pressed: all before it are over. */
	const lastTouched = pressed.findLastIndex(({ begun, most, all }) => begun ?? most ?? all)
	let before: Mark | undefined = opened === undefined ? undefined : { when: opened }
	return entries.map((entry, k): EntryState => {
		const { begun, most, all, students } = pressed[k]!
		const nextPress = pressed.slice(k + 1).flatMap((own) => own.begun ?? own.most ?? own.all ?? [])[0]?.when
		const end: Mark | undefined =
			most ?? all ?? inferEnd(entry, { begun, before, nextPress, isPast: k < lastTouched, pauses, until })
		const start =
			begun ?? (end || before ? inferBegin(before, end, readyFor(taskOfEntry(entry), batches, trays)) : undefined)
		before = end
		if (end) layTrays(entry, end, batches, trays)
		const status = end ? 'done' : start && opened !== undefined && start.when <= until ? 'running' : 'to come'
		return {
			...{ entry, status, students },
			...(start && status !== 'to come' && { begun: start }),
			...(end && { most: end }),
			...(all && { all }),
		}
	})
}

interface Around {
	begun: Mark | undefined
	/** When the entry before ended; undefined: it has not. */
	before: Mark | undefined
	/** Of a later entry, the first. */
	nextPress: number | undefined
	isPast: boolean
	pauses: RunState['pauses']
	until: number
}

/** What is shown, and breaks, end by themselves; a step only when a later one has been touched. */
function inferEnd(entry: RunEntry, { begun, before, nextPress, isPast, pauses, until }: Around): Mark | undefined {
	const start = begun ?? before
	if (!start) return undefined
	const planned = endAfter(start.when, (entry.endMin - entry.startMin) * MINUTE_MS, pauses)
	if (isPast && nextPress !== undefined) {
		const latest = entry.kind === 'step' ? nextPress : Math.min(planned, nextPress)
		return { when: Math.max(start.when, latest), from: start.from ?? start.when }
	}
	if (entry.kind === 'step' || planned > until) return undefined
	return { when: planned, from: start.from ?? start.when }
}

/** It began when the one before ended, and what it needs was dry; at the latest when it was over itself. */
function inferBegin(before: Mark | undefined, end: Mark | undefined, ready: number): Mark | undefined {
	if (!before) return end && { when: end.when, from: end.from ?? end.when }
	const first = Math.max(before.when, ready)
	const when = end ? Math.min(first, end.when) : first
	return { when, from: Math.min(when, before.from ?? before.when) }
}

/** Where nobody said when they were laid: when their step was done. */
function layTrays(
	{ id }: RunEntry,
	{ when, from = when }: Mark,
	batches: RunPlan['batches'],
	trays: TrayState[],
): void {
	for (const batch of batches) {
		const tray = trays.find((own) => own.batch === batch.id)
		if (batch.entry !== id || !tray || tray.laid) continue
		tray.laid = { when, from }
		tray.pieces ??= batch.pieceCount
	}
}

/** What was pressed of one entry: the later press counts, and the others are kept. */
function pressesOf(entry: RunEntry, events: readonly RunEvent[]) {
	const own = events.filter((event) => 'entry' in event && event.entry === entry.id)
	const markOf = (is: FactOf<'entry'>['is']): Mark | undefined => {
		const times = own.flatMap((event) => (event.type === 'entry' && event.is === is ? [event.when] : []))
		const when = times.at(-1)
		return when === undefined ? undefined : { when, ...(times.length > 1 && { others: times.slice(0, -1) }) }
	}
	const students = new Map(
		own.flatMap((event) => (event.type === 'student' ? [[event.place, event.when] as const] : [])),
	)
	return { begun: markOf('begun'), most: markOf('most'), all: markOf('all'), students }
}

/** What was said of a tray, and felt. */
function trayAsTold(batch: string, events: readonly RunEvent[]): TrayState {
	const said = events.findLast((event) => event.type === 'tray' && event.batch === batch)
	const tray: TrayState = {
		batch,
		looks: events.flatMap((event) => {
			if (event.type !== 'look' || event.batch !== batch) return []
			const { when, stage, isReached, isNoFurther } = event
			return [{ when, stage, isReached, ...(isNoFurther && { isNoFurther }) }]
		}),
	}
	if (said?.type !== 'tray') return tray
	const { when, pieces, where } = said
	return { ...tray, laid: { when }, ...(pieces !== undefined && { pieces }), ...(where !== undefined && { where }) }
}

/** Everybody stops, and the run with them. */
export function isPaused({ pauses }: Pick<RunState, 'pauses'>): boolean {
	const last = pauses.at(-1)
	return last !== undefined && last.until === undefined
}

/** When something is over that takes so many ms, with the pauses that lie in it; Infinity: not while the run is paused. */
function endAfter(from: number, ms: number, pauses: RunState['pauses']): number {
	let end = from + ms
	for (const pause of pauses) {
		const until = pause.until ?? Infinity
		if (pause.from < end && until > from) end += until - Math.max(from, pause.from)
	}
	return end
}

/** Minutes that an entry has been running, the pauses of the run that lie in it taken off; 0: it has not begun. */
export function minutesRunning({ begun }: EntryState, { pauses }: Pick<RunState, 'pauses'>, now: number): number {
	if (!begun) return 0
	const paused = pauses.reduce((sum, { from, until = now }) => {
		return sum + Math.max(0, Math.min(until, now) - Math.max(from, begun.when))
	}, 0)
	return Math.max(0, now - begun.when - paused) / MINUTE_MS
}

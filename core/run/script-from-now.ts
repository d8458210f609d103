/** What is left of a session as something to rehearse: from the present moment, with who is there and what is done and drying. */
import type { PlayedSession, Script, Show, WorkItem } from '../rehearse/script'
import { minutesRunning, type EntryState, type RunState } from './fold-run'
import type { RunEntry, RunPlan } from './run-plan'

const MINUTE_MS = 60_000

export interface Present {
	/** Minutes after midnight on the wall of the studio. */
	nowMin: number
	/** The same moment, ms since 1970. */
	now: number
}

/**
 * @param script - of the whole course, by the plan that the run was opened with
 * @param plan - of the session, as it was opened with
 * @returns a script of this session alone; without items: nothing is left of it
 */
export function scriptFromNow(script: Script, plan: RunPlan, state: RunState, { nowMin, now }: Present): Script {
	const s = plan.session - 1
	const session = script.sessions[s]
	if (!session) throw new RangeError(`the course has no session ${plan.session}`)
	/** Clock minutes of the plan. */
	const clockOf = (wallMin: number) => session.open + wallMin - plan.openMin
	const clockAt = (when: number) => clockOf(nowMin + (when - now) / MINUTE_MS)
	const inSession = (list: readonly { session: number }[]) => list.flatMap((own, k) => (own.session === s ? [k] : []))
	const entryOf = entryFinder(inSession(script.items), 'step', plan, state)
	const showOf = entryFinder(inSession(script.shows), 'show', plan, state)
	const showsLeft = inSession(script.shows).filter((k) => showOf(k)?.status === 'to come')
	const sizes = new Map(plan.entries.map((entry) => [entry.id, sizeOf(entry)]))
	const ends = script.tasks.map(({ homeEnd }) => homeEnd)
	const items: WorkItem[] = []
	const isBefore: boolean[] = []
	for (const [i, item] of script.items.entries()) {
		const entry = item.session === s ? entryOf(i) : undefined
		const isDone = item.session < s || entry?.status === 'done'
		isBefore.push(isDone)
		if (isDone)
			ends[item.task] = Math.max(ends[item.task] ?? -Infinity, entry?.most ? clockAt(entry.most.when) : item.end)
		else if (entry)
			items.push({
				...leftOf(item, {
					minutes: entry.status === 'running' ? minutesRunning(entry, state, now) : 0,
					share: sizeOf(entry.entry) / (sizes.get(entry.entry.id) ?? sizeOf(entry.entry)),
				}),
				shows: item.shows.flatMap((k) => indexIn(showsLeft, k)),
				session: 0,
			})
	}
	const gone = (n: number) => ['away', 'gone'].includes(state.attendance.get(n)?.is ?? 'here')
	const there = script.levels.flatMap((_, n) => (gone(n) ? [] : [n]))
	return {
		...script,
		levels: there.map((n) => script.levels[n]!),
		callMinutes: there.map((n) => script.callMinutes[n]!),
		sessions: [sessionFrom(session, state, { goesOnMin: nowMin + heldMinutes(state, now), clockOf })],
		shows: showsLeft.map((k): Show => {
			const show = script.shows[k]!
			const before = isBefore.slice(0, show.itemsBefore).filter((isDone) => isDone).length
			return { ...show, session: 0, itemsBefore: show.itemsBefore - before }
		}),
		items,
		tasks: script.tasks.map(({ id }, t) => {
			const homeEnd = ends[t]
			return { id, ...(homeEnd !== undefined && { homeEnd }) }
		}),
	}
}

function indexIn(list: readonly number[], value: number): number[] {
	const at = list.indexOf(value)
	return at < 0 ? [] : [at]
}

/** Minutes that are left of tea, or of what is being shown: nobody works meanwhile. */
export function heldMinutes(state: RunState, now: number): number {
	const held = state.entries.find(({ entry, status }) => entry.kind !== 'step' && status === 'running')
	if (!held) return 0
	return Math.max(0, held.entry.endMin - held.entry.startMin - minutesRunning(held, state, now))
}

/** What lies before the present is over; the rest as the session's plan has it now. */
function sessionFrom(
	{ homeMinutes }: PlayedSession,
	{ plan, entries }: RunState,
	{ goesOnMin, clockOf }: { goesOnMin: number; clockOf: (wallMin: number) => number },
): PlayedSession {
	const close = clockOf(plan.closeMin)
	const pauses = entries.flatMap(({ entry: { kind, startMin, endMin }, status }) => {
		if (kind !== 'break' || status !== 'to come') return []
		return [{ start: clockOf(Math.max(goesOnMin, startMin)), minutes: endMin - startMin }]
	})
	return { open: Math.min(clockOf(goesOnMin), close), close, pauses, homeMinutes }
}

/**
 * Steps, and what is shown, come in one order in the script and in the plan that the session was opened with: the
 * so-manieth of a session is the same. Undefined: it has left the session meanwhile.
 */
function entryFinder(
	own: readonly number[],
	kind: RunEntry['kind'],
	{ entries }: RunPlan,
	state: RunState,
): (index: number) => EntryState | undefined {
	const ids = entries.flatMap((entry) => (entry.kind === kind ? [entry.id] : []))
	const byId = new Map(state.entries.map((one) => [one.entry.id, one]))
	return (index) => byId.get(ids[own.indexOf(index)] ?? '')
}

/** Planned minutes. */
function sizeOf({ startMin, endMin }: RunEntry): number {
	return endMin - startMin
}

/**
 * Of an item that has been going on for so many minutes, the pieces that are still to come by its planned ones.
 *
 * @param share - of its pieces, that belong to it by the plan as it is now, >= 0
 */
function leftOf(item: WorkItem, { minutes, share }: { minutes: number; share: number }): WorkItem {
	if (minutes === 0 && share === 1) return item
	const left = Math.max(0, share - minutes / Math.max(1, item.end - item.start))
	return {
		...item,
		...(minutes > 0 && {
			fixedMinutes: 0,
			// What has been waited for was there.
			waits: item.waits.filter(({ isPiecewise }) => isPiecewise),
		}),
		stretches: item.stretches.map((stretch) => ({
			...stretch,
			pieceCount: Math.max(left > 0 ? 1 : 0, Math.round(left * stretch.pieceCount)),
		})),
	}
}

/** What is left of a session as something to rehearse: from the present moment, with who is there and what is done and drying. */
import type { PlayedSession, Script, Show, WorkItem } from '../rehearse/script'
import { minutesRunning, type EntryState, type RunState } from './fold-run'
import type { RunPlan } from './run-plan'

const MINUTE_MS = 60_000

export interface Present {
	/** Minutes after midnight on the wall of the studio. */
	nowMin: number
	/** The same moment, ms since 1970. */
	now: number
}

/**
 * @param script - of the whole course, by the plan that the run was opened with
 * @returns a script of this session alone; without items: nothing is left of it
 */
export function scriptFromNow(script: Script, plan: RunPlan, state: RunState, { nowMin, now }: Present): Script {
	const s = plan.session - 1
	const session = script.sessions[s]
	if (!session) throw new RangeError(`the course has no session ${plan.session}`)
	/** Clock minutes of the plan. */
	const clockOf = (wallMin: number) => session.open + wallMin - plan.openMin
	const clockAt = (when: number) => clockOf(nowMin + (when - now) / MINUTE_MS)
	const entryOf = entryFinder(script, s, state)
	const shown = script.shows.map((show, k) => show.session < s || (show.session === s && isShown(state, script, s, k)))
	const showsLeft = script.shows.flatMap((show, k) => (show.session === s && !shown[k] ? [k] : []))
	const ends = script.tasks.map(({ homeEnd }) => homeEnd)
	const items: WorkItem[] = []
	const isBefore: boolean[] = []
	for (const [i, item] of script.items.entries()) {
		const entry = item.session === s ? entryOf(i) : undefined
		const isDone = item.session < s || entry?.status === 'done'
		isBefore.push(isDone)
		if (isDone)
			ends[item.task] = Math.max(ends[item.task] ?? -Infinity, entry?.most ? clockAt(entry.most.when) : item.end)
		else if (item.session === s)
			items.push({
				...leftOf(item, entry?.status === 'running' ? minutesRunning(entry, state, now) : 0),
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
		sessions: [sessionFrom(session, clockOf(nowMin))],
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

/** What lies before the present is over. */
function sessionFrom({ close, pauses, homeMinutes }: PlayedSession, now: number): PlayedSession {
	return { open: Math.min(now, close), close, pauses: pauses.filter(({ start }) => start >= now), homeMinutes }
}

/** Steps of the plan and items of the script come in one order: the so-manieth of a session is the same. */
function entryFinder(script: Script, s: number, state: RunState): (item: number) => EntryState | undefined {
	const own = script.items.flatMap((item, i) => (item.session === s ? [i] : []))
	const steps = state.entries.filter(({ entry }) => entry.kind === 'step')
	return (item) => steps[own.indexOf(item)]
}

function isShown(state: RunState, script: Script, s: number, show: number): boolean {
	const own = script.shows.flatMap((one, k) => (one.session === s ? [k] : []))
	const entry = state.entries.filter((one) => one.entry.kind === 'show')[own.indexOf(show)]
	return entry?.status === 'done' || entry?.status === 'running'
}

/** Of an item that has been going on for so many minutes, the pieces that are still to come by its planned ones. */
function leftOf(item: WorkItem, minutes: number): WorkItem {
	if (minutes === 0) return item
	const share = Math.max(0, 1 - minutes / Math.max(1, item.end - item.start))
	return {
		...item,
		fixedMinutes: 0,
		// What has been waited for was there.
		waits: item.waits.filter(({ isPiecewise }) => isPiecewise),
		stretches: item.stretches.map((stretch) => ({
			...stretch,
			pieceCount: Math.max(share > 0 ? 1 : 0, Math.round(share * stretch.pieceCount)),
		})),
	}
}

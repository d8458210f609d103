/** What a session is to bring, in the order of its plan: steps, what is shown, breaks, and the trays that are laid down. */
import type { TaskSource } from '../plan/compile/compiled-course'
import type { PlanStory } from '../plan/tell/plan-story'
import type { Thread } from '../plan/tell/threads'
import { DRYING_STAGES, type DryingStage } from '../vocabulary/drying-stage'

/** One thing after the other; minutes after midnight of the session's day. */
export interface RunEntry {
	/** Unique in the session, and the same in every plan that has it. */
	id: string
	kind: 'step' | 'show' | 'break'
	startMin: number
	endMin: number
	/** Absent: a break. */
	source?: TaskSource
	/** Ids of batches that are laid down to dry when it is done. */
	batches: string[]
}

/** Pieces that dry together, to be used together. */
export interface PlannedBatch {
	id: string
	/** The entry after which they lie. */
	entry: string
	pieceCount: number
	waits: BatchWait[]
}

/** What is waited for: until when, for even odds and for nine in ten; undefined: never, or nothing is known. */
export interface BatchWait {
	stage: Thread['stage']
	toTaskId: string
	p50Minutes: number | undefined
	p90Minutes: number | undefined
	/** The stages that can be felt on the way to it, in their order, each with its minutes for even odds; empty: none is known. */
	feels: { stage: DryingStage; p50Minutes: number }[]
	/** In the air that was read: it never comes to it, or the times are not to be relied on. */
	doubt?: 'never' | 'unlikely' | undefined
}

export interface RunPlan {
	/** From 1. */
	session: number
	/** YYYY-MM-DD. */
	date: string
	/** Hands-on time, in minutes after midnight. */
	openMin: number
	closeMin: number
	entries: RunEntry[]
	batches: PlannedBatch[]
}

/** The task of which an entry is a run. */
export function taskOfEntry({ id }: Pick<RunEntry, 'id'>): string {
	return id.slice(0, id.lastIndexOf('#'))
}

/** @param s - index of the session in the story */
export function toRunPlan({ sessions, threads }: Pick<PlanStory, 'sessions' | 'threads'>, s: number): RunPlan {
	const told = sessions[s]
	if (!told) throw new RangeError(`the plan has no session ${s + 1}`)
	const { session, tiles, breaks } = told
	const lastRun = new Map(tiles.map((tile) => [tile.taskId, tile]))
	const steps = tiles.map(({ taskId, source, startMin, endMin, run, pieceCount }) => {
		// A batch lies when all of its task that falls into this session is done.
		const isLast = lastRun.get(taskId)?.run === run
		const waits = isLast ? threads.filter((thread) => waitsFor(thread, taskId, s)) : []
		const batch: PlannedBatch[] =
			waits.length > 0
				? [{ id: `${taskId}@${s + 1}`, entry: `${taskId}#${run}`, pieceCount, waits: waits.map(toWait) }]
				: []
		const kind = source.type === 'demo' ? ('show' as const) : ('step' as const)
		const entry: RunEntry = {
			...{ id: `${taskId}#${run}`, kind, startMin, endMin, source },
			batches: batch.map(({ id }) => id),
		}
		return { entry, batch }
	})
	const pauses = breaks.map(({ startMin, minutes }, b): RunEntry => {
		return { id: `break#${b + 1}`, kind: 'break', startMin, endMin: startMin + minutes, batches: [] }
	})
	return {
		session: s + 1,
		date: session.date,
		openMin: session.startMin + session.setUpMinutes,
		closeMin: session.endMin - session.clearAwayMinutes,
		entries: [...steps.map(({ entry }) => entry), ...pauses].toSorted((a, b) => a.startMin - b.startMin),
		batches: steps.flatMap(({ batch }) => batch),
	}
}

/** What dries from here on, and is not exchanged. */
function waitsFor({ fromTaskId, from, isSwapped, wait }: Thread, taskId: string, s: number): boolean {
	const dries = wait.basis === 'drying' || wait.basis === 'film'
	return dries && !isSwapped && fromTaskId === taskId && from.session === s
}

function toWait({ stage, toTaskId, wait: { p50Minutes, p90Minutes, stageMinutes = {} } }: Thread): BatchWait {
	const feels = DRYING_STAGES.flatMap((own) => {
		const minutes = stageMinutes[own]
		return minutes === undefined || own === 'settled' ? [] : [{ stage: own, p50Minutes: minutes }]
	})
	return { stage, toTaskId, p50Minutes, p90Minutes, feels: feels.toSorted((a, b) => a.p50Minutes - b.p50Minutes) }
}

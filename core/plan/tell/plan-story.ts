/**
 * A plan told on the wall clock: which step falls into which session, where the drying lies, how full each session is,
 * what is done elsewhere, and what is missing where it does not fit. Numbers only; the screens choose the words.
 */
import { present } from '../../present'
import type { Plan } from '../problem/plan'
import type { CompiledCourse, TaskSource } from '../compile/compiled-course'
import type { Session } from '../../course/course'
import { handsOnMinutes } from '../../course/session-hours'
import { realBreaks } from '../compile/session-windows'
import { listElsewhere, listSwaps, sourceOf, type ElsewhereTask, type SwapStory } from './elsewhere-story'
import { listOnRoom, type WaitOnRoom } from './doubtful-waits'
import type { LaidTask } from './laid-task'
import { minuteIn, sessionOf } from './session-minutes'
import { tellShortfall, type ShortfallStory } from './shortfall-story'
import { spinThreads, type Thread } from './threads'

/** One run of a task in a session. */
export interface Tile {
	taskId: string
	source: TaskSource
	/** Minutes after midnight of the session's day. */
	startMin: number
	/** Of the day. */
	endMin: number
	/** 1-based, of how many runs the task has. */
	run: number
	/** Of its task, in all sessions. */
	runCount: number
	/** Pieces made in this run; 0 for a demonstration. */
	pieceCount: number
	/** It ends after the hands-on time of the session is over. */
	isOver: boolean
}

/** A break where it lies, and between which minutes of the day it may begin. */
export interface BreakStory {
	/** Minutes after midnight of the session's day. */
	startMin: number
	/** At which the course has it. */
	usualMin: number
	minutes: number
	earliestMin: number
	latestMin: number
}

export interface SessionStory {
	/** 1-based. */
	number: number
	session: Session
	/** In the order of the clock. */
	tiles: Tile[]
	/** Where the plan has the breaks, in the order of the clock. */
	breaks: BreakStory[]
	/** Between setting up and clearing away, breaks taken off. */
	handsOnMinutes: number
	/** Of it that is filled. */
	workMinutes: number
	/** Hands-on minutes between the start and the last task without work. */
	waitingMinutes: number
	/** Hands-on minutes left after the last task. */
	spareMinutes: number
	/** It has work, and less to spare than the studio wants left at the end of a session. */
	isTight: boolean
}

export interface PlanStory {
	sessions: SessionStory[]
	threads: Thread[]
	ahead: ElsewhereTask[]
	home: ElsewhereTask[]
	dropped: ElsewhereTask[]
	swaps: SwapStory[]
	/** Waits that the plan uses though they hang on the room. */
	onRoom: WaitOnRoom[]
	/** Instructor's minutes before the course: ahead and swaps. */
	prepMinutes: number
	/** Present: the plan does not fit. */
	shortfall?: ShortfallStory
}

/** What each task of the class is, by its id. */
export function sourcesOf({ sessions }: Pick<PlanStory, 'sessions'>): Map<string, TaskSource> {
	return new Map(sessions.flatMap(({ tiles }) => tiles.map(({ taskId, source }) => [taskId, source] as const)))
}

/** Tells a plan that the checker accepts. */
export function tellPlan(compiled: CompiledCourse, plan: Plan, sessions: readonly Session[]): PlanStory {
	const laid = layTasks(compiled, plan)
	const lastClose = present(compiled.instance.windows.at(-1), 'the last window').close
	const elsewhere = listElsewhere(compiled, plan, laid, sessions)
	const swaps = listSwaps(compiled, plan, laid, sessions)
	const aheadMinutes = elsewhere.ahead.reduce((total, { minutes }) => total + minutes, 0)
	return {
		sessions: sessions.map((session, s) => tellSession(compiled, plan, { session, s, laid, lastClose })),
		threads: spinThreads(compiled, plan, laid, sessions),
		...elsewhere,
		swaps,
		onRoom: listOnRoom(compiled, plan),
		prepMinutes: swaps.reduce((total, { prepMinutes }) => total + prepMinutes, aheadMinutes),
		...(plan.extension > 0 && { shortfall: tellShortfall(compiled, laid, plan.extension) }),
	}
}

/** Runs in class and at home, each with how much of its task comes before it. */
export function layTasks({ instance }: Pick<CompiledCourse, 'instance'>, plan: Plan): LaidTask[] {
	return instance.tasks.flatMap((task) => {
		const placement = plan.placements[task.id]
		if (!placement || !('runs' in placement)) return []
		const unitMinutes = 'units' in task ? task.unitMinutes : task.minutes
		let firstUnit = 0
		return placement.runs.map(({ start, units }, r): LaidTask => {
			const run = { taskId: task.id, place: placement.place, start, end: start + units * unitMinutes, units, firstUnit }
			firstUnit += units
			return { ...run, run: r + 1, runCount: placement.runs.length }
		})
	})
}

/** A session on its own clock: minutes of the instance become minutes after midnight of its day. */
function tellSession(
	compiled: CompiledCourse,
	plan: Plan,
	{ session, s, laid, lastClose }: { session: Session; s: number; laid: readonly LaidTask[]; lastClose: number },
): SessionStory {
	const shift = minuteIn(compiled, session, s, 0)
	const ofSession = laid.filter(({ place, start }) => place === 'class' && sessionOf(compiled, start) === s)
	// What begins after the last close has no place on the band: the shortfall lists it.
	const inside = ofSession.filter(({ start }) => start < lastClose)
	const tiles = inside.map(({ taskId, start, end, run, runCount, units, firstUnit }): Tile => {
		const source = sourceOf(compiled, taskId)
		const sizes = source.type === 'step' ? source.batchSizes.slice(firstUnit, firstUnit + units) : []
		const pieceCount = sizes.reduce((total, size) => total + size, 0)
		return {
			taskId,
			source,
			startMin: start + shift,
			endMin: end + shift,
			run,
			runCount,
			pieceCount,
			isOver: end > lastClose,
		}
	})
	tiles.sort((a, b) => a.startMin - b.startMin)
	const workMinutes = inside.reduce((total, { start, end }) => total + Math.min(end, lastClose) - start, 0)
	const lastEnd = inside.reduce((latest, { end }) => Math.max(latest, end), -Infinity)
	const windows = compiled.instance.windows.filter(({ session: number }) => number === s + 1)
	const usedMinutes = windows.reduce(
		(total, { open, close }) => total + Math.max(0, Math.min(close, lastEnd) - open),
		0,
	)
	const total = handsOnMinutes(session)
	const breaks = tellBreaks(compiled, plan, session, s)
	const heldMinutes = breaks
		.filter(({ startMin, minutes }) => compiled.instance.breaks && startMin + minutes <= lastEnd + shift)
		.reduce((sum, { minutes }) => sum + minutes, 0)
	const handsOnUsed = usedMinutes - heldMinutes
	const { bufferMinutes } = compiled.instance.sessions?.find((one) => one.session === s + 1) ?? { bufferMinutes: 0 }
	return {
		number: s + 1,
		session,
		tiles,
		breaks,
		handsOnMinutes: total,
		workMinutes,
		waitingMinutes: handsOnUsed - workMinutes,
		spareMinutes: total - handsOnUsed,
		isTight: inside.length > 0 && total - handsOnUsed < bufferMinutes,
	}
}

/** Where the breaks of a session lie: as the plan moved them, or, in one of an older form, as the course has them. */
function tellBreaks({ instance }: CompiledCourse, plan: Plan, session: Session, s: number): BreakStory[] {
	const { breaks } = instance
	if (!breaks) {
		return realBreaks(session).map(({ startMin, minutes }) => {
			return { startMin, usualMin: startMin, minutes, earliestMin: startMin, latestMin: startMin }
		})
	}
	const shift = minuteIn({ instance }, session, s, 0)
	// Compiled in the order in which the course has them.
	const usual = realBreaks(session)
	return breaks
		.flatMap((pause, b) => (pause.session === s + 1 ? [{ pause, b }] : []))
		.map(({ pause: { minutes, earliest, latest }, b }, k) => {
			const startMin = (plan.breaks?.[b] ?? earliest) + shift
			const usualMin = usual[k]?.startMin ?? startMin
			return { startMin, usualMin, minutes, earliestMin: earliest + shift, latestMin: latest + shift }
		})
		.toSorted((a, b) => a.startMin - b.startMin)
}

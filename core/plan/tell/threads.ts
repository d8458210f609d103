/** Drying waits as the threads of a told plan: from the run that makes pieces to the run that needs them. */
import type { Session } from '../../course/course'
import { normalDistribution, Z90 } from '../../drying/normal-distribution'
import type { WallTime } from '../../time/wall-clock'
import { wallTimeAfter } from '../../time/zone'
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { CompiledCourse, CourseWait } from '../compile/compiled-course'
import type { Plan } from '../problem/plan'
import type { LaidTask } from './laid-task'
import { minuteIn, sessionOf } from './session-minutes'

/** A drying wait from the end of one task to the start of another. */
export interface Thread {
	fromTaskId: string
	toTaskId: string
	/** undefined: it waits for a film, or for nothing but time. */
	stage: DryingStage | undefined
	wait: CourseWait
	/** Dried pieces are brought, so nobody waits. */
	isSwapped: boolean
	/** The design allows it. */
	maySwap: boolean
	/** Indices into the sessions, and minutes after midnight of their days. */
	from: { session: number; minute: number }
	to: { session: number; minute: number }
	/** With the confidence that the plan was made with; undefined: never. */
	readyAt: WallTime | undefined
	/** Clock minutes from the end of the one task to the start of the other. */
	hangsMinutes: number
	/** The piece that waits least, used in the order in which they were made: from when, to when, and so many minutes. */
	least: { from: Thread['from']; to: Thread['to']; minutes: number }
	/**
	 * How sure the piece that waits least is to be ready when it is needed, in [0, 1]; absent: nothing is known of its spread, or it is a piece's
	 * drying, of which the drying model has the only word.
	 */
	sure?: number
}

/** The chance of the wait that is least sure to be over when it is needed; undefined: nothing is known of any. */
export function leastSure(threads: readonly Thread[]): number | undefined {
	const known = threads.flatMap(({ sure, isSwapped }) => (isSwapped || sure === undefined ? [] : [sure]))
	return known.length > 0 ? Math.min(...known) : undefined
}

/** From each run to the run that waits for it, with the time between, and what the wait asks. */
export function spinThreads(
	compiled: CompiledCourse,
	plan: Plan,
	laid: readonly LaidTask[],
	sessions: readonly Session[],
): Thread[] {
	const swapped = new Set(plan.swaps)
	const at = (clockMinute: number, runStart: number) => {
		const session = sessionOf(compiled, runStart)
		return { session, minute: minuteIn(compiled, sessions[session], session, clockMinute) }
	}
	return compiled.instance.arcs.flatMap((arc, a) => {
		const { stage, wait } = compiled.arcs[a] ?? {}
		if (!wait) return []
		const runsOf = (id: string) => laid.filter(({ taskId, place }) => taskId === id && place === 'class')
		return pairRuns(runsOf(arc.from), runsOf(arc.to), arc.piecewise ?? false).map(({ from, to, least }): Thread => {
			const minutes = least.needed.start - least.made.end
			return {
				fromTaskId: arc.from,
				toTaskId: arc.to,
				stage,
				wait,
				isSwapped: swapped.has(a),
				maySwap: arc.swap !== undefined || arc.swapPrep !== undefined,
				from: at(from.end, from.start),
				to: at(to.start, to.start),
				readyAt: arc.lag === 'never' ? undefined : wallTimeAfter(compiled.origin, from.end + arc.lag),
				hangsMinutes: to.start - from.end,
				least: {
					from: at(least.made.end, least.made.run.start),
					to: at(least.needed.start, least.needed.run.start),
					minutes,
				},
				...sureWithin(wait, minutes),
			}
		})
	})
}

/** A unit of a task, in clock minutes. */
interface UnitTime {
	start: number
	end: number
	run: LaidTask
}

interface RunPair {
	from: LaidTask
	to: LaidTask
	/** The last piece that a unit is made from, where it waits least. */
	least: { made: UnitTime; needed: UnitTime }
}

/** Which run waits for which: the first for the last, or piece by piece each for the one that made its last piece. */
function pairRuns(from: readonly LaidTask[], to: readonly LaidTask[], isPiecewise: boolean): RunPair[] {
	const [made, needed] = [unitsOf(from), unitsOf(to)]
	const last = from.at(-1)
	const waits = needed.flatMap((unit, k) => {
		const maker = made[Math.ceil(((k + 1) * made.length) / needed.length) - 1]
		return maker ? [{ made: maker, needed: unit }] : []
	})
	const waitOf = (one: RunPair['least']) => one.needed.start - one.made.end
	return (isPiecewise ? to : to.slice(0, 1)).flatMap((run): RunPair[] => {
		const own = isPiecewise ? waits.filter((one) => one.needed.run === run) : waits
		const [least] = own.toSorted((a, b) => waitOf(a) - waitOf(b))
		const maker = isPiecewise ? own.at(-1)?.made.run : last
		return least && maker ? [{ from: maker, to: run, least }] : []
	})
}

/** All units of the runs of a task, in order. */
function unitsOf(runs: readonly LaidTask[]): UnitTime[] {
	return runs.flatMap((run) => {
		const minutes = (run.end - run.start) / run.units
		return Array.from({ length: run.units }, (_, k) => {
			return { start: run.start + k * minutes, end: run.start + (k + 1) * minutes, run }
		})
	})
}

/** Of a film of paint, glaze or glue: its time is log-normal by its own model (core/drying/film-waits). */
function sureWithin({ basis, p50Minutes, p90Minutes }: CourseWait, minutes: number): { sure?: number } {
	if (basis !== 'film' || p50Minutes === undefined || p90Minutes === undefined || !(p90Minutes > p50Minutes)) return {}
	const sigma = Math.log(p90Minutes / p50Minutes) / Z90
	return { sure: minutes > 0 ? normalDistribution(Math.log(minutes / p50Minutes) / sigma) : 0 }
}

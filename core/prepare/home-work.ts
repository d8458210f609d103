/** What students do at home by a plan, and how somebody who missed a session comes level with the others. */
import type { DesignInCourse } from '../plan/compile/compile-course'
import {
	worksOfTask,
	type ArcSource,
	type CompiledCourse,
	type StepSource,
	type TaskSource,
} from '../plan/compile/compiled-course'
import { lagMinutes } from '../plan/problem/instance'
import type { PlanStory, Tile } from '../plan/tell/plan-story'
import type { WallTime } from '../time/wall-clock'
import { minutesSince, wallTimeAfter } from '../time/zone'

export interface Homework {
	taskId: string
	source: TaskSource
	/** Of the student. */
	minutes: number
	/** After which session, from 0. */
	afterSession: number
	/** What must be dry before it, and when that was left to dry in class. */
	waits: { from: TaskSource; arc: ArcSource; leftAt: WallTime }[]
}

/** In the order of the plan. */
export function listHomework(compiled: CompiledCourse, story: Pick<PlanStory, 'home' | 'sessions'>): Homework[] {
	const { arcs } = compiled.instance
	return story.home.map(({ taskId, source, minutes, afterSession = 0 }) => ({
		taskId,
		source,
		minutes,
		afterSession,
		waits: arcs.flatMap(({ from, to }, a) => {
			const [own, arc, last] = [compiled.tasks[from], compiled.arcs[a], lastTile(story, from)]
			if (to !== taskId || !own || !arc?.wait || !last) return []
			return [{ from: own, arc, leftAt: { date: last.date, minuteOfDay: last.tile.endMin } }]
		}),
	}))
}

export interface WayBackStep {
	taskId: string
	source: StepSource
	/** Of the student, as the class took for it. */
	minutes: number
	/** The design allows it at home; else it needs the instructor, or pieces that she gives. */
	mayBeHome: boolean
	/** By which it is done so that what follows in a later session finds it ready; absent: nothing later needs it. */
	doneBy?: WallTime
	/** It cannot be dry by then, whatever she does: dried pieces are given. */
	isTooLate: boolean
}

export interface WayBack {
	steps: WayBackStep[]
	/** Techniques shown in that session. */
	shown: string[]
	homeMinutes: number
	/** With the instructor. */
	otherMinutes: number
}

/**
 * The way back for who missed a session: what the class did in it, what of it may be done at home, and by when.
 *
 * @param missed - the session, from 0; one that there is
 */
export function findWayBack(
	compiled: CompiledCourse,
	designs: readonly DesignInCourse[],
	story: Pick<PlanStory, 'sessions'>,
	missed: number,
): WayBack {
	const tiles = story.sessions[missed]?.tiles ?? []
	const end = story.sessions[missed]?.session
	const steps = tiles.flatMap((tile): WayBackStep[] => {
		const { taskId, source, startMin, endMin } = tile
		if (source.type !== 'step') return []
		const doneBy = neededDry(compiled, story, { taskId, missed })
		const isTooLate =
			doneBy === 'never' ||
			(doneBy !== undefined &&
				end !== undefined &&
				minutesSince(compiled.origin, doneBy) <
					minutesSince(compiled.origin, { date: end.date, minuteOfDay: end.endMin }) + (endMin - startMin))
		return [
			{
				taskId,
				source,
				minutes: endMin - startMin,
				mayBeHome: mayBeHome(designs, source),
				...(doneBy !== undefined && doneBy !== 'never' && { doneBy }),
				isTooLate,
			},
		]
	})
	const sum = (atHome: boolean) =>
		steps.reduce((total, step) => total + (step.mayBeHome === atHome ? step.minutes : 0), 0)
	return {
		steps,
		shown: tiles.flatMap(({ source }) => (source.type === 'demo' ? [source.label] : [])),
		homeMinutes: sum(true),
		otherMinutes: sum(false),
	}
}

/** By which a task of a missed session is over, with its drying, for the first that goes on with it in a later one. */
function neededDry(
	{ instance, origin }: CompiledCourse,
	story: Pick<PlanStory, 'sessions'>,
	{ taskId, missed }: { taskId: string; missed: number },
): WallTime | 'never' | undefined {
	const minutes = instance.arcs.flatMap((arc) => {
		if (arc.from !== taskId) return []
		const later = firstTileAfter(story, arc.to, missed)
		if (!later) return []
		const lag = lagMinutes(arc)
		return [minutesSince(origin, { date: later.date, minuteOfDay: later.tile.startMin }) - lag]
	})
	if (minutes.length === 0) return undefined
	const earliest = Math.min(...minutes)
	return earliest === -Infinity ? 'never' : wallTimeAfter(origin, earliest)
}

function mayBeHome(designs: readonly DesignInCourse[], source: StepSource): boolean {
	return worksOfTask(source).every(({ designId, stepIds }) => {
		const steps = designs.find(({ design }) => design.id === designId)?.design.steps ?? []
		const own = steps.filter(({ id }) => stepIds.includes(id))
		return own.length > 0 && own.every(({ places }) => places.includes('home'))
	})
}

interface DatedTile {
	date: string
	tile: Tile
}

function datedTiles({ sessions }: Pick<PlanStory, 'sessions'>, taskId: string): (DatedTile & { session: number })[] {
	return sessions.flatMap(({ session: { date }, tiles }, session) =>
		tiles.filter((tile) => tile.taskId === taskId).map((tile) => ({ date, session, tile })),
	)
}

function lastTile(story: Pick<PlanStory, 'sessions'>, taskId: string): DatedTile | undefined {
	return datedTiles(story, taskId).at(-1)
}

function firstTileAfter(story: Pick<PlanStory, 'sessions'>, taskId: string, missed: number): DatedTile | undefined {
	return datedTiles(story, taskId).find(({ session }) => session > missed)
}

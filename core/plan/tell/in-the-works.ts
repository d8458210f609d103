/** What of a told plan is in the works at a moment: pieces that dry, and work before class that should have been begun. */
import { addDays } from '../../time/calendar'
import { toMoment } from '../../time/wall-clock'
import type { DryingStage } from '../../vocabulary/drying-stage'
import type { CourseWait, TaskSource } from '../compile/compiled-course'
import { minutesAhead } from './drying-ahead'
import { sourcesOf, type PlanStory } from './plan-story'

/** Pieces that lie and dry. */
export interface DryingPiece {
	taskId: string
	source: TaskSource
	stage: DryingStage | undefined
	/** YYYY-MM-DDTHH:MM, with the confidence that the plan was made with. */
	readyAt: string
	/** YYYY-MM-DDTHH:MM. */
	neededAt: string
}

/** Work of the instructor before class. */
export interface WorkAhead {
	taskId: string
	source: TaskSource
	/** Of hers. */
	minutes: number
	/** YYYY-MM-DD: the last day on which it may be begun. */
	beginBy: string
	/** YYYY-MM-DD. */
	neededOn: string
}

const MINUTES_PER_DAY = 1440
/** Where nothing is known of how long it dries: it lies overnight; common practice, no source. */
const USUAL_DAYS = 1

/** @param now - YYYY-MM-DDTHH:MM on the studio's clock; what is ready first comes first */
export function listDryingNow({ sessions, threads }: PlanStory, now: string): DryingPiece[] {
	const sources = sourcesOf({ sessions })
	return threads
		.flatMap(({ fromTaskId, isSwapped, stage, from, to, readyAt }): DryingPiece[] => {
			const [made, needed] = [sessions[from.session]?.session.date, sessions[to.session]?.session.date]
			const source = sources.get(fromTaskId)
			if (isSwapped || !readyAt || !source || !made || !needed) return []
			const madeAt = toMoment({ date: made, minuteOfDay: from.minute })
			const ready = toMoment(readyAt)
			if (now < madeAt || now >= ready) return []
			const neededAt = toMoment({ date: needed, minuteOfDay: to.minute })
			return [{ taskId: fromTaskId, source, stage, readyAt: ready, neededAt }]
		})
		.toSorted((a, b) => (a.readyAt < b.readyAt ? -1 : 1))
}

/** Dried pieces to bring, and what is made ahead, by the day on which it must be begun. */
export function listWorkAhead({ sessions, swaps, ahead }: PlanStory): WorkAhead[] {
	const sources = sourcesOf({ sessions })
	const first = sessions.findIndex(({ tiles }) => tiles.length > 0)
	/** Undefined where there is no such session. */
	const lastDays = (session: number, wait: CourseWait | undefined) => {
		const neededOn = sessions[session]?.session.date
		const days = wait ? Math.ceil(minutesAhead(wait) / MINUTES_PER_DAY) : 0
		return neededOn && { neededOn, beginBy: addDays(neededOn, -Math.max(USUAL_DAYS, days)) }
	}
	const brought = swaps.flatMap(({ fromTaskId: taskId, wait, prepMinutes: minutes, neededAt }): WorkAhead[] => {
		const [source, days] = [sources.get(taskId), lastDays(neededAt.session, wait)]
		return source && days ? [{ taskId, source, minutes, ...days }] : []
	})
	const made = ahead.flatMap(({ taskId, source, minutes, dries, neededAt }): WorkAhead[] => {
		const days = lastDays(neededAt?.session ?? first, dries?.wait)
		return days ? [{ taskId, source, minutes, ...days }] : []
	})
	return [...brought, ...made].toSorted((a, b) => (a.beginBy < b.beginBy ? -1 : 1))
}

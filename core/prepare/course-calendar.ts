/** What of a course belongs on a calendar: its sessions, when pieces are ready, what is made before, what is ordered. */
import type { Course, Session } from '../course/course'
import type { SupplierOrders } from '../kit/shopping-list'
import type { TaskSource } from '../plan/compile/compiled-course'
import { listWorkAhead, type WorkAhead } from '../plan/tell/in-the-works'
import { sourcesOf, type PlanStory, type SessionStory } from '../plan/tell/plan-story'
import { toMoment, type WallTime } from '../time/wall-clock'
import type { DryingStage } from '../vocabulary/drying-stage'

/** Keys are unique in a course, and stay when times change. */
export type CalendarEntry = { key: string } & (
	| { kind: 'session'; session: Session; number: number; of: number; steps: TaskSource[] }
	| ({ kind: 'ready' } & ReadyTray)
	| { kind: 'work'; work: WorkAhead }
	| ({ kind: 'order' } & DueOrder)
)

/** Pieces of a session that are needed in a later one. */
export interface ReadyTray {
	key: string
	/** The end of the session in which they were left to dry. */
	leftAt: WallTime
	at: WallTime
	source: TaskSource
	stage: DryingStage | undefined
	/** The start of the session that goes on with them. */
	neededAt: WallTime
}

/** All that is ordered of one supplier. */
export interface DueOrder {
	key: string
	/** YYYY-MM-DD: the last day. */
	orderBy: string
	supplierName: string
	count: number
}

/**
 * Without what is ordered, which hangs on the day and on the shelf.
 *
 * @param story - absent: there is no plan, and only the sessions are known
 */
export function listCalendar({ sessions }: Pick<Course, 'sessions'>, story: PlanStory | undefined): CalendarEntry[] {
	return [
		...sessions.map((session, s): CalendarEntry => {
			const steps = story ? stepsOf(story.sessions[s]) : []
			return { key: `session-${s + 1}`, kind: 'session', session, number: s + 1, of: sessions.length, steps }
		}),
		...(story ? listReady(story) : []).map((tray): CalendarEntry => ({ kind: 'ready', ...tray })),
		...(story ? listWorkAhead(story) : []).map((work): CalendarEntry => {
			return { key: `work-${work.taskId}`, kind: 'work', work }
		}),
	]
}

export function listOrderEntries(orders: readonly SupplierOrders[]): CalendarEntry[] {
	return listDueOrders(orders).map((order) => ({ kind: 'order', ...order }))
}

/** Each step once, in the order of the clock. */
function stepsOf(session: SessionStory | undefined): TaskSource[] {
	const own = new Map(session?.tiles.map(({ taskId, source }) => [taskId, source]))
	return [...own.values()]
}

/** One for each tray and stage that lies from one session to another; of several batches the one that is ready last. */
export function listReady(story: PlanStory): ReadyTray[] {
	const { sessions, threads } = story
	const sources = sourcesOf(story)
	const trays = threads.flatMap(({ fromTaskId, from, to, readyAt, stage, isSwapped }): ReadyTray[] => {
		const [source, left, needed] = [
			sources.get(fromTaskId),
			sessions[from.session]?.session,
			sessions[to.session]?.session,
		]
		if (isSwapped || !readyAt || !source || !left || !needed || from.session === to.session) return []
		const leftAt = { date: left.date, minuteOfDay: left.endMin }
		const neededAt = { date: needed.date, minuteOfDay: needed.startMin }
		return [{ key: `ready-${fromTaskId}-${stage ?? 'film'}`, leftAt, at: readyAt, source, stage, neededAt }]
	})
	const inTime = trays.toSorted((a, b) => (toMoment(a.at) < toMoment(b.at) ? -1 : 1))
	return [...new Map(inTime.map((tray) => [tray.key, tray])).values()]
}

/** By the first day on which something of it must be ordered. */
export function listDueOrders(orders: readonly SupplierOrders[]): DueOrder[] {
	return orders.flatMap(({ supplierName, orders: own }) => {
		const [orderBy] = own.map(({ order }) => order.orderBy).toSorted()
		return orderBy === undefined ? [] : [{ key: `order-${supplierName}`, orderBy, supplierName, count: own.length }]
	})
}

/** What of a course belongs on a calendar: its sessions, when pieces are ready, what is made before, what is ordered. */
import type { Course, Session } from '../course/course'
import type { SupplierOrders } from '../kit/shopping-list'
import type { TaskSource } from '../plan/compile/compiled-course'
import { listWorkAhead, type WorkAhead } from '../plan/tell/in-the-works'
import type { PlanStory, SessionStory } from '../plan/tell/plan-story'
import type { WallTime } from '../time/wall-clock'
import type { DryingStage } from '../vocabulary/drying-stage'

/** Keys are unique in a course, and stay when times change. */
export type CalendarEntry = { key: string } & (
	| { kind: 'session'; session: Session; number: number; of: number; steps: TaskSource[] }
	/** Pieces of a session that are needed in a later one. */
	| { kind: 'ready'; at: WallTime; source: TaskSource; stage: DryingStage | undefined; neededOn: string }
	| { kind: 'work'; work: WorkAhead }
	/** YYYY-MM-DD: the last day. */
	| { kind: 'order'; orderBy: string; supplierName: string; count: number }
)

/** @param story - absent: there is no plan, and only the sessions are known */
export function listCalendar(
	{ sessions }: Pick<Course, 'sessions'>,
	story: PlanStory | undefined,
	orders: readonly SupplierOrders[],
): CalendarEntry[] {
	return [
		...sessions.map((session, s): CalendarEntry => {
			const steps = story ? stepsOf(story.sessions[s]) : []
			return { key: `session-${s + 1}`, kind: 'session', session, number: s + 1, of: sessions.length, steps }
		}),
		...(story ? listReady(story) : []),
		...(story ? listWorkAhead(story) : []).map((work): CalendarEntry => {
			return { key: `work-${work.taskId}`, kind: 'work', work }
		}),
		...orders.map(({ supplierName, orders: own }): CalendarEntry => {
			const days = own.map(({ order }) => order.orderBy).toSorted()
			const [orderBy = ''] = days
			return { key: `order-${supplierName}`, kind: 'order', orderBy, supplierName, count: own.length }
		}),
	]
}

/** Each step once, in the order of the clock. */
function stepsOf(session: SessionStory | undefined): TaskSource[] {
	const own = new Map(session?.tiles.map(({ taskId, source }) => [taskId, source]))
	return [...own.values()]
}

/** One for each tray and stage that lies from one session to another; the last moment of those that are told alike. */
function listReady({ sessions, threads }: PlanStory): CalendarEntry[] {
	const sources = new Map(sessions.flatMap(({ tiles }) => tiles.map(({ taskId, source }) => [taskId, source] as const)))
	const entries = threads.flatMap(({ fromTaskId, from, to, readyAt, stage, isSwapped }): CalendarEntry[] => {
		const [source, needed] = [sources.get(fromTaskId), sessions[to.session]?.session.date]
		if (isSwapped || !readyAt || !source || !needed || from.session === to.session) return []
		const key = `ready-${fromTaskId}-${stage ?? 'film'}`
		return [{ key, kind: 'ready', at: readyAt, source, stage, neededOn: needed }]
	})
	return [...new Map(entries.map((entry) => [entry.key, entry])).values()]
}

/** What is different between two plans of a course: figures, and steps that are done elsewhere or in another session. */
import { present } from '../../present'
import { sessionAt } from '../problem/session-at'
import { TOLD_FIGURES, type ToldFigure } from '../problem/objective'
import type { Placement } from '../problem/plan'
import type { TaskSource } from '../compile/compiled-course'
import type { CoursePlan } from '../plan-course'

/** Where a step is done: in sessions (1-based), or not in class. */
export type Whereabouts = { sessions: number[] } | Exclude<Placement['place'], 'class'> | 'not there'

/** One thing that is different. */
export type PlanDifference =
	| { kind: 'level'; level: ToldFigure; before: number | undefined; after: number | undefined }
	| { kind: 'moved'; source: TaskSource; before: Whereabouts; after: Whereabouts }
	| { kind: 'swap'; source: TaskSource; isSwapped: boolean }

/** Differences in the order of the objective, then of the tasks; none: the same plan for all purposes. */
export function comparePlans(before: CoursePlan, after: CoursePlan): PlanDifference[] {
	const levels = TOLD_FIGURES.flatMap((level): PlanDifference[] => {
		const [old, now] = [before.objective?.[level], after.objective?.[level]]
		return old === now ? [] : [{ kind: 'level', level, before: old, after: now }]
	})
	const ids = new Set([...Object.keys(before.compiled.tasks), ...Object.keys(after.compiled.tasks)])
	const moved = [...ids].flatMap((id): PlanDifference[] => {
		const [old, now] = [whereaboutsOf(before, id), whereaboutsOf(after, id)]
		const source = after.compiled.tasks[id] ?? before.compiled.tasks[id]
		return source && JSON.stringify(old) !== JSON.stringify(now)
			? [{ kind: 'moved', source, before: old, after: now }]
			: []
	})
	return [...levels, ...moved, ...swapDifferences(before, after)]
}

/** Where the plan has the task: sessions by number, or the other place that it is done in. */
function whereaboutsOf({ compiled: { instance }, plan }: CoursePlan, id: string): Whereabouts {
	const placement = plan?.placements[id]
	if (!placement) return 'not there'
	if (placement.place !== 'class') return placement.place
	const sessions = placement.runs.map(({ start }) => {
		return present(sessionAt(instance.windows, start), 'the session of a step')
	})
	return { sessions: [...new Set(sessions)] }
}

/** Exchanges that only one of the two plans has; by the tasks' ids, since positions differ between them. */
function swapDifferences(before: CoursePlan, after: CoursePlan): PlanDifference[] {
	const swappedIn = ({ compiled: { instance }, plan }: CoursePlan) => {
		return new Map(
			(plan?.swaps ?? []).map((a) => {
				const { from, to } = present(instance.arcs[a], 'the arc of an exchange')
				return [`${from} ${to}`, from]
			}),
		)
	}
	const [old, now] = [swappedIn(before), swappedIn(after)]
	const listed = (from: ReadonlyMap<string, string>, other: ReadonlyMap<string, string>, isSwapped: boolean) => {
		return [...from].flatMap(([key, task]): PlanDifference[] => {
			const source = after.compiled.tasks[task] ?? before.compiled.tasks[task]
			return other.has(key) || !source ? [] : [{ kind: 'swap', source, isSwapped }]
		})
	}
	return [...listed(now, old, true), ...listed(old, now, false)]
}

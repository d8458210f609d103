import type { Instance } from '../plan/problem/instance'
import type { Plan } from '../plan/problem/plan'
import { unitMinutesOf } from '../plan/problem/plan-times'
import { present } from '../present'
import { followPlan, plannedDryings } from './plan-script'
import type { Script } from './script'

/** A plan as it stands, unit by unit, with tools enough: played without any doubt it comes out as planned. */
export function toReplayScript(instance: Instance, plan: Plan, studentCount: number): Script {
	const { sessions, shows, runs, tasks, dryingArcs } = followPlan(instance, plan)
	return {
		levels: Array<number>(studentCount).fill(1),
		callMinutes: Array<number>(studentCount).fill(Infinity),
		sessions,
		shows,
		extras: [],
		items: runs.map(({ run: { task, units }, order }) => ({
			kind: 'work',
			...order,
			fixedMinutes: 0,
			stretches: [
				{
					pieceCount: units,
					minutesEach: unitMinutesOf(present(instance.tasks[task], 'a task of the plan')),
					turns: [],
					breakage: 0,
					againMinutes: 0,
					isSteady: true,
				},
			],
		})),
		tasks,
		kinds: [],
		tools: [],
		dryings: plannedDryings(instance, dryingArcs),
	}
}

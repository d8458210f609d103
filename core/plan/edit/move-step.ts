/** A plan with one step laid elsewhere and all else where it was: not a plan that keeps every rule, but what a hand does. */
import type { CompiledCourse } from '../compile/compiled-course'
import type { Session } from '../../course/course'
import { minutesSince } from '../../time/zone'
import type { Plan } from '../problem/plan'

/** @returns the plan with the whole step in one run that begins there; as it was where the step is not in class */
export function moveStep(
	{ instance, origin }: CompiledCourse,
	plan: Plan,
	{ task, date, minuteOfDay }: { task: string; date: Session['date']; minuteOfDay: number },
): Plan {
	const own = instance.tasks.find(({ id }) => id === task)
	if (!own) return plan
	const units = 'units' in own ? own.units : 1
	const start = minutesSince(origin, { date, minuteOfDay })
	return { ...plan, placements: { ...plan.placements, [task]: { place: 'class', runs: [{ start, units }] } } }
}

/** Checks of the exact planner that know nothing of how it works: enumeration, and a general constraint solver. */
import { planExactly } from '../../core/plan/exact/plan-exactly'
import { lagMinutes, type Instance } from '../../core/plan/problem/instance'
import { compareObjectives, FIRST_LEVELS, OBJECTIVE_LEVELS, type Levels } from '../../core/plan/problem/objective'
import { validateInstance } from '../../core/plan/problem/validate-instance'
import { betterPlanModel } from './better-plan-model'
import { bestByEnumeration } from './brute-force'
import { askMiniZinc } from './minizinc'
import { randomFullInstance, randomInstance, type InstanceShape } from './random-instance'

/** Every feature of the model comes up; small enough to try every plan. */
export const TINY_SHAPES: readonly InstanceShape[] = [
	{ taskCount: 3, maxMinutes: 4, sessionCount: 2, windowMinutes: 4, sessionGap: 14 },
	{ taskCount: 4, maxMinutes: 3, sessionCount: 1, windowMinutes: 5, sessionGap: 16 },
	{ taskCount: 2, maxMinutes: 6, sessionCount: 2, windowMinutes: 6, sessionGap: 18 },
]

const MIDDLE_SHAPE: InstanceShape = { taskCount: 7, maxMinutes: 6, sessionCount: 2, windowMinutes: 12, sessionGap: 60 }

interface Range {
	firstSeed: number
	/** Instances to check. */
	count: number
	/** Told of each wrong answer. */
	report: (line: string) => void
}

/** Instances as they were at first, and with all that came later; each with the levels that it is judged by. */
const FORMS = {
	first: { make: randomInstance, levels: FIRST_LEVELS },
	full: { make: randomFullInstance, levels: OBJECTIVE_LEVELS },
}

interface EnumerationRange extends Range {
	form: keyof typeof FORMS
}

/** Instances with too many plans are passed over. */
export function checkAgainstEnumeration({ firstSeed, count, report, form }: EnumerationRange): {
	checked: number
	withoutPlan: number
} {
	const { make, levels } = FORMS[form]
	const done = { checked: 0, withoutPlan: 0 }
	for (let seed = firstSeed; done.checked < count; seed++) {
		for (const [shape, terms] of TINY_SHAPES.entries()) {
			const instance = make(seed, terms)
			const best = validateInstance(instance).length > 0 ? 'too many' : bestByEnumeration(instance, levels)
			if (best === 'too many') continue
			done.checked++
			const { status, objective } = planExactly(instance, { levels })
			if (best === undefined) {
				done.withoutPlan++
				if (status !== 'infeasible' && status !== 'impossible')
					report(`seed ${seed}, shape ${shape}: ${status}, but nothing fits`)
			} else if (status !== 'optimal' || compareObjectives(objective, best, levels) !== 0) {
				report(`seed ${seed}, shape ${shape}: ${status} ${JSON.stringify(objective)}, best ${JSON.stringify(best)}`)
			}
		}
	}
	return done
}

/** Asks for a better plan than ours, and for a lesser extension: there must be none. */
export async function checkAgainstChuffed({
	firstSeed,
	count,
	limitMs,
	report,
	form,
}: EnumerationRange & { limitMs: number }): Promise<{ confirmed: number; open: number }> {
	const done = { confirmed: 0, open: 0 }
	for (let seed = firstSeed; seed < firstSeed + count; seed++) {
		const instance = FORMS[form].make(seed, MIDDLE_SHAPE)
		if (validateInstance(instance).length > 0) continue
		const answer = await askMiniZinc(modelOfBetter(instance, FORMS[form].levels), limitMs)
		if (answer === 'unsatisfiable') done.confirmed++
		else if (answer === 'unknown') done.open++
		else report(`seed ${seed}: there is a better plan`)
	}
	return done
}

function modelOfBetter(instance: Instance, levels: Levels): string {
	const { status, objective } = planExactly(instance, { levels })
	if (status === 'optimal') return betterPlanModel(instance, 0, objective, levels)
	if (status === 'infeasible' && objective) return betterPlanModel(instance, objective.shortfall - 1, undefined)
	if (status !== 'impossible') throw new Error(`${instance.name}: ${status} is not a proven answer`)
	const work = instance.tasks.map((task) => ('units' in task ? task.units * task.unitMinutes : task.minutes))
	const most = [...work, ...instance.arcs.map((arc) => (arc.lag === 'never' ? 0 : lagMinutes(arc)))].reduce(
		(total, value) => total + value,
		0,
	)
	return betterPlanModel(instance, most, undefined)
}

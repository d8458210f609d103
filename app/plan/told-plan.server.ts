/** Told plans, worked out once for each plan. */
import type { CoursePlan } from '../../core/plan/plan-course'
import { remember } from '../shared/http/remember.server'
import type { CurrentPlan } from './read-plan.server'
import { tellCoursePlan, type ToldPlan } from './tell-course-plan'

/** Of links, since reading one takes longer than answering it. */
const rememberChance = remember<{ sure?: number }>(500)

/** By the plan itself, which is never changed; the fingerprint is of the designs that it is told with. */
const known = new WeakMap<CoursePlan, { fingerprint: string; told: ToldPlan }>()

/** Nobody may change it; undefined: there is no plan. */
export function toldPlan({
	coursePlan,
	designs,
	fingerprint,
}: Pick<CurrentPlan, 'coursePlan' | 'designs' | 'fingerprint'>): ToldPlan | undefined {
	const before = known.get(coursePlan)
	if (before?.fingerprint === fingerprint) return before.told
	const told = tellCoursePlan({ coursePlan, designs }, rememberChance)
	if (told) known.set(coursePlan, { fingerprint, told })
	return told
}

/**
 * The few plans none of which is worse than another in every respect: value lost, the instructor's minutes, sessions
 * and strain. Each is the best of all plans within bounds on those, found by the same search.
 */
import type { Instance } from '../problem/instance'
import type { Objective } from '../problem/objective'
import type { Plan } from '../problem/plan'
import type { Level } from '../model/level-rules'
import { planExactly, type ExactPlan, type ExactTerms } from './plan-exactly'

/** A plan beside the best one, and what it is worth. */
export interface Alternative {
	plan: Plan
	objective: Objective
	/** Sessions up to the last with class work. */
	sessions: number
	/** Nothing is better within the bounds that it was sought with. */
	isProven: boolean
}

/**
 * Alternatives, the instructor's usual preference first: the plan without bounds, then fewer sessions, then less of
 * her own time, then less strain.
 *
 * @param start - a plan to start from, best the best one
 * @param terms - for each of the searches; `onSearch` is told before each
 * @throws {RangeError} the instance has problems; see `validateInstance`
 */
export function findAlternatives(
	instance: Instance,
	start: Plan | undefined,
	{ onSearch = () => {}, ...terms }: ExactTerms & { onSearch?: () => void } = {},
): Alternative[] {
	const found: Alternative[] = []
	const seek = (limits: Partial<Record<Level, number>>, from: Plan | undefined) => {
		onSearch()
		const result = planExactly(instance, { ...terms, limits, ...(from && { start: from }) })
		const alternative = toAlternative(instance, result)
		if (alternative) found.push(alternative)
		return alternative
	}
	const best = seek({}, start)
	if (!best) return []
	for (let sessions = best.sessions; sessions >= 1; sessions--) {
		const finish = closeOf(instance, sessions)
		const within = sessions === best.sessions ? best : seek({ finish }, best.plan)
		if (!within) break
		const { prepMinutes = 0, valueLost = 0, strain = 0 } = within.objective
		if (prepMinutes > 0) seek({ finish, prepMinutes: 0 }, within.plan)
		if (valueLost > 0) seek({ finish, valueLost: valueLost - 1 }, within.plan)
		if (strain > 0) seek({ finish, strain: Math.floor(strain / 2) }, within.plan)
	}
	return keepUndominated(found)
}

/** Only plans that fit are alternatives: one with a shortfall is a problem, and told as one elsewhere. */
function toAlternative(instance: Instance, { plan, objective, status }: ExactPlan): Alternative | undefined {
	if (!plan || !objective || objective.shortfall > 0) return undefined
	return { plan, objective, sessions: sessionsUntil(instance, objective.finish ?? 0), isProven: status === 'optimal' }
}

/** How many sessions are begun before the work ends; a course that ends early needs no room for the rest. */
function sessionsUntil({ windows }: Instance, finish: number): number {
	return new Set(windows.filter(({ open }) => open < finish).map(({ session }) => session)).size
}

/** When the last of so many sessions closes. */
function closeOf({ windows }: Instance, sessions: number): number {
	const numbers = [...new Set(windows.map(({ session }) => session))]
	return windows.findLast(({ session }) => session === numbers[sessions - 1])?.close ?? 0
}

/** Those than which no other is at least as good in every respect; of equals the first. */
function keepUndominated(found: readonly Alternative[]): Alternative[] {
	const vectorOf = ({ objective, sessions }: Alternative) => {
		const { valueLost = 0, prepMinutes = 0, strain = 0 } = objective
		return [valueLost, prepMinutes, sessions, strain]
	}
	const isAsGood = (a: Alternative, b: Alternative) => {
		const [first, second] = [vectorOf(a), vectorOf(b)]
		return first.every((value, k) => value <= (second[k] ?? 0))
	}
	return found.filter((own, k) => {
		return !found.some((other, o) => o !== k && isAsGood(other, own) && (!isAsGood(own, other) || o < k))
	})
}

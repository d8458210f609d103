/**
 * What is left of an evening, laid anew with the rest of its course: whether a way fits, what leaves this evening for
 * another, and what is taken with it.
 */
import type { CoursePin } from '../course/course-pin'
import { namePlan, type NamedPlan } from '../plan/named-plan'
import { planExactly, type ExactTerms } from '../plan/exact/plan-exactly'
import type { Pin } from '../plan/pins/pin'
import type { Instance } from '../plan/problem/instance'
import type { Placement, Plan, Run } from '../plan/problem/plan'
import { runsOf, unitMinutesOf } from '../plan/problem/plan-times'
import type { RunState } from './fold-run'
import type { Remaining, RunProblem } from './remaining-problem'
import type { TakenPlan } from './run-event'
import { taskOfEntry, type RunPlan } from './run-plan'

/** What of a way to go on its plan does not tell. */
export interface Told {
	pins?: CoursePin[]
	closeMin?: number
	teaMinutes?: number | undefined
	/** Units by which tasks of this evening are shorter. */
	less?: ReadonlyMap<string, number> | undefined
}

/** What is taken with a way to go on, all but its words. */
export type Offered = Omit<TakenPlan, 'reason'>

export interface Evening {
	/** That the session was opened with. */
	opened: RunPlan
	state: RunState
}

export interface OfferTerms {
	/** Of each search. */
	effortOf: () => Pick<ExactTerms, 'nodes' | 'shouldStop'>
}

export class EveningPlans {
	readonly #problem: RunProblem
	readonly #remaining: Remaining
	readonly #evening: Evening
	readonly #terms: OfferTerms

	constructor(problem: RunProblem, remaining: Remaining, evening: Evening, terms: OfferTerms) {
		this.#problem = problem
		this.#remaining = remaining
		this.#evening = evening
		this.#terms = terms
	}

	/** The first session after this evening. */
	nextOpen() {
		return this.#remaining.instance.windows.find(({ session }) => session > this.#evening.opened.session)
	}

	/** @returns undefined: it does not fit the rest of the course */
	lay({ instance = this.#remaining.instance, pins = [] }: { instance?: Instance; pins?: Pin[] }): Plan | undefined {
		const { pins: standing, near, deadlines } = this.#remaining
		const found = planExactly(instance, {
			pins: [...withoutOverruled(standing, pins), ...this.#laterStays(), ...pins],
			near,
			...this.#terms.effortOf(),
		})
		if (found.status !== 'optimal' && found.status !== 'feasible') return undefined
		const isInTime = [...deadlines].every(([task, minute]) => startOf(found.plan, task) <= minute)
		return isInTime ? found.plan : undefined
	}

	/** What was to be done another time is not pulled into this evening. */
	#laterStays(): Pin[] {
		const next = this.nextOpen()
		const { instance, tonight, near } = this.#remaining
		if (!next) return []
		return instance.tasks.flatMap(({ id }): Pin[] => {
			const isLater = !tonight.includes(id) && near.placements[id]?.place === 'class'
			return isLater ? [{ kind: 'notBefore', task: id, minute: next.open }] : []
		})
	}

	movedBy(plan: Plan): string[] {
		const isPlaced = (id: string) => plan.placements[id]?.place === 'class'
		return this.#remaining.tonight.filter((id) => isPlaced(id) && !this.#isTonight(plan, id))
	}

	#isTonight(plan: Plan, id: string): boolean {
		return startOf(plan, id) < (this.nextOpen()?.open ?? Infinity)
	}

	sessionOf(clock: number): number {
		return this.#remaining.instance.windows.findLast(({ open }) => open <= clock)?.session ?? 0
	}

	/**
	 * What is taken with such a plan.
	 *
	 * @returns undefined: the picture of the evening cannot tell it, a step cut up anew
	 */
	take(plan: Plan, { pins = [], closeMin, teaMinutes, less }: Told = {}): Offered | undefined {
		const entries = this.#entriesBy(plan, { teaMinutes, less })
		if (!entries) return undefined
		const moved = this.movedBy(plan)
		// What leaves this evening leaves for one other: more could not be told in a line.
		const sessionsOf = (task: string) => new Set(runsOf(plan, task).map(({ start }) => this.sessionOf(start)))
		if (moved.some((task) => sessionsOf(task).size > 1)) return undefined
		const left = moved.map((task): CoursePin => {
			return { kind: 'session', task, session: this.sessionOf(startOf(plan, task)) }
		})
		const settled = [...left, ...pins]
		const coursePlan = settled.length > 0 ? this.#coursePlanWith(plan) : undefined
		const close = closeMin ?? this.#evening.state.plan.closeMin
		return { entries, closeMin: close, pins: settled, ...(coursePlan && { coursePlan }) }
	}

	/**
	 * The plan of the whole course: this evening as it was planned, but for what leaves it, and the rest as it was found.
	 *
	 * @returns undefined: a step is cut up in another way
	 */
	#coursePlanWith(plan: Plan): NamedPlan | undefined {
		const { compiled, plan: before } = this.#problem
		const { arcsKept, breaksKept, instance } = this.#remaining
		const isLater = (b: number) => (compiled.instance.breaks?.[b]?.session ?? 0) > this.#evening.opened.session
		const laid = new Map(breaksKept.map((b, k) => [b, plan.breaks?.[k]]))
		const placements = compiled.instance.tasks.map(({ id }) => [id, this.#placedAgain(plan, id)] as const)
		if (placements.some(([, placement]) => placement === undefined)) return undefined
		const kept = new Set(arcsKept)
		const merged: Plan = {
			placements: Object.fromEntries(placements.flatMap(([id, own]) => (own ? [[id, own] as const] : []))),
			swaps: [...before.swaps.filter((a) => !kept.has(a)), ...plan.swaps.flatMap((k) => arcsKept[k] ?? [])].toSorted(
				(a, b) => a - b,
			),
			...(before.breaks && { breaks: before.breaks.map((start, b) => (isLater(b) ? (laid.get(b) ?? start) : start)) }),
			extension: 0,
		}
		return instance.tasks.length > 0 ? namePlan(merged, compiled.instance) : undefined
	}

	#placedAgain(plan: Plan, id: string): Placement | undefined {
		const before = this.#problem.plan.placements[id]
		const now = plan.placements[id]
		if (!now || !before || !('runs' in before) || !('runs' in now)) return now ?? before
		const next = this.nextOpen()?.open ?? Infinity
		const stays = before.runs.filter(({ start }) => start < next)
		const isDone = ({ start }: Run) => start < this.#remaining.clockOf(this.#evening.opened.openMin)
		// What leaves this evening keeps what was done of it before.
		const first = this.#isTonight(plan, id) ? stays : stays.filter((run) => isDone(run))
		const runs = [...first, ...now.runs.filter(({ start }) => start >= next)]
		const count = (list: readonly Run[]) => list.reduce((sum, { units }) => sum + units, 0)
		return count(runs) === count(before.runs) ? { place: now.place, runs } : undefined
	}

	/** What is done and going on as it was; the rest where the plan lays it. */
	#entriesBy(plan: Plan, { teaMinutes, less }: Told): TakenPlan['entries'] | undefined {
		const { state } = this.#evening
		const { instance, clockOf, running } = this.#remaining
		const wallOf = (clock: number) => clock - clockOf(0)
		const units = new Map(instance.tasks.map((task) => [task.id, unitMinutesOf(task)]))
		const savedNow = running === undefined ? 0 : (less?.get(running) ?? 0) * (units.get(running) ?? 0)
		const past = state.entries.flatMap(({ entry: { id, startMin, endMin }, status }) => {
			if (status === 'to come') return []
			return [{ entry: id, startMin, endMin: status === 'running' ? endMin - savedNow : endMin }]
		})
		const open = state.entries.filter(({ status }) => status === 'to come').map(({ entry }) => entry)
		const told: TakenPlan['entries'] = []
		for (const id of this.#remaining.tonight) {
			if (id === this.#remaining.running || !this.#isTonight(plan, id)) continue
			const own = open.filter((entry) => taskOfEntry(entry) === id)
			const [first] = own
			const inside = runsOf(plan, id).filter(({ start }) => start < (this.nextOpen()?.open ?? Infinity))
			if (!first || inside.length !== own.length) return undefined
			const unit = units.get(id) ?? 0
			for (const [r, { start, units: count }] of inside.entries())
				told.push({ entry: own[r]!.id, startMin: wallOf(start), endMin: wallOf(start + count * unit) })
		}
		const teas = open.filter(({ kind }) => kind === 'break')
		const lying = (instance.breaks ?? []).flatMap(({ session }, b) => {
			const start = plan.breaks?.[b]
			return session === this.#evening.opened.session && start !== undefined ? [start] : []
		})
		for (const [b, tea] of teas.entries()) {
			const start = lying[b]
			const minutes = b === 0 && teaMinutes !== undefined ? teaMinutes : tea.endMin - tea.startMin
			// A break for which there is no time any more is none.
			if (start !== undefined) told.push({ entry: tea.id, startMin: wallOf(start), endMin: wallOf(start + minutes) })
		}
		return [...past, ...told.toSorted((a, b) => a.startMin - b.startMin)]
	}
}

/** Clock minute; -Infinity: it is not done in class. */
export function startOf(plan: Plan, task: string): number {
	return runsOf(plan, task)[0]?.start ?? -Infinity
}

/** What stands, but for what is settled otherwise by the change that is tried. */
function withoutOverruled(standing: readonly Pin[], changes: readonly Pin[]): Pin[] {
	return standing.filter(
		(pin) =>
			!changes.some(
				(change) =>
					(change.kind === 'place' && 'task' in pin && pin.task === change.task) ||
					(change.kind === 'swap' && pin.kind === 'swap' && pin.arc === change.arc) ||
					((change.kind === 'notBefore' || change.kind === 'session') &&
						pin.kind === 'session' &&
						pin.task === change.task),
			),
	)
}

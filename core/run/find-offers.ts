/**
 * Ways to go on with a session that is behind, each planned: what leaves this evening, what is brought dried for it, tea
 * that is shorter, an extra that is left out, minutes more. The rest of the course is laid anew with each.
 */
import type { CoursePin } from '../course/course-pin'
import { planExactly, type ExactTerms } from '../plan/exact/plan-exactly'
import type { Pin } from '../plan/pins/pin'
import type { Instance } from '../plan/problem/instance'
import type { Placement, Plan, Run } from '../plan/problem/plan'
import { namePlan, placeSwaps, type NamedPlan } from '../plan/named-plan'
import { runsOf, unitMinutesOf } from '../plan/problem/plan-times'
import type { RunState } from './fold-run'
import { remainingProblem, type Remaining, type RunProblem } from './remaining-problem'
import type { TakenPlan } from './run-event'
import { taskOfEntry, type RunPlan } from './run-plan'
import type { Present } from './script-from-now'

export type OfferChange =
	/** These tasks leave for that session, by its number. */
	| { kind: 'later'; tasks: string[]; session: number }
	/** The same work, in another order. */
	| { kind: 'order'; first: string }
	/** Of what these tasks make everybody makes so many pieces less. */
	| { kind: 'fewer'; tasks: string[]; pieces: number }
	/** Tea is so many minutes shorter. */
	| { kind: 'tea'; minutes: number }
	/** What these tasks make is brought dried to a later session; minutes of hers. */
	| { kind: 'dried'; tasks: string[]; session: number; minutes: number }
	/** What these tasks make is left out. */
	| { kind: 'left out'; tasks: string[] }
	/** The class stays so many minutes longer. */
	| { kind: 'longer'; minutes: number }

export interface Offer {
	change: OfferChange
	/** What is taken with it, all but its words. */
	taken: Omit<TakenPlan, 'reason'>
}

export interface OfferTerms {
	/** Of each search. */
	effortOf: () => Pick<ExactTerms, 'nodes' | 'shouldStop'>
}

/** Shortened and lengthened by so much: common practice, no source. */
const TEA_LESS = 10
const SHORTEST_TEA = 5
const LONGER = [10, 20, 30]
const MIDNIGHT = 1440
/** Where everybody makes so many of a kind, two less are not missed: common practice, no source. */
const MANY_PIECES = 6
const PIECES_LESS = 2
/** Tasks that are tried to leave, and pieces that are tried to be brought. */
const MOST_TRIED = 4

/**
 * The ways that fit the rest of the course, as they are found; two that come to the same are told once.
 *
 * @param opened - the plan that the session was opened with
 */
export function* findOffers(
	atOpening: RunProblem,
	opened: RunPlan,
	state: RunState,
	present: Present,
	terms: OfferTerms,
): Generator<Offer> {
	const problem = problemAfter(atOpening, state)
	const remaining = remainingProblem(problem, opened, state, present)
	if (remaining.instance.windows.length === 0 || remaining.tonight.every((id) => id === remaining.running)) return
	const search = new OfferSearch(problem, remaining, { opened, state }, terms)
	const seen = new Set<string>()
	for (const offer of search.run()) {
		const { entries, closeMin, pins } = offer.taken
		const key = JSON.stringify([offer.change.kind, entries.map(({ entry }) => entry), closeMin, pins])
		if (!seen.has(key)) yield offer
		seen.add(key)
	}
}

/** What of an offer its plan does not tell. */
interface OfferTold {
	pins?: CoursePin[]
	closeMin?: number
	teaMinutes?: number | undefined
	/** Units by which tasks of this evening are shorter. */
	less?: ReadonlyMap<string, number> | undefined
}

interface Evening {
	opened: RunPlan
	state: RunState
}

class OfferSearch {
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

	*run(): Generator<Offer> {
		yield* this.#asItLies()
		yield* this.#shorterTea()
		yield* this.#fewer()
		yield* this.#later()
		yield* this.#dried()
		yield* this.#leftOut()
		yield* this.#longer()
	}

	/** What comes first, or leaves, if the rest is simply laid again. */
	*#asItLies(): Generator<Offer> {
		const plan = this.#plan({})
		if (!plan) return
		const moved = this.#movedBy(plan)
		if (moved.length > 0) yield* this.#offerLater(plan, moved)
		else {
			// What is shown comes with its step.
			const { tasks } = this.#problem.compiled
			const next = this.#remaining.tonight.filter((id) => id !== this.#remaining.running && tasks[id]?.type !== 'demo')
			const [first] = next.toSorted((a, b) => startOf(plan, a) - startOf(plan, b))
			if (first !== undefined && first !== next[0]) yield* this.#offer(plan, { kind: 'order', first })
		}
	}

	*#shorterTea(): Generator<Offer> {
		const { instance } = this.#remaining
		const tonight = this.#evening.opened.session
		const breaks = instance.breaks ?? []
		const tea = breaks.find(({ session }) => session === tonight)
		if (!tea) return
		const minutes = Math.min(TEA_LESS, tea.minutes - SHORTEST_TEA)
		if (minutes <= 0) return
		const shorter = breaks.map((pause) => (pause === tea ? { ...pause, minutes: tea.minutes - minutes } : pause))
		const plan = this.#plan({ instance: { ...instance, breaks: shorter }, pins: this.#tonightStays() })
		if (plan) yield* this.#offer(plan, { kind: 'tea', minutes }, { teaMinutes: tea.minutes - minutes })
	}

	/** Two pieces less of a kind of which everybody makes many; of what is assembled from them nothing changes. */
	*#fewer(): Generator<Offer> {
		const { instance, tonight } = this.#remaining
		const open = instance.tasks.flatMap((task) => {
			const source = this.#problem.compiled.tasks[task.id]
			if (!('units' in task) || source?.type !== 'step' || source.partId === undefined) return []
			if (!tonight.includes(task.id) || source.pieceCount < MANY_PIECES) return []
			// Rounded down: no more minutes are promised than the pieces take.
			const units = Math.floor((PIECES_LESS * source.batchSizes.length) / source.pieceCount)
			return units > 0 && units < task.units ? [{ task, units, part: `${source.designId}/${source.partId}` }] : []
		})
		for (const part of new Set(open.map((own) => own.part))) {
			const less = new Map(open.flatMap((own) => (own.part === part ? [[own.task.id, own.units] as const] : [])))
			const tasks = instance.tasks.map((task) => {
				return 'units' in task ? { ...task, units: task.units - (less.get(task.id) ?? 0) } : task
			})
			const plan = this.#plan({ instance: { ...instance, tasks }, pins: this.#tonightStays() })
			if (!plan) continue
			yield* this.#offer(plan, { kind: 'fewer', tasks: [...less.keys()], pieces: PIECES_LESS }, { less })
		}
	}

	/** One of this evening's tasks, and what hangs on it, the last ones first. */
	*#later(): Generator<Offer> {
		const next = this.#nextOpen()
		if (!next) return
		const free = this.#remaining.tonight.filter((id) => id !== this.#remaining.running)
		for (const task of free.toReversed().slice(0, MOST_TRIED)) {
			const plan = this.#plan({ pins: [{ kind: 'session', task, session: next.session }] })
			if (plan) yield* this.#offerLater(plan, this.#movedBy(plan))
		}
	}

	/** Dried pieces take the place of what is made too late to dry until the next time. */
	*#dried(): Generator<Offer> {
		const next = this.#nextOpen()
		if (!next) return
		const { instance, tonight, running } = this.#remaining
		const tried = new Set<string>()
		for (const [a, arc] of instance.arcs.entries()) {
			const set = arc.swap ?? (arc.swapPrep === undefined ? undefined : `${arc.from}>${arc.to}`)
			const isOpen = this.#remaining.pins.some((pin) => pin.kind === 'swap' && pin.arc === a && !pin.isSwapped)
			if (set === undefined || tried.has(set) || !isOpen || !tonight.includes(arc.from) || arc.from === running)
				continue
			if (tried.size >= MOST_TRIED) return
			tried.add(set)
			const own = instance.arcs.flatMap((other, o) => (o === a || (arc.swap && other.swap === arc.swap) ? [o] : []))
			const pins: Pin[] = [
				...own.map((o): Pin => ({ kind: 'swap', arc: o, isSwapped: true })),
				{ kind: 'session', task: arc.from, session: next.session },
			]
			const plan = this.#plan({ pins })
			if (!plan) continue
			const minutes = arc.swapPrep ?? instance.prepared?.find(({ id }) => id === arc.swap)?.minutes ?? 0
			const tasks = [...new Set(own.flatMap((o) => instance.arcs[o]?.from ?? []))]
			const swaps = own.flatMap((o): CoursePin[] => {
				const { from, to } = instance.arcs[o] ?? arc
				return [{ kind: 'swap', from, to, isSwapped: true }]
			})
			yield* this.#offer(plan, { kind: 'dried', tasks, session: next.session, minutes }, { pins: swaps })
		}
	}

	/** An extra of which nothing has been begun. */
	*#leftOut(): Generator<Offer> {
		const { instance, tonight, running } = this.#remaining
		const whole = this.#problem.compiled.instance.tasks
		const groups = new Set(
			instance.tasks.flatMap((task) => {
				if (task.dropValue === undefined || !tonight.includes(task.id) || task.id === running) return []
				return [task.optionGroup ?? task.id]
			}),
		)
		for (const group of groups) {
			const inGroup = (task: Instance['tasks'][number]) =>
				task.dropValue !== undefined && (task.optionGroup ?? task.id) === group
			const left = instance.tasks.filter(inGroup)
			const isBegun = whole.filter(inGroup).length > left.length || left.some(({ id }) => id === running)
			if (isBegun) continue
			const tasks = left.map(({ id }) => id)
			const plan = this.#plan({ pins: tasks.map((task) => ({ kind: 'place', task, place: 'dropped' })) })
			const pins = tasks.map((task): CoursePin => ({ kind: 'place', task, place: 'dropped' }))
			if (plan) yield* this.#offer(plan, { kind: 'left out', tasks }, { pins })
		}
	}

	/** As little as it takes. */
	*#longer(): Generator<Offer> {
		const { instance, clockOf } = this.#remaining
		const { state, opened } = this.#evening
		const last = instance.windows.findLast(({ session }) => session === opened.session)
		if (!last) return
		for (const minutes of LONGER) {
			const closeMin = state.plan.closeMin + minutes
			if (closeMin >= MIDNIGHT) return
			const close = clockOf(closeMin)
			const windows = instance.windows.map((window) => (window === last ? { ...window, close } : window))
			const plan = this.#plan({ instance: { ...instance, windows }, pins: this.#tonightStays() })
			if (!plan) continue
			yield* this.#offer(plan, { kind: 'longer', minutes }, { closeMin })
			return
		}
	}

	#tonightStays(): Pin[] {
		return this.#remaining.tonight.map((task) => ({ kind: 'session', task, session: this.#evening.opened.session }))
	}

	#nextOpen() {
		return this.#remaining.instance.windows.find(({ session }) => session > this.#evening.opened.session)
	}

	/** @returns undefined: it does not fit the rest of the course */
	#plan({ instance = this.#remaining.instance, pins = [] }: { instance?: Instance; pins?: Pin[] }): Plan | undefined {
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
		const next = this.#nextOpen()
		const { instance, tonight, near } = this.#remaining
		if (!next) return []
		return instance.tasks.flatMap(({ id }): Pin[] => {
			const isLater = !tonight.includes(id) && near.placements[id]?.place === 'class'
			return isLater ? [{ kind: 'notBefore', task: id, minute: next.open }] : []
		})
	}

	#movedBy(plan: Plan): string[] {
		const isPlaced = (id: string) => plan.placements[id]?.place === 'class'
		return this.#remaining.tonight.filter((id) => isPlaced(id) && !this.#isTonight(plan, id))
	}

	#isTonight(plan: Plan, id: string): boolean {
		return startOf(plan, id) < (this.#nextOpen()?.open ?? Infinity)
	}

	*#offerLater(plan: Plan, tasks: string[]): Generator<Offer> {
		const session = Math.min(...tasks.map((id) => this.#sessionOf(startOf(plan, id))))
		if (tasks.length > 0) yield* this.#offer(plan, { kind: 'later', tasks, session })
	}

	#sessionOf(clock: number): number {
		return this.#remaining.instance.windows.findLast(({ open }) => open <= clock)?.session ?? 0
	}

	/** Nothing, where the picture of the evening cannot tell it: a step cut up anew. */
	*#offer(
		plan: Plan,
		change: OfferChange,
		{ pins = [], closeMin, teaMinutes, less }: OfferTold = {},
	): Generator<Offer> {
		const entries = this.#entriesBy(plan, { teaMinutes, less })
		if (!entries) return
		const close = closeMin ?? this.#evening.state.plan.closeMin
		const moved = this.#movedBy(plan)
		// What leaves this evening leaves for one other: more could not be told in a line.
		const sessionsOf = (task: string) => new Set(runsOf(plan, task).map(({ start }) => this.#sessionOf(start)))
		if (moved.some((task) => sessionsOf(task).size > 1)) return
		const left = moved.map((task): CoursePin => {
			return { kind: 'session', task, session: this.#sessionOf(startOf(plan, task)) }
		})
		const settled = [...left, ...pins]
		const coursePlan = settled.length > 0 ? this.#coursePlanWith(plan) : undefined
		yield {
			change,
			taken: { entries, closeMin: close, pins: settled, ...(coursePlan && { coursePlan }) },
		}
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
		const next = this.#nextOpen()?.open ?? Infinity
		const stays = before.runs.filter(({ start }) => start < next)
		const isDone = ({ start }: Run) => start < this.#remaining.clockOf(this.#evening.opened.openMin)
		// What leaves this evening keeps what was done of it before.
		const first = this.#isTonight(plan, id) ? stays : stays.filter((run) => isDone(run))
		const runs = [...first, ...now.runs.filter(({ start }) => start >= next)]
		const count = (list: readonly Run[]) => list.reduce((sum, { units }) => sum + units, 0)
		return count(runs) === count(before.runs) ? { place: now.place, runs } : undefined
	}

	/** What is done and going on as it was; the rest where the plan lays it. */
	#entriesBy(plan: Plan, { teaMinutes, less }: OfferTold): TakenPlan['entries'] | undefined {
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
			const inside = runsOf(plan, id).filter(({ start }) => start < (this.#nextOpen()?.open ?? Infinity))
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

/** With the plan of the course that came with what was taken last. */
function problemAfter(problem: RunProblem, { coursePlan }: RunState): RunProblem {
	const plan = coursePlan && placeSwaps(coursePlan, problem.compiled.instance)
	return plan ? { ...problem, plan } : problem
}

function startOf(plan: Plan, task: string): number {
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

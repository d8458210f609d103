/**
 * Ways to go on with a session that is behind, each planned: what leaves this evening, what is brought dried for it, tea
 * that is shorter, an extra that is left out, minutes more. The rest of the course is laid anew with each.
 */
import type { CoursePin } from '../course/course-pin'
import type { Pin } from '../plan/pins/pin'
import type { Instance } from '../plan/problem/instance'
import type { Plan } from '../plan/problem/plan'
import { placeSwaps } from '../plan/named-plan'
import { EveningPlans, startOf, type Evening, type Offered, type OfferTerms, type Told } from './evening-plans'
import type { RunState } from './fold-run'
import { remainingProblem, type Remaining, type RunProblem } from './remaining-problem'
import type { RunPlan } from './run-plan'
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
	taken: Offered
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

class OfferSearch {
	readonly #problem: RunProblem
	readonly #remaining: Remaining
	readonly #evening: Evening
	readonly #plans: EveningPlans

	constructor(problem: RunProblem, remaining: Remaining, evening: Evening, terms: OfferTerms) {
		this.#problem = problem
		this.#remaining = remaining
		this.#evening = evening
		this.#plans = new EveningPlans(problem, remaining, evening, terms)
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
		const plan = this.#plans.lay({})
		if (!plan) return
		const moved = this.#plans.movedBy(plan)
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
		const plan = this.#plans.lay({ instance: { ...instance, breaks: shorter }, pins: this.#tonightStays() })
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
			const plan = this.#plans.lay({ instance: { ...instance, tasks }, pins: this.#tonightStays() })
			if (!plan) continue
			yield* this.#offer(plan, { kind: 'fewer', tasks: [...less.keys()], pieces: PIECES_LESS }, { less })
		}
	}

	/** One of this evening's tasks, and what hangs on it, the last ones first. */
	*#later(): Generator<Offer> {
		const next = this.#plans.nextOpen()
		if (!next) return
		const free = this.#remaining.tonight.filter((id) => id !== this.#remaining.running)
		for (const task of free.toReversed().slice(0, MOST_TRIED)) {
			const plan = this.#plans.lay({ pins: [{ kind: 'session', task, session: next.session }] })
			if (plan) yield* this.#offerLater(plan, this.#plans.movedBy(plan))
		}
	}

	/** Dried pieces take the place of what is made too late to dry until the next time. */
	*#dried(): Generator<Offer> {
		const next = this.#plans.nextOpen()
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
			const plan = this.#plans.lay({ pins })
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
			const plan = this.#plans.lay({ pins: tasks.map((task) => ({ kind: 'place', task, place: 'dropped' })) })
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
			const plan = this.#plans.lay({ instance: { ...instance, windows }, pins: this.#tonightStays() })
			if (!plan) continue
			yield* this.#offer(plan, { kind: 'longer', minutes }, { closeMin })
			return
		}
	}

	#tonightStays(): Pin[] {
		return this.#remaining.tonight.map((task) => ({ kind: 'session', task, session: this.#evening.opened.session }))
	}

	*#offerLater(plan: Plan, tasks: string[]): Generator<Offer> {
		const session = Math.min(...tasks.map((id) => this.#plans.sessionOf(startOf(plan, id))))
		if (tasks.length > 0) yield* this.#offer(plan, { kind: 'later', tasks, session })
	}

	*#offer(plan: Plan, change: OfferChange, told: Told = {}): Generator<Offer> {
		const taken = this.#plans.take(plan, told)
		if (taken) yield { change, taken }
	}
}

/** With the plan of the course that came with what was taken last. */
function problemAfter(problem: RunProblem, { coursePlan }: RunState): RunProblem {
	const plan = coursePlan && placeSwaps(coursePlan, problem.compiled.instance)
	return plan ? { ...problem, plan } : problem
}

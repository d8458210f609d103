/**
 * Which tasks to free while the rest of a plan keeps its places, splits and order: large-neighbourhood search.
 * Ways of choosing that have led to better plans are chosen more often, and the number of tasks freed grows while the
 * searches end early and shrinks while they do not end.
 * Source: P. Shaw, Using constraint programming and local search, 1998 (from memory).
 */
import { sessionAt } from '../problem/session-at'
import type { Rng } from '../../random'
import type { NormalInstance } from '../problem/normal-form'
import type { Plan } from '../problem/plan'

/** How a search in a neighbourhood ended. */
export type Outcome = 'better' | 'refuted' | 'stopped'

/**
 * What is set free together: tasks of neighbouring sessions, tasks joined by waits, tasks that lie
 * around an idle stretch, a demonstration (or what something follows) with all that lies around what it is for, or any.
 * Which pays depends on the instance, so the choice is learnt.
 */
const WAYS = ['session', 'chain', 'gap', 'apart', 'any'] as const
type Way = (typeof WAYS)[number]

/**
 * Tasks set free at once. Fewer than the least hardly ever find anything; from the first number on
 * the size follows what the searches make of it.
 */
const LEAST_TASKS = 6
const FIRST_TASKS = 12
/** What a way has earned fades, so that one that paid at the beginning does not keep its turn for ever. */
const REWARD_DECAY = 0.9

/** Clock minutes from which on a pair is as far apart as it can be: another day. */
const MOST_APART = 600

interface Laid {
	task: number
	/** Minute of the instance's clock. */
	start: number
	/** Minute of the instance's clock. */
	end: number
}

/** Chooses the tasks to free, and learns from what came of it. */
export class Neighbourhoods {
	readonly #instance: NormalInstance
	readonly #rng: Rng
	readonly #reward = new Map<Way, number>(WAYS.map((way) => [way, 1]))
	/** Tasks set free next time. */
	#size = FIRST_TASKS
	/** As the last ones were chosen, for what is learnt of it. */
	#way: Way = 'any'

	constructor(instance: NormalInstance, rng: Rng) {
		this.#instance = instance
		this.#rng = rng
	}

	/** Whether the next one frees everything: then the whole search does it better. */
	get isWhole(): boolean {
		return this.#size >= this.#instance.tasks.length
	}

	/** Tasks to free, by index. */
	choose(plan: Plan): ReadonlySet<number> {
		this.#way = this.#chooseWay()
		const laid = this.#lay(plan)
		const nearest = this.#rank(this.#way, laid)
		return new Set(nearest.slice(0, this.#size))
	}

	/** What came of the last choice. */
	learn(outcome: Outcome): void {
		const reward = this.#reward.get(this.#way) ?? 1
		this.#reward.set(this.#way, REWARD_DECAY * reward + (outcome === 'better' ? 1 : 0.02))
		if (outcome === 'refuted') this.#size = Math.min(this.#instance.tasks.length, this.#size + 1)
		if (outcome === 'stopped') this.#size = Math.max(LEAST_TASKS, this.#size - 1)
	}

	/** Small again, after all has been freed in vain. */
	restart(): void {
		this.#size = FIRST_TASKS
	}

	/**
	 * By chance, in proportion to what each way has earned (roulette wheel, as in adaptive large
	 * neighbourhood search; Ropke and Pisinger 2006).
	 */
	#chooseWay(): Way {
		const total = [...this.#reward.values()].reduce((sum, reward) => sum + reward, 0)
		let left = this.#rng() * total
		for (const [way, reward] of this.#reward) {
			left -= reward
			if (left <= 0) return way
		}
		return 'any'
	}

	/** Where each task lies in the plan, min. */
	#lay(plan: Plan): Laid[] {
		return this.#instance.tasks.map(({ id, unitMinutes }, task) => {
			const placement = plan.placements[id]
			const runs = placement && 'runs' in placement ? placement.runs : []
			const last = runs.at(-1)
			// A task without times lies where its followers are.
			const start = runs[0]?.start ?? this.#firstFollower(task, plan)
			return { task, start, end: last ? last.start + last.units * unitMinutes : start }
		})
	}

	/** Start of the first task that waits for it, min; 0 where none does. */
	#firstFollower(task: number, plan: Plan): number {
		const { arcs, arcsOutOf, tasks } = this.#instance
		const starts = (arcsOutOf[task] ?? []).map((a) => {
			const placement = plan.placements[tasks[arcs[a]?.to ?? -1]?.id ?? '']
			return placement && 'runs' in placement ? (placement.runs[0]?.start ?? 0) : 0
		})
		return starts.length > 0 ? Math.min(...starts) : 0
	}

	/** All tasks, the ones to free first. */
	#rank(way: Way, laid: readonly Laid[]): number[] {
		const noise = laid.map(() => this.#rng())
		const pivot = laid[Math.floor(this.#rng() * laid.length)]
		const order = (cost: (item: Laid) => number) =>
			laid
				.map((item) => ({ task: item.task, cost: cost(item) + 1e-3 * (noise[item.task] ?? 0) }))
				.sort((a, b) => a.cost - b.cost)
				.map(({ task }) => task)
		if (way === 'any' || !pivot) return order(() => 0)
		if (way === 'chain') {
			const distance = this.#distances(pivot.task)
			return order(({ task }) => distance.get(task) ?? laid.length)
		}
		if (way === 'gap') {
			const moment = this.#pickGap(laid)
			return order(({ start, end }) => Math.max(0, start - moment, moment - end))
		}
		if (way === 'apart') {
			const pair = this.#pickPair(laid)
			if (!pair) return order(() => 0)
			const { from, to } = pair
			const distance = ({ start, end }: Laid, moment: number) => Math.max(0, start - moment, moment - end)
			// The one comes first, then what lies where it should be, and a little of what lies where it is.
			return order((item) => {
				if (item.task === from.task || item.task === to.task) return -1
				return Math.min(distance(item, to.start), 3 * distance(item, from.end))
			})
		}
		const session = this.#sessionAt(pivot.start)
		return order(({ start }) => Math.abs(this.#sessionAt(start) - session - 0.25) + (noise[0] ?? 0))
	}

	/** Two that belong together, the further apart the more likely. */
	#pickPair(laid: readonly Laid[]): { from: Laid; to: Laid } | undefined {
		const { users, following } = this.#instance
		const firstUsers = users.map((own, d) => {
			const [first] = own.flatMap((j) => laid[j] ?? []).toSorted((a, b) => a.start - b.start)
			return { from: laid[d], to: first }
		})
		const wished = following.map(([from, to]) => ({ from: laid[from], to: laid[to] }))
		const pairs = [...firstUsers, ...wished].flatMap(({ from, to }) => {
			if (!from || !to) return []
			return [{ from, to, draw: this.#rng() * Math.min(MOST_APART, Math.max(0, to.start - from.end)) }]
		})
		return pairs.toSorted((a, b) => b.draw - a.draw)[0]
	}

	/** Arcs between the task and every other, whichever way they point. */
	#distances(from: number): Map<number, number> {
		const { arcs, arcsInto, arcsOutOf } = this.#instance
		const distance = new Map([[from, 0]])
		for (const [task, steps] of distance) {
			const neighbours = [
				...(arcsInto[task] ?? []).map((a) => arcs[a]?.from ?? -1),
				...(arcsOutOf[task] ?? []).map((a) => arcs[a]?.to ?? -1),
			]
			for (const next of neighbours) if (!distance.has(next)) distance.set(next, steps + 1)
		}
		return distance
	}

	/** A moment at which the hands of the class are idle, the longer gaps more likely. */
	#pickGap(laid: readonly Laid[]): number {
		const sorted = [...laid].sort((a, b) => a.start - b.start)
		let best = sorted[0]?.start ?? 0
		let weight = -1
		let until = -Infinity
		for (const { start, end } of sorted) {
			const gap = Math.min(120, start - until)
			const draw = this.#rng() * Math.max(0, gap)
			if (until > -Infinity && draw > weight) {
				weight = draw
				best = until
			}
			until = Math.max(until, end)
		}
		return best
	}

	/** Number of the session, 0 before the first. */
	#sessionAt(time: number): number {
		return sessionAt(this.#instance.windows, time) ?? 0
	}
}

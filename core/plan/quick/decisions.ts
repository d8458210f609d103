/**
 * What a planner decides before it lays out times: the place of every task and the arcs that are swapped, and the
 * network of waits that follows from it.
 */
import type { NormalInstance } from '../problem/normal-form'

export type Place = 'class' | 'home' | 'ahead' | 'dropped'

export interface Decisions {
	/** By task index. */
	places: readonly Place[]
	/** Indices of the swapped arcs. */
	swaps: ReadonlySet<number>
}

/** A wait between two tasks that are both done in class or at home. */
export interface Wait {
	from: number
	to: number
	/** Least minutes. */
	lag: number
	/** Most minutes; Infinity: none set. */
	maxLag: number
	/** The most count from each piece of a whole task. */
	isLimitEach: boolean
	piecewise: boolean
	/** Index of the arc whose swap would waive this wait. */
	arc: number
}

/** The placed tasks in topological order, and the waits between them by the task that they lead to and leave. */
export interface Network {
	/** Tasks that take time, by position. */
	placed: readonly number[]
	/** By task: waits that end at it. */
	into: readonly (readonly Wait[])[]
	/** By task: waits that begin at it. */
	outOf: readonly (readonly Wait[])[]
	/**
	 * Tasks that depend on nothing and only have to come before others, as a demonstration does. Where they lie is all
	 * the same to the objective; people want them right before they are needed.
	 */
	introductions: readonly number[]
	/** Tasks that everybody watches, in class. */
	demonstrations: readonly number[]
	/** Some wait is never over. */
	hasEndless: boolean
}

/** Clock minutes that stand for a wait without end: no course is as long, so that each of them is seen to be missing. */
const ENDLESS_MINUTES = 10_000_000

/** Everything in class, or in the first place that the task allows; swapped only what would never be over. */
export function initialDecisions(instance: NormalInstance): Decisions {
	const { tasks, arcs } = instance
	const preferred = ['class', 'home', 'ahead'] as const
	const endless = arcs.flatMap(({ isNever, swapSet, swapNeeds }, a) =>
		isNever && swapSet !== undefined ? [a, ...swapNeeds] : [],
	)
	return keepSwapsOfUse(instance, {
		places: tasks.map(({ places }) => preferred.find((place) => places.has(place)) ?? 'class'),
		swaps: new Set(endless),
	})
}

/** The network of these decisions, or undefined if they break a rule of places, groups or swaps. */
export function buildNetwork(instance: NormalInstance, { places, swaps }: Decisions): Network | undefined {
	const { tasks, order } = instance
	for (const a of swaps)
		if (!isSwapOfUse(instance, places, a) || lacksSwap(instance, { places, swaps }, a)) return undefined
	if (isUsedUnshown(instance, places)) return undefined
	const into: Wait[][] = tasks.map(() => [])
	const outOf: Wait[][] = tasks.map(() => [])
	const isTransparent = transparency(instance, places)
	for (const i of order) {
		if (isTransparent(i)) continue
		for (const wait of waitsFrom(instance, i, isTransparent)) {
			const [from, to] = [places[wait.from], places[wait.to]]
			const isSwapped = swaps.has(wait.arc)
			if (to === 'ahead' && from !== 'ahead' && !tasks[wait.from]?.isDemo) return undefined
			if (from === 'ahead' && to !== 'ahead' && wait.maxLag < Infinity) return undefined
			if (from === 'ahead' || to === 'ahead') continue
			const effective = isSwapped ? { ...wait, lag: 0, maxLag: Infinity } : wait
			into[wait.to]?.push(effective)
			outOf[wait.from]?.push(effective)
		}
	}
	const placed = order.filter((i) => !isTransparent(i) && places[i] !== 'ahead')
	return {
		placed,
		into,
		outOf,
		introductions: placed.filter((i) => places[i] === 'class' && isIntroduction(into[i] ?? [], outOf[i] ?? [])),
		demonstrations: placed.filter((i) => tasks[i]?.isDemo && places[i] === 'class'),
		hasEndless: into.some((waits) => waits.some(({ lag }) => lag === ENDLESS_MINUTES)),
	}
}

/** Something is done in class that was not shown there. */
function isUsedUnshown({ tasks, users }: NormalInstance, places: readonly Place[]): boolean {
	return users.some((own, d) => {
		if (places[d] === 'class' || tasks[d]?.units === 0) return false
		return own.some((j) => places[j] === 'class' && tasks[j]?.units !== 0)
	})
}

/** An arc of a set is swapped without one before it. */
function lacksSwap({ arcs, tasks }: NormalInstance, { places, swaps }: Decisions, a: number): boolean {
	return (arcs[a]?.swapNeeds ?? []).some((needed) => {
		const to = arcs[needed]?.to ?? -1
		return !swaps.has(needed) && places[to] !== 'dropped' && tasks[to]?.units !== 0
	})
}

/** The swaps of a new set of places: those go that would waive nothing, and those that need one that is gone. */
export function keepSwapsOfUse(instance: NormalInstance, { places, swaps }: Decisions): Decisions {
	let kept = new Set([...swaps].filter((a) => isSwapOfUse(instance, places, a)))
	for (;;) {
		const whole = new Set([...kept].filter((a) => !lacksSwap(instance, { places, swaps: kept }, a)))
		if (whole.size === kept.size) return { places, swaps: kept }
		kept = whole
	}
}

/** A swap needs both ends of its arc in class; behind a dropped or empty task, what really follows. */
function isSwapOfUse(instance: NormalInstance, places: readonly Place[], a: number): boolean {
	const from = instance.arcs[a]?.from ?? -1
	const isTransparent = transparency(instance, places)
	if (places[from] !== 'class' || isTransparent(from)) return false
	const waived = waitsFrom(instance, from, isTransparent).filter(({ arc }) => arc === a)
	return waived.length > 0 && waived.every(({ to }) => places[to] === 'class')
}

/** Tasks that waits pass through: left out, or without units. */
function transparency({ tasks }: NormalInstance, places: readonly Place[]): (i: number) => boolean {
	return (i) => places[i] === 'dropped' || tasks[i]?.units === 0
}

/**
 * Something that only has to come before others, as a demonstration does: it waits for nothing, and nothing
 * waits a time for it.
 */
function isIntroduction(into: readonly Wait[], outOf: readonly Wait[]): boolean {
	const isOrderAlone = outOf.every(({ lag, maxLag, piecewise }) => lag === 0 && maxLag === Infinity && !piecewise)
	return into.length === 0 && outOf.length > 0 && isOrderAlone
}

/** Waits that leave a task; through a dropped or empty one goes the first wait, without its maximum. */
function waitsFrom(instance: NormalInstance, from: number, isTransparent: (i: number) => boolean): Wait[] {
	const { arcs, arcsOutOf } = instance
	const waits: Wait[] = []
	const follow = (at: number, first: Omit<Wait, 'to'> | undefined) => {
		for (const a of arcsOutOf[at] ?? []) {
			const arc = arcs[a]
			if (!arc) continue
			const wait = first
				? { ...first, maxLag: Infinity, piecewise: first.piecewise && arc.piecewise }
				: {
						from,
						lag: arc.isNever ? ENDLESS_MINUTES : arc.lag,
						maxLag: arc.maxLag,
						isLimitEach: arc.isLimitEach,
						piecewise: arc.piecewise,
						arc: a,
					}
			if (isTransparent(arc.to)) follow(arc.to, wait)
			else waits.push({ ...wait, to: arc.to })
		}
	}
	follow(from, undefined)
	return waits
}

/** Value lost and instructor's minutes of these decisions: levels 1 and 2 of the objective. */
export function priceDecisions({ tasks, arcs, swapMinutes }: NormalInstance, { places, swaps }: Decisions) {
	let valueLost = 0
	let prepMinutes = 0
	tasks.forEach((task, i) => {
		if (task.units === 0 || places[i] === 'class') return
		valueLost += task.teachValue + (places[i] === 'dropped' ? (task.dropValue ?? 0) : 0)
		if (places[i] === 'ahead') prepMinutes += task.prepMinutes
	})
	const sets = new Set([...swaps].map((a) => arcs[a]?.swapSet ?? -1))
	for (const set of sets) prepMinutes += swapMinutes[set] ?? 0
	return { valueLost, prepMinutes }
}

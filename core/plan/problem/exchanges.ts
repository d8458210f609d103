/** Dried pieces that a plan has brought: a set serves several waits, and is made once. */
import type { Instance } from './instance'
import type { Plan } from './plan'

/** Pieces at one state, in exchange for waits. */
export interface Exchange {
	/** Task after which they stand. */
	from: string
	/** Tasks that go on with them, in the order of the arcs. */
	to: readonly string[]
	/** Arc of the first of them. */
	arc: number
	/** Of the instructor. */
	minutes: number
}

/** In the order of the arcs. */
export function exchangesOf({ arcs, prepared = [] }: Pick<Instance, 'arcs' | 'prepared'>, { swaps }: Plan): Exchange[] {
	const bySet = new Map<string, Exchange>()
	for (const index of swaps.toSorted((a, b) => a - b)) {
		const arc = arcs[index]
		if (!arc) continue
		const key = arc.swap === undefined ? `arc ${index}` : `set ${arc.swap}`
		const known = bySet.get(key)
		const minutes = prepared.find(({ id }) => id === arc.swap)?.minutes ?? arc.swapPrep ?? 0
		bySet.set(
			key,
			known ? { ...known, to: [...known.to, arc.to] } : { from: arc.from, to: [arc.to], arc: index, minutes },
		)
	}
	return [...bySet.values()]
}

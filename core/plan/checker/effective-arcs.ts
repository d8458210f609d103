/**
 * Arcs between the tasks that are really done: a dropped task, or one without units, is transparent.
 * Of the two arcs round it, the wait of the first is kept (the drying belongs to what was really done last), its swap
 * option too; the maximum lag is waived, and the arc is piecewise if both were.
 */
import type { Arc, Lag } from '../problem/instance'

/** An arc that holds between two tasks that are done. */
export interface EffectiveArc {
	from: string
	to: string
	/** Least minutes from the end of the one to the start of the other. */
	lag: Lag
	/** Most minutes; Infinity: none set. */
	maxLag: number
	/** The most count from each piece instead of the last. */
	isLimitEach: boolean
	/** Unit by unit instead of whole tasks. */
	piecewise: boolean
	/** Index of the instance's arc whose wait this is: that arc's swap waives it. */
	origin: number
}

/**
 * The arcs with every transparent task bypassed, chains of them too.
 *
 * @param isTransparent - whether the task of that id is dropped or has no units
 * @complexity O(arcs) without transparent tasks; with them, the number of paths through them
 */
export function bypassTransparent(arcs: readonly Arc[], isTransparent: (id: string) => boolean): EffectiveArc[] {
	const effective = arcs.map(({ from, to, lag, maxLag = Infinity, limit, piecewise = false }, origin) => {
		return { from, to, lag, maxLag, isLimitEach: limit === 'each', piecewise, origin }
	})
	const outgoing = new Map<string, EffectiveArc[]>()
	for (const arc of effective) outgoing.set(arc.from, [...(outgoing.get(arc.from) ?? []), arc])

	const throughTransparent = (arc: EffectiveArc): EffectiveArc[] => {
		if (!isTransparent(arc.to)) return [arc]
		return (outgoing.get(arc.to) ?? []).flatMap((next) =>
			throughTransparent({ ...arc, to: next.to, maxLag: Infinity, piecewise: arc.piecewise && next.piecewise }),
		)
	}
	return effective.filter(({ from }) => !isTransparent(from)).flatMap(throughTransparent)
}

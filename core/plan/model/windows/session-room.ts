/** How much work a session holds beside its breaks. */
import { HandsOnClock } from '../hands-on-clock'
import type { ModelBuilder, Multiple } from '../model-builder'
import type { WindowParts, WindowUse } from './used-windows'

/** Minutes that work and waiting of one session may have together. */
export interface SessionRoom {
	/** That they never exceed. */
	minutes: number
	/** What is taken off where breaks are held, as terms of a sum. */
	less: readonly Multiple[]
}

/**
 * The room of a session of whose end some minutes are kept free. A break takes its minutes; one that is not held takes
 * none, but then all work ends before it, and most often that is less than would have fitted beside it.
 */
export function roomOf(
	builder: ModelBuilder,
	{ instance: { windows, sessions }, breaks }: WindowParts,
	{ held }: WindowUse,
	{ session, kept }: { session: number; kept: number },
): SessionRoom {
	const own = sessions[session]?.windows ?? []
	const clock = new HandsOnClock(own.flatMap((w) => windows[w] ?? []))
	const most = Math.max(0, clock.total - kept)
	const pauses = breaks.flatMap(({ start, minutes, windows: spans }, index) => {
		if (!spans.some((w) => own.includes(w))) return []
		const latest = clock.at(builder.solver.trail.max(start.variable) + start.plus)
		return [{ index, minutes, withoutIt: Math.min(most, latest) }]
	})
	const total = pauses.reduce((sum, { minutes }) => sum + minutes, 0)
	// Without a break, and without all that lie later: by how much more that is than fits beside them.
	const gains = pauses.map(({ withoutIt }) => {
		const without = pauses.filter((other) => other.withoutIt >= withoutIt)
		return withoutIt - most + without.reduce((sum, { minutes }) => sum + minutes, 0)
	})
	const gainOf = (k: number) => {
		if (pauses.length === 1) return Math.max(0, gains[0] ?? 0)
		return gains.every((gain) => gain <= 0) ? 0 : (pauses[k]?.minutes ?? 0)
	}
	return {
		minutes: most - total + pauses.reduce((sum, _, k) => sum + gainOf(k), 0),
		less: pauses.flatMap(({ index }, k): Multiple[] => {
			if (gainOf(k) === 0) return []
			return own.flatMap((w) =>
				(held[w] ?? []).flatMap((other) => (other.index === index ? [{ of: other.isHeld, factor: gainOf(k) }] : [])),
			)
		}),
	}
}

/** The terms are together no more than the rooms. */
export function addFitting(builder: ModelBuilder, terms: readonly Multiple[], rooms: readonly SessionRoom[]): void {
	const room = rooms.reduce((sum, { minutes }) => sum + minutes, 0)
	builder.limit([...terms, ...rooms.flatMap(({ less }) => less)], room)
}

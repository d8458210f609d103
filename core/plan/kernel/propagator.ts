/** A constraint with an algorithm of its own, which runs when clauses and rules have nothing more to say. */
import type { Literals, Note, Trail } from './trail'

/** A bound that a propagator raised, as a conflict asks for it. */
export interface Raised {
	/** [side >= value], which may be less than what was raised. */
	side: number
	/** That its side rose to. */
	value: number
	/** What the propagator wrote down for itself. */
	note: Note
	/** The reason must have held before this entry of the trail. */
	entry: number
}

export interface Propagator {
	/** The sides whose rise it wants to hear of. */
	readonly sides: readonly number[]
	/**
	 * Raises what follows, by `Trail.riseBy`; false on a clash.
	 *
	 * @param own - what it is called by there
	 */
	propagate(trail: Trail, own: number): boolean
	/** Adds the literals from which the bound followed. */
	explain(raised: Raised, trail: Trail, out: Literals): void
}

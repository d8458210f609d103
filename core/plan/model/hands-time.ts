/**
 * Ties moments on the clock to hands-on minutes: a variable that is at least, or at most, what lies before a moment.
 * What goes by the clock of hands is not a sum of starts, since nobody works between two sessions.
 */
import type { Propagator, Raised } from '../kernel/propagator'
import type { Literals, Trail } from '../kernel/trail'
import type { HandsOnClock } from './hands-on-clock'
import { atLeast, atMost, type Expression } from './literal'

/** One variable of hands-on minutes and the moment that it is tied to. */
export interface TiedTime {
	/** Clock minute. */
	moment: Expression
	/** Number of the variable of hands-on minutes. */
	hands: number
	/** At least the minutes before the moment; otherwise at most. */
	isAtLeast: boolean
}

/** The propagator of all such ties of a model; what follows is drawn from one bound to the other, both ways. */
export class HandsTime implements Propagator {
	/** Bounds that the propagator looks at. */
	readonly sides: readonly number[]
	readonly #ties: readonly TiedTime[]
	readonly #clock: HandsOnClock

	constructor(ties: readonly TiedTime[], clock: HandsOnClock) {
		this.#ties = ties
		this.#clock = clock
		this.sides = [
			...new Set(
				ties.flatMap(({ moment: { variable }, hands, isAtLeast }) =>
					isAtLeast ? [2 * variable, 2 * hands + 1] : [2 * variable + 1, 2 * hands],
				),
			),
		]
	}

	/** @complexity O(ties · windows) */
	propagate(trail: Trail, own: number): boolean {
		return this.#ties.every((tie, t) =>
			tie.isAtLeast ? this.#raise(trail, own, tie, t) : this.#lower(trail, own, tie, t),
		)
	}

	/** Minutes rise with the moment, and the moment is no later than the minutes let it be. */
	#raise(trail: Trail, own: number, { moment: { variable, plus }, hands }: TiedTime, t: number): boolean {
		const least = this.#clock.at(trail.min(variable) + plus)
		if (least > trail.min(hands) && !trail.riseBy(own, ...atLeast(hands, least), [t, 0, 0, 0])) return false
		const latest = this.#clock.latest(trail.max(hands)) - plus
		return latest >= trail.max(variable) || trail.riseBy(own, ...atMost(variable, latest), [t, 0, 0, 0])
	}

	/** Minutes fall with the moment, and the moment is no earlier than the minutes let it be. */
	#lower(trail: Trail, own: number, { moment: { variable, plus }, hands }: TiedTime, t: number): boolean {
		const most = this.#clock.at(trail.max(variable) + plus)
		if (most < trail.max(hands) && !trail.riseBy(own, ...atMost(hands, most), [t, 0, 0, 0])) return false
		const earliest = this.#clock.earliest(trail.min(hands)) - plus
		return earliest <= trail.min(variable) || trail.riseBy(own, ...atLeast(variable, earliest), [t, 0, 0, 0])
	}

	/** The other bound of the tie, as weak as it may be. */
	explain({ side, value, note: [t] }: Raised, _trail: Trail, out: Literals): void {
		const tie = this.#ties[t]
		if (!tie) return
		const { moment, hands, isAtLeast } = tie
		const { variable, plus } = moment
		if (isAtLeast && side === 2 * hands) out.push(...atLeast(variable, this.#clock.earliest(value) - plus))
		else if (isAtLeast) out.push(...atMost(hands, this.#clock.at(1 - value + plus) - 1))
		else if (side === 2 * hands + 1) out.push(...atMost(variable, this.#clock.latest(-value) - plus))
		else out.push(...atLeast(hands, this.#clock.at(value + plus - 1) + 1))
	}
}

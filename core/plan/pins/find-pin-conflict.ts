/** Which pins cannot hold together: the fewest of them that are already too many. */
import type { Instance } from '../problem/instance'
import type { Literal } from '../model/literal'
import { PlanModel } from '../model/plan-model'
import { normalise } from '../problem/normal-form'
import type { Pin } from './pin'

/** Whether pins can hold together. */
export type PinConflict =
	| { status: 'fits' }
	/** None can be left out of the set, and no smaller set conflicts; empty: the course does not fit even without pins. */
	| { status: 'conflict'; pins: Pin[] }
	| { status: 'unknown' }

/** Smaller sets are looked through while there are no more than this. */
const MAX_SETS = 300

/**
 * Whether the instance has a plan with all pins, and if not, a smallest set of pins that has none.
 *
 * @param steps - of propagation for each question; see `SolveTerms`
 * @throws {RangeError} the instance has problems, or a pin names a task that it does not have
 */
export function findPinConflict(instance: Instance, pins: readonly Pin[], steps = 2_000_000): PinConflict {
	const model = new PlanModel(normalise(instance), pins)
	const ask = (literals: readonly Literal[]) => model.solve({ assumptions: literals.flat(), steps })
	const conflicts = (literals: readonly Literal[]) => ask(literals).status === 'refuted'

	const first = ask(model.pins)
	if (first.status === 'satisfied') return { status: 'fits' }
	if (first.status === 'stopped') return { status: 'unknown' }
	let core = model.pins.filter(([side]) => first.core.some((part, k) => k % 2 === 0 && part === side))
	for (const literal of core) {
		const rest = core.filter((other) => other !== literal)
		if (conflicts(rest)) core = rest
	}
	for (let size = 1; size < core.length; size++) {
		const sets = subsetsOf(model.pins, size)
		if (sets.length > MAX_SETS) break
		core = sets.find(conflicts) ?? core
	}
	return { status: 'conflict', pins: pins.filter((_, p) => core.includes(model.pins[p] ?? [0, 0])) }
}

function subsetsOf<T>(items: readonly T[], size: number): T[][] {
	if (size === 0) return [[]]
	return items.flatMap((item, k) => subsetsOf(items.slice(k + 1), size - 1).map((rest) => [item, ...rest]))
}

/**
 * The cheapest packs that hold at least so much: an integer covering knapsack, exact by dynamic programming over the
 * amount. Source: any textbook on integer programming.
 */

/** A pack as a supplier sells it; amounts of one item are in one unit. */
export interface Pack {
	/** Whole, > 0. */
	amount: number
	/** Whole, >= 0. */
	priceCents: number
}

export interface PackChoice {
	/** How many of each pack, in the order given. */
	counts: number[]
	/** Of all packs. */
	costCents: number
	/** What they hold together. */
	amount: number
}

/** Amounts are counted in steps of their common divisor; beyond so many steps they are rounded, to the safe side. */
const MAX_STEPS = 400_000

/**
 * Least cost, and of equal cost the least left over.
 *
 * @param needed - whole, >= 0
 * @throws {RangeError} no pack for a need, or a value out of its range
 * @complexity O(steps · packs), steps = needed / greatest common divisor of the packs
 */
export function cheapestPacks(needed: number, packs: readonly Pack[]): PackChoice {
	if (!(Number.isInteger(needed) && needed >= 0)) throw new RangeError(`needed must be whole and >= 0, got ${needed}`)
	for (const { amount, priceCents } of packs) {
		if (!(Number.isInteger(amount) && amount > 0))
			throw new RangeError(`a pack must hold a whole amount > 0, got ${amount}`)
		if (!(Number.isInteger(priceCents) && priceCents >= 0))
			throw new RangeError(`a price must be whole cents >= 0, got ${priceCents}`)
	}
	if (needed === 0) return { counts: packs.map(() => 0), costCents: 0, amount: 0 }
	if (packs.length === 0) throw new RangeError('no pack is sold')
	const unit = Math.max(
		packs.reduce((divisor, { amount }) => greatestCommonDivisor(divisor, amount), 0),
		Math.ceil(needed / MAX_STEPS),
	)
	const sizes = packs.map(({ amount }) => Math.floor(amount / unit))
	const counts = fill(Math.ceil(needed / unit), packs, sizes)
	return {
		counts,
		costCents: counts.reduce((sum, count, p) => sum + count * (packs[p]?.priceCents ?? 0), 0),
		amount: counts.reduce((sum, count, p) => sum + count * (packs[p]?.amount ?? 0), 0),
	}
}

/** By amount still needed: the least cost to cover it, the least held at that cost, and the pack taken last. */
function fill(steps: number, packs: readonly Pack[], sizes: readonly number[]): number[] {
	const cost = new Float64Array(steps + 1).fill(Infinity)
	const held = new Float64Array(steps + 1).fill(Infinity)
	const taken = new Int32Array(steps + 1).fill(-1)
	cost[0] = 0
	held[0] = 0
	for (let need = 1; need <= steps; need++) {
		packs.forEach(({ priceCents }, p) => {
			const size = sizes[p] ?? 0
			if (size === 0) return
			const rest = Math.max(0, need - size)
			const newCost = (cost[rest] ?? Infinity) + priceCents
			const newHeld = (held[rest] ?? Infinity) + size
			const isCheaper = newCost < (cost[need] ?? Infinity)
			if (isCheaper || (newCost === cost[need] && newHeld < (held[need] ?? Infinity))) {
				cost[need] = newCost
				held[need] = newHeld
				taken[need] = p
			}
		})
	}
	const counts = packs.map(() => 0)
	for (let need = steps; need > 0;) {
		const p = taken[need] ?? -1
		const size = sizes[p] ?? 0
		if (size === 0) throw new RangeError('packs are too small for the amount needed')
		counts[p] = (counts[p] ?? 0) + 1
		need = Math.max(0, need - size)
	}
	return counts
}

/** Amounts are counted in it, so that the table has no more rows than needed (Euclid). */
function greatestCommonDivisor(a: number, b: number): number {
	return b === 0 ? a : greatestCommonDivisor(b, a % b)
}

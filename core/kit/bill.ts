import { present } from '../present'
/**
 * Amounts of one thing and whose they are. All amounts are whole numbers of a small unit, and a total is made nowhere
 * but here, as the sum of its shares: nothing can be lost between kits and totals.
 */

/** Milligrams, microlitres, millimetres, pieces. */
export type AmountUnit = 'mg' | 'µl' | 'mm' | 'piece'

export interface Shares {
	/** Of a kit without changes. */
	usual: number
	/** By seat. */
	kits: number[]
	/** What the instructor uses to make parts ahead. */
	ahead: number
	/** For the instructor to show. */
	demo: number
	/** Dried pieces that the instructor brings in exchange. */
	swapOuts: number
	/** For what drops, dries out or sticks to the board. */
	reserve: number
	/** The sum of all but `usual`. */
	total: number
}

/** Of all kits together. */
export function sumOfKits({ kits }: Pick<Shares, 'kits'>): number {
	return kits.reduce((sum, amount) => sum + amount, 0)
}

/**
 * Of the kit of a seat.
 *
 * @param seat - counted from 0
 * @throws {Error} no such seat
 */
export function amountOfSeat({ kits }: Pick<Shares, 'kits'>, seat: number): number {
	return present(kits[seat], `the kit of seat ${seat + 1}`)
}

export type ShareName = 'ahead' | 'demo' | 'swapOuts'

/** @param shares - whole numbers >= 0; the reserve is rounded up */
export function sumShares(shares: Omit<Shares, 'reserve' | 'total'>, reserveShare = 0): Shares {
	const used = sumOfKits(shares) + shares.ahead + shares.demo + shares.swapOuts
	const reserve = Math.ceil(used * reserveShare - 1e-9)
	return { ...shares, reserve, total: used + reserve }
}

/** Amounts of many things gathered by key while a kit is packed. */
export class Gathering<Item extends { key: string }> {
	readonly #items = new Map<string, { item: Item; shares: Omit<Shares, 'reserve' | 'total'> }>()
	readonly #seatCount: number

	constructor(seatCount: number) {
		this.#seatCount = seatCount
	}

	/** Adds a whole amount to the kit of a seat, counted from 0, to the kit without changes, or to a share of the instructor's. */
	add(item: Item, to: number | 'usual' | ShareName, amount: number): void {
		if (amount === 0) return
		const kits = () => Array<number>(this.#seatCount).fill(0)
		const entry = this.#items.get(item.key) ?? {
			item,
			shares: { usual: 0, kits: kits(), ahead: 0, demo: 0, swapOuts: 0 },
		}
		this.#items.set(item.key, entry)
		if (typeof to === 'number') entry.shares.kits[to] = amountOfSeat(entry.shares, to) + amount
		else entry.shares[to] += amount
	}

	/** Everything gathered, in the order in which it came. */
	lines(reserveShareOf: (item: Item) => number): { item: Item; shares: Shares }[] {
		return [...this.#items.values()]
			.map(({ item, shares }) => ({ item, shares: sumShares(shares, reserveShareOf(item)) }))
			.filter(({ shares }) => shares.total > 0)
	}
}

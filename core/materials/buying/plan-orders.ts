/**
 * What to order from whom: for every item the cheapest packs over all suppliers that can still deliver, delivery
 * charges included, by trying every set of suppliers.
 */
import { present } from '../../present'
import { cheapestPacks, type Pack } from './cheapest-packs'

export interface Supplier {
	id: string
	name: string
	/** Days from the order to the door, whole, >= 0. */
	leadDays: number
	/** Of each order, whole cents. */
	deliveryCents: number
}

export interface Offer extends Pack {
	id: string
	supplierId: string
	/** Of what is offered. */
	itemId: string
}

export interface Need {
	itemId: string
	/** To buy, in the item's unit, whole, >= 0. */
	amount: number
	/** Whole days from today until it must be there; negative: it should have been. */
	daysLeft: number
}

export interface OrderLine {
	itemId: string
	supplierId: string
	offerId: string
	/** Whole, >= 1. */
	packCount: number
	/** Of these packs. */
	costCents: number
	/** Whole days from today by which to order; negative: too late. */
	orderWithinDays: number
}

export interface Orders {
	lines: OrderLine[]
	/** Packs and delivery. */
	costCents: number
	/** Once for each supplier that is used. */
	deliveryCents: number
	/** Items that nobody offers. */
	notOffered: string[]
	/** Items that arrive after they are needed, from whoever is fastest. */
	late: string[]
}

/** Every set of so many suppliers is tried; of more, those with the fewest offers stay out. */
export const MAX_SUPPLIERS = 10

/**
 * The cheapest orders.
 *
 * @complexity O(2^suppliers · items) after O(knapsack) for each item and set of its suppliers
 */
export function planOrders(needs: readonly Need[], offers: readonly Offer[], suppliers: readonly Supplier[]): Orders {
	const wanted = needs.filter(({ amount }) => amount > 0)
	const known = mostUsed(suppliers, offers)
	const offersOf = new Map(wanted.map((need) => [need.itemId, usableOffers(need, offers, known)]))
	const buyable = wanted.filter(({ itemId }) => (offersOf.get(itemId)?.usable.length ?? 0) > 0)
	const choose = createChooser(offersOf, known)
	let best: { costCents: number; deliveryCents: number; lines: OrderLine[] } | undefined
	for (let set = 0; set < 1 << known.length; set++) {
		const candidate = orderFrom(set, buyable, { choose, known })
		if (candidate && (!best || candidate.costCents < best.costCents)) best = candidate
	}
	return {
		...(best ?? { lines: [], costCents: 0, deliveryCents: 0 }),
		notOffered: wanted.filter((need) => !buyable.includes(need)).map(({ itemId }) => itemId),
		late: buyable.flatMap(({ itemId }) => (offersOf.get(itemId)?.isLate ? [itemId] : [])),
	}
}

/** All subsets of suppliers are tried: of very many those are left out that offer least. */
function mostUsed(suppliers: readonly Supplier[], offers: readonly Offer[]): Supplier[] {
	const countOf = ({ id }: Supplier) => offers.filter(({ supplierId }) => supplierId === id).length
	return suppliers.toSorted((a, b) => countOf(b) - countOf(a) || a.id.localeCompare(b.id)).slice(0, MAX_SUPPLIERS)
}

interface UsableOffers {
	usable: Offer[]
	/** None of them arrives in time. */
	isLate: boolean
	/** Until it is needed. */
	daysLeft: number
	/** That is to be bought. */
	amount: number
}

/** Offers that arrive in time, or where none does those that arrive first. */
function usableOffers(need: Need, offers: readonly Offer[], suppliers: readonly Supplier[]): UsableOffers {
	const leadOf = ({ supplierId }: Offer) => suppliers.find(({ id }) => id === supplierId)?.leadDays ?? Infinity
	const all = offers.filter((offer) => offer.itemId === need.itemId && leadOf(offer) < Infinity)
	const inTime = all.filter((offer) => leadOf(offer) <= need.daysLeft)
	const fastest = Math.min(...all.map(leadOf))
	const { daysLeft, amount } = need
	return inTime.length > 0
		? { usable: inTime, isLate: false, daysLeft, amount }
		: { usable: all.filter((offer) => leadOf(offer) === fastest), isLate: true, daysLeft, amount }
}

type Chooser = (itemId: string, set: number) => { costCents: number; lines: OrderLine[] } | undefined

/** The cheapest packs of an item from a set of suppliers, each found once. */
function createChooser(offersOf: ReadonlyMap<string, UsableOffers>, suppliers: readonly Supplier[]): Chooser {
	const found = new Map<string, ReturnType<Chooser>>()
	return (itemId, set) => {
		const item = offersOf.get(itemId)
		const bitOf = ({ supplierId }: Offer) => 1 << suppliers.findIndex(({ id }) => id === supplierId)
		const usable = (item?.usable ?? []).filter((offer) => set & bitOf(offer))
		const key = `${itemId} ${usable.map(({ id }) => id).join()}`
		const before = found.get(key)
		if (before || found.has(key)) return before
		const choice = item && usable.length > 0 ? choosePacks(item, usable, suppliers) : undefined
		found.set(key, choice)
		return choice
	}
}

/** Packs of one thing, each with the days until it has to be ordered. */
function choosePacks({ amount, daysLeft }: UsableOffers, usable: readonly Offer[], suppliers: readonly Supplier[]) {
	const { counts, costCents } = cheapestPacks(amount, usable)
	const lines = usable.flatMap(({ id, itemId, supplierId, priceCents }, o): OrderLine[] => {
		const packCount = present(counts[o], 'the number of packs of an offer')
		const { leadDays } = present(
			suppliers.find((supplier) => supplier.id === supplierId),
			'the supplier of an offer',
		)
		const line = { itemId, supplierId, offerId: id, packCount, costCents: packCount * priceCents }
		return packCount === 0 ? [] : [{ ...line, orderWithinDays: daysLeft - leadDays }]
	})
	return { costCents, lines }
}

/** All needs from the suppliers of the set; undefined where it cannot serve one of them. */
function orderFrom(
	set: number,
	needs: readonly Need[],
	{ choose, known }: { choose: Chooser; known: readonly Supplier[] },
): { costCents: number; deliveryCents: number; lines: OrderLine[] } | undefined {
	const lines: OrderLine[] = []
	let costCents = 0
	for (const { itemId } of needs) {
		const choice = choose(itemId, set)
		if (!choice) return undefined
		costCents += choice.costCents
		lines.push(...choice.lines)
	}
	const used = new Set(lines.map(({ supplierId }) => supplierId))
	const deliveryCents = known
		.filter(({ id }) => used.has(id))
		.reduce((sum, supplier) => sum + supplier.deliveryCents, 0)
	return { costCents: costCents + deliveryCents, deliveryCents, lines }
}

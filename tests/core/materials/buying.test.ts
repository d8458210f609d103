import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { cheapestPacks } from '../../../core/materials/buying/cheapest-packs'
import { breakEvenCount, coveringPriceCents, totalCostCents } from '../../../core/materials/buying/course-price'
import { planOrders, type Need, type Offer, type Supplier } from '../../../core/materials/buying/plan-orders'

let highs: Awaited<ReturnType<typeof highsLoader>>
beforeAll(async () => {
	highs = await highsLoader()
})

const anyPacks = fc.array(
	fc.record({ amount: fc.integer({ min: 1, max: 400 }), priceCents: fc.integer({ min: 0, max: 900 }) }),
	{ minLength: 1, maxLength: 5 },
)

describe('the cheapest packs', () => {
	test('cost as little as a general MIP solver (HiGHS) finds', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 1500 }), anyPacks, (needed, packs) => {
				const choice = cheapestPacks(needed, packs)
				const { Status, ObjectiveValue } = highs.solve(`Minimize
 obj: ${packs.map(({ priceCents }, p) => `${priceCents} x${p}`).join(' + ')}
Subject To
 hold: ${packs.map(({ amount }, p) => `${amount} x${p}`).join(' + ')} >= ${needed}
Bounds
 ${packs.map((_, p) => `x${p} <= 1500`).join('\n ')}
General
 ${packs.map((_, p) => `x${p}`).join(' ')}
End`)

				expect(Status).toBe('Optimal')
				expect(choice.costCents).toBe(Math.round(ObjectiveValue))
				expect(choice.amount).toBeGreaterThanOrEqual(needed)
				expect(choice.amount).toBe(choice.counts.reduce((sum, n, p) => sum + n * (packs[p]?.amount ?? 0), 0))
				expect(choice.costCents).toBe(choice.counts.reduce((sum, n, p) => sum + n * (packs[p]?.priceCents ?? 0), 0))
			}),
			{ numRuns: 60, seed: 9 },
		)
	})

	test('of equal cost leave the least over', () => {
		const packs = [
			{ amount: 250, priceCents: 300 },
			{ amount: 1000, priceCents: 600 },
			{ amount: 700, priceCents: 600 },
		]

		expect(cheapestPacks(650, packs).counts).toEqual([0, 0, 1])
		expect(cheapestPacks(0, packs)).toEqual({ counts: [0, 0, 0], costCents: 0, amount: 0 })
	})

	test.each([
		{ name: 'no pack', needed: 1, packs: [], says: /no pack/ },
		{ name: 'half a gram', needed: 0.5, packs: [{ amount: 1, priceCents: 1 }], says: /whole/ },
		{ name: 'an empty pack', needed: 1, packs: [{ amount: 0, priceCents: 1 }], says: /amount > 0/ },
	])('refuse $name', ({ needed, packs, says }) => {
		expect(() => cheapestPacks(needed, packs)).toThrow(says)
	})
})

describe('orders', () => {
	const suppliers: Supplier[] = [
		{ id: 'near', name: 'Near', leadDays: 1, deliveryCents: 0 },
		{ id: 'far', name: 'Far', leadDays: 20, deliveryCents: 500 },
		{ id: 'mid', name: 'Mid', leadDays: 4, deliveryCents: 250 },
	]
	const anyOffers = fc.array(
		fc.record({
			itemId: fc.constantFrom('a', 'b', 'c'),
			supplierId: fc.constantFrom('near', 'far', 'mid'),
			amount: fc.integer({ min: 1, max: 60 }),
			priceCents: fc.integer({ min: 1, max: 400 }),
		}),
		{ maxLength: 7 },
	)
	const anyNeeds = fc.record({
		a: fc.integer({ min: 0, max: 90 }),
		b: fc.integer({ min: 0, max: 90 }),
		days: fc.constantFrom(2, 10, 30),
	})

	test('are the cheapest of all ways to take each item from one or more suppliers, delivery included (exhaustive)', () => {
		fc.assert(
			fc.property(anyOffers, anyNeeds, (bare, { a, b, days }) => {
				const offers = bare.map((offer, o): Offer => ({ ...offer, id: String(o) }))
				const needs: Need[] = [
					{ itemId: 'a', amount: a, daysLeft: days },
					{ itemId: 'b', amount: b, daysLeft: days },
				]
				const orders = planOrders(needs, offers, suppliers)

				expect(orders.costCents).toBe(bruteForce(needs, offers, days))
				for (const { itemId, amount } of needs.filter((need) => need.amount > 0)) {
					const own = orders.lines.filter((line) => line.itemId === itemId)
					const bought = own.reduce(
						(sum, { offerId, packCount }) => sum + packCount * (offers[Number(offerId)]?.amount ?? 0),
						0,
					)
					if (orders.notOffered.includes(itemId)) expect(own).toEqual([])
					else expect(bought).toBeGreaterThanOrEqual(amount)
				}
			}),
			{ numRuns: 80, seed: 10 },
		)
	})

	/** Cheapest over every subset of suppliers, with pack counts by plain enumeration. */
	function bruteForce(needs: readonly Need[], offers: readonly Offer[], days: number): number {
		const leadOf = (id: string) => suppliers.find((supplier) => supplier.id === id)?.leadDays ?? Infinity
		const usable = (itemId: string) => {
			const own = offers.filter((offer) => offer.itemId === itemId)
			const inTime = own.filter(({ supplierId }) => leadOf(supplierId) <= days)
			const fastest = Math.min(...own.map(({ supplierId }) => leadOf(supplierId)))
			return inTime.length > 0 ? inTime : own.filter(({ supplierId }) => leadOf(supplierId) === fastest)
		}
		const wanted = needs.filter(({ itemId, amount }) => amount > 0 && usable(itemId).length > 0)
		let best = wanted.length === 0 ? 0 : Infinity
		for (let set = 1; set < 8; set++) {
			const allowed = suppliers.filter((_, s) => set & (1 << s))
			const inSet = (offer: Offer) => allowed.some(({ id }) => id === offer.supplierId)
			const costs = wanted.map(({ itemId, amount }) => coverCost(amount, usable(itemId).filter(inSet)))
			const delivery = allowed.reduce((sum, { deliveryCents }) => sum + deliveryCents, 0)
			best = Math.min(best, delivery + costs.reduce((sum, cost) => sum + cost, 0))
		}
		return best
	}

	function coverCost(amount: number, packs: readonly Offer[]): number {
		const known = new Map<number, number>()
		const cover = (left: number): number => {
			if (left <= 0) return 0
			const before = known.get(left)
			if (before !== undefined) return before
			const cost = Math.min(Infinity, ...packs.map((pack) => pack.priceCents + cover(left - pack.amount)))
			known.set(left, cost)
			return cost
		}
		return cover(amount)
	}

	test('say by when, what is late, and what nobody sells', () => {
		const offers: Offer[] = [
			{ id: '1', itemId: 'veiner', supplierId: 'far', amount: 1, priceCents: 900 },
			{ id: '2', itemId: 'paste', supplierId: 'mid', amount: 500_000, priceCents: 450 },
		]
		const needs = [
			{ itemId: 'veiner', amount: 2, daysLeft: 10 },
			{ itemId: 'paste', amount: 600_000, daysLeft: 10 },
			{ itemId: 'moss', amount: 1, daysLeft: 10 },
		]

		const orders = planOrders(needs, offers, suppliers)

		expect(orders).toMatchObject({ late: ['veiner'], notOffered: ['moss'], deliveryCents: 750, costCents: 3450 })
		expect(orders.lines.map(({ itemId, orderWithinDays }) => [itemId, orderWithinDays])).toEqual([
			['veiner', -10],
			['paste', 6],
		])
	})
})

describe('the price of a course', () => {
	test('is even at the number of students that it says, and not at one fewer', () => {
		fc.assert(
			fc.property(
				fc.record({
					perStudentCents: fc.integer({ min: 0, max: 5000 }),
					fixedCents: fc.integer({ min: 1, max: 90_000 }),
				}),
				fc.integer({ min: 1, max: 12_000 }),
				(costs, priceCents) => {
					const count = breakEvenCount(costs, priceCents)

					if (count === undefined) expect(priceCents).toBeLessThanOrEqual(costs.perStudentCents)
					else {
						expect(priceCents * count).toBeGreaterThanOrEqual(totalCostCents(costs, count))
						expect(priceCents * (count - 1)).toBeLessThan(totalCostCents(costs, count - 1))
					}
					expect(8 * coveringPriceCents(costs, 8)).toBeGreaterThanOrEqual(totalCostCents(costs, 8))
				},
			),
		)
	})
})

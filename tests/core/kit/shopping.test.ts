import { describe, expect, test } from 'vitest'
import { priceCourse } from '../../../core/kit/price-course'
import { listNeeds, listShopping } from '../../../core/kit/shopping-list'
import {
	cheapestOffer,
	offcutsOf,
	ownedToolsOf,
	parseWireName,
	stockKey,
	wireName,
	type Stock,
} from '../../../core/kit/stock'
import { scaleRecipe } from '../../../core/kit/recipes'
import { packDemo } from '../../support/demo-kit'

const NO_STOCK: Stock = { items: [], suppliers: [], offers: [] }
const supplier = { id: 's', name: 'Shop', leadDays: 3, deliveryCents: 400 }

describe('the shopping list', () => {
	const { kit } = packDemo('Magnolia on Thursdays')
	const needs = listNeeds(kit)

	test('holds the totals of the kits, to the milligram', () => {
		const paste = needs.find(({ key }) => key === 'paste:gum paste')

		expect(paste?.amount).toBe(kit.paste.reduce((sum, { handOut }) => sum + handOut.total, 0))
		for (const { amount, sources } of needs)
			expect(sources.reduce((sum, source) => sum + source.amount, 0)).toBe(amount)
		expect(needs.filter(({ kind }) => kind === 'wire').reduce((sum, { amount }) => sum + amount, 0)).toBe(
			kit.wires.reduce((sum, { pooledPlan }) => sum + pooledPlan.wires.length, 0),
		)
	})

	test('takes off what is on the shelf, and orders by the day that the delivery allows', () => {
		const paste = needs.find(({ key }) => key === 'paste:gum paste')
		const onHand = 100_000
		const stock: Stock = {
			items: [{ kind: 'paste', name: 'Gum  Paste', unit: 'mg', onHand }],
			suppliers: [supplier],
			offers: [{ id: 'o', supplierId: 's', itemId: 'paste:gum paste', amount: 250_000, priceCents: 420 }],
		}
		const { lines, costCents, deliveryCents } = listShopping(needs, stock, '2026-03-02')
		const line = lines.find(({ key }) => key === 'paste:gum paste')
		const packCount = Math.ceil(((paste?.amount ?? 0) - onHand) / 250_000)

		expect(line).toMatchObject({ onHand, toBuy: (paste?.amount ?? 0) - onHand, isOffered: true, isLate: false })
		// The day before the class on 12 March, three days for the delivery.
		expect(line?.orders).toEqual([
			{
				supplierId: 's',
				supplierName: 'Shop',
				packCount,
				packAmount: 250_000,
				costCents: 420 * packCount,
				orderBy: '2026-03-08',
			},
		])
		expect([costCents, deliveryCents]).toEqual([420 * packCount + 400, 400])
		expect(lines.filter(({ isOffered }) => !isOffered)).toHaveLength(lines.length - 1)
	})

	test('says what comes too late', () => {
		const slow = { ...supplier, leadDays: 40 }
		const offers = [{ id: 'o', supplierId: 's', itemId: 'paste:gum paste', amount: 1000, priceCents: 1 }]
		const { lines } = listShopping(needs, { ...NO_STOCK, suppliers: [slow], offers }, '2026-03-02')

		expect(lines.find(({ key }) => key === 'paste:gum paste')?.isLate).toBe(true)
	})
})

test('a course costs what is used, and says what has no price', () => {
	const { kit } = packDemo('Magnolia on Thursdays')
	const offers = [
		{ id: 'dear', supplierId: 's', itemId: 'paste:gum paste', amount: 250_000, priceCents: 500 },
		{ id: 'cheap', supplierId: 's', itemId: 'paste:gum paste', amount: 1_000_000, priceCents: 1000 },
	]
	const money = { priceCents: 9000, roomCents: 6000, payCentsPerHour: 2000, otherCents: 0 }

	const price = priceCourse(listNeeds(kit), offers, { money, hours: 8, studentCount: 8 })
	const paste = price.lines.find(({ key }) => key === 'paste:gum paste')

	expect(paste?.costCents).toBe(Math.round((paste?.amount ?? 0) / 1000))
	expect(price.payCents).toBe(16_000)
	expect(price.totalCents).toBeGreaterThanOrEqual(price.materialCents + 22_000)
	expect(price.totalCents - price.materialCents - 22_000).toBeLessThan(8)
	expect(price.breakEvenStudents).toBe(Math.ceil(price.fixedCents / (9000 - price.perStudentCents)))
	expect(price.withoutPrice).toContain('floral tape')
})

// Common practice, no source: edible glue of 2 tbsp warm water and 1/4 tsp CMC powder, in metric spoons 30 ml and 1.25 ml.
test('a recipe scales to the class', () => {
	const glue = {
		id: 'glue',
		name: 'Edible glue',
		unit: 'ml' as const,
		yields: 30,
		ingredients: [
			{ name: 'warm water', amount: 30, unit: 'ml' as const },
			{ name: 'CMC powder', amount: 1.25, unit: 'ml' as const },
		],
	}

	expect(scaleRecipe(glue, 60_000)).toEqual([
		{ name: 'warm water', unit: 'µl', amount: 60_000 },
		{ name: 'CMC powder', unit: 'µl', amount: 2500 },
	])
})

test('the shelf knows its wires, off-cuts and tools by name', () => {
	const name = wireName({ gauge: 24, colour: 'moss green', lengthMm: 360 })
	const items = [
		{ kind: 'offcut' as const, name: '24 white 140 mm', unit: 'piece' as const, onHand: 3 },
		{ kind: 'tool' as const, name: 'Petal Veiner', unit: 'piece' as const, onHand: 2 },
	]

	expect(parseWireName(name)).toEqual({ gauge: 24, colour: 'moss green', lengthMm: 360 })
	expect(parseWireName('a lot of wire')).toBeUndefined()
	expect(offcutsOf({ items })).toEqual([{ gauge: 24, colour: 'white', lengthMm: 140, count: 3 }])
	expect(ownedToolsOf({ items }, ['petal veiner', 'ball tool'])).toEqual({ 'petal veiner': 2 })
	expect(stockKey('tool', ' Petal  Veiner ')).toBe('tool:petal veiner')
})

test('one more of a tool is bought where a single one is cheapest', () => {
	const suppliers = [supplier, { ...supplier, id: 't', name: 'Other', leadDays: 9 }]
	const offers = [
		{ id: '1', itemId: 'tool:veiner', supplierId: 's', amount: 1, priceCents: 1500 },
		{ id: '2', itemId: 'tool:veiner', supplierId: 't', amount: 1, priceCents: 1400 },
		{ id: '3', itemId: 'tool:veiner', supplierId: 't', amount: 6, priceCents: 60 },
	]

	expect(cheapestOffer({ offers, suppliers }, 'tool:veiner')).toEqual({
		priceCents: 1400,
		supplierName: 'Other',
		leadDays: 9,
	})
	expect(cheapestOffer({ offers, suppliers }, 'tool:mould')).toBeUndefined()
})

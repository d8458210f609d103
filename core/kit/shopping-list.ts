/** What to buy for a class: its totals, less the stock, in the cheapest packs that still arrive in time. */
import { present } from '../present'
import { daysBetween, addDays } from '../time/calendar'
import { planOrders, type Need, type Orders } from '../materials/buying/plan-orders'
import type { AmountUnit } from './bill'
import type { ClassKit } from './class-kit'
import { neededBy } from './course-dates'
import { HOUSEHOLD } from './exchanges'
import { stockKey, wireName, type Stock, type StockKind } from './stock'
import { takeApart } from './take-apart'
import { scaleRecipe } from './recipes'

/** So much of one thing that the class uses up. */
export interface ClassNeed {
	key: string
	kind: StockKind
	name: string
	unit: AmountUnit
	/** Whole, > 0, in the unit. */
	amount: number
	/** Of it, what is used whoever comes: the demo set. */
	fixedAmount: number
	/** Must be in the house on this day. */
	neededBy: string
	/** What it is for, in amounts that make the whole. */
	sources: { what: string; amount: number }[]
}

export interface ShoppingOrder {
	supplierId: string
	supplierName: string
	/** Whole packs. */
	packCount: number
	/** In one pack. */
	packAmount: number
	costCents: number
	/** YYYY-MM-DD; before today where it is too late. */
	orderBy: string
}

export interface ShoppingLine extends ClassNeed {
	/** On the shelf. */
	onHand: number
	/** What the shelf does not have. */
	toBuy: number
	/** Empty where nothing is to be bought, or nobody offers it. */
	orders: ShoppingOrder[]
	/** Whether any supplier has it. */
	isOffered: boolean
	/** Nobody delivers it in time. */
	isLate: boolean
}

export interface ShoppingList {
	lines: ShoppingLine[]
	/** Of everything that is ordered, without delivery. */
	costCents: number
	/** Of all suppliers that something is ordered from. */
	deliveryCents: number
}

type NeedPart = Pick<ClassNeed, 'amount' | 'fixedAmount' | 'neededBy'> & { what: string }

/** Everything that a class uses up, by the shelf's names, in the order of the kinds. */
export function listNeeds(kit: ClassKit): ClassNeed[] {
	const needs = new Map<string, ClassNeed>()
	const add = (kind: StockKind, name: string, unit: AmountUnit, part: NeedPart) => {
		const key = stockKey(kind, name)
		const before = needs.get(key)
		if (part.amount === 0) return
		needs.set(key, {
			key,
			kind,
			name,
			unit,
			amount: (before?.amount ?? 0) + part.amount,
			fixedAmount: (before?.fixedAmount ?? 0) + part.fixedAmount,
			neededBy: before && before.neededBy < part.neededBy ? before.neededBy : part.neededBy,
			sources: [...(before?.sources ?? []), { what: part.what, amount: part.amount }],
		})
	}
	const { dates } = kit
	for (const { item, handOut: shares } of kit.paste) {
		const day = neededBy(dates, shares)
		const shown = takeApart(item.paste, shares.demo, kit.pasteMakers).bought
		takeApart(item.paste, shares.total, kit.pasteMakers).bought.forEach(({ kind, name, unit, amount }, i) => {
			if (isHousehold(name)) return
			const fixedAmount = present(shown[i], 'an ingredient of a paste').amount
			const what = name === item.paste ? item.colour : `${item.paste}, ${item.colour}`
			add(kind, name, unit, { amount, fixedAmount, neededBy: day, what })
		})
	}
	for (const { colour, paste, gelMg, shares } of kit.colours) {
		const fixedAmount = Math.round((gelMg * shares.demo) / shares.total)
		add('gel', colour, 'mg', { amount: gelMg, fixedAmount, neededBy: neededBy(dates, shares), what: paste })
	}
	for (const group of kit.wires) addWires(group, kit, add)
	for (const { item, shares } of kit.supplies) {
		if (isHousehold(item.name)) continue
		const common = { fixedAmount: shares.demo, neededBy: neededBy(dates, shares) }
		const terms = { ...common, amount: shares.total, what: 'all kits, what you show, and the reserve' }
		const recipe = item.kind === 'mixture' ? kit.recipes.find(({ name }) => name === item.name) : undefined
		if (!recipe) {
			add(item.kind === 'mixture' ? 'ingredient' : item.kind, item.name, item.unit, terms)
			continue
		}
		const shown = scaleRecipe(recipe, shares.demo)
		scaleRecipe(recipe, shares.total).forEach(({ name, unit, amount, isMade }, i) => {
			if (!isHousehold(name) && !isMade)
				add('ingredient', name, unit, {
					...terms,
					amount,
					fixedAmount: present(shown[i], 'an ingredient of a mixture').amount,
					what: item.name,
				})
		})
	}
	return [...needs.values()]
}

/** Nobody buys it. */
function isHousehold(name: string): boolean {
	return /^((luke)?warm |cold |boiled |hot )?water$/i.test(name) || Object.values<string>(HOUSEHOLD).includes(name)
}

/** Stock wires of each length as the pooled plan takes them. */
function addWires(
	{ gauge, colour, pooledPlan, lines }: ClassKit['wires'][number],
	{ dates }: ClassKit,
	add: (kind: StockKind, name: string, unit: AmountUnit, part: NeedPart) => void,
): void {
	const demo = lines.reduce((sum, { shares, lengthMm }) => sum + shares.demo * lengthMm, 0)
	const all = lines.reduce((sum, { shares, lengthMm }) => sum + shares.total * lengthMm, 0)
	const isAhead = lines.some(({ maker, shares }) => maker === 'instructor' || shares.swapOuts > 0)
	for (const lengthMm of new Set(pooledPlan.wires.map(({ stockLengthMm }) => stockLengthMm))) {
		const amount = pooledPlan.wires.filter(({ stockLengthMm }) => stockLengthMm === lengthMm).length
		add('wire', wireName({ gauge, colour, lengthMm }), 'piece', {
			amount,
			fixedAmount: Math.round((amount * demo) / all),
			neededBy: isAhead ? dates.beforeAhead : dates.beforeClass,
			what: 'cut for the class together',
		})
	}
}

/**
 * @param today - YYYY-MM-DD
 * @complexity as `planOrders`
 */
export function listShopping(needs: readonly ClassNeed[], stock: Stock, today: string): ShoppingList {
	const onHand = new Map(stock.items.map(({ kind, name, onHand: amount }) => [stockKey(kind, name), amount]))
	const buying = needs.map((need): Need & { need: ClassNeed } => {
		const amount = Math.max(0, need.amount - (onHand.get(need.key) ?? 0))
		return { need, itemId: need.key, amount, daysLeft: daysBetween(today, need.neededBy) }
	})
	const orders = planOrders(buying, stock.offers, stock.suppliers)
	return {
		lines: buying.map(({ need, amount }) => ({
			...need,
			onHand: onHand.get(need.key) ?? 0,
			toBuy: amount,
			orders: ordersOf(need.key, orders, stock, today),
			isOffered: !orders.notOffered.includes(need.key),
			isLate: orders.late.includes(need.key),
		})),
		costCents: orders.costCents,
		deliveryCents: orders.deliveryCents,
	}
}

/** What is ordered of one supplier, with the lines that it is for. */
export interface SupplierOrders {
	supplierName: string
	orders: { line: ShoppingLine; order: ShoppingOrder }[]
}

/** The orders of a list, supplier by supplier, in the order in which they are first named. */
export function ordersBySupplier(lines: readonly ShoppingLine[]): SupplierOrders[] {
	const bySupplier = new Map<string, SupplierOrders>()
	for (const line of lines)
		for (const order of line.orders) {
			const own = bySupplier.get(order.supplierId) ?? { supplierName: order.supplierName, orders: [] }
			own.orders.push({ line, order })
			bySupplier.set(order.supplierId, own)
		}
	return [...bySupplier.values()]
}

/** What is ordered of one thing, with the day by which that has to be done. */
function ordersOf(key: string, { lines }: Orders, { suppliers, offers }: Stock, today: string): ShoppingOrder[] {
	return lines
		.filter(({ itemId }) => itemId === key)
		.map(({ supplierId, offerId, packCount, costCents, orderWithinDays }) => ({
			supplierId,
			supplierName: suppliers.find(({ id }) => id === supplierId)?.name ?? supplierId,
			packCount,
			packAmount: present(
				offers.find(({ id }) => id === offerId),
				'the offer of an order',
			).amount,
			costCents,
			orderBy: addDays(today, orderWithinDays),
		}))
}

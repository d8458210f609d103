/** What is on the shelf, what it is called there, and who sells it. */
import type { Offer, Supplier } from '../materials/buying/plan-orders'
import type { OwnedTools } from '../materials/sharing/tool-sharing'
import type { AmountUnit } from './bill'
import type { OffcutStock } from './wire-bill'

export const STOCK_KINDS = [
	'paste',
	'gel',
	'wire',
	'offcut',
	'tape',
	'ingredient',
	'material',
	'bought',
	'tool',
	'former',
] as const
export type StockKind = (typeof STOCK_KINDS)[number]

/** One thing on the shelf. */
export interface StockItem {
	kind: StockKind
	/** Unique within its kind, whatever its capitals; of a wire or an off-cut as `wireName` makes it. */
	name: string
	unit: AmountUnit
	/** Whole, >= 0, in the unit; of a former: how many pieces lie on it at once, on all of them. */
	onHand: number
}

export interface Stock {
	items: readonly StockItem[]
	suppliers: readonly Supplier[]
	/** Items are named by `stockKey`. */
	offers: readonly Offer[]
}

/** Units in which the kinds are counted; ingredients may be either ml or g. */
export const UNIT_OF_KIND: Record<Exclude<StockKind, 'ingredient'>, AmountUnit> = {
	paste: 'mg',
	gel: 'mg',
	wire: 'piece',
	offcut: 'piece',
	tape: 'mm',
	material: 'mg',
	bought: 'piece',
	tool: 'piece',
	former: 'piece',
}

/** Small units in the unit in which people count the shelf. */
export const PER_UNIT: Record<AmountUnit, number> = { mg: 1000, µl: 1000, mm: 1000, piece: 1 }
export const UNIT_WORDS: Record<AmountUnit, string> = { mg: 'g', µl: 'ml', mm: 'm', piece: 'pieces' }

/** Equal for the same thing, however it is written. */
export function stockKey(kind: StockKind, name: string): string {
	return `${kind}:${name.trim().toLowerCase().replace(/\s+/g, ' ')}`
}

/** The two parts of a `stockKey`; the name without capitals. */
export function readStockKey(key: string): { kind: StockKind; name: string } {
	const at = key.indexOf(':')
	const kind = STOCK_KINDS.find((one) => one === key.slice(0, at))
	if (!kind) throw new RangeError(`a key of the shelf begins with its kind, got ${key}`)
	return { kind, name: key.slice(at + 1) }
}

/** '24 white 360 mm'. */
export function wireName({ gauge, colour, lengthMm }: { gauge: number; colour: string; lengthMm: number }): string {
	return `${gauge} ${colour} ${lengthMm} mm`
}

/** Reads '24 white 360 mm'; undefined for anything else. */
export function parseWireName(name: string): { gauge: number; colour: string; lengthMm: number } | undefined {
	const found = /^(\d{2}) (.+?) (\d{2,4}) ?mm$/.exec(name.trim())
	const [, gauge, colour, lengthMm] = found ?? []
	return gauge && colour && lengthMm ? { gauge: Number(gauge), colour, lengthMm: Number(lengthMm) } : undefined
}

/** Off-cuts on the shelf. */
export function offcutsOf({ items }: Pick<Stock, 'items'>): OffcutStock[] {
	return items.flatMap(({ kind, name, onHand }) => {
		const wire = kind === 'offcut' && onHand > 0 ? parseWireName(name) : undefined
		return wire ? [{ ...wire, count: onHand }] : []
	})
}

/** Tools that the studio counts, by name as its designs write it: capitals do not matter. */
export function ownedToolsOf({ items }: Pick<Stock, 'items'>, toolNames: readonly string[]): OwnedTools {
	const counts = new Map(
		items.flatMap(({ kind, name, onHand }) => (kind === 'tool' ? [[stockKey(kind, name), onHand]] : [])),
	)
	return Object.fromEntries(
		[...new Set(toolNames)].flatMap((tool) => {
			const count = counts.get(stockKey('tool', tool))
			return count === undefined ? [] : [[tool, count]]
		}),
	)
}

/** How many pieces lie on each kind of former at once, by its name without capitals; of others there are always enough. */
export type FormerPlaces = Readonly<Record<string, number>>

export function formerPlacesOf({ items }: Pick<Stock, 'items'>): FormerPlaces {
	return Object.fromEntries(
		items.flatMap(({ kind, name, onHand }) => (kind === 'former' ? [[formerKey(name), onHand]] : [])),
	)
}

/** The name of a former as `FormerPlaces` has it. */
export function formerKey(name: string): string {
	return readStockKey(stockKey('former', name)).name
}

/** Who sells one piece of an item cheapest, delivery apart; undefined where nobody does. */
export function cheapestOffer(
	{ offers, suppliers }: Pick<Stock, 'offers' | 'suppliers'>,
	itemId: string,
): { priceCents: number; supplierName: string; leadDays: number } | undefined {
	const [offer] = offers
		.filter((one) => one.itemId === itemId && one.amount === 1)
		.toSorted((a, b) => a.priceCents - b.priceCents)
	const supplier = suppliers.find(({ id }) => id === offer?.supplierId)
	return offer && supplier && { priceCents: offer.priceCents, supplierName: supplier.name, leadDays: supplier.leadDays }
}

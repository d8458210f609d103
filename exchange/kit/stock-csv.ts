/** The shelf with its suppliers' packs as CSV, out and in; amounts in g, ml, m or pieces. */
import { present } from '../../core/present'
import { fromCents, toCents } from '../../core/kit/money'
import type { AmountUnit } from '../../core/kit/bill'
import {
	parseWireName,
	PER_UNIT,
	STOCK_KINDS,
	readStockKey,
	stockKey,
	UNIT_OF_KIND,
	UNIT_WORDS,
	type Stock,
	type StockItem,
	type StockKind,
} from '../../core/kit/stock'
import type { Offer } from '../../core/materials/buying/plan-orders'
import { fromCsv, toCsv, type BadRow, type CsvRow } from '../csv'

/** In the studio's money. */
const MOST_MONEY = 100_000
/** Lines of one file: a shelf with more is a shop. */
const MOST_LINES = 10_000

/** A line: something on the shelf, and a pack of it where a supplier is named. */
export interface StockRow {
	item: StockItem
	offer?: { supplierName: string; leadDays: number; deliveryCents: number; amount: number; priceCents: number }
}

/** A line for each pack; things that nobody offers have one without. */
export function stockCsv({ items: shelf, suppliers, offers }: Stock): string {
	const items = [...shelf, ...offeredOnly(shelf, offers)]
	const byItem = new Map<string, Offer[]>()
	for (const offer of offers) byItem.set(offer.itemId, [...(byItem.get(offer.itemId) ?? []), offer])
	const rows = items.flatMap(({ kind, name, unit, onHand }): CsvRow[] => {
		const common = { kind, name, unit: UNIT_WORDS[unit], 'on hand': onHand / PER_UNIT[unit] }
		const own = byItem.get(stockKey(kind, name)) ?? []
		const none = { supplier: '', 'lead days': '', delivery: '', pack: '', price: '' }
		if (own.length === 0) return [{ ...common, ...none }]
		return own.map(({ supplierId, amount, priceCents }) => {
			const supplier = present(
				suppliers.find(({ id }) => id === supplierId),
				'the supplier of an offer',
			)
			return {
				...common,
				supplier: supplier.name,
				'lead days': supplier.leadDays,
				delivery: fromCents(supplier.deliveryCents),
				pack: amount / PER_UNIT[unit],
				price: fromCents(priceCents),
			}
		})
	})
	return toCsv(
		rows.length > 0
			? rows
			: [
					{
						kind: '',
						name: '',
						unit: '',
						'on hand': '',
						supplier: '',
						'lead days': '',
						delivery: '',
						pack: '',
						price: '',
					},
				],
	)
}

/** What is sold but not on the shelf. */
function offeredOnly(shelf: readonly StockItem[], offers: Stock['offers']): StockItem[] {
	const known = new Set(shelf.map(({ kind, name }) => stockKey(kind, name)))
	return [...new Set(offers.map(({ itemId }) => itemId))]
		.filter((itemId) => !known.has(itemId))
		.map((itemId) => {
			const { kind, name } = readStockKey(itemId)
			return { kind, name, unit: kind === 'ingredient' ? 'µl' : UNIT_OF_KIND[kind], onHand: 0 }
		})
}

/** Lines and those that make no sense. */
export function readStockCsv(text: string): { rows: StockRow[]; bad: BadRow[] } {
	const rows: StockRow[] = []
	const bad: BadRow[] = []
	for (const { line, values } of fromCsv(text)) {
		if (rows.length >= MOST_LINES) {
			bad.push({ line, problem: `at most ${MOST_LINES} lines are taken in one go` })
			break
		}
		const read = readRow(values)
		if (typeof read === 'string') bad.push({ line, problem: read })
		else rows.push(read)
	}
	return { rows, bad }
}

function readRow(values: Record<string, string>): StockRow | string {
	const kind = (values['kind'] ?? '').toLowerCase() as StockKind
	const name = values['name'] ?? ''
	if (!STOCK_KINDS.includes(kind)) return `"${kind}" is none of ${STOCK_KINDS.join(', ')}`
	if (name === '' || name.length > 80) return 'a name of 1 to 80 characters is missing'
	if ((kind === 'wire' || kind === 'offcut') && !parseWireName(name))
		return `"${name}" must say gauge, colour and length, as "24 white 360 mm"`
	const unit = kind === 'ingredient' ? (/^g$/i.test(values['unit'] ?? '') ? 'mg' : 'µl') : UNIT_OF_KIND[kind]
	const onHand = readAmount(values['on hand'] || '0', unit)
	if (onHand === undefined) return `"${values['on hand']}" is no amount on hand`
	const item = { kind, name, unit, onHand }
	const supplierName = values['supplier'] ?? ''
	if (supplierName === '') return { item }
	const amount = readAmount(values['pack'] ?? '', unit)
	const priceCents = readCents(values['price'] ?? '')
	const deliveryCents = readCents(values['delivery'] || '0')
	const leadDays = Number(values['lead days'] || 0)
	if (supplierName.length > 80) return 'a supplier’s name has at most 80 characters'
	if (amount === undefined || amount === 0) return `"${values['pack'] ?? ''}" is no size of a pack`
	if (priceCents === undefined) return `"${values['price'] ?? ''}" is no price`
	if (deliveryCents === undefined) return `"${values['delivery']}" is no delivery charge`
	if (!Number.isInteger(leadDays) || leadDays < 0 || leadDays > 365) return 'lead days must be 0 to 365'
	return { item, offer: { supplierName, leadDays, deliveryCents, amount, priceCents } }
}

function readAmount(text: string, unit: AmountUnit): number | undefined {
	const value = Math.round(Number(text.replace(',', '.')) * PER_UNIT[unit])
	return text !== '' && Number.isFinite(value) && value >= 0 && value <= 2_000_000_000 ? value : undefined
}

function readCents(text: string): number | undefined {
	const amount = readAmount(text, 'piece')
	return amount === undefined || amount > MOST_MONEY ? undefined : toCents(Number(text.replace(',', '.')))
}

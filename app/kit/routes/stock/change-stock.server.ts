/** What the screen of the shelf can change. */
import { fromCents, toCents } from '../../../../core/kit/money'
import { InputError } from '../../../../core/errors'
import { PER_UNIT, readStockKey, stockKey, UNIT_OF_KIND, type StockKind } from '../../../../core/kit/stock'
import type { AmountUnit } from '../../../../core/kit/bill'
import { deleteOffer, saveOffer } from '../../../../db/repositories/stock/offers.server'
import { readStock } from '../../../../db/repositories/stock/read-stock.server'
import type { RowVersion } from '../../../../db/repositories/stock/rows.server'
import { deleteStockItem, saveStockItem } from '../../../../db/repositories/stock/shelf.server'
import { deleteSupplier, saveSupplier } from '../../../../db/repositories/stock/suppliers.server'
import { takeStock } from '../../../../db/repositories/stock/take-stock.server'
import { readStockCsv } from '../../../../exchange/kit/stock-csv'
import type { IntentOf } from '../../../shared/schemas/intent'
import type { stockActions } from '../../schemas/stock'

/** What was done, and the fields that undo it. */
export interface StockAnswer {
	told: string
	undo?: Record<string, string | number>
}

type StockAction = IntentOf<typeof stockActions>
type ActionOf<I extends StockAction['intent']> = Extract<StockAction, { intent: I }>

/**
 * @throws {InputError} by field, or by line of a file
 * @throws {ConflictError} somebody else has changed the line, or has taken the name
 * @throws {NotFoundError} an id that the studio does not have
 */
export async function changeStock(studioId: number, action: StockAction): Promise<StockAnswer> {
	switch (action.intent) {
		case 'item':
			return changeItem(studioId, action)
		case 'supplier':
			return changeSupplier(studioId, action)
		case 'offer':
			return changeOffer(studioId, action)
		case 'delete-item':
			return removeItem(studioId, action)
		case 'delete-supplier':
			await deleteSupplier(studioId, action)
			return { told: 'The supplier is gone, with its packs.' }
		case 'delete-offer':
			return removeOffer(studioId, action)
		case 'import':
			return importFile(studioId, action.text)
	}
}

async function changeItem(studioId: number, { kind, name, onHand, ...row }: ActionOf<'item'>): Promise<StockAnswer> {
	const unit = await unitOf(studioId, kind, name)
	const item = { kind, name, unit, onHand: Math.round(onHand * PER_UNIT[unit]) }
	await saveStockItem(studioId, item, { row: rowOf(row) })
	return { told: `${name} is on the shelf.` }
}

async function changeSupplier(
	studioId: number,
	{ name, leadDays, delivery, ...row }: ActionOf<'supplier'>,
): Promise<StockAnswer> {
	await saveSupplier(studioId, { name, leadDays, deliveryCents: toCents(delivery) }, { row: rowOf(row) })
	return { told: `${name} is noted.` }
}

async function changeOffer(
	studioId: number,
	{ supplierId, kind, name, pack, price, ...row }: ActionOf<'offer'>,
): Promise<StockAnswer> {
	const unit = await unitOf(studioId, kind, name)
	const offer = {
		supplierId,
		itemKey: stockKey(kind, name),
		amount: Math.round(pack * PER_UNIT[unit]),
		priceCents: toCents(price),
	}
	await saveOffer(studioId, offer, { row: rowOf(row) })
	return { told: `The pack of ${name} is noted.` }
}

/** A line to change; none: a new one. */
function rowOf({ id, version }: Partial<RowVersion>): RowVersion | undefined {
	return id === undefined || version === undefined ? undefined : { id, version }
}

async function removeItem(studioId: number, row: ActionOf<'delete-item'>): Promise<StockAnswer> {
	const item = (await readStock(studioId)).items.find(({ id }) => id === row.id)
	await deleteStockItem(studioId, row)
	if (!item) return { told: 'Taken off the shelf.' }
	const { kind, name, unit, onHand } = item
	return {
		told: `${name} is off the shelf.`,
		undo: { intent: 'item', kind, name, onHand: onHand / PER_UNIT[unit] },
	}
}

async function removeOffer(studioId: number, row: ActionOf<'delete-offer'>): Promise<StockAnswer> {
	const offer = (await readStock(studioId)).offers.find(({ id }) => id === row.id)
	await deleteOffer(studioId, row)
	if (!offer) return { told: 'The pack is gone.' }
	const { kind, name } = readStockKey(offer.itemKey)
	const unit = await unitOf(studioId, kind, name)
	const { supplierId, amount, priceCents } = offer
	return {
		told: `The pack of ${name} is gone.`,
		undo: { intent: 'offer', supplierId, kind, name, pack: amount / PER_UNIT[unit], price: fromCents(priceCents) },
	}
}

async function importFile(studioId: number, text: string): Promise<StockAnswer> {
	const { rows, bad } = readStockCsv(text)
	if (bad.length > 0)
		throw new InputError(
			bad.slice(0, 20).map(({ line, problem }) => ({ path: 'text', message: `Line ${line}: ${problem}` })),
		)
	if (rows.length === 0) throw new InputError([{ path: 'text', message: 'The file has no line' }])
	await takeStock(studioId, rows)
	return { told: `${rows.length} lines taken.` }
}

/** Ingredients are counted in g or ml, as they were first; ml where they are new. */
async function unitOf(studioId: number, kind: StockKind, name: string): Promise<AmountUnit> {
	if (kind !== 'ingredient') return UNIT_OF_KIND[kind]
	const { items } = await readStock(studioId)
	return items.find((item) => stockKey(item.kind, item.name) === stockKey(kind, name))?.unit ?? 'µl'
}

/** What the screen of the shelf can change. */
import { InputError } from '../../../core/errors'
import { PER_UNIT, stockKey, UNIT_OF_KIND, type StockKind } from '../../../core/kits/stock'
import type { AmountUnit } from '../../../core/kits/bill'
import {
	deleteOffer,
	deleteStockItem,
	deleteSupplier,
	readStock,
	saveOffer,
	saveStockItem,
	saveSupplier,
	takeStock,
} from '../../../db/repositories/stock.server'
import { readStockCsv } from '../../../exchange/stock-csv'
import { readValue } from '../../http/read-input.server'
import { offerSchema, stockActionSchema, stockItemSchema, supplierSchema } from '../../schemas/stock'

/** What was done, and the fields that undo it. */
export interface StockAnswer {
	told: string
	undo?: Record<string, string | number>
}

/**
 * @param body - as the form sent it, with its intent
 * @throws {InputError} by field
 * @throws {NotFoundError} an id that the studio does not have
 */
export async function changeStock(studioId: number, body: Record<string, unknown>): Promise<StockAnswer> {
	switch (body['intent']) {
		case 'item': {
			const { id, kind, name, onHand } = await readValue(body, stockItemSchema)
			const unit = await unitOf(studioId, kind, name)
			const amount = Math.round(onHand * PER_UNIT[unit])
			await saveStockItem(studioId, { ...(id !== undefined && { id }), kind, name, unit, onHand: amount })
			return { told: `${name} is on the shelf.` }
		}
		case 'supplier': {
			const { id, name, leadDays, delivery } = await readValue(body, supplierSchema)
			const deliveryCents = Math.round(100 * delivery)
			await saveSupplier(studioId, { ...(id !== undefined && { id }), name, leadDays, deliveryCents })
			return { told: `${name} is noted.` }
		}
		case 'offer': {
			const { supplierId, kind, name, pack, price } = await readValue(body, offerSchema)
			const unit = await unitOf(studioId, kind, name)
			await saveOffer(studioId, {
				supplierId,
				itemKey: stockKey(kind, name),
				amount: Math.round(pack * PER_UNIT[unit]),
				priceCents: Math.round(100 * price),
			})
			return { told: `The pack of ${name} is noted.` }
		}
		default:
			return changeByIntent(studioId, body)
	}
}

async function changeByIntent(studioId: number, body: Record<string, unknown>): Promise<StockAnswer> {
	const { intent, id = 0, text = '' } = await readValue(body, stockActionSchema)
	switch (intent) {
		case 'delete-item': {
			const item = (await readStock(studioId)).items.find((one) => one.id === id)
			await deleteStockItem(studioId, id)
			if (!item) return { told: 'Taken off the shelf.' }
			const { kind, name, unit, onHand } = item
			return {
				told: `${name} is off the shelf.`,
				undo: { intent: 'item', kind, name, onHand: onHand / PER_UNIT[unit] },
			}
		}
		case 'delete-supplier':
			await deleteSupplier(studioId, id)
			return { told: 'The supplier is gone, with its packs.' }
		case 'delete-offer':
			return removeOffer(studioId, id)
		case 'import': {
			const { rows, bad } = readStockCsv(text)
			if (bad.length > 0)
				throw new InputError(
					bad.slice(0, 20).map(({ line, problem }) => ({ path: 'text', message: `Line ${line}: ${problem}` })),
				)
			if (rows.length === 0) throw new InputError([{ path: 'text', message: 'The file has no line' }])
			await takeStock(studioId, rows)
			return { told: `${rows.length} lines taken.` }
		}
	}
}

async function removeOffer(studioId: number, id: number): Promise<StockAnswer> {
	const { offers } = await readStock(studioId)
	const offer = offers.find((one) => one.id === id)
	await deleteOffer(studioId, id)
	if (!offer) return { told: 'The pack is gone.' }
	const at = offer.itemKey.indexOf(':')
	const [kind, name] = [offer.itemKey.slice(0, at) as StockKind, offer.itemKey.slice(at + 1)]
	const unit = await unitOf(studioId, kind, name)
	const { supplierId, amount, priceCents } = offer
	return {
		told: `The pack of ${name} is gone.`,
		undo: { intent: 'offer', supplierId, kind, name, pack: amount / PER_UNIT[unit], price: priceCents / 100 },
	}
}

/** Ingredients are counted in g or ml, as they were first; ml where they are new. */
async function unitOf(studioId: number, kind: StockKind, name: string): Promise<AmountUnit> {
	if (kind !== 'ingredient') return UNIT_OF_KIND[kind]
	const { items } = await readStock(studioId)
	return items.find((item) => stockKey(item.kind, item.name) === stockKey(kind, name))?.unit ?? 'µl'
}

/** What a studio has on its shelf, its suppliers, and what they offer. */
import type { Stock, StockItem } from '../../../core/kit/stock'
import type { Supplier } from '../../../core/materials/buying/plan-orders'
import { OfferModel, StockItemModel, SupplierModel } from '../../models/kits.server'
import type { RowVersion } from './rows.server'

export interface StoredStockItem extends StockItem, RowVersion {}

export interface StoredOffer extends RowVersion {
	supplierId: number
	itemKey: string
	amount: number
	priceCents: number
}

export type StoredSupplier = Omit<Supplier, 'id'> & RowVersion

export interface StoredStock {
	items: StoredStockItem[]
	suppliers: StoredSupplier[]
	offers: StoredOffer[]
}

/** By kind and name. */
export async function readStock(studioId: number): Promise<StoredStock> {
	const where = { studioId }
	const [items, suppliers, offers] = await Promise.all([
		StockItemModel.findAll({
			where,
			order: [
				['kind', 'ASC'],
				['name', 'ASC'],
			],
			raw: true,
		}),
		SupplierModel.findAll({ where, order: [['name', 'ASC']], raw: true }),
		OfferModel.findAll({ where, order: [['id', 'ASC']], raw: true }),
	])
	return {
		items: items.map(({ id, kind, name, unit, onHand, version }) => {
			return { id, kind, name, unit, onHand: Number(onHand), version }
		}),
		suppliers: suppliers.map(({ id, name, leadDays, deliveryCents, version }) => {
			return { id, name, leadDays, deliveryCents, version }
		}),
		offers: offers.map(({ id, supplierId, itemKey, amount, priceCents, version }) => {
			return { id, supplierId, itemKey, amount: Number(amount), priceCents, version }
		}),
	}
}

/** The tools on the shelf alone: what a plan asks for. */
export async function listTools(studioId: number): Promise<StockItem[]> {
	const rows = await StockItemModel.findAll({ where: { studioId, kind: 'tool' }, raw: true })
	return rows.map(({ kind, name, unit, onHand }) => ({ kind, name, unit, onHand: Number(onHand) }))
}

/** As core reckons with it. */
export function toStock({ items, suppliers, offers }: StoredStock): Stock {
	return {
		items,
		suppliers: suppliers.map((supplier) => ({ ...supplier, id: String(supplier.id) })),
		offers: offers.map(({ id, supplierId, itemKey, amount, priceCents }) => {
			return { id: String(id), supplierId: String(supplierId), itemId: itemKey, amount, priceCents }
		}),
	}
}

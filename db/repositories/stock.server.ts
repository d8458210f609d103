/** A studio's shelf, the suppliers, and what they offer. */
import { UniqueConstraintError, type Transaction } from 'sequelize'
import { ConflictError, NotFoundError } from '../../core/errors'
import { stockKey, type Stock, type StockItem } from '../../core/kits/stock'
import type { Supplier } from '../../core/materials/buying/plan-orders'
import { getDatabase, inTransaction } from '../connection.server'
import { OfferModel, StockItemModel, SupplierModel } from '../models/kits.server'

export interface StoredStockItem extends StockItem {
	id: number
}

export interface StoredOffer {
	id: number
	supplierId: number
	itemKey: string
	amount: number
	priceCents: number
}

export interface StoredStock {
	items: StoredStockItem[]
	suppliers: (Omit<Supplier, 'id'> & { id: number })[]
	offers: StoredOffer[]
}

/** By kind and name. */
export async function readStock(studioId: number): Promise<StoredStock> {
	getDatabase()
	const where = { studioId }
	const [items, suppliers, offers] = await Promise.all([
		StockItemModel.findAll({
			where,
			order: [
				['kind', 'ASC'],
				['name', 'ASC'],
			],
		}),
		SupplierModel.findAll({ where, order: [['name', 'ASC']] }),
		OfferModel.findAll({ where, order: [['id', 'ASC']] }),
	])
	return {
		items: items.map(({ id, kind, name, unit, onHand }) => ({ id, kind, name, unit, onHand: Number(onHand) })),
		suppliers: suppliers.map(({ id, name, leadDays, deliveryCents }) => ({ id, name, leadDays, deliveryCents })),
		offers: offers.map(({ id, supplierId, itemKey, amount, priceCents }) => {
			return { id, supplierId, itemKey, amount: Number(amount), priceCents }
		}),
	}
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

/**
 * Puts something on the shelf, or changes what lies there under its kind and name.
 *
 * @throws {NotFoundError} an id that the studio does not have
 * @throws {ConflictError} another line has that name already
 */
export async function saveStockItem(
	studioId: number,
	{ id, ...item }: StockItem & { id?: number },
	transaction?: Transaction,
): Promise<void> {
	getDatabase()
	const values = { ...item, itemKey: stockKey(item.kind, item.name) }
	await unique(`"${item.name}" is on the shelf already`, async () => {
		if (id === undefined) return void (await StockItemModel.upsert({ ...values, studioId }, { transaction }))
		if ((await StockItemModel.count({ where: { studioId, id }, transaction })) === 0)
			throw new NotFoundError('This is not on the shelf any more.')
		await StockItemModel.update(values, { where: { studioId, id }, transaction })
	})
}

/** @throws {NotFoundError} the studio has no such line */
export async function deleteStockItem(studioId: number, id: number): Promise<void> {
	getDatabase()
	if ((await StockItemModel.destroy({ where: { studioId, id } })) === 0)
		throw new NotFoundError('This is not on the shelf any more.')
}

/**
 * @returns its id
 * @throws {NotFoundError} an id that the studio does not have
 * @throws {ConflictError} another supplier has that name
 */
export async function saveSupplier(
	studioId: number,
	{ id, ...supplier }: Omit<Supplier, 'id'> & { id?: number },
	transaction?: Transaction,
): Promise<number> {
	getDatabase()
	return unique(`There is a supplier "${supplier.name}" already`, async () => {
		if (id === undefined) return (await SupplierModel.create({ ...supplier, studioId }, { transaction })).id
		await requireSupplier(studioId, id, transaction)
		await SupplierModel.update(supplier, { where: { studioId, id }, transaction })
		return id
	})
}

/**
 * Its offers go with it.
 *
 * @throws {NotFoundError} the studio has no such supplier
 */
export async function deleteSupplier(studioId: number, id: number): Promise<void> {
	getDatabase()
	if ((await SupplierModel.destroy({ where: { studioId, id } })) === 0)
		throw new NotFoundError('There is no such supplier any more.')
}

/**
 * A pack of a supplier; the same pack again changes its price.
 *
 * @throws {NotFoundError} the studio has no such supplier
 */
export async function saveOffer(
	studioId: number,
	offer: Omit<StoredOffer, 'id'>,
	transaction?: Transaction,
): Promise<void> {
	getDatabase()
	await requireSupplier(studioId, offer.supplierId, transaction)
	await OfferModel.upsert({ ...offer, studioId }, { transaction })
}

/** @throws {NotFoundError} the studio has no such offer */
export async function deleteOffer(studioId: number, id: number): Promise<void> {
	getDatabase()
	if ((await OfferModel.destroy({ where: { studioId, id } })) === 0)
		throw new NotFoundError('There is no such offer any more.')
}

/** A line of a file: something on the shelf, and a pack of it where a supplier is named. */
export interface StockEntry {
	item: StockItem
	offer?: { supplierName: string; leadDays: number; deliveryCents: number; amount: number; priceCents: number }
}

/** Takes in all lines of a file, or none; suppliers are found by name or made. */
export function takeStock(studioId: number, entries: readonly StockEntry[]): Promise<void> {
	return inTransaction(async (transaction) => {
		for (const { item, offer } of entries) {
			await saveStockItem(studioId, item, transaction)
			if (!offer) continue
			const { supplierName: name, leadDays, deliveryCents, amount, priceCents } = offer
			const known = await SupplierModel.findOne({ where: { studioId, name }, transaction })
			const terms = { name, leadDays, deliveryCents, ...(known && { id: known.id }) }
			const supplierId = await saveSupplier(studioId, terms, transaction)
			const itemKey = stockKey(item.kind, item.name)
			await saveOffer(studioId, { supplierId, itemKey, amount, priceCents }, transaction)
		}
	})
}

async function requireSupplier(studioId: number, id: number, transaction?: Transaction): Promise<void> {
	if ((await SupplierModel.count({ where: { studioId, id }, transaction })) === 0)
		throw new NotFoundError('There is no such supplier any more.')
}

async function unique<T>(message: string, work: () => Promise<T>): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (error instanceof UniqueConstraintError) throw new ConflictError(message, { cause: error })
		throw error
	}
}

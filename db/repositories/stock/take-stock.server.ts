/** The shelf, suppliers and packs as a file says them. */
import type { Transaction } from 'sequelize'
import { stockKey, type StockItem } from '../../../core/kit/stock'
import { inTransaction } from '../../connection.server'
import { OfferModel, StockItemModel, SupplierModel } from '../../models/kits.server'
import type { StoredOffer } from './read-stock.server'
import type { RowVersion } from './rows.server'

/** A line of a file: something on the shelf, and a pack of it where a supplier is named. */
export interface StockEntry {
	item: StockItem
	offer?: { supplierName: string; leadDays: number; deliveryCents: number; amount: number; priceCents: number }
}

/**
 * Takes in all lines of a file, or none; what it names is as the file says, suppliers are found by name or made. The
 * last line that names a thing counts.
 */
export function takeStock(studioId: number, entries: readonly StockEntry[]): Promise<void> {
	const offered = entries.flatMap(({ item, offer }) => (offer ? [{ ...offer, itemKey: keyOf(item) }] : []))
	return inTransaction(async (transaction) => {
		await takeItems(
			studioId,
			lastBy(entries, ({ item }) => keyOf(item)),
			transaction,
		)
		const ids = await takeSuppliers(
			studioId,
			lastBy(offered, ({ supplierName }) => foldName(supplierName)),
			transaction,
		)
		const packs = offered.map(({ supplierName, itemKey, amount, priceCents }) => {
			const supplierId = ids.get(foldName(supplierName))
			if (supplierId === undefined) throw new Error(`the supplier "${supplierName}" was just taken and is not there`)
			return { studioId, supplierId, itemKey, amount, priceCents }
		})
		await takeOffers(studioId, lastBy(packs, keyOfOffer), transaction)
	})
}

async function takeItems(studioId: number, entries: readonly StockEntry[], transaction: Transaction): Promise<void> {
	const known = await StockItemModel.findAll({ where: { studioId }, transaction, lock: true })
	const versions = new Map(known.map(({ itemKey, version }) => [itemKey, version]))
	const rows = entries.map(({ item }) => ({ ...item, studioId, itemKey: keyOf(item) }))
	await StockItemModel.bulkCreate(
		rows.map((row) => ({ ...row, version: 1 + (versions.get(row.itemKey) ?? 0) })),
		{ updateOnDuplicate: ['kind', 'name', 'unit', 'onHand', 'version'], transaction },
	)
}

/** @returns ids of all the studio's suppliers by folded name */
async function takeSuppliers(
	studioId: number,
	offers: readonly NonNullable<StockEntry['offer']>[],
	transaction: Transaction,
): Promise<Map<string, number>> {
	const known = await SupplierModel.findAll({ where: { studioId }, transaction, lock: true })
	const versions = new Map(known.map(({ name, version }) => [foldName(name), version]))
	await SupplierModel.bulkCreate(
		offers.map(({ supplierName: name, leadDays, deliveryCents }) => {
			return { studioId, name, leadDays, deliveryCents, version: 1 + (versions.get(foldName(name)) ?? 0) }
		}),
		{ updateOnDuplicate: ['leadDays', 'deliveryCents', 'version'], transaction },
	)
	const all = await SupplierModel.findAll({ where: { studioId }, attributes: ['id', 'name'], transaction })
	return new Map(all.map(({ id, name }) => [foldName(name), id]))
}

async function takeOffers(
	studioId: number,
	packs: readonly Omit<StoredOffer, keyof RowVersion>[],
	transaction: Transaction,
): Promise<void> {
	const known = await OfferModel.findAll({ where: { studioId }, transaction, lock: true })
	const versions = new Map(known.map((row) => [keyOfOffer({ ...row.get(), amount: Number(row.amount) }), row.version]))
	await OfferModel.bulkCreate(
		packs.map((pack) => ({ ...pack, studioId, version: 1 + (versions.get(keyOfOffer(pack)) ?? 0) })),
		{ updateOnDuplicate: ['priceCents', 'version'], transaction },
	)
}

function keyOf({ kind, name }: StockItem): string {
	return stockKey(kind, name)
}

function keyOfOffer({ supplierId, itemKey, amount }: Omit<StoredOffer, keyof RowVersion | 'priceCents'>): string {
	return `${supplierId} ${itemKey} ${amount}`
}

/** Names that the table's collation takes for one: without case, marks and blanks at the end. */
function foldName(name: string): string {
	return name.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().trimEnd()
}

/** The last of each key, by key: writers in one order wait for each other instead of meeting in a deadlock. */
function lastBy<T>(list: readonly T[], keyOfOne: (one: T) => string): T[] {
	const last = new Map(list.map((one) => [keyOfOne(one), one]))
	return [...last].toSorted(([a], [b]) => (a < b ? -1 : 1)).map(([, one]) => one)
}

/** A studio's shelf, the suppliers, and what they offer. Every line has a version: who changes an older one is told. */
import { UniqueConstraintError, type ModelStatic, type Transaction } from 'sequelize'
import { ConflictError, NotFoundError } from '../../core/errors'
import { PER_UNIT, stockKey, UNIT_WORDS, type Stock, type StockItem } from '../../core/kit/stock'
import type { Supplier } from '../../core/materials/buying/plan-orders'
import { inTransaction, writing } from '../connection.server'
import { OfferModel, StockItemModel, SupplierModel } from '../models/kits.server'

/** Of a row as it was read. */
export interface RowVersion {
	id: number
	version: number
}

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

/**
 * Puts something on the shelf, or changes a line that lies there.
 *
 * @param row - of the line to change; undefined: a new one
 * @throws {NotFoundError} an id that the studio does not have
 * @throws {ConflictError} another line has that name already, or somebody else has changed this one since
 */
export async function saveStockItem(
	studioId: number,
	item: StockItem,
	{ row, transaction }: { row?: RowVersion | undefined; transaction?: Transaction } = {},
): Promise<void> {
	const values = { ...item, itemKey: stockKey(item.kind, item.name) }
	const onConflict = async () => {
		const there = await StockItemModel.findOne({ where: { studioId, itemKey: values.itemKey } })
		return there ? `"${there.name}" is on the shelf already: change it there.` : `"${item.name}" is taken.`
	}
	await unique(onConflict, async () => {
		if (row) await changeRow(StockItemModel, { studioId, row, values, missing: OFF_THE_SHELF }, transaction)
		else await StockItemModel.create({ ...values, studioId }, { transaction })
	})
}

const OFF_THE_SHELF = 'This is not on the shelf any more.'
const NO_SUPPLIER = 'There is no such supplier any more.'
const NO_OFFER = 'There is no such offer any more.'

/**
 * @throws {NotFoundError} the studio has no such line
 * @throws {ConflictError} somebody else has changed it since
 */
export function deleteStockItem(studioId: number, row: RowVersion): Promise<void> {
	return deleteRow(StockItemModel, { studioId, row, missing: OFF_THE_SHELF })
}

/**
 * @param row - of the supplier to change; undefined: a new one
 * @returns its id
 * @throws {NotFoundError} an id that the studio does not have
 * @throws {ConflictError} another supplier has that name, or somebody else has changed this one since
 */
export async function saveSupplier(
	studioId: number,
	supplier: Omit<Supplier, 'id'>,
	{ row, transaction }: { row?: RowVersion | undefined; transaction?: Transaction } = {},
): Promise<number> {
	return unique(
		() => Promise.resolve(`There is a supplier "${supplier.name}" already`),
		async () => {
			if (!row) return (await SupplierModel.create({ ...supplier, studioId }, { transaction })).id
			await changeRow(SupplierModel, { studioId, row, values: supplier, missing: NO_SUPPLIER }, transaction)
			return row.id
		},
	)
}

/**
 * Its offers go with it.
 *
 * @throws {NotFoundError} the studio has no such supplier
 * @throws {ConflictError} somebody else has changed it since
 */
export function deleteSupplier(studioId: number, row: RowVersion): Promise<void> {
	return deleteRow(SupplierModel, { studioId, row, missing: NO_SUPPLIER })
}

/**
 * A pack of a supplier, or another price for one.
 *
 * @param row - of the pack to change; undefined: a new one
 * @throws {NotFoundError} the studio has no such supplier
 * @throws {ConflictError} the supplier has that pack already, or somebody else has changed this one since
 */
export async function saveOffer(
	studioId: number,
	offer: Omit<StoredOffer, keyof RowVersion>,
	{ row, transaction }: { row?: RowVersion | undefined; transaction?: Transaction } = {},
): Promise<void> {
	if ((await SupplierModel.count({ where: { studioId, id: offer.supplierId }, transaction })) === 0)
		throw new NotFoundError(NO_SUPPLIER)
	const onConflict = async () => {
		const { supplierId, itemKey, amount } = offer
		const there = await OfferModel.findOne({ where: { studioId, supplierId, itemKey, amount } })
		const price = ((there?.priceCents ?? offer.priceCents) / 100).toFixed(2)
		return `This pack is noted already, at ${price}: take that off first.`
	}
	await unique(onConflict, async () => {
		if (row) await changeRow(OfferModel, { studioId, row, values: offer, missing: NO_OFFER }, transaction)
		else await OfferModel.create({ ...offer, studioId }, { transaction })
	})
}

/**
 * @throws {NotFoundError} the studio has no such offer
 * @throws {ConflictError} somebody else has changed it since
 */
export function deleteOffer(studioId: number, row: RowVersion): Promise<void> {
	return deleteRow(OfferModel, { studioId, row, missing: NO_OFFER })
}

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

type VersionedModel = StockItemModel | SupplierModel | OfferModel

interface RowTerms {
	studioId: number
	row: RowVersion
	/** What is said where there is no such row. */
	missing: string
}

async function changeRow<M extends VersionedModel>(
	model: ModelStatic<M>,
	{ studioId, row: { id, version }, values, missing }: RowTerms & { values: object },
	transaction?: Transaction,
): Promise<void> {
	const where = { studioId, id, version } as never
	const [changed] = await writing(() =>
		model.update({ ...values, version: version + 1 } as never, { where, transaction }),
	)
	if (changed === 0) await explainUnchanged(model, { studioId, id, missing }, transaction)
}

async function deleteRow<M extends VersionedModel>(
	model: ModelStatic<M>,
	{ studioId, row: { id, version }, missing }: RowTerms,
): Promise<void> {
	const deleted = await writing(() => model.destroy({ where: { studioId, id, version } as never }))
	if (deleted === 0) await explainUnchanged(model, { studioId, id, missing })
}

async function explainUnchanged<M extends VersionedModel>(
	model: ModelStatic<M>,
	{ studioId, id, missing }: { studioId: number; id: number; missing: string },
	transaction?: Transaction,
): Promise<never> {
	const there = await model.findOne({ where: { studioId, id } as never, transaction })
	if (!there) throw new NotFoundError(missing)
	throw new ConflictError(
		`Changed in another window meanwhile: ${tellRow(there as VersionedModel)}. It stands here as it is now.`,
	)
}

function tellRow(row: VersionedModel): string {
	if (row instanceof StockItemModel) return `"${row.name}", ${amountWords(row)} on hand`
	if (row instanceof SupplierModel)
		return `"${row.name}", ${row.leadDays} days, ${(row.deliveryCents / 100).toFixed(2)}`
	return `this pack, at ${(row.priceCents / 100).toFixed(2)}`
}

function amountWords({ onHand, unit }: StockItemModel): string {
	return `${Number(onHand) / PER_UNIT[unit]} ${UNIT_WORDS[unit]}`
}

async function unique<T>(describe: () => Promise<string>, work: () => Promise<T>): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (error instanceof UniqueConstraintError) throw new ConflictError(await describe(), { cause: error })
		throw error
	}
}

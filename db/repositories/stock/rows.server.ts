/** Lines that have a version: who changes an older one is told what stands there. */
import { amountText } from '../../../core/kit/money'
import { UniqueConstraintError, type ModelStatic, type Transaction } from 'sequelize'
import { ConflictError, NotFoundError } from '../../../core/errors'
import { PER_UNIT, UNIT_WORDS } from '../../../core/kit/stock'
import { writing } from '../../connection.server'
import { StockItemModel, SupplierModel, type OfferModel } from '../../models/kits.server'

/** Of a row as it was read. */
export interface RowVersion {
	id: number
	version: number
}

/** Which line is to change; none: a new one. */
export interface RowChange {
	row?: RowVersion | undefined
	transaction?: Transaction
}

type VersionedModel = StockItemModel | SupplierModel | OfferModel

interface RowTerms {
	studioId: number
	row: RowVersion
	/** What is said where there is no such row. */
	missing: string
}

/**
 * @throws {NotFoundError} the studio has no such line
 * @throws {ConflictError} somebody else has changed it since
 */
export async function changeRow<M extends VersionedModel>(
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

/**
 * @throws {NotFoundError} the studio has no such line
 * @throws {ConflictError} somebody else has changed it since
 */
export async function deleteRow<M extends VersionedModel>(
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
	if (row instanceof SupplierModel) return `"${row.name}", ${row.leadDays} days, ${amountText(row.deliveryCents)}`
	return `this pack, at ${amountText(row.priceCents)}`
}

function amountWords({ onHand, unit }: StockItemModel): string {
	return `${Number(onHand) / PER_UNIT[unit]} ${UNIT_WORDS[unit]}`
}

/**
 * Writes what only one line may say.
 *
 * @param describe - the words for it where another line says it already
 * @throws {ConflictError} with these words
 */
export async function unique<T>(describe: () => Promise<string>, work: () => Promise<T>): Promise<T> {
	try {
		return await work()
	} catch (error) {
		if (error instanceof UniqueConstraintError) throw new ConflictError(await describe(), { cause: error })
		throw error
	}
}

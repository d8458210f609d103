/** The packs that suppliers offer, with their prices. */
import { amountText } from '../../../core/kit/money'
import { NotFoundError } from '../../../core/errors'
import { OfferModel, SupplierModel } from '../../models/kits.server'
import type { StoredOffer } from './read-stock.server'
import { changeRow, deleteRow, unique, type RowChange, type RowVersion } from './rows.server'
import { NO_SUPPLIER } from './suppliers.server'

const NO_OFFER = 'There is no such offer any more.'

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
	{ row, transaction }: RowChange = {},
): Promise<void> {
	if ((await SupplierModel.count({ where: { studioId, id: offer.supplierId }, transaction })) === 0)
		throw new NotFoundError(NO_SUPPLIER)
	const onConflict = async () => {
		const { supplierId, itemKey, amount } = offer
		const there = await OfferModel.findOne({ where: { studioId, supplierId, itemKey, amount } })
		const price = amountText(there?.priceCents ?? offer.priceCents)
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

/** Who a studio buys from. */
import type { Supplier } from '../../../core/materials/buying/plan-orders'
import { SupplierModel } from '../../models/kits.server'
import { changeRow, deleteRow, unique, type RowChange, type RowVersion } from './rows.server'

export const NO_SUPPLIER = 'There is no such supplier any more.'

/**
 * @param row - of the supplier to change; undefined: a new one
 * @returns its id
 * @throws {NotFoundError} an id that the studio does not have
 * @throws {ConflictError} another supplier has that name, or somebody else has changed this one since
 */
export async function saveSupplier(
	studioId: number,
	supplier: Omit<Supplier, 'id'>,
	{ row, transaction }: RowChange = {},
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

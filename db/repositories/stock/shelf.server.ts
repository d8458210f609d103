/** What lies on a studio's shelf. */
import { stockKey, type StockItem } from '../../../core/kit/stock'
import { StockItemModel } from '../../models/kits.server'
import { changeRow, deleteRow, unique, type RowChange, type RowVersion } from './rows.server'

const OFF_THE_SHELF = 'This is not on the shelf any more.'

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
	{ row, transaction }: RowChange = {},
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

/**
 * @throws {NotFoundError} the studio has no such line
 * @throws {ConflictError} somebody else has changed it since
 */
export function deleteStockItem(studioId: number, row: RowVersion): Promise<void> {
	return deleteRow(StockItemModel, { studioId, row, missing: OFF_THE_SHELF })
}

/** Changes of the shelf and of suppliers, as forms send them: amounts in g, ml, m or pieces, money with cents. */
import { mixed, number, object, string } from 'yup'
import { parseWireName, STOCK_KINDS, type StockKind } from '../../../core/kit/stock'
import { rowId, rowVersion } from '../../shared/schemas/row-version'

const AMOUNT = 'An amount from 0 to 2000000'
const DAYS = 'Whole days from 0 to 365'
const PRICE = 'A price from 0 to 100000'

const amount = () => number().typeError(AMOUNT).required(AMOUNT).min(0, AMOUNT).max(2_000_000, AMOUNT)
const emptyToNone = (value: unknown, original: unknown) => (original === '' ? undefined : value)
const kind = () => mixed<StockKind>().oneOf(STOCK_KINDS, 'Choose a kind').required('Choose a kind')
const name = () =>
	string()
		.trim()
		.required('Give it a name')
		.max(80, 'At most 80 characters')
		.when('kind', {
			is: (value: unknown) => value === 'wire' || value === 'offcut',
			then: (schema) =>
				schema.test('wire', 'Gauge, colour and length, as: 24 white 360 mm', (value) =>
					Boolean(parseWireName(value ?? '')),
				),
		})

/** A line to change, with its version as it was read; without them a new one. */
const row = {
	id: rowId().transform(emptyToNone),
	version: number()
		.transform(emptyToNone)
		.integer()
		.min(1)
		.when('id', { is: (id: unknown) => id !== undefined, then: () => rowVersion() }),
}

const item = object({ ...row, kind: kind(), name: name(), onHand: amount() }).noUnknown()

const supplier = object({
	...row,
	name: string().trim().required('Give the supplier a name').max(80, 'At most 80 characters'),
	leadDays: number().typeError(DAYS).required(DAYS).integer(DAYS).min(0, DAYS).max(365, DAYS),
	delivery: number().typeError(PRICE).required(PRICE).min(0, PRICE).max(100_000, PRICE),
}).noUnknown()

const offer = object({
	...row,
	supplierId: rowId().typeError('Choose a supplier').required('Choose a supplier'),
	kind: kind(),
	name: name(),
	pack: amount().moreThan(0, 'A pack holds something'),
	price: number().typeError(PRICE).required(PRICE).min(0, PRICE).max(100_000, PRICE),
}).noUnknown()

const remove = object({ id: rowId().required(), version: rowVersion() }).noUnknown()

export const stockActions = {
	item,
	supplier,
	offer,
	'delete-item': remove,
	'delete-supplier': remove,
	'delete-offer': remove,
	import: object({
		text: string().required('The file is empty').max(1_000_000, 'The file is larger than 1 MB'),
	}).noUnknown(),
}

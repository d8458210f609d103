/** Changes of the shelf and of suppliers, as forms send them: amounts in g, ml, m or pieces, money with cents. */
import { mixed, number, object, string } from 'yup'
import { parseWireName, STOCK_KINDS, type StockKind } from '../../core/kits/stock'

const AMOUNT = 'An amount from 0 to 2000000'
const PRICE = 'A price from 0 to 100000'

const amount = () => number().typeError(AMOUNT).required(AMOUNT).min(0, AMOUNT).max(2_000_000, AMOUNT)
const id = () =>
	number()
		.transform((value: unknown, original: unknown) => (original === '' ? undefined : value))
		.integer()
		.min(1)
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

export const stockItemSchema = object({
	intent: string().oneOf(['item']).required(),
	id: id(),
	kind: kind(),
	name: name(),
	onHand: amount(),
}).noUnknown()

export const supplierSchema = object({
	intent: string().oneOf(['supplier']).required(),
	id: id(),
	name: string().trim().required('Give the supplier a name').max(80, 'At most 80 characters'),
	leadDays: number()
		.typeError('Whole days from 0 to 365')
		.required('Whole days from 0 to 365')
		.integer('Whole days from 0 to 365')
		.min(0, 'Whole days from 0 to 365')
		.max(365, 'Whole days from 0 to 365'),
	delivery: number().typeError(PRICE).required(PRICE).min(0, PRICE).max(100_000, PRICE),
}).noUnknown()

export const offerSchema = object({
	intent: string().oneOf(['offer']).required(),
	supplierId: number().typeError('Choose a supplier').required('Choose a supplier').integer().min(1),
	kind: kind(),
	name: name(),
	pack: amount().moreThan(0, 'A pack holds something'),
	price: number().typeError(PRICE).required(PRICE).min(0, PRICE).max(100_000, PRICE),
}).noUnknown()

export const stockActionSchema = object({
	intent: mixed<'delete-item' | 'delete-supplier' | 'delete-offer' | 'import'>()
		.oneOf(['delete-item', 'delete-supplier', 'delete-offer', 'import'])
		.required(),
	id: id(),
	text: string().max(1_000_000, 'The file is larger than 1 MB'),
}).noUnknown()

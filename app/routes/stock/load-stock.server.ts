/** What the screen of the shelf shows. */
import { PER_UNIT, STOCK_KINDS, UNIT_WORDS, type StockKind } from '../../../core/kits/stock'
import type { Studio } from '../../../db/repositories/accounts.server'
import { readStock } from '../../../db/repositories/stock.server'

export async function loadStock(studio: Studio, search: URLSearchParams) {
	const { items, suppliers, offers } = await readStock(studio.id)
	const kind = search.get('kind')
	return {
		/** In the units of the forms. */
		items: items.map((item) => ({
			...item,
			shown: item.onHand / PER_UNIT[item.unit],
			unitWords: UNIT_WORDS[item.unit],
		})),
		suppliers,
		offers,
		currency: studio.kitTerms.currency,
		units: studio.units,
		/** What another page sends here to be filled in. */
		asked: {
			kind: STOCK_KINDS.find((one): one is StockKind => one === kind),
			name: (search.get('name') ?? '').slice(0, 80),
		},
	}
}

export type StockPageData = Awaited<ReturnType<typeof loadStock>>

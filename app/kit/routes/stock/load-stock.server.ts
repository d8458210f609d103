/** What the screen of the shelf shows. */
import { PER_UNIT, STOCK_KINDS, stockKey, UNIT_WORDS, type StockKind } from '../../../../core/kit/stock'
import { readSearch } from '../../../shared/address'
import { readPage } from '../../../shared/schemas/page'
import { STOCK_WORDS } from '../../words/kits'
import type { Studio } from '../../../../db/repositories/accounts.server'
import { readStock } from '../../../../db/repositories/stock/read-stock.server'

/** Lines of the shelf, and packs of the suppliers, that one page shows. */
const LINES_SHOWN = 120

export async function loadStock(studio: Studio, search: URLSearchParams) {
	const { items, suppliers, offers } = await readStock(studio.id)
	const kind = search.get('kind')
	const sought = readSearch(search)
	const words = sought.toLowerCase().split(/\s+/).filter(Boolean)
	const isSought = (text: string) => words.every((word) => text.toLowerCase().includes(word))
	const found = items.filter(({ kind: own, name }) => isSought(`${STOCK_WORDS[own]} ${name}`))
	const sold = offers.filter(({ itemKey }) => isSought(itemKey))
	const pageCount = Math.max(1, Math.ceil(Math.max(found.length, sold.length) / LINES_SHOWN))
	const page = Math.min(pageCount, readPage(search))
	const onPage = <T>(list: readonly T[]) => list.slice((page - 1) * LINES_SHOWN, page * LINES_SHOWN)
	const offered = onPage(sold)
	return {
		sought,
		page,
		pageCount,
		itemCount: found.length,
		hasItems: items.length > 0,
		/** How packs of things that are not on this page are counted and called. */
		offeredItems: items.filter((item) => offered.some(({ itemKey }) => itemKey === stockKey(item.kind, item.name))),
		/** In the units of the forms. */
		items: onPage(found).map((item) => ({
			...item,
			shown: item.onHand / PER_UNIT[item.unit],
			unitWords: UNIT_WORDS[item.unit],
		})),
		suppliers,
		offers: offered,
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

/** Which page of a long list an address asks for. */

/** Nobody turns so many. */
const MOST_PAGES = 10_000

/** From 1; what is not understood is the first. */
export function readPage(search: URLSearchParams): number {
	const page = Number(search.get('page'))
	return Number.isInteger(page) && page >= 1 && page <= MOST_PAGES ? page : 1
}

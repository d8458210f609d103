/** Addresses with something said otherwise. */

/** The query with terms set; undefined or '' takes one away, and what else is empty is not written. */
export function withTerms(
	search: URLSearchParams,
	terms: Readonly<Record<string, string | undefined>>,
): URLSearchParams {
	const next = new URLSearchParams([...search].filter(([name, value]) => value !== '' && !(name in terms)))
	for (const [name, value] of Object.entries(terms)) if (value) next.set(name, value)
	return next
}

/** Longer searches are cut. */
const MAX_SEARCH = 80

/** What a list is searched for, by `q`; '' for nothing. */
export function readSearch(search: URLSearchParams): string {
	return (search.get('q') ?? '').trim().slice(0, MAX_SEARCH)
}

/** Whether a list is asked for less than all there is; an order alone leaves nothing out. */
export function isNarrowed(filter: object): boolean {
	return Object.entries(filter).some(([name, value]) => name !== 'order' && value !== undefined)
}

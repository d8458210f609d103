/** What a list is asked, as its address says it. */

/** The address with one term set otherwise, from its first page; the usual value ('') is not written. */
export function withTerm(search: URLSearchParams, name: string, value: string): URLSearchParams {
	const next = new URLSearchParams([...search].filter(([key, word]) => word !== '' && key !== name && key !== 'page'))
	if (value !== '') next.set(name, value)
	return next
}

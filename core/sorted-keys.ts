/** Plain data in one order of keys: a form, a file and a database need not agree on it. */

/** The same data, the keys of every object in order. */
export function sortKeys(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(sortKeys)
	if (typeof value !== 'object' || value === null) return value
	const entries = Object.entries(value).toSorted(([a], [b]) => (a < b ? -1 : 1))
	return Object.fromEntries(entries.map(([key, inner]) => [key, sortKeys(inner)]))
}

/** Whether two pieces of plain data say the same. */
export function isSameData(one: unknown, other: unknown): boolean {
	return JSON.stringify(sortKeys(one)) === JSON.stringify(sortKeys(other))
}

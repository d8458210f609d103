/** Where something stands in its list: of all who move parts and steps, by hand or by key. */

/**
 * The place of an item, counted from 0 in the list as it is stored, hidden items counted too.
 *
 * @returns undefined: it is not in the list
 */
export function placeOf(items: readonly { id: string }[], id: unknown): number | undefined {
	const place = items.findIndex((item) => item.id === id)
	return place < 0 ? undefined : place
}

/** The items of a course: designs, of which one may be made several times in different ways. */
import type { CourseDesign } from './course'

/**
 * Every item with a key of its own, by which its steps, waits and pieces are told apart. One that has none yet gets its
 * design's id, or that with a number where it is taken.
 */
export function giveKeys<T extends CourseDesign>(designs: readonly T[]): (T & { key: string })[] {
	const taken = new Set(designs.flatMap(({ key }) => key ?? []))
	return designs.map((item) => {
		if (item.key !== undefined) return { ...item, key: item.key }
		const key = freeKey(item.designId, taken)
		taken.add(key)
		return { ...item, key }
	})
}

function freeKey(designId: string, taken: ReadonlySet<string>): string {
	if (!taken.has(designId)) return designId
	let number = 2
	while (taken.has(`${designId}-${number}`)) number++
	return `${designId}-${number}`
}

/**
 * What each item is called: as it says itself, or as its design; of several without a name of their own each has its number.
 *
 * @param designNames - of the items' designs, in their order
 */
export function nameItems(designs: readonly CourseDesign[], designNames: readonly string[]): string[] {
	const counts = new Map<string, number>()
	return designs.map(({ designId, name }, d) => {
		if (name) return name
		const number = (counts.get(designId) ?? 0) + 1
		counts.set(designId, number)
		const own = designNames[d] ?? designId
		return number === 1 ? own : `${own} ${number}`
	})
}

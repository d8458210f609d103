/** Whose kit is looked at, as the address says it. */
export type KitView = { type: 'seat'; seat: number } | { type: 'class' } | { type: 'tables'; size: number }

const USUAL_TABLE = 4
const MAX_TABLE = 12

/** What is not understood shows the first kit. */
export function readKitView(search: URLSearchParams, studentCount: number): KitView {
	if (search.get('view') === 'class') return { type: 'class' }
	const size = Number(search.get('table'))
	if (search.get('view') === 'tables')
		return { type: 'tables', size: Number.isInteger(size) && size >= 1 && size <= MAX_TABLE ? size : USUAL_TABLE }
	const seat = Number(search.get('seat'))
	return { type: 'seat', seat: Number.isInteger(seat) && seat >= 1 && seat <= studentCount ? seat : 1 }
}

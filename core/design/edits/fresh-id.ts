/** Ids of a design's things: short, readable, unique among their kind. */

/** With a number behind it an id stays within the 60 characters that documents allow. */
const MAX_LENGTH = 50

/** 'Outer petals' -> 'outer-petals'; letters beyond a to z lose their marks. */
export function slugOf(name: string): string {
	const plain = name
		.normalize('NFKD')
		.replace(/[\u0300-\u036f]/g, '')
		.toLowerCase()
	const slug = plain
		.replace(/[^a-z0-9]+/g, '-')
		.slice(0, MAX_LENGTH)
		.replace(/^-+|-+$/g, '')
	return slug || 'item'
}

/** The id wished for, or with the least number behind it that makes it new. */
export function freshId(wish: string, taken: readonly { id: string }[]): string {
	const ids = new Set(taken.map(({ id }) => id))
	const stem = wish.replace(/-\d+$/, '')
	if (!ids.has(wish)) return wish
	for (let number = 2; ; number++) if (!ids.has(`${stem}-${number}`)) return `${stem}-${number}`
}

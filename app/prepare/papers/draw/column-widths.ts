/** Columns of a table on paper: what is short stays on one line, and what is long takes what is left. */

/** Cells of so many letters, dates and amounts among them, are never broken. */
const SHORT = 16
const PAD = 9

/**
 * @param rows - texts, the heads among them; all of the same length
 * @param room - for all columns together
 * @param widthOf - of words on one line, in the unit of the room
 * @returns widths that sum to the room
 */
export function shareWidths(
	rows: readonly (readonly string[])[],
	room: number,
	widthOf: (words: string) => number,
): number[] {
	const columns = (rows[0] ?? []).map((_, c) => {
		const cells = [...new Set(rows.map((row) => row[c] ?? ''))]
		const widest = Math.max(...cells.map(widthOf)) + PAD
		const parts = cells.flatMap((cell) => (cell.length <= SHORT ? [cell] : cell.split(' ')))
		return { widest, least: Math.max(...parts.map(widthOf)) + PAD }
	})
	const sum = (of: (column: { widest: number; least: number }) => number) =>
		columns.reduce((total, column) => total + of(column), 0)
	const [widest, least] = [sum((column) => column.widest), sum((column) => column.least)]
	if (widest <= room) return columns.map((column) => (column.widest * room) / widest)
	if (least >= room) return columns.map((column) => (column.least * room) / least)
	const share = (room - least) / (widest - least)
	return columns.map((column) => column.least + share * (column.widest - column.least))
}

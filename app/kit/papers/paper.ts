/** A paper of a course: made once, and drawn as a page, a PDF, a CSV or a spreadsheet file. */
export const PAPER_NAMES = ['packing', 'station', 'shopping', 'colouring', 'prep-ahead'] as const
export type PaperName = (typeof PAPER_NAMES)[number]

/** A number that a spreadsheet can reckon with, and how it is told everywhere else. */
export interface PaperNumber {
	text: string
	value: number
	/** As spreadsheets write formats: `0.0" g"`. */
	format: string
}

export type PaperCell = string | PaperNumber

/** As it stands on a page. */
export function cellText(cell: PaperCell): string {
	return typeof cell === 'string' ? cell : cell.text
}

export interface PaperTable {
	heading: string
	columns: { label: string; isNumber?: boolean }[]
	rows: PaperCell[][]
	/** Each row begins with a box to tick. */
	hasBoxes?: boolean
}

/** A part of the table at a place, in shares of the place from its upper left corner. */
export interface PaperZone {
	title: string
	items: string[]
	x: number
	y: number
	width: number
	height: number
}

export interface Paper {
	name: PaperName
	title: string
	subtitle: string
	tables: PaperTable[]
	zones: PaperZone[]
	cautions: string[]
}

export const PAPER_WORDS: Record<PaperName, string> = {
	packing: 'Packing list',
	station: 'Layout of a place',
	shopping: 'Shopping list',
	colouring: 'Colouring list',
	'prep-ahead': 'Before the class',
}

/** Stickers on a sheet of A4; the first is the usual one. */
export const LABEL_SIZES = [
	{ id: '99x67', widthMm: 99, heightMm: 67, columns: 2, rows: 4 },
	{ id: '70x42', widthMm: 70, heightMm: 42, columns: 3, rows: 7 },
	{ id: '63x38', widthMm: 63.5, heightMm: 38.1, columns: 3, rows: 7 },
	{ id: '48x25', widthMm: 48.5, heightMm: 25.4, columns: 4, rows: 10 },
] as const
export type LabelSize = (typeof LABEL_SIZES)[number]

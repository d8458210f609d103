/** A paper of a course: made once, and drawn as a page, a PDF, a CSV or a spreadsheet file. */
import type { TemplatePage } from '../../../core/outlines/template-sheet'
import type { Figure } from '../../shared/figure/figure'

/** Of the whole course, made from its kits. */
export const KIT_PAPERS = ['packing', 'station', 'shopping', 'colouring', 'prep-ahead'] as const
export type KitPaperName = (typeof KIT_PAPERS)[number]
/** Made from its plan: for the class, for a student, for who receives the flower. */
export const CLASS_PAPERS = ['run-sheet', 'course', 'hand-out', 'card'] as const
export const PAPER_NAMES = [...CLASS_PAPERS, ...KIT_PAPERS] as const
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

/** Something to do, with what belongs to it. */
export interface PaperStep {
	/** Of the piece that it is about. */
	figure?: Figure
	/** When, or which in the row: '19:05', '3'. */
	mark: string
	what: string
	/** How long, and for how much: '12 min · 5 pieces'. */
	note: string
	/** Sentences, each on a line of its own. */
	lines: string[]
}

/** A card to cut out: a quarter of the page. */
export interface PaperCard {
	figure: Figure
	title: string
	lines: string[]
}

export type PaperBlock =
	| { type: 'heading'; text: string }
	| { type: 'words'; lines: string[] }
	| { type: 'list'; heading: string; items: string[] }
	| ({ type: 'table' } & PaperTable)
	| { type: 'zones'; zones: PaperZone[] }
	/** In a row, each as wide as the others, or one as wide as the page. */
	| { type: 'figures'; figures: { figure: Figure; caption: string }[]; widest?: number }
	| { type: 'steps'; steps: PaperStep[]; hasBoxes: boolean }
	/** Lines to write on. */
	| { type: 'notes'; heading: string; lineCount: number }
	| { type: 'cards'; cards: PaperCard[] }
	/** In true size, on pages of their own. */
	| { type: 'templates'; pages: TemplatePage[]; title: string }

export interface Paper {
	name: PaperName
	title: string
	subtitle: string
	blocks: PaperBlock[]
	/** Wide instead of high. */
	isLandscape?: boolean
	/** Letters become smaller until all of it stands on one page. */
	isOnePage?: boolean
	/** Of letters, against the usual 11 points. */
	scale?: number
}

export function tablesOf({ blocks }: Pick<Paper, 'blocks'>): PaperTable[] {
	return blocks.flatMap((block) => (block.type === 'table' ? [block] : []))
}

/** Cautions, at the end of a paper. */
export function cautionBlocks(cautions: readonly { title: string; text: string }[]): PaperBlock[] {
	if (cautions.length === 0) return []
	return [{ type: 'list', heading: 'Take care', items: cautions.map(({ title, text }) => `${title}: ${text}`) }]
}

export const PAPER_WORDS: Record<PaperName, string> = {
	'run-sheet': 'Run sheet',
	course: 'The course on one page',
	'hand-out': 'Hand-out',
	card: 'Cards for who receives the flower',
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

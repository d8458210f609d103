/** CSV for spreadsheets: guarded against formulas, with a mark at the front so that the letters are read right. */
import Papa from 'papaparse'

export type CsvRow = Record<string, string | number>

/** What spreadsheets take for the beginning of a formula, the full-width signs of East Asian keyboards among them. */
const FORMULA = /^[=+\-@\t\r＝＋－＠].*$/s

export function toCsv(rows: readonly CsvRow[]): string {
	return `\uFEFF${Papa.unparse([...rows], { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`
}

/** A line of a file that cannot be taken. */
export interface BadRow {
	/** From 1, the head line included. */
	line: number
	problem: string
}

/** Rows by their head line, its words in small letters; the guard against formulas taken off again. */
export function fromCsv(text: string): { line: number; values: Record<string, string> }[] {
	const body = text.replace(/^\uFEFF/, '')
	const { data } = Papa.parse<Record<string, string>>(body, {
		header: true,
		delimiter: delimiterOf(body),
		transformHeader: (head) => head.trim().toLowerCase(),
		transform: (value) => value.trim().replace(/^'(?=[=+\-@\t\r＝＋－＠])/, ''),
	})
	return data
		.map((values, row) => ({ line: row + 2, values }))
		.filter(({ values }) => Object.values(values).some((value) => value !== ''))
}

/** By the head line alone: what people write into cells may look like any of them. */
function delimiterOf(text: string): string {
	const head = /^[^\r\n]*/.exec(text)?.[0] ?? ''
	const countOf = (delimiter: string) => head.split(delimiter).length
	return [',', ';', '\t'].toSorted((a, b) => countOf(b) - countOf(a))[0] ?? ','
}

/** Tables one under another, each with its heading. */
export function tablesCsv(
	tables: readonly { heading: string; columns: { label: string }[]; rows: string[][] }[],
): string {
	const rows = tables.flatMap(({ heading, columns, rows: cells }) => [
		[heading],
		columns.map(({ label }) => label),
		...cells,
		[],
	])
	return `\uFEFF${Papa.unparse(rows, { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`
}

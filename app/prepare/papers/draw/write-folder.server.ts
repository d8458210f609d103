/** A course as a folder in one file: papers to print, tables for spreadsheets, the course itself, its calendar. */
import type { PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
import { packZip } from '../../../../exchange/zip'
import { tablesCsv } from '../../../../exchange/csv'
import type { NamedPaper } from '../make/course-pack.server'
import { cellText, tablesOf, type Paper } from '../paper'
import { drawPapersPdf } from './draw-paper-pdf.server'

/** @param texts - by the name of their file */
export async function writeFolder(
	papers: readonly NamedPaper[],
	texts: Readonly<Record<string, string>>,
	size: SheetSize,
): Promise<Uint8Array<ArrayBuffer>> {
	const files: Record<string, Uint8Array | string> = {}
	for (const { file, paper } of papers) {
		const { title, subtitle } = paper
		files[`papers/${file}.pdf`] = await drawPapersPdf(`${title}: ${subtitle}`, [paper], size)
		if (tablesOf(paper).length > 0 && !file.startsWith('hand-out')) files[`tables/${file}.csv`] = paperCsv(paper)
	}
	return packZip({ ...files, ...texts })
}

export function paperCsv(paper: Paper): string {
	return tablesCsv(tablesOf(paper).map((table) => ({ ...table, rows: table.rows.map((row) => row.map(cellText)) })))
}

/** A course as a folder in one file: papers to print, tables for spreadsheets, the course itself, its calendar. */
import JSZip from 'jszip'
import type { PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
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
	const zip = new JSZip()
	for (const { file, paper } of papers) {
		const { title, subtitle } = paper
		zip.file(`papers/${file}.pdf`, await drawPapersPdf(`${title}: ${subtitle}`, [paper], size))
		if (tablesOf(paper).length > 0 && !file.startsWith('hand-out')) zip.file(`tables/${file}.csv`, paperCsv(paper))
	}
	for (const [file, text] of Object.entries(texts)) zip.file(file, text)
	return new Uint8Array(await zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' }))
}

export function paperCsv(paper: Paper): string {
	return tablesCsv(tablesOf(paper).map((table) => ({ ...table, rows: table.rows.map((row) => row.map(cellText)) })))
}

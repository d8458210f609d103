/** A paper as a spreadsheet file: numbers with their format, texts as texts, whatever they begin with. */
import ExcelJS from 'exceljs'
import { tablesOf, type Paper, type PaperCell } from '../paper'

/** Names of sheets may not hold these, nor be longer than 31 characters. */
const FORBIDDEN = /[[\]*?:/\\]/g

export async function writePaperSheet(paper: Paper): Promise<Uint8Array<ArrayBuffer>> {
	const { title, subtitle, blocks } = paper
	const book = new ExcelJS.Workbook()
	const sheet = book.addWorksheet(title.replace(FORBIDDEN, ' ').slice(0, 31), {
		pageSetup: { paperSize: 9, orientation: 'portrait', fitToPage: true, fitToHeight: 0 },
	})
	sheet.addRow([title]).font = { bold: true, size: 14 }
	sheet.addRow([subtitle])
	for (const { title: zone, items } of blocks.flatMap((block) => (block.type === 'zones' ? block.zones : []))) {
		sheet.addRow([])
		sheet.addRow([zone]).font = { bold: true }
		for (const item of items) sheet.addRow([item])
	}
	for (const { heading, columns, rows } of tablesOf(paper)) {
		sheet.addRow([])
		sheet.addRow([heading]).font = { bold: true, size: 12 }
		sheet.addRow(columns.map(({ label }) => label)).font = { bold: true }
		for (const row of rows) addCells(sheet, row)
	}
	sheet.columns.forEach((column) => (column.width = 28))
	return new Uint8Array(await book.xlsx.writeBuffer())
}

function addCells(sheet: ExcelJS.Worksheet, cells: readonly PaperCell[]): void {
	const row = sheet.addRow(cells.map((cell) => (typeof cell === 'string' ? cell : cell.value)))
	cells.forEach((cell, c) => {
		if (typeof cell !== 'string') row.getCell(c + 1).numFmt = cell.format
	})
}

/** Papers and labels as PDF: ink on white, heads with course, day and page. */
import { cellText, type LabelSize, type Paper, type PaperTable, type PaperZone } from './paper'
import { drawPdf, POINTS_PER_MM, type Pdf } from '../../shared/pdf.server'

const A4 = { width: 595.28, height: 841.89 }
const MARGIN = 42
const ROW = 17
const BOX = 9

export function drawPaperPdf(written: Paper): Promise<Uint8Array<ArrayBuffer>> {
	return drawPdf(`${written.title}: ${written.subtitle}`, written, (pdf, paper) => {
		addPage(pdf)
		pdf.font('head').fontSize(20).text(paper.title, MARGIN, MARGIN)
		pdf.font('text').fontSize(10).text(paper.subtitle)
		pdf.moveDown()
		if (paper.zones.length > 0) drawZones(pdf, paper.zones)
		for (const table of paper.tables) drawTable(pdf, table)
		if (paper.cautions.length > 0) drawCautions(pdf, paper.cautions)
		numberPages(pdf, `${paper.title} · ${paper.subtitle}`)
	})
}

function addPage(pdf: Pdf): void {
	pdf.addPage({ size: 'A4', margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: MARGIN } })
}

/** Begins a new page where so much does not fit on this one any more. */
function makeRoom(pdf: Pdf, height: number): void {
	if (pdf.y + height > A4.height - MARGIN - ROW) addPage(pdf)
}

function drawTable(pdf: Pdf, { heading, columns, rows, hasBoxes = false }: PaperTable): void {
	makeRoom(pdf, 4 * ROW)
	pdf
		.font('head')
		.fontSize(13)
		.text(heading, MARGIN, pdf.y + 8, { width: A4.width - 2 * MARGIN })
	pdf.moveDown(0.3)
	const left = MARGIN + (hasBoxes ? BOX + 8 : 0)
	const room = A4.width - MARGIN - left
	const widths = shareWidths(columns, rows, room)
	const line = (cells: readonly string[]) => {
		const heights = cells.map((cell, c) => pdf.heightOfString(cell || ' ', { width: (widths[c] ?? 0) - 8 }))
		const height = Math.max(ROW, ...heights.map((one) => one + 4))
		makeRoom(pdf, height)
		const y = pdf.y
		let x = left
		cells.forEach((cell, c) => {
			const width = widths[c] ?? 0
			pdf.text(cell, x, y + 3, { width: width - 8, align: columns[c]?.isNumber ? 'right' : 'left' })
			x += width
		})
		pdf
			.lineWidth(0.3)
			.moveTo(MARGIN, y + height)
			.lineTo(A4.width - MARGIN, y + height)
			.stroke('#999999')
		pdf.y = y + height
		return y
	}
	pdf.font('strong').fontSize(9)
	line(columns.map(({ label }) => label))
	pdf.font('text').fontSize(10)
	for (const row of rows) {
		const y = line(row.map(cellText))
		if (hasBoxes)
			pdf
				.lineWidth(0.8)
				.rect(MARGIN, y + 4, BOX, BOX)
				.stroke('#000000')
	}
	pdf.x = MARGIN
}

/** Columns as wide as their longest cell asks for, in proportion to the room. */
function shareWidths(columns: PaperTable['columns'], rows: PaperTable['rows'], room: number): number[] {
	const wanted = columns.map(({ label }, c) => {
		const longest = Math.max(label.length, ...rows.map((row) => cellText(row[c] ?? '').length))
		return Math.min(60, Math.max(8, longest))
	})
	const sum = wanted.reduce((total, width) => total + width, 0)
	return wanted.map((width) => (room * width) / sum)
}

function drawZones(pdf: Pdf, zones: readonly PaperZone[]): void {
	const [width, height] = [A4.width - 2 * MARGIN, 360]
	const top = pdf.y
	for (const zone of zones) {
		const [x, y] = [MARGIN + zone.x * width, top + zone.y * height]
		const [w, h] = [zone.width * width, zone.height * height]
		pdf
			.lineWidth(0.8)
			.roundedRect(x + 2, y + 2, w - 4, h - 4, 6)
			.stroke('#444444')
		pdf
			.font('head')
			.fontSize(12)
			.text(zone.title, x + 10, y + 9, { width: w - 20, height: 16, ellipsis: true })
		pdf.font('text').fontSize(8.5)
		pdf.text(zone.items.join('\n') || '–', x + 10, y + 26, { width: w - 20, height: h - 34, ellipsis: true })
	}
	pdf.x = MARGIN
	pdf.y = top + height + 6
}

function drawCautions(pdf: Pdf, cautions: readonly string[]): void {
	makeRoom(pdf, 60)
	pdf.moveDown()
	pdf.font('head').fontSize(13).text('Take care', MARGIN)
	pdf.font('text').fontSize(9)
	for (const caution of cautions) {
		makeRoom(pdf, pdf.heightOfString(caution, { width: A4.width - 2 * MARGIN }) + 4)
		pdf.text(caution, MARGIN, pdf.y + 3, { width: A4.width - 2 * MARGIN })
	}
}

function numberPages(pdf: Pdf, words: string): void {
	const { start, count } = pdf.bufferedPageRange()
	for (let p = start; p < start + count; p++) {
		pdf.switchToPage(p)
		// The foot lies in the margin: text there must not begin a page.
		pdf.page.margins.bottom = 0
		pdf.font('text').fontSize(8)
		pdf.text(`${words} · page ${p + 1} of ${count}`, MARGIN, A4.height - MARGIN + 10, { lineBreak: false })
	}
}

/** What stands on one sticker. */
export interface Label {
	head: string
	lines: string[]
}

/** A sheet of stickers, as many pages as it takes, centred on A4. */
export function drawLabelPdf(
	title: string,
	labels: readonly Label[],
	size: LabelSize,
): Promise<Uint8Array<ArrayBuffer>> {
	const [width, height] = [size.widthMm * POINTS_PER_MM, size.heightMm * POINTS_PER_MM]
	const [left, top] = [(A4.width - size.columns * width) / 2, (A4.height - size.rows * height) / 2]
	const perPage = size.columns * size.rows
	return drawPdf(title, labels, (pdf, printed) => {
		printed.forEach((label, l) => {
			if (l % perPage === 0) pdf.addPage({ size: 'A4', margin: 0 })
			const place = l % perPage
			const x = left + (place % size.columns) * width
			const y = top + Math.floor(place / size.columns) * height
			const pad = Math.min(10, height / 9)
			const fit = { width: width - 2 * pad, lineBreak: true, ellipsis: true }
			pdf.lineWidth(0.2).rect(x, y, width, height).stroke('#cccccc')
			const headSize = Math.min(15, height / 6)
			pdf.font('head').fontSize(headSize).fillColor('#000000')
			pdf.text(label.head, x + pad, y + pad, { ...fit, height: headSize + 3 })
			pdf.font('text').fontSize(Math.min(11, height / 10.5))
			pdf.text(label.lines.join('\n'), x + pad, y + pad + headSize + 4, {
				...fit,
				height: height - 2 * pad - headSize - 4,
			})
		})
		if (printed.length === 0) pdf.addPage({ size: 'A4' }).font('text').text('Nobody to label for.')
	})
}

/** Papers as PDF: ink on white, heads with course, day and page, nothing cut off. */
import type { PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
import { drawPdf, type Pdf } from '../../../shared/pdf.server'
import type { Paper } from '../paper'
import { heldTogether } from './hold-together'
import { MARGIN, PaperPen } from './paper-pen.server'

const LEAST_SCALE = 0.6

/**
 * One file of one paper, or of several after one another, each with its own count of pages.
 *
 * @param size - of the sheets
 */
export function drawPapersPdf(
	title: string,
	papers: readonly Paper[],
	size: SheetSize,
): Promise<Uint8Array<ArrayBuffer>> {
	return drawPdf(title, heldTogether(papers), (pdf, written) => {
		for (const paper of written) drawPaper(pdf, paper, size)
	})
}

function drawPaper(pdf: Pdf, paper: Paper, size: SheetSize): void {
	const first = pdf.bufferedPageRange().count
	const scale = paper.isOnePage ? scaleForOnePage(paper, size) : (paper.scale ?? 1)
	new PaperPen(pdf, paper, { size, scale }).draw()
	numberPages(pdf, first, paper)
}

/** The largest letters with which all of it stands on one page; tried on a sheet that is thrown away. */
function scaleForOnePage(paper: Paper, size: SheetSize): number {
	for (let scale = paper.scale ?? 1; scale > LEAST_SCALE; scale -= 0.05)
		if (pagesAt(paper, size, scale) === 1) return scale
	return LEAST_SCALE
}

function pagesAt(paper: Paper, size: SheetSize, scale: number): number {
	let count = 0
	void drawPdf(paper.title, paper, (pdf, written) => {
		new PaperPen(pdf, written, { size, scale }).draw()
		count = pdf.bufferedPageRange().count
	})
	return count
}

function numberPages(pdf: Pdf, first: number, { title, subtitle, blocks }: Paper): void {
	const { count } = pdf.bufferedPageRange()
	for (let p = first; p < count; p++) {
		pdf.switchToPage(p)
		const { width, height } = pdf.page
		const cards = blocks.some(({ type }) => type === 'cards')
		// Cards go to the edge of the sheet, and templates have a foot of their own.
		if (cards || pdf.page.margins.top === 0) continue
		const page = `page ${p - first + 1} of ${count - first}`
		pdf.font('text').fontSize(9).fillColor('#555555')
		const right = pdf.widthOfString(page)
		const room = width - 2 * MARGIN - right - 12
		pdf.text(`${title} · ${subtitle}`, MARGIN, height - MARGIN, { width: room, height: 11, ellipsis: true })
		pdf.text(page, width - MARGIN - right, height - MARGIN, { lineBreak: false })
	}
	pdf.fillColor('#000000')
}

/** Stickers for bags as PDF. */
import { PAPERS } from '../../../../core/outlines/template-sheet'
import { drawPdf, POINTS_PER_MM } from '../../../shared/pdf.server'
import type { LabelSize } from '../paper'

const A4 = { width: PAPERS.a4.widthMm * POINTS_PER_MM, height: PAPERS.a4.heightMm * POINTS_PER_MM }

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

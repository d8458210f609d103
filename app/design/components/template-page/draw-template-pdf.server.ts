/** Template pages drawn as a PDF. */
import type { TemplatePage } from '../../../../core/outlines/template-sheet'
import { writePath } from '../../../../core/outlines/write-path'
import { drawPdf, POINTS_PER_MM, type Pdf } from '../../../shared/pdf.server'

const BAR_MM = 100

export function drawTemplatePdf(laid: readonly TemplatePage[], name: string): Promise<Uint8Array<ArrayBuffer>> {
	return drawPdf(`${name}: templates`, { pages: laid, title: name }, (pdf, { pages, title }) => {
		pdf.font('text')
		if (pages.length === 0)
			pdf.addPage({ size: 'A4' }).fontSize(14).text('No part of this design has an outline to cut by.')
		drawTemplatePages(pdf, pages, title)
	})
}

/** Adds pages of templates in true size to a PDF. */
export function drawTemplatePages(pdf: Pdf, pages: readonly TemplatePage[], title: string): void {
	pages.forEach((page, p) => {
		const { widthMm, heightMm } = page.paper
		pdf.addPage({ size: [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM], margin: 0 })
		pdf.save().scale(POINTS_PER_MM)
		pdf.font('text').fillColor('#000000').strokeColor('#000000').undash()
		drawPage(pdf, page)
		drawFoot(pdf, page, `${title} · page ${p + 1} of ${pages.length}`)
		pdf.restore()
	})
}

function drawPage(pdf: Pdf, { frame, templates }: TemplatePage): void {
	pdf.save()
	pdf.rect(frame.x, frame.y, frame.widthMm, frame.heightMm).clip()
	for (const { x, y, outline, name, note, tile, widthMm } of templates) {
		pdf.save().translate(x, y).lineWidth(0.35).path(writePath(outline, 3)).stroke().restore()
		if (!tile) {
			const room = Math.max(widthMm, 50)
			const centred = { width: room, align: 'center', lineBreak: false } as const
			pdf.fontSize(3).text(name, x - room / 2, y + 1.2, centred)
			pdf.text(note, x - room / 2, y + 4.8, centred)
		}
	}
	pdf.restore()
}

function drawFoot(pdf: Pdf, { paper, frame, templates }: TemplatePage, words: string): void {
	const y = paper.heightMm - 20
	pdf
		.lineWidth(0.3)
		.moveTo(frame.x, y)
		.lineTo(frame.x + BAR_MM, y)
	for (let k = 0; k <= BAR_MM / 10; k++)
		pdf.moveTo(frame.x + 10 * k, y).lineTo(frame.x + 10 * k, y - (k % 5 === 0 ? 3 : 2))
	pdf.stroke()
	pdf.fontSize(3.2)
	pdf.text('This bar is 10 cm long. If it is not, print without fitting to the page.', frame.x, y + 1.5, {
		lineBreak: false,
	})
	const tile = templates[0]?.tile
	const place = tile ? ` · tile ${tile.column} of ${tile.columns} across, ${tile.row} of ${tile.rows} down` : ''
	pdf.text(words + place, frame.x, y + 6.5, { lineBreak: false })
}

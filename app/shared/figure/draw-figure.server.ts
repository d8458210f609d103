/** A described drawing as vectors in a PDF. */
import svgpath from 'svgpath'
import type { Pdf } from '../pdf.server'
import type { Figure, PathShape, WordsShape } from './figure'

/** Lines of a screen's px look right on paper at so many points. */
const POINTS_PER_PX = 0.6

export interface FigurePlace {
	/** Points from the page's upper left corner. */
	x: number
	y: number
	/** In points; the height follows. */
	width: number
}

/** @returns the height that it takes, points */
export function drawFigure(pdf: Pdf, { box, shapes }: Figure, { x, y, width }: FigurePlace): number {
	const [boxX, boxY, boxWidth, boxHeight] = box
	const scale = width / boxWidth
	pdf.save()
	pdf.rect(x, y, width, boxHeight * scale).clip()
	pdf.translate(x, y).scale(scale).translate(-boxX, -boxY)
	for (const shape of shapes) {
		if (shape.type === 'words') drawWords(pdf, shape)
		else drawPath(pdf, shape, scale)
	}
	pdf.restore()
	return boxHeight * scale
}

function drawPath(pdf: Pdf, { path, matrix, fill, line, opacity = 1 }: PathShape, scale: number): void {
	// A line is as wide in every direction, however much its shape is foreshortened.
	pdf.path(
		matrix
			? svgpath(path)
					.matrix([...matrix])
					.round(3)
					.toString()
			: path,
	)
	pdf.fillOpacity(opacity).strokeOpacity(opacity)
	if (line) {
		pdf.lineWidth((line.width * POINTS_PER_PX) / scale).lineJoin('round')
		if (line.dash) pdf.dash(line.dash[0] ?? 1, { space: line.dash[1] ?? 1 })
		else pdf.undash()
	}
	if (fill && line) pdf.fillAndStroke(fill, line.colour)
	else if (fill) pdf.fill(fill)
	else if (line) pdf.stroke(line.colour)
	pdf.fillOpacity(1).strokeOpacity(1)
}

function drawWords(pdf: Pdf, { text, x, y, size, anchor = 'start', isBold = false, colour }: WordsShape): void {
	pdf
		.font(isBold ? 'strong' : 'text')
		.fontSize(size)
		.fillColor(colour ?? '#000000')
	const width = anchor === 'start' ? 0 : pdf.widthOfString(text)
	const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
	pdf.text(text, left, y, { lineBreak: false, baseline: 'alphabetic' })
}

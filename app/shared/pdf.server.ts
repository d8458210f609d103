/** A PDF drawn in memory, in fonts that have its letters. */
import { createRequire } from 'node:module'
import PDFDocument from 'pdfkit'

export type Pdf = PDFKit.PDFDocument

/** 72 points an inch, 25.4 mm an inch. */
export const POINTS_PER_MM = 72 / 25.4

/** The standard fonts of a PDF, which no file has to bring along, end with Windows-1252. */
const BEYOND_STANDARD = /[^\n\x20-\x7E\xA0-\xFF€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]/u
const STANDARD = { text: 'Helvetica', strong: 'Helvetica-Bold', head: 'Times-Bold' }
/** These have the Latin letters of all Europe, Greek and Cyrillic; the file brings along the letters it uses. */
const EMBEDDED = {
	text: 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf',
	strong: 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf',
	head: 'dejavu-fonts-ttf/ttf/DejaVuSerifCondensed-Bold.ttf',
}

/**
 * Runs the drawing and hands the file over.
 *
 * @param words - all that will be written, as any value of strings, lists and records
 * @param draw - finds the words in characters that print, and the fonts under the names `text`, `strong` and `head`
 */
export function drawPdf<Words>(
	title: string,
	words: Words,
	draw: (pdf: Pdf, words: Words) => void,
): Promise<Uint8Array<ArrayBuffer>> {
	const pdf = new PDFDocument({ autoFirstPage: false, bufferPages: true, info: { Title: title } })
	const chunks: Uint8Array[] = []
	pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk))
	const finished = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
		pdf.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
		pdf.on('error', reject)
	})
	// The sign of minus alone is not worth other fonts.
	const text = JSON.stringify(words).normalize('NFC').replaceAll('−', '-')
	registerFonts(pdf, BEYOND_STANDARD.test(text))
	draw(pdf, JSON.parse(text) as Words)
	pdf.end()
	return finished
}

function registerFonts(pdf: Pdf, isEmbedded: boolean): void {
	const { resolve } = createRequire(import.meta.url)
	for (const name of ['text', 'strong', 'head'] as const)
		pdf.registerFont(name, isEmbedded ? resolve(EMBEDDED[name]) : STANDARD[name])
}

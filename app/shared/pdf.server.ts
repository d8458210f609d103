/** A PDF drawn in memory, in fonts that have its letters. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import PDFDocument from 'pdfkit'

export type Pdf = PDFKit.PDFDocument

/** 72 points an inch, 25.4 mm an inch. */
export const POINTS_PER_MM = 72 / 25.4

/** Letters that both of our own faces have: the Latin ones of Europe, and what is printed between them. */
const BEYOND_OWN =
	/[^\n\x20-\x7E\xA0-\xAC\xAE-\u0113\u0116-\u0127\u012A\u012B\u012E-\u0137\u0139-\u013E\u0141-\u0148\u014A-\u014D\u0150-\u0161\u0164\u0165\u016A-\u017E\u0218-\u021B\u1E9E\u2013\u2014\u2018-\u201A\u201C-\u201E\u2022\u2026\u20AC\u2122\u2212]/u
const FACES = '@expo-google-fonts'
const OWN = {
	text: `${FACES}/figtree/400Regular/Figtree_400Regular.ttf`,
	strong: `${FACES}/figtree/600SemiBold/Figtree_600SemiBold.ttf`,
	head: `${FACES}/fraunces/600SemiBold/Fraunces_600SemiBold.ttf`,
}
/** These have Greek and Cyrillic letters too. */
const WIDER = {
	text: 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf',
	strong: 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf',
	head: 'dejavu-fonts-ttf/ttf/DejaVuSerifCondensed-Bold.ttf',
}

/**
 * Runs the drawing and hands the file over.
 *
 * @param title - told by readers in place of the file's name
 * @param words - all that will be written, as any value of strings, lists and records
 * @param draw - finds the words in characters that print, and the fonts under the names `text`, `strong` and `head`
 */
export function drawPdf<Words>(
	title: string,
	words: Words,
	draw: (pdf: Pdf, words: Words) => void,
): Promise<Uint8Array<ArrayBuffer>> {
	const pdf = new PDFDocument({
		autoFirstPage: false,
		bufferPages: true,
		lang: 'en',
		displayTitle: true,
		info: { Title: title },
	})
	const chunks: Uint8Array[] = []
	pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk))
	const finished = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
		pdf.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
		pdf.on('error', reject)
	})
	const text = JSON.stringify(words).normalize('NFC')
	registerFonts(pdf, BEYOND_OWN.test(text) ? WIDER : OWN)
	draw(pdf, JSON.parse(text) as Words)
	pdf.end()
	return finished
}

function registerFonts(pdf: Pdf, faces: typeof OWN): void {
	for (const name of ['text', 'strong', 'head'] as const) pdf.registerFont(name, readFace(faces[name]))
}

/** Read once: a class has many papers. */
const known = new Map<string, Buffer>()

function readFace(file: string): Buffer {
	const face = known.get(file) ?? readFileSync(createRequire(import.meta.url).resolve(file))
	known.set(file, face)
	return face
}

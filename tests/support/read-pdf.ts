/** A PDF read back by an independent reader (pdf.js, as unpdf packs it): words, pages, and where paths really lie. */
import { getDocumentProxy, getResolvedPDFJS } from 'unpdf'

const MM_PER_POINT = 25.4 / 72

export interface PdfPath {
	/** Of the box round it, through every transformation, mm. */
	widthMm: number
	heightMm: number
}

export interface PdfPage {
	widthMm: number
	heightMm: number
	text: string
	/** Boxes of words that lie outside of the page. */
	outside: string[]
	paths: PdfPath[]
}

export interface PdfRead {
	title: string | undefined
	language: string | undefined
	pages: PdfPage[]
}

export async function readPdf(bytes: Uint8Array): Promise<PdfRead> {
	const pdf = await getDocumentProxy(new Uint8Array(bytes))
	const { info } = (await pdf.getMetadata()) as { info: { Title?: string; Language?: string } }
	const pages: PdfPage[] = []
	for (let p = 1; p <= pdf.numPages; p++) {
		const page = await pdf.getPage(p)
		const [, , width = 0, height = 0] = page.view
		const { items } = await page.getTextContent()
		const words = items.flatMap((item) => ('str' in item ? [item] : []))
		pages.push({
			widthMm: width * MM_PER_POINT,
			heightMm: height * MM_PER_POINT,
			text: words
				.map(({ str, hasEOL }) => (hasEOL ? `${str}\n` : str))
				.join(' ')
				.replaceAll('\u00A0', ' ')
				.replaceAll(/ +/g, ' '),
			outside: words
				.filter(({ str, transform, width: own }) => {
					const [x, y] = [Number(transform[4]), Number(transform[5])]
					return str.trim() !== '' && (x < -0.5 || x + own > width + 0.5 || y < 0 || y > height)
				})
				.map(({ str }) => str),
			paths: await readPaths(page),
		})
	}
	return { title: info.Title, language: info.Language, pages }
}

type Matrix = [number, number, number, number, number, number]

async function readPaths(
	page: Awaited<ReturnType<Awaited<ReturnType<typeof getDocumentProxy>>['getPage']>>,
): Promise<PdfPath[]> {
	const { OPS } = await getResolvedPDFJS()
	const { fnArray, argsArray } = await page.getOperatorList()
	const stack: Matrix[] = []
	let matrix: Matrix = [1, 0, 0, 1, 0, 0]
	return fnArray.flatMap((operator: number, o: number): PdfPath[] => {
		const args = argsArray[o] as unknown[]
		if (operator === OPS.save) stack.push(matrix)
		if (operator === OPS.restore) matrix = stack.pop() ?? matrix
		if (operator === OPS.transform) matrix = times(matrix, args as unknown as Matrix)
		if (operator !== OPS.constructPath) return []
		const [minX, minY, maxX, maxY] = args[2] as [number, number, number, number]
		const xs = [minX, maxX].flatMap((x) => [minY, maxY].map((y) => apply(matrix, x, y)))
		const span = (values: number[]) => (Math.max(...values) - Math.min(...values)) * MM_PER_POINT
		return [{ widthMm: span(xs.map(([x]) => x)), heightMm: span(xs.map(([, y]) => y)) }]
	})
}

function times([a, b, c, d, e, f]: Matrix, [g, h, i, j, k, l]: Matrix): Matrix {
	return [a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * k + c * l + e, b * k + d * l + f]
}

function apply([a, b, c, d, e, f]: Matrix, x: number, y: number): [number, number] {
	return [a * x + c * y + e, b * x + d * y + f]
}

/** How each block of a paper is drawn on a PDF, from the top of a page to as many as it takes. */
import { PAPERS, type PaperName as SheetSize } from '../../../../core/outlines/template-sheet'
import { drawTemplatePages } from '../../../design/components/template-page/draw-template-pdf.server'
import { drawFigure } from '../../../shared/figure/draw-figure.server'
import { POINTS_PER_MM, type Pdf } from '../../../shared/pdf.server'
import { cellText, type Paper, type PaperBlock, type PaperCard, type PaperStep, type PaperTable } from '../paper'
import { shareWidths } from './column-widths'

/** Round every page, points. */
export const MARGIN = 42
/** Under the margin stands the foot. */
const FOOT = 16
const GREY = '#8a8a8a'
/** Of letters that are read at arm's length, points. */
const USUAL = 11
/** Where all stands on one page, its picture leaves room for the words. */
const ONE_PAGE_FIGURE = 0.72
/** A list that takes no more of the height of a page than this stands on one. */
const HELD_SHARE = 0.4

/** Writes one paper from the top of a new page on. */
export class PaperPen {
	readonly #pdf: Pdf
	readonly #paper: Paper
	readonly #scale: number
	readonly #page: { width: number; height: number }
	/** Of what is written on. */
	readonly #width: number
	#y = MARGIN

	constructor(pdf: Pdf, paper: Paper, { size, scale }: { size: SheetSize; scale: number }) {
		const { widthMm, heightMm } = PAPERS[size]
		const [short, long] = [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM]
		this.#pdf = pdf
		this.#paper = paper
		this.#scale = scale
		this.#page = paper.isLandscape ? { width: long, height: short } : { width: short, height: long }
		this.#width = this.#page.width - 2 * MARGIN
	}

	draw(): void {
		this.#addPage()
		// Cards go to the edge of the sheet.
		if (this.#paper.blocks.some(({ type }) => type !== 'cards')) {
			this.#write(this.#paper.title, { face: 'head', size: 22 })
			this.#write(this.#paper.subtitle, { colour: '#555555' })
		}
		for (const block of this.#paper.blocks) this.#block(block)
	}

	#block(block: PaperBlock): void {
		switch (block.type) {
			case 'heading':
				return this.#heading(block.text)
			case 'words':
				this.#gap(4)
				for (const line of block.lines) this.#write(line, { after: 2 })
				return
			case 'list':
				return this.#list(block.heading, block.items)
			case 'table':
				return this.#table(block)
			case 'zones':
				return this.#zones(block)
			case 'figures':
				return this.#figures(block)
			case 'steps':
				return block.steps.forEach((step) => this.#step(step, block.hasBoxes))
			case 'notes':
				return this.#notes(block.heading, block.lineCount)
			case 'cards':
				return block.cards.forEach((card, c) => this.#card(card, c))
			case 'templates':
				drawTemplatePages(this.#pdf, block.pages, block.title)
				// What comes next begins a page of its own.
				this.#y = this.#bottom + 1
				return
		}
	}

	/** Of the height of a page that one picture may take. */
	get #figureShare(): number {
		return this.#paper.isOnePage ? ONE_PAGE_FIGURE - (1 - this.#scale) / 4 : 1
	}

	get #bottom(): number {
		return this.#page.height - MARGIN - FOOT
	}

	#addPage(): void {
		const { width, height } = this.#page
		this.#pdf.addPage({ size: [width, height], margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: 0 } })
		this.#pdf.fillColor('#000000').strokeColor('#000000')
		this.#y = MARGIN
	}

	/** Begins a new page where so much does not fit on this one any more. */
	#room(height: number): void {
		if (this.#y + height > this.#bottom && this.#y > MARGIN) this.#addPage()
	}

	#gap(points: number): void {
		this.#y += points * this.#scale
	}

	#face(face: 'text' | 'strong' | 'head', size: number): Pdf {
		return this.#pdf.font(face).fontSize(size * this.#scale)
	}

	/** A paragraph over the width of the page, or of a part of it; it goes on over the page's end line by line. */
	#write(
		text: string,
		{ face = 'text', size = USUAL, colour = '#000000', x = MARGIN, width = this.#width, after = 0 }: WriteTerms = {},
	): void {
		if (text === '') return
		const pdf = this.#face(face, size)
		const height = pdf.heightOfString(text, { width })
		this.#room(height)
		pdf.fillColor(colour).text(text, x, this.#y, { width })
		pdf.fillColor('#000000')
		this.#y += height + after * this.#scale
	}

	/** @param follows - points that stand under it on the same page */
	#heading(text: string, follows = 46): void {
		if (text === '') return
		this.#room((30 + follows) * this.#scale)
		this.#gap(9)
		this.#write(text, { face: 'head', size: 14, after: 3 })
	}

	#list(heading: string, items: readonly string[]): void {
		const indent = 12 * this.#scale
		const heights = items.map((item) => {
			return this.#face('text', USUAL).heightOfString(item, { width: this.#width - indent }) + 2 * this.#scale
		})
		const whole = heights.reduce((sum, height) => sum + height, 0)
		// Two or three lines alone on the next page would be a sheet for nothing, and are read without their heading.
		this.#heading(heading, whole <= this.#page.height * HELD_SHARE ? whole / this.#scale : undefined)
		for (const [k, item] of items.entries()) {
			this.#room(heights[k] ?? 0)
			this.#face('text', USUAL)
			this.#pdf.text('•', MARGIN, this.#y, { lineBreak: false })
			this.#write(item, { x: MARGIN + indent, width: this.#width - indent, after: 2 })
		}
	}

	#table({ heading, columns, rows, hasBoxes = false }: PaperTable): void {
		const box = hasBoxes ? 17 * this.#scale : 0
		this.#heading(heading, 60)
		const texts = rows.map((row) => row.map(cellText))
		const labels = columns.map(({ label }) => label)
		const widths = shareWidths([labels, ...texts], this.#width - box, (words) =>
			this.#face('strong', USUAL).widthOfString(words),
		)
		const line = (cells: readonly string[], face: 'text' | 'strong') => {
			const pdf = this.#face(face, USUAL)
			const heights = cells.map((cell, c) => pdf.heightOfString(cell || ' ', { width: (widths[c] ?? 0) - 8 }))
			const height = Math.max(...heights) + 6 * this.#scale
			if (this.#y + height > this.#bottom) {
				this.#addPage()
				if (face === 'text') line(labels, 'strong')
				this.#face(face, USUAL)
			}
			let x = MARGIN + box
			cells.forEach((cell, c) => {
				const width = widths[c] ?? 0
				const align = columns[c]?.isNumber ? 'right' : 'left'
				pdf.text(cell, x, this.#y + 3 * this.#scale, { width: width - 8, align })
				x += width
			})
			if (hasBoxes && face === 'text') this.#box(this.#y + 4 * this.#scale)
			this.#rule(this.#y + height)
			this.#y += height
		}
		if (labels.some((label) => label !== '')) line(labels, 'strong')
		for (const cells of texts) line(cells, 'text')
		this.#gap(4)
	}

	#box(y: number): void {
		const size = 10 * this.#scale
		this.#pdf.lineWidth(0.8).rect(MARGIN, y, size, size).stroke('#000000')
	}

	#rule(y: number): void {
		this.#pdf
			.lineWidth(0.3)
			.moveTo(MARGIN, y)
			.lineTo(MARGIN + this.#width, y)
			.stroke('#999999')
	}

	#step({ figure, mark, what, note, lines }: PaperStep, hasBox: boolean): void {
		const [boxWidth, markWidth] = [hasBox ? 17 * this.#scale : 0, 44 * this.#scale]
		const figureSize = figure ? 40 * this.#scale : 0
		const x = MARGIN + boxWidth + markWidth
		const width = this.#width - boxWidth - markWidth - (figure ? figureSize + 8 : 0)
		const head = this.#face('strong', USUAL + 1).heightOfString(what, { width })
		const rest = [note, ...lines].filter((line) => line !== '')
		const heights = rest.map((line) => this.#face('text', USUAL).heightOfString(line, { width }))
		const height =
			Math.max(
				figureSize,
				heights.reduce((sum, one) => sum + one, head),
			) +
			7 * this.#scale
		this.#room(height)
		const top = this.#y
		if (hasBox) this.#box(top + 3 * this.#scale)
		this.#face('strong', USUAL + 1).text(mark, MARGIN + boxWidth, top, { lineBreak: false })
		this.#pdf.text(what, x, top, { width })
		let y = top + head
		rest.forEach((line, l) => {
			this.#face('text', USUAL)
				.fillColor(l === 0 && note !== '' ? '#555555' : '#000000')
				.text(line, x, y, { width })
			y += heights[l] ?? 0
		})
		this.#pdf.fillColor('#000000')
		if (figure) drawFigure(this.#pdf, figure, { x: MARGIN + this.#width - figureSize, y: top, width: figureSize })
		this.#y = top + height
		this.#rule(this.#y - 3 * this.#scale)
	}

	#figures({ figures, widest = 0.5 }: Extract<PaperBlock, { type: 'figures' }>): void {
		const gap = 14
		const [first] = figures
		if (!first) return
		const columns = Math.max(1, Math.min(figures.length, 4))
		const share = Math.min((this.#width - gap * (columns - 1)) / columns, widest * this.#width)
		for (let row = 0; row < figures.length; row += columns) {
			const own = figures.slice(row, row + columns)
			const heights = own.map(({ figure: { box }, caption }) => {
				const most = (this.#bottom - MARGIN - 40) * this.#figureShare
				const height = Math.min((share * box[3]) / box[2], most)
				const words = this.#face('text', USUAL - 1).heightOfString(caption || ' ', { width: share })
				return { height, words: caption ? words : 0 }
			})
			const height = Math.max(...heights.map((one) => one.height + one.words)) + 8
			this.#room(height)
			own.forEach(({ figure, caption }, f) => {
				const x = MARGIN + f * (share + gap)
				const figureHeight = heights[f]?.height ?? 0
				const width = (figureHeight * figure.box[2]) / figure.box[3]
				drawFigure(this.#pdf, figure, { x: x + (share - width) / 2, y: this.#y, width })
				this.#face('text', USUAL - 1).text(caption, x, this.#y + figureHeight + 2, { width: share, align: 'center' })
			})
			this.#y += height
		}
	}

	#notes(heading: string, lineCount: number): void {
		const step = 24
		this.#heading(heading, step)
		for (let l = 0; l < lineCount && this.#y + step < this.#bottom; l++) {
			this.#y += step
			this.#rule(this.#y)
		}
	}

	#zones({ zones }: Extract<PaperBlock, { type: 'zones' }>): void {
		// As high as the fullest of them asks for.
		const needs = zones.map(({ items, width, height }) => {
			const text = this.#face('text', USUAL).heightOfString(items.join('\n') || '–', {
				width: width * this.#width - 20,
			})
			return (text + 42 * this.#scale) / height
		})
		const height = Math.min(Math.max(360, ...needs), this.#bottom - MARGIN - 20)
		this.#room(height)
		this.#gap(8)
		for (const zone of zones) {
			const [x, y] = [MARGIN + zone.x * this.#width, this.#y + zone.y * height]
			const [w, h] = [zone.width * this.#width, zone.height * height]
			this.#pdf
				.lineWidth(0.8)
				.roundedRect(x + 2, y + 2, w - 4, h - 4, 6)
				.stroke('#444444')
			this.#face('head', 13).text(zone.title, x + 10, y + 9, { width: w - 20 })
			const head = this.#pdf.heightOfString(zone.title, { width: w - 20 })
			this.#face('text', USUAL).text(zone.items.join('\n') || '–', x + 10, y + 11 + head, { width: w - 20 })
		}
		this.#y += height
	}

	/** A quarter of the page each, with a line to cut along. */
	#card({ figure, title, lines }: PaperCard, index: number): void {
		const place = index % 4
		if (place === 0 && (index > 0 || this.#y > MARGIN)) this.#addPage()
		const [width, height] = [this.#page.width / 2, this.#page.height / 2]
		const [left, top] = [(place % 2) * width, Math.floor(place / 2) * height]
		const pad = 28
		this.#pdf.lineWidth(0.3).dash(3, { space: 3 }).rect(left, top, width, height).stroke(GREY).undash()
		const size = 0.34 * width
		drawFigure(this.#pdf, figure, { x: left + (width - size) / 2, y: top + pad, width: size })
		const inner = width - 2 * pad
		let y = top + pad + size + 8
		this.#pdf
			.font('head')
			.fontSize(15)
			.text(title, left + pad, y, { width: inner, align: 'center' })
		y += this.#pdf.heightOfString(title, { width: inner, align: 'center' }) + 4
		// Letters shrink rather than run over the edge.
		const text = lines.join('\n')
		let letters = USUAL
		const room = top + height - pad / 2 - y
		while (
			letters > 6 &&
			this.#pdf.font('text').fontSize(letters).heightOfString(text, { width: inner, paragraphGap: 3 }) > room
		)
			letters -= 0.5
		this.#pdf
			.font('text')
			.fontSize(letters)
			.text(text, left + pad, y, { width: inner, paragraphGap: 3 })
		this.#y = this.#bottom + 1
	}
}

interface WriteTerms {
	face?: 'text' | 'strong' | 'head'
	/** Of the letters at the usual scale, points. */
	size?: number
	colour?: string
	x?: number
	width?: number
	after?: number
}

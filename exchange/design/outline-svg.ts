/** Outlines out to SVG in true size, and in from it. */
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import type { ResolvedDesign } from '../../core/design/resolve-design'
import { InputError } from '../../core/errors'
import { cutOutline } from '../../core/outlines/families'
import { parsePath, PathError } from '../../core/outlines/parse-path'
import { writePath } from '../../core/outlines/write-path'

const GAP_MM = 10
const MAX_SVG_CHARACTERS = 500_000
const MAX_ELEMENTS = 200
/** Of path data in one file. */
const MAX_PATH_CHARACTERS = 200_000

/** Every cut part of a design beside the next, one unit a millimetre. */
export function outlinesSvg({ parts }: ResolvedDesign): string {
	let x = GAP_MM
	let height = 0
	const shapes = parts.flatMap(({ id, name, form }) => {
		if (form.type !== 'cut') return []
		const shape = `<path id="${id}" transform="translate(${x + form.widthMm / 2} ${GAP_MM + form.lengthMm})" d="${writePath(cutOutline(form), 3)}"><title>${escapeXml(name)}</title></path>`
		x += form.widthMm + GAP_MM
		height = Math.max(height, form.lengthMm)
		return [shape]
	})
	const [w, h] = [x, height + 2 * GAP_MM]
	return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" fill="none" stroke="black" stroke-width="0.3">${shapes.join('')}</svg>\n`
}

export interface ImportedOutline {
	name: string
	path: string
}

/**
 * The outlines of an SVG file: its paths, polygons, circles, ellipses and rectangles, each by itself. Transforms are not
 * followed: only the shape counts, its size is set in the design.
 *
 * @throws {InputError} not SVG, or with anything in it that is no drawing
 */
export function readOutlinesSvg(text: string): ImportedOutline[] {
	if (text.length > MAX_SVG_CHARACTERS) throw refuse('The file is too large for a drawing of outlines.')
	if (/<!DOCTYPE|<!ENTITY/i.test(text)) throw refuse('A file with a document type or entities is not taken.')
	if (/<\s*(script|foreignObject|iframe|use|image)\b|\son\w+\s*=|javascript:/i.test(text))
		throw refuse('The file holds more than a drawing (scripts, pictures or links); only outlines are taken.')
	const elements = collect(parseXml(text))
	if (!elements.some(({ tag }) => tag === 'svg')) throw refuse('This is not SVG.')
	const shapes = elements.flatMap(toPath)
	if (shapes.length === 0) throw refuse('There is no path, polygon, circle, ellipse or rectangle in it.')
	if (shapes.length > MAX_ELEMENTS) throw refuse(`At most ${MAX_ELEMENTS} outlines at once, got ${shapes.length}.`)
	const total = shapes.reduce((sum, { path }) => sum + path.length, 0)
	if (total > MAX_PATH_CHARACTERS) throw refuse('The outlines of this file are too fine: simplify them first.')
	return shapes.map(({ name, path }, s) => {
		try {
			parsePath(path)
			return { name: name || `Outline ${s + 1}`, path }
		} catch (error) {
			if (!(error instanceof PathError)) throw error
			throw new InputError([{ path: name || `Outline ${s + 1}`, message: error.message }], { cause: error })
		}
	})
}

function parseXml(text: string): XmlNode[] {
	if (XMLValidator.validate(text) !== true) throw refuse('This is not a whole SVG file.')
	const parser = new XMLParser({
		ignoreAttributes: false,
		attributeNamePrefix: '',
		processEntities: false,
		preserveOrder: true,
	})
	try {
		return parser.parse(text) as XmlNode[]
	} catch (error) {
		// The reader's own guards, against depth for one.
		throw new InputError([{ path: '', message: `This SVG file cannot be read: ${(error as Error).message}` }], {
			cause: error,
		})
	}
}

type XmlNode = Record<string, unknown> & { ':@'?: Record<string, string> }

interface XmlElement {
	tag: string
	attributes: Record<string, string>
}

/** All elements in the order of the file; a loop, not a recursion, whatever the depth. */
function collect(nodes: XmlNode[]): XmlElement[] {
	const elements: XmlElement[] = []
	const queue = [...nodes]
	for (let node = queue.shift(); node; node = queue.shift()) {
		for (const [tag, children] of Object.entries(node)) {
			if (tag === ':@' || tag.startsWith('#')) continue
			elements.push({ tag, attributes: node[':@'] ?? {} })
			if (Array.isArray(children)) queue.unshift(...(children as XmlNode[]))
		}
	}
	return elements
}

function toPath({ tag, attributes }: XmlElement): { name: string; path: string }[] {
	const number = (key: string) => Number(attributes[key] ?? 0)
	const shape = (path: string) => [{ name: attributes['id'] ?? '', path }]
	switch (tag) {
		case 'path':
			return shape(attributes['d'] ?? '')
		case 'polygon':
			return shape(`M${attributes['points'] ?? ''}Z`)
		case 'circle':
		case 'ellipse': {
			const [rx, ry] = tag === 'circle' ? [number('r'), number('r')] : [number('rx'), number('ry')]
			return shape(`M0 0A${rx} ${ry} 0 0 1 0 ${-2 * ry}A${rx} ${ry} 0 0 1 0 0Z`)
		}
		case 'rect':
			return shape(`M0 0H${number('width')}V${number('height')}H0Z`)
		default:
			return []
	}
}

function refuse(message: string): InputError {
	return new InputError([{ path: '', message }])
}

function escapeXml(text: string): string {
	return text.replace(/[<>&"]/g, (character) => `&#${character.charCodeAt(0)};`)
}

/** Several designs as one document: the whole design book, or part of it. */
import type { Design } from '../../core/design/design'
import { InputError } from '../../core/errors'
import { readDesign } from '../read-document'

export const BOOK_FORMAT = 'calycine-design-book'
export const BOOK_FORMAT_VERSION = 1

export interface DesignBook {
	format: typeof BOOK_FORMAT
	formatVersion: typeof BOOK_FORMAT_VERSION
	designs: Design[]
}

const MAX_DESIGNS = 500
/** Deeper than any design is, and shallow enough for every reader. */
const MAX_DEPTH = 40

/** One design's own problems, or the design. */
export type ReadResult = { design: Design } | { name: string; problems: { path: string; message: string }[] }

export function toBook(designs: readonly Design[]): DesignBook {
	return { format: BOOK_FORMAT, formatVersion: BOOK_FORMAT_VERSION, designs: [...designs] }
}

/**
 * Reads the text of a file: one design, or a book of them. Each design stands or falls by itself.
 *
 * @throws {InputError} the text is no JSON, nested too deep, or neither a design nor a book
 */
export function readDesignFile(text: string): ReadResult[] {
	const document = parse(text)
	if (!isRecord(document)) throw refuse('', 'This is neither a design nor a book of designs.')
	if (document['format'] !== BOOK_FORMAT) return [readOne(document)]
	const { formatVersion, designs } = document
	if (typeof formatVersion === 'number' && formatVersion > BOOK_FORMAT_VERSION)
		throw refuse('/formatVersion', `This book was written by a newer Calycine (format ${formatVersion})`)
	if (!Array.isArray(designs)) throw refuse('/designs', 'must be a list of designs')
	if (designs.length > MAX_DESIGNS) throw refuse('/designs', `at most ${MAX_DESIGNS} designs, got ${designs.length}`)
	return designs.map(readOne)
}

function readOne(document: unknown): ReadResult {
	try {
		return { design: readDesign(document) }
	} catch (error) {
		if (!(error instanceof InputError)) throw error
		const name = isRecord(document) && typeof document['name'] === 'string' ? document['name'].slice(0, 80) : 'A design'
		return { name, problems: [...error.problems] }
	}
}

function parse(text: string): unknown {
	if (depthOf(text) > MAX_DEPTH) throw refuse('', `The file is nested deeper than ${MAX_DEPTH} levels.`)
	try {
		return JSON.parse(text, (key, value: unknown) => (key in Object.prototype ? undefined : value))
	} catch (error) {
		throw new InputError([{ path: '', message: `This is not JSON: ${(error as Error).message}` }], { cause: error })
	}
}

/** Brackets open at the same time, outside of strings. */
function depthOf(text: string): number {
	let [depth, deepest, isInString] = [0, 0, false]
	for (let k = 0; k < text.length; k++) {
		const character = text[k]
		if (isInString) {
			if (character === '\\') k++
			else if (character === '"') isInString = false
		} else if (character === '"') isInString = true
		else if (character === '{' || character === '[') deepest = Math.max(deepest, ++depth)
		else if (character === '}' || character === ']') depth--
	}
	return deepest
}

function refuse(path: string, message: string): InputError {
	return new InputError([{ path, message }])
}

function isRecord(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
}

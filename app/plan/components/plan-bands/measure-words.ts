/** How wide some words are, without a browser to ask: by the advances of the text face. */

/** Advances in hundredths of an em of Figtree at weight 650, measured in the browser: letters from a, capitals, figures. */
const SMALL = [53, 59, 54, 59, 55, 39, 60, 57, 26, 29, 53, 24, 87, 57, 58, 60, 59, 37, 47, 40, 57, 55, 82, 52, 57, 48]
const CAPITALS = [
	71, 61, 72, 70, 59, 55, 75, 75, 28, 54, 65, 53, 85, 77, 78, 60, 79, 64, 61, 58, 70, 72, 98, 67, 64, 63,
]
const FIGURES = [65, 42, 57, 55, 63, 58, 58, 55, 61, 58]
const OTHERS: Record<string, number> = { ' ': 25, ',': 25, '.': 25, "'": 25, '’': 25, '-': 42, '…': 69 }
const UNKNOWN = 80
/** Weight 400 against 650. */
const REGULAR_FACTOR = 0.98

export interface Face {
	sizePx: number
	isBold?: boolean
}

/** Width of the words, px. */
export function measureWords(words: string, { sizePx, isBold = false }: Face): number {
	const hundredths = [...words].reduce((total, character) => total + advanceOf(character), 0)
	return (hundredths / 100) * sizePx * (isBold ? 1 : REGULAR_FACTOR)
}

function advanceOf(character: string): number {
	const place = (first: string) => character.charCodeAt(0) - first.charCodeAt(0)
	return SMALL[place('a')] ?? CAPITALS[place('A')] ?? FIGURES[place('0')] ?? OTHERS[character] ?? UNKNOWN
}

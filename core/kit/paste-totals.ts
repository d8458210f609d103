/** Paste of all kits together: what is handed out, and what is reckoned of it before anything was learnt. */
import type { PartRole } from '../design/design'
import { sumOfKits } from './bill'
import type { PasteLine } from './paste-bill'

/** Of a paste whatever its colour, or of those of its colours that one kind of piece is made of. */
export interface PasteTotal {
	paste: string
	/** Absent: of several kinds. */
	kind?: PartRole
	/** Each once. */
	colours: string[]
	/** Whole grams. */
	handedG: number
	/** Whole grams, > 0. */
	reckonedG: number
}

const MG_PER_G = 1000

/** Each paste as a whole, in the order of the lines. */
export function totalPaste(lines: readonly PasteLine[]): PasteTotal[] {
	const pastes = [...new Set(lines.map(({ item }) => item.paste))]
	return pastes.flatMap((paste) => sumLines(lines.filter(({ item }) => item.paste === paste)))
}

/**
 * Of pastes that come in colours for several kinds of piece: each kind whose colours are its own, so that what comes back
 * of it can be weighed by itself. Of a paste of which nothing can be told apart there are none.
 */
export function totalPasteByKind(lines: readonly PasteLine[]): PasteTotal[] {
	return totalPaste(lines).flatMap((total) => {
		if (total.kind !== undefined) return []
		const own = lines.filter(({ item }) => item.paste === total.paste)
		const kinds = [...new Set(own.flatMap((line) => kindOf([line]) ?? []))]
		return kinds.flatMap((kind) => sumLines(own.filter((line) => kindOf([line]) === kind)))
	})
}

/** @returns nothing of what no kit has any of */
function sumLines(lines: readonly PasteLine[]): PasteTotal[] {
	const grams = (mgOf: (line: PasteLine) => number) => {
		return Math.round(lines.reduce((sum, line) => sum + mgOf(line), 0) / MG_PER_G)
	}
	const [first] = lines
	const reckonedG = grams(({ plainMg }) => plainMg)
	if (!first || reckonedG === 0) return []
	const kind = kindOf(lines)
	return [
		{
			paste: first.item.paste,
			...(kind && { kind }),
			colours: [...new Set(lines.map(({ item }) => item.colour))],
			handedG: grams(({ handOut }) => sumOfKits(handOut)),
			reckonedG,
		},
	]
}

/** The one kind of piece that all of it is for. */
function kindOf(lines: readonly PasteLine[]): PartRole | undefined {
	const kinds = new Set(lines.flatMap((line) => line.kinds))
	return kinds.size === 1 ? [...kinds][0] : undefined
}

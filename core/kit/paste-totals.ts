/** Paste of all kits together, whatever its colour: what is handed out, and what is reckoned of it before anything was learnt. */
import { sumOfKits } from './bill'
import type { PasteLine } from './paste-bill'

export interface PasteTotal {
	paste: string
	/** Whole grams. */
	handedG: number
	/** Whole grams, > 0. */
	reckonedG: number
}

const MG_PER_G = 1000

/** @param learnt - of each paste, what past classes have used against what was reckoned, as the lines were made with it */
export function totalPaste(lines: readonly PasteLine[], learnt: Readonly<Record<string, number>> = {}): PasteTotal[] {
	const pastes = [...new Set(lines.map(({ item }) => item.paste))]
	return pastes.flatMap((paste) => {
		const own = lines.filter(({ item }) => item.paste === paste)
		const grams = (mgOf: (line: PasteLine) => number) => {
			return Math.round(own.reduce((sum, line) => sum + mgOf(line), 0) / MG_PER_G)
		}
		const handedG = grams(({ handOut }) => sumOfKits(handOut))
		const reckonedG = grams(({ shares }) => sumOfKits(shares) / (learnt[paste] ?? 1))
		return reckonedG > 0 ? [{ paste, handedG, reckonedG }] : []
	})
}
